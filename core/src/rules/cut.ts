import { fold, wordsOf } from '../text/words.js';

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
  if (cutPlain(text, tell)) return;
  for (const word of wordsOf(text)) {
    if (!MIXED.test(word)) tell(word);
    else for (const run of word.match(RUNS) ?? []) tell(run);
  }
}

const [OTHER, LOWER, UPPER, DIGIT] = [0, 1, 2, 3];
const KINDS = Uint8Array.from({ length: 128 }, (_, code) => {
  const sign = String.fromCharCode(code);
  return /[a-z]/.test(sign) ? LOWER : /[A-Z]/.test(sign) ? UPPER : /[0-9]/.test(sign) ? DIGIT : OTHER;
});

/** Cuts a text of ASCII signs alone, by far the most frequent kind, in one go; false for any other, of which nothing is told. */
function cutPlain(text: string, tell: (word: string) => void): boolean {
  const { length } = text;
  for (let at = 0; at < length; at++) if (text.charCodeAt(at) > 127) return false;
  const lower = text.toLowerCase();
  let from = -1;
  let before = OTHER;
  for (let at = 0; at < length; at++) {
    const kind = KINDS[text.charCodeAt(at)] ?? OTHER;
    if (from >= 0 && isEnd(text, at, before, kind)) {
      tell(lower.slice(from, at));
      from = -1;
    }
    if (from < 0 && kind !== OTHER) from = at;
    before = kind;
  }
  if (from >= 0) tell(lower.slice(from));
  return true;
}

/** Whether a word ends in front of a sign: "copperEQ" at E, "EQCurve" at C, "tx73" at 7. */
function isEnd(text: string, at: number, before: number, kind: number): boolean {
  if (kind === OTHER) return true;
  if ((kind === DIGIT) !== (before === DIGIT)) return true;
  if (kind !== UPPER) return false;
  return before === LOWER || (before === UPPER && KINDS[text.charCodeAt(at + 1)] === LOWER);
}

/** A text as "anywhere inside" looks at it: folded, blanks drawn together. */
export const flat = (text: string): string => fold(text).replace(/\s+/g, ' ').trim();

/** Whether a word is a number: those are met whole only, "7" is not the beginning of 73. */
export const isNumber = (word: string): boolean => /^\p{N}/u.test(word);
