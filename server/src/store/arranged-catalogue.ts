import type { EntityManager } from 'typeorm';
import type { ArrangedPluginView, DrawerContentsView, DrawerView, PluginView } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chainItems } from '@clever-drawer/core/chests/chain-item';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { itemParts } from '@clever-drawer/core/chests/item';
import { arrangedPresets, itemsById, type ItemOf } from '@clever-drawer/core/chests/preset-item';
import { chestsOf, drawersOfChest, pathTo } from '@clever-drawer/core/chests/look-up';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { group } from '@clever-drawer/core/chests/row-groups';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { withChoices, type Chosen } from '@clever-drawer/core/chests/with-choices';
import type { ComputerId, ItemId, PluginId } from '@clever-drawer/core/ids';
import { presentAmong } from './preset-store.js';
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
  const plugins = withChoices(all, state);
  const arranged = arrangedPresets(state);
  const present = arranged.size === 0 ? arranged : await presentAmong(db, id, arranged);
  const byId: Map<ItemId, Item> = itemsById(plugins, present, arranged, state.naming);
  for (const chain of chainItems<ChosenPlugin>(state, byId)) byId.set(chain.id, chain);
  return { plugins, byId };
}

/** The catalogue as the producer has it, with every place of each plugin; in order of the given names. */
export async function arrangedPlugins(looked: Looked): Promise<ArrangedPluginView[]> {
  const { db, id, state } = looked;
  const { plugins, byId } = await chosenCatalogue(looked);
  const ruled = await ruledOn(db, id, state, byId);
  const drawers = new Map<ItemId, ArrangedPluginView['places']['drawers'][number][]>();
  for (const chest of chestsOf(state)) {
    for (const drawer of drawersOfChest(state, chest.id)) {
      const path = pathTo(state, drawer.id).map((one) => one.name);
      for (const { plugin, by, name } of contentsOf(state, byId, drawer, ruled).plugins) {
        const place = { drawerId: drawer.id, chest: chest.name, path, by, name };
        drawers.set(plugin.id, [...(drawers.get(plugin.id) ?? []), place]);
      }
    }
  }
  const presets = new Map<PluginId, ArrangedPluginView['presets'][number][]>();
  for (const item of byId.values()) {
    if (item.preset === null) continue;
    const { pluginId } = itemParts(item.id);
    const { bank, name } = item.preset;
    const own = { bank, name, title: item.name, found: item.found, places: placesOf(state, drawers, item.id) };
    presets.set(pluginId, [...(presets.get(pluginId) ?? []), own]);
  }
  return plugins.map(({ naming, aside, contradictions: _sentences, calledToo: _names, preset: _none, ...plugin }) => ({
    ...plugin,
    nickname: naming?.nickname ?? null,
    stripLabel: naming?.stripLabel ?? null,
    note: naming?.note ?? null,
    tags: naming?.tags ?? [],
    aside: aside === null ? null : { reason: aside.reason, until: aside.until },
    places: placesOf(state, drawers, plugin.id),
    presets: presets.get(plugin.id) ?? [],
  }));
}

const placesOf = (
  state: Arrangement,
  drawers: ReadonlyMap<ItemId, ArrangedPluginView['places']['drawers']>,
  id: ItemId,
): ArrangedPluginView['places'] => ({
  drawers: drawers.get(id) ?? [],
  trays: group(state, 'traysOf', id).map((entry) => entry.tray),
});

function summaryOf(state: Arrangement, byId: ChosenCatalogue['byId'], drawer: Drawer, ruled: Ruled): DrawerView {
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
  };
}

/** All drawers, chest by chest, each outer one before what is inside it. */
export async function drawerSummaries(looked: Looked): Promise<DrawerView[]> {
  const { db, id, state } = looked;
  const { byId } = await chosenCatalogue(looked);
  const ruled = await ruledOn(db, id, state, byId);
  return chestsOf(state).flatMap((chest) =>
    drawersOfChest(state, chest.id).map((drawer) => summaryOf(state, byId, drawer, ruled)),
  );
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
  return { drawer: summaryOf(state, byId, drawer, ruled), lines };
}
