import type { Tier } from './vocabulary.js';

/** What a typed word costs by how it met a word; the less, the earlier in the list. */
export const COSTS: Readonly<Record<Tier, number>> = {
  whole: 0,
  beginning: 2,
  inside: 8,
  slip: 9,
  'begun slip': 10,
  'two slips': 13,
  loose: 14,
};
/** What it costs as the initials of all words of a name, of the first ones, or of some inside. */
export const INITIALS = { whole: 3, beginning: 5, inside: 7 };
/** What it costs that is several words of a name, written together or their beginnings. */
export const TOGETHER = { begun: 3, inside: 8, beginnings: 8 };
/** What a word costs further that is not the first of its name. */
const LATER_WORD = 1;
/** What one costs further that stands in no name. */
export const MORE_WORD = 3;

/** Where a word stands in a text: first word of a name, a later one, or a further word. Kept in the two low bits of a posting. */
export const PLACES = { first: 0, later: 1, more: 2 };
/** What each of these places costs further. */
export const PLACE_COSTS = [0, LATER_WORD, MORE_WORD, MORE_WORD];
