import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import type { Arrangement, ChestSlot, Drawer } from '../chests/arrangement.js';
import { trayEntryId, TRAYS } from '../chests/arrangement.js';
import { byOrder, chestsOf, drawersIn, trayEntries } from '../chests/look-up.js';
import type { Change, Edit } from '../chests/edit.js';
import type { DrawerSort } from '../chests/drawer-sort.js';
import { linesIn } from '../chests/file-into.js';
import type { DrawerPlan, PlannedLine } from '../chests/lay-out-drawers.js';
import { layOutDrawers } from '../chests/lay-out-drawers.js';
import { keysBefore } from '../chests/order-keys.js';
import type { Naming } from '../chests/naming.js';
import type { Aside } from '../chests/set-aside.js';
import type { ChestId, DrawerId, PluginId } from '../ids.js';
import { asId } from '../ids.js';
import type { Rule } from '../rules/rule.js';

export const ARRANGEMENT_SCHEMA = 'clever-drawer/arrangement/2';
type FirstSchema = 'clever-drawer/arrangement/1';

/** Everything arranged, in one document; its JSON Schema is docs/schemas/arrangement-2.schema.json. Plugins are referred to by id. */
export interface ArrangementDocument {
  readonly schema: typeof ARRANGEMENT_SCHEMA;
  readonly exportedAt: string;
  readonly computer: string;
  readonly plugins: readonly ArrangedPlugin[];
  readonly chests: readonly {
    readonly name: string;
    readonly slots: readonly ChestSlot[] | null;
    readonly drawers: readonly DrawerDocument[];
  }[];
  readonly trays: readonly {
    readonly tray: number;
    readonly name: string | null;
    readonly plugins: readonly PluginId[];
  }[];
  readonly searches: readonly { readonly name: string; readonly query: string }[];
}

/** The form before dividers, sorting and names: a drawer is a list of plugins. It is still read. */
export interface FirstArrangementDocument {
  readonly schema: FirstSchema;
  readonly exportedAt: string;
  readonly computer: string;
  readonly plugins: readonly PluginReference[];
  readonly chests: readonly { readonly name: string; readonly drawers: readonly FirstDrawerDocument[] }[];
  readonly trays: readonly { readonly tray: number; readonly plugins: readonly PluginId[] }[];
}
interface FirstDrawerDocument {
  readonly name: string;
  readonly rule: Rule | null;
  readonly plugins: readonly PluginId[];
  readonly drawers: readonly FirstDrawerDocument[];
}

/** A plugin with what the producer says of it; null for what was left alone. */
export interface ArrangedPlugin extends PluginReference {
  readonly naming: Omit<Naming, 'id'> | null;
  readonly aside: Pick<Aside, 'reason' | 'until'> | null;
}

/** Enough of a plugin to know it again on another computer, where names and formats may differ. */
export interface PluginReference {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly { readonly format: Format; readonly identifier: string | null }[];
}

export interface DrawerDocument {
  readonly name: string;
  readonly rule: Rule | null;
  readonly sort: DrawerSort | null;
  readonly lines: readonly LineDocument[];
  readonly drawers: readonly DrawerDocument[];
}

/** A line of a drawer: a plugin, maybe under a name of its own there, or a divider with its label. */
export type LineDocument = { readonly plugin: PluginId; readonly name: string | null } | { readonly divider: string };

interface Exported {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly Pick<BuildFacts, 'format' | 'identifier'>[];
}

/** Writes chests, drawers, rules, trays, kept searches and the producer's own words. Practice sessions and pictures are not part of it. */
export function exportArrangement(
  state: Arrangement,
  plugins: ReadonlyMap<PluginId, Exported>,
  computer: string,
  at: Date,
): ArrangementDocument {
  const used = new Set<PluginId>();
  const note = (id: PluginId): PluginId => {
    used.add(id);
    return id;
  };
  const drawer = (one: Drawer): DrawerDocument => ({
    name: one.name,
    rule: one.rule,
    sort: one.sort,
    lines: linesIn(state, one).map((line) =>
      'label' in line ? { divider: line.label } : { plugin: note(line.pluginId), name: line.name },
    ),
    drawers: drawersIn(state, one.chestId, one.id).map(drawer),
  });
  const chests = chestsOf(state).map(({ id, name, slots }) => ({
    name,
    slots,
    drawers: drawersIn(state, id, null).map(drawer),
  }));
  const trays = TRAYS.map((tray) => ({
    tray,
    name: state.trayName.get(String(tray))?.name ?? null,
    plugins: trayEntries(state, tray).map((entry) => note(entry.pluginId)),
  })).filter((tray) => tray.plugins.length > 0 || tray.name !== null);
  for (const id of state.naming.keys()) note(asId<PluginId>(id));
  for (const aside of state.aside.values()) if (aside.buildId === null) note(aside.pluginId);
  return {
    schema: ARRANGEMENT_SCHEMA,
    exportedAt: at.toISOString(),
    computer,
    plugins: [...used].flatMap((id) => arrangedPlugin(state, plugins.get(id))),
    chests,
    trays,
    searches: [...state.keptSearch.values()].sort(byOrder).map(({ name, query }) => ({ name, query })),
  };
}

function arrangedPlugin(state: Arrangement, plugin: Exported | undefined): ArrangedPlugin[] {
  if (plugin === undefined) return [];
  const { id, name, vendor, builds } = plugin;
  const [naming, aside] = [state.naming.get(id), state.aside.get(id)];
  return [
    {
      id,
      name,
      vendor,
      builds: builds.map(({ format, identifier }) => ({ format, identifier })),
      naming: naming === undefined ? null : namingDocument(naming),
      aside: aside === undefined ? null : { reason: aside.reason, until: aside.until },
    },
  ];
}

const namingDocument = ({ nickname, stripLabel, note, tags }: Naming): Omit<Naming, 'id'> => ({
  nickname,
  stripLabel,
  note,
  tags,
});

/** A document of any version in the newest form. */
export function newestForm(document: ArrangementDocument | FirstArrangementDocument): ArrangementDocument {
  if (document.schema === ARRANGEMENT_SCHEMA) return document;
  const drawer = ({ name, rule, plugins, drawers }: FirstDrawerDocument): DrawerDocument => ({
    name,
    rule,
    sort: null,
    lines: plugins.map((plugin) => ({ plugin, name: null })),
    drawers: drawers.map(drawer),
  });
  return {
    ...document,
    schema: ARRANGEMENT_SCHEMA,
    plugins: document.plugins.map((plugin) => ({ ...plugin, naming: null, aside: null })),
    chests: document.chests.map(({ name, drawers }) => ({ name, slots: null, drawers: drawers.map(drawer) })),
    trays: document.trays.map((tray) => ({ ...tray, name: null })),
    searches: [],
  };
}

/** What an import would do: the change, and the plugins that this computer's catalogue lacks (they keep their places). */
export interface ImportPlan {
  readonly change: Change;
  readonly matched: number;
  readonly missing: readonly PluginReference[];
}

/** Finds a plugin of the catalogue by its own id, else by the identifier of one of its builds. */
export function matchReferences(
  references: readonly PluginReference[],
  plugins: ReadonlyMap<PluginId, Exported>,
): Map<PluginId, PluginId> {
  const byIdentifier = new Map<string, PluginId>();
  const key = (build: { format: Format; identifier: string | null }): string =>
    `${build.format}|${build.identifier ?? ''}`;
  for (const plugin of plugins.values()) {
    for (const build of plugin.builds) if (build.identifier !== null) byIdentifier.set(key(build), plugin.id);
  }
  const matches = new Map<PluginId, PluginId>();
  for (const reference of references) {
    const hit = plugins.has(reference.id)
      ? reference.id
      : reference.builds
          .map((build) => (build.identifier === null ? undefined : byIdentifier.get(key(build))))
          .find((id) => id !== undefined);
    if (hit !== undefined) matches.set(reference.id, hit);
  }
  return matches;
}

/**
 * Plans the import of a document: its chests are added beside those at hand, its trays are filled up, its names and reasons taken where
 * there are none; nothing is replaced.
 * A plugin that can't be matched keeps its own id and its places, so that it is there when it is installed.
 */
export function planImport(
  state: Arrangement,
  document: ArrangementDocument,
  plugins: ReadonlyMap<PluginId, Exported>,
  newId: () => string,
): ImportPlan {
  const matches = matchReferences(document.plugins, plugins);
  const here = (id: PluginId): PluginId => matches.get(id) ?? id;
  const known = new Set(document.plugins.map((reference) => reference.id));
  const placed = (ids: readonly PluginId[]): PluginId[] => [...new Set(ids.filter((id) => known.has(id)).map(here))];
  const line = (one: LineDocument): PlannedLine[] =>
    'divider' in one ? [one] : known.has(one.plugin) ? [{ pluginId: here(one.plugin), name: one.name }] : [];
  const edits: Edit[] = [];
  const chestOrders = keysBefore(chestsOf(state), null, document.chests.length);
  const names = new Set(chestsOf(state).map((chest) => chest.name));

  const drawerPlan = (drawer: DrawerDocument): DrawerPlan => ({
    name: drawer.name,
    rule: drawer.rule,
    sort: drawer.sort,
    lines: drawer.lines.flatMap(line),
    inner: drawer.drawers.map(drawerPlan),
  });
  document.chests.forEach((chest, index) => {
    const id = newId() as ChestId;
    const name = freeName(chest.name, names);
    names.add(name);
    edits.push({
      of: 'chest',
      id,
      before: null,
      after: { id, name, order: chestOrders[index] ?? '', slots: chest.slots },
    });
    edits.push(...layOutDrawers(chest.drawers.map(drawerPlan), id, null, () => newId() as DrawerId));
  });
  for (const { tray, name, plugins: ids } of document.trays) {
    const trayId = String(tray);
    if (name !== null && !state.trayName.has(trayId))
      edits.push({ of: 'trayName', id: trayId, before: null, after: { id: trayId, name } });
    const fresh = placed(ids).filter((pluginId) => !state.trayEntry.has(trayEntryId(tray, pluginId)));
    const orders = keysBefore(trayEntries(state, tray), null, fresh.length);
    fresh.forEach((pluginId, at) => {
      const entry = { id: trayEntryId(tray, pluginId), tray, pluginId, order: orders[at] ?? '' };
      edits.push({ of: 'trayEntry', id: entry.id, before: null, after: entry });
    });
  }
  for (const { id: foreign, naming, aside } of document.plugins) {
    const id = here(foreign);
    if (naming !== null && !state.naming.has(id))
      edits.push({ of: 'naming', id, before: null, after: { ...naming, id } });
    if (aside !== null && !state.aside.has(id))
      edits.push({ of: 'aside', id, before: null, after: { ...aside, id, pluginId: id, buildId: null } });
  }
  const kept = [...state.keptSearch.values()].sort(byOrder);
  const newSearches = document.searches.filter((one) => !kept.some((other) => other.query === one.query));
  const searchOrders = keysBefore(kept, null, newSearches.length);
  newSearches.forEach((search, at) => {
    const id = newId();
    edits.push({ of: 'keptSearch', id, before: null, after: { ...search, id, order: searchOrders[at] ?? '' } });
  });
  const missing = document.plugins.filter((reference) => !matches.has(reference.id));
  const label = `import the arrangement of ${document.computer}`;
  return { change: { label, edits }, matched: matches.size, missing };
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  let free = name;
  for (let number = 2; taken.has(free); number++) free = `${name} (${String(number)})`;
  return free;
}
