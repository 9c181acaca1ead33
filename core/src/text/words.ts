/** How names are cut into words, for search, keyword rules and identity alike. */

/** Lower case without accents and compatibility forms ("Ｅ", "ﬁ"): "Überhall" → "uberhall". Never throws. */
export function fold(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replace(/ß/g, 'ss');
}

// "CopperEQ" → Copper EQ, "EQCurve" → EQ Curve; "TX73" stays one word, its pieces are added by wordsOf.
const CASE_STEP = /(?<=\p{Ll})(?=\p{Lu})|(?<=\p{Lu})(?=\p{Lu}\p{Ll})/gu;

/** The folded words of a name in order: "CopperEQ mk2" → ["copper", "eq", "mk2"]. Empty for a name without letters or digits. */
export function wordsOf(name: string): string[] {
  const words: string[] = [];
  return eachPlainWord(name, false, (word) => words.push(word)) ? words : foldedWords(name);
}

const [OTHER, LOWER, UPPER, DIGIT] = [0, 1, 2, 3];
const KINDS = Uint8Array.from({ length: 128 }, (_, code) => {
  const letter = String.fromCharCode(code);
  return /[a-z]/.test(letter) ? LOWER : /[A-Z]/.test(letter) ? UPPER : /[0-9]/.test(letter) ? DIGIT : OTHER;
});

/**
 * Tells the words of a text of ASCII letters alone, by far the most frequent kind, in one go: a catalogue of 50,000 is cut while one waits. `atDigits`:
 * cut where letters and digits meet as well. False for any other text, of which nothing is told.
 */
export function eachPlainWord(text: string, atDigits: boolean, tell: (word: string) => void): boolean {
  const { length } = text;
  for (let at = 0; at < length; at++) if (text.charCodeAt(at) > 127) return false;
  const lower = text.toLowerCase();
  let from = -1;
  let before = OTHER;
  for (let at = 0; at < length; at++) {
    const kind = KINDS[text.charCodeAt(at)] ?? OTHER;
    if (from >= 0 && (isEnd(text, at, before, kind) || (atDigits && (kind === DIGIT) !== (before === DIGIT)))) {
      tell(lower.slice(from, at));
      from = -1;
    }
    if (from < 0 && kind !== OTHER) from = at;
    before = kind;
  }
  if (from >= 0) tell(lower.slice(from));
  return true;
}

/** Whether a word ends in front of a sign: "copperEQ" at E, "EQCurve" at C. */
const isEnd = (text: string, at: number, before: number, kind: number): boolean =>
  kind === OTHER ||
  (kind === UPPER && (before === LOWER || (before === UPPER && KINDS[text.charCodeAt(at + 1)] === LOWER)));

/** The words of a name in any script. */
export function foldedWords(name: string): string[] {
  const parted = name.normalize('NFKC').replace(CASE_STEP, ' ');
  return fold(parted)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
}

/** What stands between blanks and punctuation, folded, where capitals part it into several words: "EchoBox Verb" → ["echobox"]. */
export const foldedChunks = (name: string): string[] =>
  (name.match(/[\p{L}\p{N}]*\p{Ll}\p{Lu}[\p{L}\p{N}]*|\p{Lu}{2,}\p{Ll}[\p{L}\p{N}]*/gu) ?? []).map(fold);

/** All letters and digits of a name, folded and joined: "TX-73 Reverb" → "tx73reverb". */
export const joined = (name: string): string => fold(name).replace(/[^\p{L}\p{N}]+/gu, '');

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** Order of names as people expect it: without regard to case and accents, numbers as numbers. */
export const compareNames = (a: string, b: string): number =>
  a === b ? 0 : collator.compare(a, b) || (a < b ? -1 : 1);
