import { WORDS } from './trade-word-list.js';
import type { TypeId } from './type-tree.js';

/** How surely a word names a type: "reverb" is one, "plate" usually is. */
export type WordGrade = 'strong' | 'likely';

/** One pattern of words side by side, as regular expressions for each. */
export interface TradePhrase {
  readonly type: TypeId;
  readonly grade: WordGrade;
  readonly text: string;
  readonly words: readonly RegExp[];
  /** The words written as one; null for a single word. */
  readonly joined: RegExp | null;
  /** Place in the order in which phrases are tried. */
  readonly rank: number;
}

const NUMBER_BEHIND = '(?:mk|v)?(?:\\d+[a-z]?)?$';

const wordPattern = (word: string): RegExp =>
  new RegExp(`^${word.endsWith('*') ? word.slice(0, -1) : `${word}${NUMBER_BEHIND}`}`, 'u');

function phraseOf(type: TypeId, grade: WordGrade, text: string): Omit<TradePhrase, 'rank'> {
  const words = text.split(' ');
  return {
    type,
    grade,
    text,
    words: words.map(wordPattern),
    joined: words.length === 1 ? null : wordPattern(words.join('')),
  };
}

/** Every phrase; those of more words first, so that "toy piano" is met before "piano". */
export const TRADE_PHRASES: readonly TradePhrase[] = Object.entries(WORDS)
  .flatMap(([type, grades]) =>
    (['strong', 'likely'] as const).flatMap((grade) =>
      (grades[grade] ?? '')
        .split(', ')
        .filter((text) => text !== '')
        .map((text) => phraseOf(type as TypeId, grade, text)),
    ),
  )
  .sort((a, b) => b.words.length - a.words.length)
  .map((phrase, rank) => ({ ...phrase, rank }));

/** Phrases by the first letters of their first word, three at most: few of them are tried on any word. */
const BY_START = new Map<string, TradePhrase[]>();
const START = 3;
for (const phrase of TRADE_PHRASES) {
  const start = (/^[^ *]+/.exec(phrase.text)?.[0] ?? '').slice(0, START);
  BY_START.set(start, [...(BY_START.get(start) ?? []), phrase]);
}

function possibleFor(words: readonly string[]): TradePhrase[] {
  const possible = new Set<TradePhrase>();
  for (const word of words) {
    for (let length = 1; length <= START; length++)
      for (const phrase of BY_START.get(word.slice(0, length)) ?? []) possible.add(phrase);
  }
  return [...possible].sort((a, b) => a.rank - b.rank);
}

/** A trade word met in a name: the type that it names, and where it stands. */
export interface MetWord {
  readonly type: TypeId;
  readonly grade: WordGrade;
  readonly text: string;
  readonly at: number;
}

/** The trade words in a row of folded words, in order; a word that is part of a longer phrase does not count again. */
export function tradeWordsIn(words: readonly string[]): MetWord[] {
  const met: MetWord[] = [];
  const taken = new Set<number>();
  const stems = new Map<number, number>();
  for (const phrase of possibleFor(words)) {
    for (let at = 0; at < words.length; at++) {
      if (taken.has(at)) continue;
      const length = fits(phrase, words, at);
      if (length === 0) continue;
      const places = Array.from({ length }, (_, index) => at + index);
      if (places.some((place) => taken.has(place))) continue;
      met.push({ type: phrase.type, grade: phrase.grade, text: words.slice(at, at + length).join(' '), at });
      for (const place of places) taken.add(place);
      if (length === 1) stems.set(at, phrase.text.replace(/[ *]/g, '').length);
    }
  }
  words.forEach((word, at) => {
    // Of a word that begins with one trade word and ends in another, the end is what it is: an "echoverb" is a reverb.
    const begun = met.find((one) => one.at === at);
    const stem = stems.get(at);
    if (taken.has(at) && stem === undefined) return;
    if (word.length < SHORTEST_ENDING + SHORTEST_BEGINNING) return;
    const compound = ENDINGS.get(word.slice(-TELLING))?.find(
      ({ text }) => word.length >= text.length + (stem ?? SHORTEST_BEGINNING) && word.endsWith(text),
    );
    if (compound !== undefined && compound.type !== begun?.type)
      met.push({ type: compound.type, grade: compound.grade, text: word, at });
  });
  return met.sort((a, b) => a.at - b.at);
}

/** Shorter ones end too many words that have nothing to do with them. */
const SHORTEST_ENDING = 4;
const SHORTEST_BEGINNING = 2;
/** By so many last letters they are looked up. */
const TELLING = 3;
// They end words that mean something else: "navigate", "parameter", "nightclub".
const NO_ENDINGS = new Set([
  'gate',
  'meter',
  'comp',
  'dist',
  'drum',
  'trim',
  'gain',
  'trem',
  'chor',
  'mute',
  'wah wah',
  'strings',
  'notch',
]);

/** Words that end a word written as one with what stands before it: "saltverb", "tinsynth", "hissgenerator". The longest first. */
const ENDINGS = new Map<string, TradePhrase[]>();
for (const phrase of TRADE_PHRASES.filter(
  ({ grade, words, text }) =>
    grade === 'strong' &&
    words.length === 1 &&
    text.length >= SHORTEST_ENDING &&
    /^[a-z]+$/.test(text) &&
    !NO_ENDINGS.has(text),
).sort((a, b) => b.text.length - a.text.length)) {
  const end = phrase.text.slice(-TELLING);
  ENDINGS.set(end, [...(ENDINGS.get(end) ?? []), phrase]);
}

/** How many words the phrase covers from here; 0 when it does not fit. */
function fits(phrase: TradePhrase, words: readonly string[], at: number): number {
  if (phrase.joined?.test(words[at] ?? '')) return 1;
  const side = phrase.words.every((pattern, index) => pattern.test(words[at + index] ?? ''));
  return side ? phrase.words.length : 0;
}
