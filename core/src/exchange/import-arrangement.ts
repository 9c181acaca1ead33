import { presetKey } from '../catalogue/plugin-presets.js';
import type { Arrangement } from '../chests/arrangement.js';
import { chainIdOf, partsOfChain } from '../chests/chains.js';
import type { Change, Edit } from '../chests/edit.js';
import { itemId, itemParts, type ItemParts } from '../chests/item.js';
import type { DrawerPlan, PlannedLine } from '../chests/lay-out-drawers.js';
import { layOutStepwise } from '../chests/lay-out-drawers.js';
import { byOrder, chestsOf, trayEntries } from '../chests/look-up.js';
import { ownEntriesByKey, ownEntryKey } from '../chests/own-entries.js';
import { keysBefore } from '../chests/order-keys.js';
import type { Drawer } from '../chests/rows/drawer.js';
import type { OwnEntry } from '../chests/rows/own-entry.js';
import { trayEntryId } from '../chests/rows/tray-entry.js';
import type { Format } from '../facts/format.js';
import type { ChainId, ChestId, DrawerId, ItemId, PluginId } from '../ids.js';
import { namedDrawers } from '../rules/drawer-names.js';
import { typedRule } from '../rules/rule.js';
import { runToCompletion, eachStepwise, type Stepwise } from '../stepwise.js';
import { fold } from '../text/words.js';
import type {
  ArrangementDocument,
  ChainDocument,
  DrawerDocument,
  ItemReference,
  LineDocument,
  OwnEntryDocument,
  PluginReference,
} from './arrangement-document.js';
import type { Exported } from './export-arrangement.js';
import { fillUp } from './fill-up-chest.js';

/** What an import would do: the change, the plugins of the catalogue that it names, and those that the catalogue lacks (they keep their places). */
export interface ImportPlan {
  readonly change: Change;
  readonly matched: readonly PluginId[];
  readonly missing: readonly PluginReference[];
}

/** Finds a plugin of the catalogue by its own id, else by the identifier of one of its builds. */
export const matchReferences = (...args: Parameters<typeof matchStepwise>): Map<PluginId, PluginId> =>
  runToCompletion(matchStepwise(...args));

function* matchStepwise(
  references: readonly PluginReference[],
  plugins: ReadonlyMap<PluginId, Exported>,
): Stepwise<Map<PluginId, PluginId>> {
  const byIdentifier = new Map<string, PluginId>();
  const key = (build: { format: Format; identifier: string | null }): string =>
    `${build.format}|${build.identifier ?? ''}`;
  yield* eachStepwise([...plugins.values()], (plugin) => {
    for (const build of plugin.builds) if (build.identifier !== null) byIdentifier.set(key(build), plugin.id);
  });
  const matches = new Map<PluginId, PluginId>();
  yield* eachStepwise(references, (reference) => {
    const hit = plugins.has(reference.id)
      ? reference.id
      : reference.builds
          .map((build) => (build.identifier === null ? undefined : byIdentifier.get(key(build))))
          .find((id) => id !== undefined);
    if (hit !== undefined) matches.set(reference.id, hit);
  });
  return matches;
}

/**
 * Plans the import of a document: a chest of the same name is filled up, others are added behind those at hand, trays are filled up, names and
 * reasons taken where there are none; nothing is replaced. The same document a second time comes to nothing.
 * A plugin that can't be matched keeps its own id and its places, so that it is there when it is installed.
 */
export const planImport = (...args: Parameters<typeof importStepwise>): ImportPlan =>
  runToCompletion(importStepwise(...args));

/** The same step by step. */
export function* importStepwise(
  state: Arrangement,
  document: ArrangementDocument,
  plugins: ReadonlyMap<PluginId, Exported>,
  newId: () => string,
): Stepwise<ImportPlan> {
  const matches = yield* matchStepwise(document.plugins, plugins);
  const chains = new Map<string, ChainId>();
  const ownEntries = new Map<PluginId, PluginId>();
  const here = (id: PluginId): PluginId =>
    (chains.get(id) as string as PluginId | undefined) ?? ownEntries.get(id) ?? matches.get(id) ?? id;
  const known = new Set<string>(
    [...document.plugins, ...document.chains, ...document.ownEntries].map((reference) => reference.id),
  );
  const partsOf = ({ plugin, preset }: ItemReference): ItemParts => ({
    pluginId: here(plugin),
    preset: preset === null ? null : presetKey(preset),
  });
  const placed = (items: readonly ItemReference[]): ItemId[] => [
    ...new Set(items.filter((one) => known.has(one.plugin)).map((one) => itemId(partsOf(one)))),
  ];
  const line = (one: LineDocument): PlannedLine[] =>
    'divider' in one ? [one] : known.has(one.plugin) ? [{ ...partsOf(one), name: one.name, build: one.build }] : [];
  const edits: Edit[] = [];
  const add = (edit: Edit): void => void edits.push(edit);
  const ownByKey = ownEntriesByKey(state);
  for (const entry of document.ownEntries) {
    const same = ownByKey.get(ownEntryKey(entry));
    ownEntries.set(entry.id, same?.id ?? entry.id);
    edits.push(...ownEntryEdits(state, entry, same));
  }
  for (const chain of document.chains) {
    const parts = chain.parts
      .filter((part) => known.has(part.plugin))
      .map((part) => ({ ...partsOf(part), bypass: part.bypass }));
    const same = sameChain(state, chain.name, parts);
    if (same === null && parts.length > 0) edits.push(...newChain(chain, parts, chainIdOf(newId()), chains));
    else if (same !== null) chains.set(chain.id, same);
    else known.delete(chain.id);
  }
  const present = chestsOf(state);
  const chestOrders = keysBefore(present, null, document.chests.length);
  const filled = new Set<ChestId>();

  function* drawerPlan(drawer: DrawerDocument): Stepwise<DrawerPlan> {
    const lines: PlannedLine[] = [];
    yield* eachStepwise(drawer.lines, (one) => lines.push(...line(one)));
    const inner: DrawerPlan[] = [];
    for (const one of drawer.drawers) inner.push(yield* drawerPlan(one));
    const { lines: _lines, never: _never, drawers: _drawers, loose = false, ...fields } = drawer;
    const never = drawer.never.filter((one) => known.has(one.plugin)).map(partsOf);
    // What has a rule or inner drawers is a drawer, whatever the document says.
    const isLoose = loose && inner.length === 0 && fields.rule === null;
    return { ...fields, loose: isLoose, lines, never, inner: inner.map((one) => ({ ...one, loose: false })) };
  }
  for (const [index, chest] of document.chests.entries()) {
    const drawers: DrawerPlan[] = [];
    for (const drawer of chest.drawers) {
      const plan = yield* drawerPlan(drawer);
      drawers.push(drawers.some((one) => one.loose) ? { ...plan, loose: false } : plan);
      yield;
    }
    const same = present.find((one) => fold(one.name) === fold(chest.name) && !filled.has(one.id));
    if (same !== undefined) {
      filled.add(same.id);
      yield* fillUp(state, same.id, null, drawers, newId, add);
      continue;
    }
    const id = newId() as ChestId;
    const { drawers: _drawers, ...fields } = chest;
    add({ of: 'chest', id, before: null, after: { ...fields, id, order: chestOrders[index] ?? '' } });
    yield* layOutStepwise(drawers, id, null, () => newId() as DrawerId, add);
  }
  for (const { tray, items, name, sign, notInMenus } of document.trays) {
    const trayId = String(tray);
    if ((name !== null || sign !== null || notInMenus) && !state.trayName.has(trayId))
      edits.push({ of: 'trayName', id: trayId, before: null, after: { id: trayId, name, sign, notInMenus } });
    const fresh = placed(items).filter((item) => !state.trayEntry.has(trayEntryId(tray, item)));
    const orders = keysBefore(trayEntries(state, tray), null, fresh.length);
    fresh.forEach((item, at) => {
      const entry = { id: trayEntryId(tray, item), tray, ...itemParts(item), order: orders[at] ?? '' };
      edits.push({ of: 'trayEntry', id: entry.id, before: null, after: entry });
    });
  }
  yield* eachStepwise(document.plugins, ({ id: foreign, naming, aside, presets }) => {
    const id = here(foreign);
    const named = [
      ...(naming === null ? [] : [{ item: id as ItemId, naming }]),
      ...presets.map((one) => ({ item: itemId({ pluginId: id, preset: presetKey(one.preset) }), naming: one.naming })),
    ];
    for (const { item, naming: words } of named)
      if (!state.naming.has(item)) edits.push({ of: 'naming', id: item, before: null, after: { ...words, id: item } });
    if (aside !== null && !state.aside.has(id))
      edits.push({ of: 'aside', id, before: null, after: { ...aside, id, pluginId: id, buildId: null } });
  });
  const kept = [...state.keptSearch.values()].sort(byOrder);
  const newSearches = document.searches.filter((one) => !kept.some((other) => other.query === one.query));
  const searchOrders = keysBefore(kept, null, newSearches.length);
  newSearches.forEach((search, at) => {
    const id = newId();
    edits.push({ of: 'keptSearch', id, before: null, after: { ...search, id, order: searchOrders[at] ?? '' } });
  });
  const missing = document.plugins.filter((reference) => !matches.has(reference.id));
  const label = `import the arrangement of ${document.computer}`;
  yield;
  const change = { label, edits: yield* withRules(state, edits) };
  return { change, matched: [...new Set(matches.values())], missing };
}

/** The edits that bring an own entry in; `same` is one of this name in the same program, which is taken for it. */
function ownEntryEdits(
  state: Arrangement,
  { naming, aside, ...row }: OwnEntryDocument,
  same: OwnEntry | undefined,
): Edit[] {
  const id = same?.id ?? row.id;
  return [
    ...(same === undefined && !state.ownEntry.has(id)
      ? [{ of: 'ownEntry' as const, id, before: null, after: { ...row, file: row.file ?? null } }]
      : []),
    ...(naming === null || state.naming.has(id)
      ? []
      : [{ of: 'naming' as const, id, before: null, after: { ...naming, id } }]),
    ...(aside === null || state.aside.has(id)
      ? []
      : [{ of: 'aside' as const, id, before: null, after: { ...aside, id, pluginId: id, buildId: null } }]),
  ];
}

type Part = ItemParts & { readonly bypass: boolean };

/** The chain of this name that is made of the same parts; null for none. */
function sameChain(state: Arrangement, name: string, parts: readonly Part[]): ChainId | null {
  const words = (all: readonly Part[]): string => all.map((one) => `${itemId(one)} ${String(one.bypass)}`).join('\n');
  for (const chain of state.chain.values())
    if (fold(chain.name) === fold(name) && words(partsOfChain(state, chain.id)) === words(parts)) return chain.id;
  return null;
}

/** The edits that make a chain with its words; the id that it has here is noted beside the document's. */
function newChain(chain: ChainDocument, parts: readonly Part[], id: ChainId, chains: Map<string, ChainId>): Edit[] {
  chains.set(chain.id, id);
  const orders = keysBefore([], null, parts.length);
  return [
    { of: 'chain', id, before: null, after: { id, name: chain.name } },
    ...parts.map(({ pluginId, preset, bypass }, at): Edit => {
      const part = `${id}/${String(at + 1)}`;
      const after = { id: part, chainId: id, order: orders[at] ?? '', pluginId, preset, bypass };
      return { of: 'chainPart', id: part, before: null, after };
    }),
    ...(chain.naming === null ? [] : [{ of: 'naming' as const, id, before: null, after: { ...chain.naming, id } }]),
  ];
}

/** Rules name drawers as the document calls them; here they get the ids that those have now. A rule that can't be read stays as it is written. */
function* withRules(state: Arrangement, edits: readonly Edit[]): Stepwise<Edit[]> {
  const made: Drawer[] = [];
  yield* eachStepwise(edits, (edit) => edit.of === 'drawer' && edit.after !== null && made.push(edit.after));
  const names = namedDrawers([...made, ...state.drawer.values()]);
  const read: Edit[] = [];
  yield* eachStepwise(edits, (edit) => read.push(withRule(edit, names)));
  return read;
}

function withRule(edit: Edit, names: ReturnType<typeof namedDrawers>): Edit {
  const drawer = edit.of === 'drawer' ? edit.after : null;
  if (drawer?.rule?.kind !== 'written') return edit;
  const read = typedRule(drawer.rule.text, names);
  return read.ok ? ({ ...edit, after: { ...drawer, rule: read.rule } } as Edit) : edit;
}
