/** Use: what was loaded where, when and by which way, and what that says of what is wanted next. The formula is explained in docs/load.md. */
import type { TypeId } from '../catalogue/type-tree.js';
import { itemBefore } from '../chests/chains.js';
import type { Arrangement } from '../chests/arrangement.js';
import type { LaneKind } from '../chests/rows/lane.js';
import type { Slot, SlotKind } from '../chests/rows/slot.js';
import type { ItemId } from '../ids.js';

/** By which ways something is loaded. */
export const LOAD_WAYS = ['typing', 'drawer', 'tray', 'list', 'usual', 'recent', 'drag', 'pick'] as const;
/** By which way something was loaded. */
export type LoadWay = (typeof LOAD_WAYS)[number];

/** Where something is loaded: what is not known is null, and speaks for nothing. */
export interface Spot {
  readonly slot: SlotKind | null;
  readonly laneKind: LaneKind | null;
  /** The name of the lane. */
  readonly lane: string | null;
  /** What stands before it in the lane. */
  readonly before: ItemId | null;
}

/** What else stands in the lane already counts so much: the same plugin twice in a lane is rare. */
export const TWICE = 0.2;

/** One load. `at` in milliseconds since 1970. */
export interface Use extends Spot {
  readonly item: ItemId;
  readonly at: number;
}

const DAY = 86_400_000;
/** After so many days a load counts half. */
export const HALF_LIFE_DAYS = 14;

/** How much a load of some days ago counts: 1 for now, 1/2 after HALF_LIFE_DAYS. A load of the future counts as one of now. */
export const weightOfAge = (age: number): number => 2 ** (-Math.max(age, 0) / DAY / HALF_LIFE_DAYS);

/** How much more a load counts that was made at a like place. */
export const LIKENESS = { laneKind: 1, lane: 4, before: 3, typeBefore: 1 } as const;

/** How like the place of a load is to another one: 0 in a slot of another kind, 1 in one of the same, and more for lane and what stands before. */
export function likeness(use: Spot, spot: Spot, typeOf: (item: ItemId) => TypeId | undefined): number {
  if (use.slot !== null && spot.slot !== null && use.slot !== spot.slot) return 0;
  let likeness = 1;
  if (use.laneKind !== null && use.laneKind === spot.laneKind) likeness += LIKENESS.laneKind;
  if (use.lane !== null && use.lane === spot.lane) likeness += LIKENESS.lane;
  if (use.before !== null && spot.before !== null) {
    const type = typeOf(use.before);
    if (use.before === spot.before) likeness += LIKENESS.before;
    else if (type !== undefined && type === typeOf(spot.before)) likeness += LIKENESS.typeBefore;
  }
  return likeness;
}

/** What an item's loads come to at a place. */
export interface Usual {
  readonly item: ItemId;
  /** The sum of what each of its loads counts. */
  readonly score: number;
  readonly times: number;
}

/** What is usually loaded at a place, most usual first: frequency and recency together. What was loaded there once is no habit yet. `present`: what stands in the lane already. */
export function usualAt(
  uses: readonly Use[],
  spot: Spot,
  now: number,
  typeOf: (item: ItemId) => TypeId | undefined,
  present: ReadonlySet<ItemId> = new Set(),
): Usual[] {
  const scores = new Map<ItemId, { score: number; times: number }>();
  for (const use of uses) {
    const alike = likeness(use, spot, typeOf);
    if (alike === 0) continue;
    const own = scores.get(use.item) ?? { score: 0, times: 0 };
    own.score += alike * weightOfAge(now - use.at) * (present.has(use.item) ? TWICE : 1);
    own.times++;
    scores.set(use.item, own);
  }
  return [...scores]
    .map(([item, own]) => ({ item, ...own }))
    .sort((a, b) => b.score - a.score || (a.item < b.item ? -1 : 1));
}

/** So many loads make a habit. */
export const HABIT = 2;

/** What was loaded last, newest first, each once. */
export function recentOf(uses: readonly Use[]): ItemId[] {
  return [...new Set([...uses].sort((a, b) => b.at - a.at).map((use) => use.item))];
}

/** The place that a slot is. */
export function spotOf(state: Arrangement, slot: Slot): Spot {
  const lane = state.lane.get(slot.laneId);
  return {
    slot: slot.kind,
    laneKind: lane?.kind ?? null,
    lane: lane?.name ?? null,
    before: itemBefore(state, slot),
  };
}
