import { fold, wordsOf } from '../text/words.js';

// Only where letters and digits meet is there anything more to cut.
const MIXED = /\p{L}\p{N}|\p{N}\p{L}/u;
const RUNS = /\p{N}+|[^\p{N}]+/gu;

/** A text cut into folded words at blanks, punctuation, capitals and digits: "Copper EQ-Tilt TX73" → copper eq tilt tx 73. Never throws. */
export function cut(text: string): string[] {
  const words = wordsOf(text);
  if (!words.some((word) => MIXED.test(word))) return words;
  return words.flatMap((word) => (MIXED.test(word) ? (word.match(RUNS) ?? []) : [word]));
}

/** A text as "anywhere inside" looks at it: folded, blanks drawn together. */
export const flat = (text: string): string => fold(text).replace(/\s+/g, ' ').trim();

/** Whether a word is a number: those are met whole only, "7" is not the beginning of 73. */
export const isNumber = (word: string): boolean => /^\p{N}/u.test(word);
