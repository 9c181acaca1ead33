import { wordsOf } from '../text/words.js';
import { tradeWordsIn, type MetWord } from './trade-words.js';
import type { TypeId } from './type-tree.js';

/** The trade words of a name by its segments: what stands before " - ", "with", "for" or a bracket is the head, which says what it is. */
export interface NameWords {
  readonly all: readonly MetWord[];
  readonly segments: readonly (readonly Spoken[])[];
  /** Every word of the name, folded. */
  readonly words: readonly string[];
}

/** A trade word of a segment; `joined` to the one before it by "and" or a slash: "Chorus/Flanger" is both. */
export interface Spoken extends MetWord {
  readonly joined: boolean;
}

const PARTS =
  /\s+(?:-{1,3}|–|—)\s+|\s*::+\s*|:\s+|\s*[([\])]\s*|[,;]\s+|\s+(?:with|for|using|without|based on|similar to)\s+/i;
const AND = 'and';

/** Takes a name apart into segments and their trade words. */
export function nameWords(name: string): NameWords {
  const segments = name
    .split(PARTS)
    .filter((part) => part.trim() !== '')
    .map((part): Spoken[] => {
      const words = wordsOf(part.replace(/\s*(?:[/&+]|\band\b)\s*/gi, ` ${AND} `));
      const met = tradeWordsIn(words);
      return met.map((one, index) => {
        const before = met[index - 1];
        const end = before === undefined ? -1 : before.at + before.text.split(' ').length;
        return { ...one, joined: before !== undefined && words[end] === AND && end + 1 === one.at };
      });
    });
  return { all: segments.flat(), segments, words: wordsOf(name) };
}

/** What a name says that a plugin is. */
export interface Said {
  /** The noun: the last strong word of the first segment that has one. */
  readonly main: TypeId | null;
  /** Whether the noun stands in the head and not in a tagline behind it. */
  readonly inHead: boolean;
  /** What is joined to the noun by "and" or a slash. */
  readonly beside: readonly TypeId[];
  /** Words that usually name a type, of the same segment or the head, the last one first. */
  readonly likely: readonly TypeId[];
}

/** What the name says, of the types that `fits` lets through: a word for another role is no noun of this plugin. */
export function inferTypesFromName({ segments }: NameWords, fits: (type: TypeId) => boolean): Said {
  const fitting = segments.map((segment) => segment.filter((one) => fits(one.type)));
  const at = fitting.findIndex((segment) => segment.some((one) => one.grade === 'strong'));
  // Without a noun every segment may hold the word that tells; with one only its own and the head do.
  const spoken =
    at < 0 ? [...fitting].reverse().flat() : [...(fitting[0] ?? []), ...(at > 0 ? (fitting[at] ?? []) : [])];
  const likely = spoken
    .filter((one) => one.grade === 'likely')
    .map((one) => one.type)
    .reverse();
  const segment = (fitting[at] ?? []).filter((one) => one.grade === 'strong');
  // A mixer or gain behind another noun is a part of it: "Compressor Gain" is no utility. Elsewhere the last noun is what it is.
  const nouns = segment.some((one) => one.type !== 'utility')
    ? segment.filter((one) => one.type !== 'utility')
    : segment;
  const last = nouns[nouns.length - 1];
  if (last === undefined) return { main: null, inHead: false, beside: [], likely };
  const together = [last];
  for (let index = nouns.length - 1; index > 0 && nouns[index]?.joined === true; index--) {
    const one = nouns[index - 1];
    if (one !== undefined) together.unshift(one);
  }
  const [first = last, ...beside] = together;
  return { main: first.type, inHead: at === 0, beside: beside.map((one) => one.type), likely };
}
