import { eachPlainWord, fold, wordsOf } from '../text/words.js';

// Only where letters and digits meet is there anything more to cut than words are cut anyway.
const MIXED = /\p{L}\p{N}|\p{N}\p{L}/u;
const RUNS = /\p{N}+|[^\p{N}]+/gu;

/** A text cut into folded words at blanks, punctuation, capitals and digits: "Copper EQ-Tilt TX73" → copper eq tilt tx 73. Never throws. */
export function cut(text: string): string[] {
  const words: string[] = [];
  eachWord(text, (word) => words.push(word));
  return words;
}

/** The same, word by word: a catalogue of 50,000 is cut while one waits. */
export function eachWord(text: string, tell: (word: string) => void): void {
  if (eachPlainWord(text, true, tell)) return;
  for (const word of wordsOf(text)) {
    if (!MIXED.test(word)) tell(word);
    else for (const run of word.match(RUNS) ?? []) tell(run);
  }
}

/** A text as "anywhere inside" looks at it: folded, blanks drawn together. */
export const flat = (text: string): string => fold(text).replace(/\s+/g, ' ').trim();

/** Whether a word is a number: those are met whole only, "7" is not the beginning of 73. */
export const isNumber = (word: string): boolean => /^\p{N}/u.test(word);
