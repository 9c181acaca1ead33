import type { EntityManager } from 'typeorm';
import type { ArrangedPluginView, DrawerContentsView, DrawerView, PluginView } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chainItems } from '@clever-drawer/core/chests/chain-item';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { itemParts } from '@clever-drawer/core/chests/item';
import { arrangedPresets, itemsById, type ItemOf } from '@clever-drawer/core/chests/preset-item';
import { shownDrawers } from '@clever-drawer/core/chests/level';
import { measureDrawers } from '@clever-drawer/core/chests/measure-drawers';
import { chestsOf, drawersOfChest, pathTo } from '@clever-drawer/core/chests/look-up';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { group } from '@clever-drawer/core/chests/row-groups';
import { ownPlugins, withOwnPlugins } from '@clever-drawer/core/chests/own-entries';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { withChoicesStepwise, type Chosen } from '@clever-drawer/core/chests/with-choices';
import type { ComputerId, ItemId, PluginId } from '@clever-drawer/core/ids';
import { appendToGroup } from '@clever-drawer/core/lists-by-key';
import { eachStepwise, type Stepwise } from '@clever-drawer/core/stepwise';
import { runCooperatively, yieldToEventLoop } from '../run-cooperatively.js';
import { filesWithIds } from './file-store.js';
import { loadCounts } from './load-store.js';
import { filterInstalledPresets } from './preset-store.js';
import { ruledOn } from './trait-store.js';

/** What is looked at: a computer's catalogue as it was worked out, and what is arranged there. */
export interface Looked {
  readonly db: EntityManager;
  readonly id: ComputerId;
  readonly plugins: readonly PluginView[];
  readonly state: Arrangement;
}

type ChosenPlugin = PluginView & Chosen;
type Item = ChosenPlugin | ItemOf<ChosenPlugin>;

/** The catalogue as the producer has it, and by id also the presets that are arranged, and the chains. */
interface ChosenCatalogue {
  readonly plugins: readonly ChosenPlugin[];
  readonly byId: ReadonlyMap<ItemId, Item>;
}

async function chosenCatalogue({ db, plugins: all, id, state }: Looked): Promise<ChosenCatalogue> {
  const plugins = await runCooperatively(withChoicesStepwise(await withOwnEntries(db, id, all, state), state));
  const arranged = arrangedPresets(state);
  const present = arranged.size === 0 ? arranged : await filterInstalledPresets(db, id, arranged);
  await yieldToEventLoop();
  const byId: Map<ItemId, Item> = itemsById(plugins, present, arranged, state.naming);
  for (const chain of chainItems<ChosenPlugin>(state, byId)) byId.set(chain.id, chain);
  await yieldToEventLoop();
  return { plugins, byId };
}

type Places = ArrangedPluginView['places'];

/** The plugins of a computer with the studio's own entries behind them, each with its loads there. */
export async function withOwnEntries(
  db: EntityManager,
  id: ComputerId,
  plugins: readonly PluginView[],
  state: Arrangement,
): Promise<readonly PluginView[]> {
  if (state.ownEntry.size === 0) return plugins;
  const counts = await loadCounts(db, id);
  const files = [...state.ownEntry.values()].flatMap((row) => (row.file === null ? [] : row.id));
  const filesHere = new Set((await filesWithIds(db, id, files)).map((one) => one.id));
  const facts = {
    loadsOf: (entry: PluginId) => counts.get(entry),
    isFileHere: (entry: PluginId) => filesHere.has(entry),
  };
  return withOwnPlugins(plugins, ownPlugins(state, facts));
}

/** The catalogue as the producer has it, with every place of each plugin; in order of the given names. */
export async function arrangedPlugins(looked: Looked): Promise<ArrangedPluginView[]> {
  const { db, id, state } = looked;
  const catalogue = await chosenCatalogue(looked);
  const ruled = await ruledOn(db, id, state, catalogue.byId);
  return runCooperatively(arrangedStepwise(state, catalogue, ruled));
}

function* arrangedStepwise(
  state: Arrangement,
  { plugins, byId }: ChosenCatalogue,
  ruled: Ruled,
): Stepwise<ArrangedPluginView[]> {
  const drawers = new Map<ItemId, Places['drawers'][number][]>();
  for (const chest of chestsOf(state)) {
    for (const drawer of drawersOfChest(state, chest.id)) {
      const path = pathTo(state, drawer.id).map((one) => one.name);
      yield* eachStepwise(contentsOf(state, byId, drawer, ruled).plugins, ({ plugin, by, name }) =>
        appendToGroup(drawers, plugin.id, { drawerId: drawer.id, chest: chest.name, path, by, name }),
      );
      yield;
    }
  }
  const presets = new Map<PluginId, ArrangedPluginView['presets'][number][]>();
  yield* eachStepwise([...byId.values()], ({ id, preset, name: title, found }) => {
    if (preset === null) return;
    const places = placesOf(state, drawers, id);
    appendToGroup(presets, itemParts(id).pluginId, { bank: preset.bank, name: preset.name, title, found, places });
  });
  const views: ArrangedPluginView[] = [];
  // Field by field: to spread 50,000 of them takes most of a second.
  yield* eachStepwise(plugins, (plugin) => {
    const { id, naming, aside } = plugin;
    views.push({
      id,
      name: plugin.name,
      givenName: plugin.givenName,
      nickname: naming?.nickname ?? null,
      stripLabel: naming?.stripLabel ?? null,
      note: naming?.note ?? null,
      tags: naming?.tags ?? [],
      vendor: plugin.vendor,
      role: plugin.role,
      roleGrade: plugin.roleGrade,
      types: plugin.types,
      typeGrade: plugin.typeGrade,
      aside: aside === null ? null : { reason: aside.reason, until: aside.until, note: aside.note },
      found: plugin.found,
      arrivedAt: plugin.arrivedAt,
      arrivedWithFolder: plugin.arrivedWithFolder,
      loads: plugin.loads,
      lastLoad: plugin.lastLoad,
      builds: plugin.builds,
      program: plugin.program ?? null,
      file: plugin.file ?? null,
      places: placesOf(state, drawers, id),
      presets: presets.get(id) ?? [],
    });
  });
  return views;
}

const placesOf = (state: Arrangement, drawers: ReadonlyMap<ItemId, Places['drawers']>, id: ItemId): Places => ({
  drawers: drawers.get(id) ?? [],
  trays: group(state, 'traysOf', id).map((entry) => entry.tray),
});

function summaryOf(
  state: Arrangement,
  byId: ChosenCatalogue['byId'],
  drawer: Drawer,
  ruled: Ruled,
  divider: string | null,
): DrawerView {
  const { id, chestId, parentId, name, rule } = drawer;
  return {
    id,
    chestId,
    chest: state.chest.get(chestId)?.name ?? '',
    parentId,
    name,
    path: pathTo(state, id).map((one) => one.name),
    rule,
    plugins: contentsOf(state, byId, drawer, ruled).plugins.length,
    sign: drawer.sign ?? null,
    notInMenus: drawer.notInMenus,
    divider,
  };
}

function* summariesStepwise(state: Arrangement, byId: ChosenCatalogue['byId'], ruled: Ruled): Stepwise<DrawerView[]> {
  const views: DrawerView[] = [];
  const measureOf = measureDrawers(state, byId, ruled);
  for (const chest of chestsOf(state))
    for (const { drawer, divider } of shownDrawers(state, chest.id, measureOf)) {
      views.push(summaryOf(state, byId, drawer, ruled, divider));
      yield;
    }
  return views;
}

/** All drawers, chest by chest, in the order in which the screen shows them, each outer one before what is inside it. */
export async function drawerSummaries(looked: Looked): Promise<DrawerView[]> {
  const { db, id, state } = looked;
  const { byId } = await chosenCatalogue(looked);
  const ruled = await ruledOn(db, id, state, byId);
  return runCooperatively(summariesStepwise(state, byId, ruled));
}

/** What a drawer holds, in the order in which the screen shows it. */
export async function drawerContents(looked: Looked, drawer: Drawer): Promise<DrawerContentsView> {
  const { db, id, state } = looked;
  const { byId } = await chosenCatalogue(looked);
  const ruled = await ruledOn(db, id, state, byId);
  const lines = contentsOf(state, byId, drawer, ruled).lines.map((line) =>
    'divider' in line
      ? { divider: line.divider.label }
      : {
          pluginId: itemParts(line.plugin.id).pluginId,
          preset: line.plugin.preset === null ? null : { bank: line.plugin.preset.bank, name: line.plugin.preset.name },
          name: line.name,
          by: line.by,
          why: line.by === 'hand' ? null : ruled.why(drawer.id, line.plugin.id),
          found: line.plugin.found,
        },
  );
  return { drawer: summaryOf(state, byId, drawer, ruled, drawer.dividerBefore ?? null), lines };
}
