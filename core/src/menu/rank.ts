import type { ItemId } from '../ids.js';

/** What lifts an item among what was found, in places. */
export const LIFTS = { tray: 3, usual: 6 } as const;
/** Only so far down is anything lifted: what fits worse than that was not meant. */
const REACH = 24;

/**
 * What was found, best match first, with what is used lifted: an item on a tray by 3 places, the most usual one here by 6, the others by their share of its
 * score. Items of equal place keep their order. What stands further down than 24 stays there.
 */
export function ranked<Item extends { readonly id: ItemId }>(
  found: readonly Item[],
  isOnTray: (item: ItemId) => boolean,
  usual: ReadonlyMap<ItemId, number>,
): readonly Item[] {
  const most = Math.max(0, ...usual.values());
  const lift = (id: ItemId): number =>
    (isOnTray(id) ? LIFTS.tray : 0) + (most === 0 ? 0 : (LIFTS.usual * (usual.get(id) ?? 0)) / most);
  const near = found.slice(0, REACH).map((item, at) => ({ item, at, place: at - lift(item.id) }));
  near.sort((a, b) => a.place - b.place || a.at - b.at);
  return [...near.map(({ item }) => item), ...found.slice(REACH)];
}
