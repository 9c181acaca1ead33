import type { PluginId } from '../ids.js';
import { fold, wordsOf } from '../text/words.js';

/** What the producer calls a plugin, and notes about it. Empty and null leave what its files say. */
export interface Naming {
  readonly id: PluginId;
  /** Shown instead of the given name; both are found. */
  readonly nickname: string | null;
  /** A very short name for places as narrow as a mixer slot; null takes the proposed one. */
  readonly stripLabel: string | null;
  readonly note: string | null;
  readonly tags: readonly string[];
}

export const STRIP_LABEL_LENGTH = 12;
export const TAG_LENGTH = 40;

const VOWELS = /(?<=[\p{L}])[aeiouy](?=\p{L})/giu;
const SHORT_WORDS = new Set('the a an of and for to by with de la le'.split(' '));

/**
 * A strip label of at most 12 characters by sensible shortening: the name itself when it is short enough; else without small words, then with
 * long words cut to their consonants and beginnings, the last word (the noun) and numbers kept longest. Never empty for a name with letters.
 */
export function proposeStripLabel(name: string): string {
  const plain = name.trim().replace(/\s+/g, ' ');
  if (fits(plain)) return plain;
  let words = plain.split(/[\s_–-]+/u).filter((word) => word !== '');
  const main = words.filter((word) => !SHORT_WORDS.has(word.toLowerCase()));
  if (main.length > 0) words = main;
  if (fits(words.join(' '))) return words.join(' ');
  const shortened = words.map((word) => (isNumber(word) ? word : withoutVowels(word)));
  // The first words give way before the last one, which says what kind of thing it is.
  for (let longest = 6; longest >= 1; longest--) {
    const cut = shortened.map((word, at) => {
      const limit = isNumber(word) ? word.length : at === shortened.length - 1 ? Math.max(longest, 4) : longest;
      return Array.from(word).slice(0, limit).join('');
    });
    if (fits(cut.join(' '))) return cut.join(' ');
    if (fits(cut.join(''))) return cut.join('');
  }
  return Array.from(shortened.join('')).slice(0, STRIP_LABEL_LENGTH).join('');
}

const fits = (text: string): boolean => Array.from(text).length <= STRIP_LABEL_LENGTH;
const isNumber = (word: string): boolean => /\d/.test(word) && Array.from(word).length <= 5;
const withoutVowels = (word: string): string => (Array.from(word).length <= 4 ? word : word.replace(VOWELS, ''));

/** Tags as typed: parted by commas or line ends, each once whatever its case. */
export function tagsOf(typed: string): string[] {
  const seen = new Set<string>();
  return typed
    .split(/[,;\n]+/)
    .map((tag) => tag.trim().replace(/\s+/g, ' '))
    .filter((tag) => {
      const key = fold(tag);
      if (wordsOf(tag).length === 0 || tag.length > TAG_LENGTH || seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}
