import type { ItemId } from '../ids.js';

/** What lifts an item among what was found, in places. */
export const LIFTS = { tray: 3, usual: 6, steered: 12 } as const;
/** Only so far down is anything lifted: what fits worse than that was not meant. */
const REACH = 24;

/** What is known of items at the place that they are looked for. */
export interface Known {
  readonly isOnTray: (item: ItemId) => boolean;
  /** Whether a sidechain is fed there, and the item takes one. */
  readonly isSteered: (item: ItemId) => boolean;
  /** How usual each is there. */
  readonly usual: ReadonlyMap<ItemId, number>;
}

/**
 * What was found, best match first, with what is used lifted: an item on a tray by 3 places, the most usual one here by 6, the others by their share of its
 * score, and where a sidechain is fed one that takes it by 12. Items of equal place keep their order. What stands further down than 24 stays there.
 */
export function ranked<Item extends { readonly id: ItemId }>(
  found: readonly Item[],
  { isOnTray, isSteered, usual }: Known,
): readonly Item[] {
  const most = Math.max(0, ...usual.values());
  const lift = (id: ItemId): number =>
    (isOnTray(id) ? LIFTS.tray : 0) +
    (isSteered(id) ? LIFTS.steered : 0) +
    (most === 0 ? 0 : (LIFTS.usual * (usual.get(id) ?? 0)) / most);
  const near = found.slice(0, REACH).map((item, at) => ({ item, at, place: at - lift(item.id) }));
  near.sort((a, b) => a.place - b.place || a.at - b.at);
  return [...near.map(({ item }) => item), ...found.slice(REACH)];
}
