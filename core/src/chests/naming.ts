import { MAX_STRIP_LABEL_LENGTH, MAX_TAG_LENGTH } from './rows/naming.js';
import { fold, wordsOf } from '../text/words.js';

const SHORT_WORDS = new Set('the a an of and for to by with de la le'.split(' '));
const NOUN_LENGTH = 7;

/**
 * A strip label of at most 12 characters by sensible shortening: the name itself when it is short enough; else without small words; else the
 * beginnings of its words, of which the last one (the noun) and numbers keep the most. Never empty for a name with letters.
 */
export function proposeStripLabel(name: string): string {
  const plain = name.trim().replace(/\s+/g, ' ');
  if (fits(plain)) return plain;
  let words = plain.split(/[\s_–]+/u).filter((word) => word !== '');
  const main = words.filter((word) => !SHORT_WORDS.has(word.toLowerCase()));
  if (main.length > 0) words = main;
  if (fits(words.join(' '))) return words.join(' ');
  const noun = words.findLastIndex((word) => !isNumber(word));
  const others = words.filter((word, at) => at !== noun && !isNumber(word)).length;
  const numbers = words.filter(isNumber).reduce((sum, word) => sum + length(word), 0);
  const room = MAX_STRIP_LABEL_LENGTH - (words.length - 1) - numbers;
  const forNoun = Math.max(1, Math.min(others === 0 ? room : NOUN_LENGTH, room - others, length(words[noun] ?? '')));
  const share = others === 0 ? 0 : Math.max(1, Math.floor((room - forNoun) / others));
  let left = Math.max(0, room - forNoun - share * others);
  const cut = words.map((word, at) => {
    if (isNumber(word)) return word;
    if (at === noun) return beginning(word, forNoun);
    // What does not divide evenly goes to the first.
    const own = share + left;
    left = 0;
    return beginning(word, own);
  });
  return beginning(fits(cut.join(' ')) ? cut.join(' ') : cut.join(''), MAX_STRIP_LABEL_LENGTH);
}

const length = (text: string): number => Array.from(text).length;
const beginning = (text: string, letters: number): string => Array.from(text).slice(0, letters).join('');
const fits = (text: string): boolean => length(text) <= MAX_STRIP_LABEL_LENGTH;
const isNumber = (word: string): boolean => /\d/.test(word) && length(word) <= 5;

/** Tags as typed: parted by commas or line ends, each once whatever its case. */
export function tagsOf(typed: string): string[] {
  const seen = new Set<string>();
  return typed
    .split(/[,;\n]+/)
    .map((tag) => tag.trim().replace(/\s+/g, ' '))
    .filter((tag) => {
      const key = fold(tag);
      if (wordsOf(tag).length === 0 || tag.length > MAX_TAG_LENGTH || seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}

/** Fills a pattern such as "{vendor} {type} {n}"; words in braces that are unknown stay as they are, and blanks are single. */
export const fillNamePattern = (pattern: string, values: Readonly<Record<string, string>>): string =>
  pattern
    .replace(/\{(\w+)\}/g, (whole, key: string) => (Object.hasOwn(values, key) ? (values[key] ?? whole) : whole))
    .replace(/\s+/g, ' ')
    .trim();
