import type { ChestId, DrawerId, ItemId, PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { itemId } from './item.js';
import { drawersOfChest, entriesIn } from './look-up.js';

/** A drawer, and what of it is gone: plugins, and presets of these. */
export interface GoneInDrawer {
  readonly drawerId: DrawerId;
  readonly itemIds: readonly ItemId[];
}

/** What was filed by hand into the drawers of a chest and belongs to plugins that are gone. Drawers without any are left out. */
export function goneInChest(state: Arrangement, chestId: ChestId, gone: ReadonlySet<PluginId>): GoneInDrawer[] {
  return drawersOfChest(state, chestId)
    .map(({ id }) => ({
      drawerId: id,
      itemIds: entriesIn(state, id).flatMap((entry) => (gone.has(entry.pluginId) ? itemId(entry) : [])),
    }))
    .filter(({ itemIds }) => itemIds.length > 0);
}
