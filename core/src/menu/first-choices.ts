import type { TypeId } from '../catalogue/type-tree.js';
import type { ItemId } from '../ids.js';
import { HABIT, recentOf, usualAt, type Spot, type Use } from './use.js';

/** What is offered before anything is typed, each item once: what is usual at the place, what was loaded last, and favourites. */
export interface FirstChoices {
  readonly usual: readonly ItemId[];
  readonly recent: readonly ItemId[];
  readonly favourites: readonly ItemId[];
  /** What the loads of each item come to there. */
  readonly scores: ReadonlyMap<ItemId, number>;
}

/** So many of them at most carry a digit. */
export const MAX_CHOICES = 9;
const MAX_USUAL = 4;
const MAX_RECENT = 3;

/** The first choices at a place, nine at most. `fits` leaves out what does not go there; `now` in milliseconds since 1970. */
export function firstChoices(
  uses: readonly Use[],
  spot: Spot,
  favourites: readonly ItemId[],
  {
    now,
    fits,
    typeOf,
    present,
  }: {
    now: number;
    fits: (item: ItemId) => boolean;
    typeOf: (item: ItemId) => TypeId | undefined;
    present?: ReadonlySet<ItemId>;
  },
): FirstChoices {
  const all = usualAt(uses, spot, now, typeOf, present);
  const usual = all
    .filter(({ item, times }) => times >= HABIT && fits(item))
    .slice(0, MAX_USUAL)
    .map(({ item }) => item);
  const told = new Set(usual);
  const fresh = (items: readonly ItemId[], most: number): ItemId[] => {
    const own = items.filter((item) => !told.has(item) && fits(item)).slice(0, most);
    for (const item of own) told.add(item);
    return own;
  };
  const recent = fresh(recentOf(uses), MAX_RECENT);
  const scores = new Map(all.map(({ item, score }) => [item, score]));
  return { usual, recent, scores, favourites: fresh(favourites, MAX_CHOICES - usual.length - recent.length) };
}
