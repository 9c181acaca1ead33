import type { Tier } from './vocabulary.js';

/** What a typed word costs by how it met a word; the less, the earlier in the list. */
export const COSTS: Readonly<Record<Tier, number>> = {
  whole: 0,
  plural: 1,
  beginning: 2,
  'begun plural': 3,
  inside: 8,
  slip: 9,
  'begun slip': 10,
  'two slips': 13,
  loose: 14,
};
/** What it costs as the initials of all words of a name, of the first ones, or of some inside. */
export const INITIALS = { whole: 3, beginning: 5, inside: 7 };
/** What it costs that is several words of a name, written together, or beginnings of words of vendor and name, and for each piece further. */
export const TOGETHER = { begun: 3, inside: 8, pieces: 8, piece: 1 };

/** What all that was typed costs as one piece of a joined name. Across a border of words it is weaker than a type, a plural or a slip. */
export const JOINED_SCORES = { whole: 0, words: 1, 'first word': 1, crossing: 15, inside: 24 };

/** Where a word stands in a text: first word of a name, a later one, a further word (vendor, type, tag), another word for one of these, or far from the name (description, file, folder). Kept in the low bits of a posting. */
export const PLACES = { first: 0, later: 1, more: 2, alias: 3, far: 4, folder: 5 };
/** How many bits of a posting hold the place. */
export const PLACE_BITS = 3;
/** What each of these places costs further. */
export const PLACE_COSTS = [0, 1, 3, 4, 9, 9];
/** What a further word costs. */
export const MORE_WORD = 3;
/** At most so much costs a whole word of a name. */
export const WHOLE_NAME_WORD = 1;

/** What a word that fits so many items costs further where no item fits all words: a rare word tells more (compare inverse document frequency). */
export const commonness = (items: number): number => 3 * Math.floor(Math.log2(items + 1));
