import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import type { Arrangement, Drawer } from '../chests/arrangement.js';
import { chestsOf, drawersIn, entriesIn, trayEntries, trayEntryId, TRAYS } from '../chests/arrangement.js';
import type { Change, Edit } from '../chests/edit.js';
import type { DrawerPlan } from '../chests/lay-out-drawers.js';
import { layOutDrawers } from '../chests/lay-out-drawers.js';
import { keysBefore } from '../chests/order-keys.js';
import type { ChestId, DrawerId, PluginId } from '../ids.js';
import type { Rule } from '../rules/rule.js';

export const ARRANGEMENT_SCHEMA = 'clever-drawer/arrangement/1';

/** Everything arranged, in one document; its JSON Schema is docs/schemas/arrangement-1.schema.json. Plugins are referred to by id. */
export interface ArrangementDocument {
  readonly schema: typeof ARRANGEMENT_SCHEMA;
  readonly exportedAt: string;
  readonly computer: string;
  readonly plugins: readonly PluginReference[];
  readonly chests: readonly { readonly name: string; readonly drawers: readonly DrawerDocument[] }[];
  readonly trays: readonly { readonly tray: number; readonly plugins: readonly PluginId[] }[];
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
  readonly plugins: readonly PluginId[];
  readonly drawers: readonly DrawerDocument[];
}

interface Exported {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly Pick<BuildFacts, 'format' | 'identifier'>[];
}

/** Writes chests, drawers, rules and trays, and those plugins that stand in them. Practice sessions are not part of it. */
export function exportArrangement(
  state: Arrangement,
  plugins: ReadonlyMap<PluginId, Exported>,
  computer: string,
  at: Date,
): ArrangementDocument {
  const used = new Set<PluginId>();
  const note = (ids: PluginId[]): PluginId[] => {
    for (const id of ids) used.add(id);
    return ids;
  };
  const drawer = (one: Drawer): DrawerDocument => ({
    name: one.name,
    rule: one.rule,
    plugins: note(entriesIn(state, one.id).map((entry) => entry.pluginId)),
    drawers: drawersIn(state, one.chestId, one.id).map(drawer),
  });
  const chests = chestsOf(state).map((chest) => ({
    name: chest.name,
    drawers: drawersIn(state, chest.id, null).map(drawer),
  }));
  const trays = TRAYS.map((tray) => ({ tray, plugins: note(trayEntries(state, tray).map((entry) => entry.pluginId)) }));
  const references = [...used]
    .map((id) => plugins.get(id))
    .filter((plugin) => plugin !== undefined)
    .map(({ id, name, vendor, builds }) => ({
      id,
      name,
      vendor,
      builds: builds.map(({ format, identifier }) => ({ format, identifier })),
    }));
  return {
    schema: ARRANGEMENT_SCHEMA,
    exportedAt: at.toISOString(),
    computer,
    plugins: references,
    chests,
    trays: trays.filter((tray) => tray.plugins.length > 0),
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
 * Plans the import of a document: its chests are added beside those at hand, its trays are filled up; nothing is replaced.
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
  const edits: Edit[] = [];
  const chestOrders = keysBefore(chestsOf(state), null, document.chests.length);
  const names = new Set(chestsOf(state).map((chest) => chest.name));

  const drawerPlan = (drawer: DrawerDocument): DrawerPlan => ({
    name: drawer.name,
    rule: drawer.rule,
    pluginIds: placed(drawer.plugins),
    inner: drawer.drawers.map(drawerPlan),
  });
  document.chests.forEach((chest, index) => {
    const id = newId() as ChestId;
    const name = freeName(chest.name, names);
    names.add(name);
    edits.push({ of: 'chest', id, before: null, after: { id, name, order: chestOrders[index] ?? '' } });
    edits.push(...layOutDrawers(chest.drawers.map(drawerPlan), id, null, () => newId() as DrawerId));
  });
  for (const { tray, plugins: ids } of document.trays) {
    const fresh = placed(ids).filter((pluginId) => !state.trayEntry.has(trayEntryId(tray, pluginId)));
    const orders = keysBefore(trayEntries(state, tray), null, fresh.length);
    fresh.forEach((pluginId, at) => {
      const entry = { id: trayEntryId(tray, pluginId), tray, pluginId, order: orders[at] ?? '' };
      edits.push({ of: 'trayEntry', id: entry.id, before: null, after: entry });
    });
  }
  const missing = document.plugins.filter((reference) => !matches.has(reference.id));
  const label = `import the arrangement of ${document.computer}`;
  return { change: { label, edits }, matched: matches.size, missing };
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  let free = name;
  for (let number = 2; taken.has(free); number++) free = `${name} (${String(number)})`;
  return free;
}
