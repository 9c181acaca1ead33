import { randomUUID } from 'node:crypto';
import { presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import type { LoadRequest } from '@clever-drawer/contract/requests';
import type { PluginDetail, SavedChange } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemIn, partsOfChain } from '@clever-drawer/core/chests/chains';
import { applyEdits } from '@clever-drawer/core/chests/edit';
import { isChain, itemId, itemParts, presetTitle } from '@clever-drawer/core/chests/item';
import { ownPlugins, type OwnPlugin } from '@clever-drawer/core/chests/own-entries';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';
import { withChoices, type Chosen } from '@clever-drawer/core/chests/with-choices';
import { asId, type ComputerId, type ItemId, type PresetKey, type SlotId } from '@clever-drawer/core/ids';
import { buildFor, type LoadedAt } from '@clever-drawer/core/menu/choose-build';
import { planLoad, type ToLoad } from '@clever-drawer/core/menu/plan-load';
import { fits, SLOT_LABELS, slotFor } from '@clever-drawer/core/menu/slot-menu';
import { spotOf } from '@clever-drawer/core/menu/use';
import type { EntityManager } from 'typeorm';
import { notFound, refused } from '../http/http-error.js';
import { loadPlugin } from '../store/catalogue-store.js';
import { filesWithIds } from '../store/file-store.js';
import { countLoads, type CountedLoad } from '../store/load-store.js';
import { carryOut } from './carry-out.js';

interface Wanted {
  readonly item: ItemId;
  readonly bypass: boolean;
}

type LoadedPlugin = PluginDetail & Chosen;

/** A plugin with its builds in the order of preference, and the build of it that is loaded. */
export interface ItemToLoad {
  readonly plugin: LoadedPlugin;
  readonly build: LoadedPlugin['builds'][number];
}

/** What an item is loaded as at a place, by the named build or (null) by the usual one there; refuses in words what can't be loaded. */
export async function itemToLoad(
  db: EntityManager,
  id: ComputerId,
  state: Arrangement,
  item: ItemId,
  place: LoadedAt,
  buildId: string | null = null,
): Promise<ItemToLoad> {
  const { pluginId, preset } = itemParts(item);
  const known = await loadPlugin(db, id, pluginId);
  const plugin = known === null ? undefined : withChoices([known], state)[0];
  if (plugin === undefined) throw notFound('plugin');
  if (!plugin.builds.some((one) => one.found))
    throw refused(`${plugin.name} was not found by the last scan. Scan its folder in Intake, or choose another.`);
  const builds = plugin.builds.map((build) => ({
    build,
    found: build.found,
    outputs: build.audioOutputs ?? null,
    sidechain: (build.sidechainInputs ?? 0) > 0,
  }));
  const hasPreset = ({ build }: (typeof builds)[number]): boolean =>
    preset === null || build.presetList.some((own) => presetKey(own) === preset);
  if (buildId !== null) {
    const named = builds.find(({ build }) => build.id === buildId);
    if (named?.found !== true)
      throw refused(
        `This build of ${plugin.name} was not found by the last scan. Scan its folder in Intake, or choose another.`,
      );
    if (!hasPreset(named))
      throw refused(
        `The ${named.build.format} build of ${plugin.name} does not have this preset. Choose another build.`,
      );
    return { plugin, build: named.build };
  }
  const chosen = buildFor(builds, place, hasPreset);
  if (chosen === undefined)
    throw refused(
      `${presetTitle(plugin.name, preset ?? asId<PresetKey>(''))} was not found by the last scan. Scan its folder in Intake, or load ${plugin.name} without it.`,
    );
  return { plugin, build: chosen.build.build };
}

/** An own entry as the producer named and corrected it; `path`: where its file is, null for a device without one. */
interface OwnEntryToLoad {
  readonly plugin: OwnPlugin & Chosen;
  readonly path: string | null;
}

/** An own entry that is loaded; undefined for anything else. Refuses a file that this computer has not. */
export async function ownEntryToLoad(
  db: EntityManager,
  id: ComputerId,
  state: Arrangement,
  item: ItemId,
): Promise<OwnEntryToLoad | undefined> {
  const row = state.ownEntry.get(item);
  if (row === undefined) return undefined;
  const [plugin] = withChoices<never, OwnPlugin>(ownPlugins({ ownEntry: new Map([[row.id, row]]) }), state);
  if (plugin === undefined) return undefined;
  if (row.file === null) return { plugin, path: null };
  const [file] = await filesWithIds(db, id, [row.id]);
  if (file === undefined)
    throw refused(`${plugin.name} is not on this computer. Read its folder again in Intake, or choose another.`);
  return { plugin, path: file.path };
}

/** The plugins and presets that an item is loaded as: the parts of a chain, else itself. */
export const loadedAs = (state: Arrangement, item: ItemId): Wanted[] =>
  isChain(item)
    ? partsOfChain(state, item).map((part) => ({ item: itemId(part), bypass: part.bypass }))
    : [{ item, bypass: false }];

/** Loads an item into a slot, a chain or several items into those below as well, and counts each; of several, what can't be loaded is left out. */
export async function loadItems(
  db: EntityManager,
  id: ComputerId,
  state: Arrangement,
  load: LoadRequest,
  window: string | null,
): Promise<SavedChange> {
  const slotId = asId<SlotId>(load.slotId);
  const slot = state.slot.get(slotId);
  const lane = slot === undefined ? undefined : state.lane.get(slot.laneId);
  const wanted = [load.pluginId, ...(load.more ?? [])].flatMap((one) => loadedAs(state, asId<ItemId>(one)));
  const isAlone = wanted.length === 1;
  const place = { width: lane?.width ?? null, sidechain: slot?.sidechain === true };
  const items: ToLoad[] = [];
  let refusal: unknown = notFound('chain');
  for (const { item, bypass } of wanted) {
    try {
      const own = await ownEntryToLoad(db, id, state, item);
      const { plugin, build } =
        own === undefined
          ? await itemToLoad(db, id, state, item, place, isAlone ? (load.buildId ?? null) : null)
          : { plugin: own.plugin, build: null };
      const kind: SlotKind = slot?.kind ?? 'insert';
      if (isAlone && slot !== undefined && plugin.role !== null && !fits(kind, plugin.role))
        throw refused(`${plugin.name} does not fit into this slot, which is for: ${SLOT_LABELS[kind]}.`);
      items.push({ item, buildId: build?.id ?? null, slot: isAlone ? kind : slotFor(plugin.role, kind), bypass });
    } catch (error) {
      if (isAlone) throw error;
      refusal = error;
    }
  }
  if (items.length === 0) throw refusal;
  const intents = planLoad(state, slotId, items, () => asId<SlotId>(randomUUID()));
  const { saved: change } = await carryOut(db, id, state, intents, { window });
  await countLoads(db, id, countedIn(applyEdits(state, change.edits), intents, load, change.number));
  return change;
}

/** What is counted of the loads of a step: each at its place as it is afterwards. */
function countedIn(
  after: Arrangement,
  intents: ReturnType<typeof planLoad>,
  load: LoadRequest,
  change: number,
): CountedLoad[] {
  const { way, milliseconds, keys = null, clicks = null, at } = load;
  return intents.flatMap((intent): CountedLoad[] => {
    const slot = intent.kind === 'load' ? after.slot.get(intent.slotId) : undefined;
    const item = slot === undefined ? null : itemIn(slot);
    if (slot === undefined || item === null) return [];
    const lane = after.lane.get(slot.laneId);
    const session = lane === undefined ? null : (after.session.get(lane.sessionId)?.name ?? null);
    const { buildId } = slot;
    const place = { slotId: slot.id, spot: spotOf(after, slot), session };
    return [{ item, buildId, ...place, way, milliseconds, keys, clicks, change, at }];
  });
}
