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
const CASE_STEP = /(\p{Ll})(\p{Lu})|(\p{Lu})(\p{Lu}\p{Ll})/gu;

/** The folded words of a name in order: "CopperEQ mk2" → ["copper", "eq", "mk2"]. Empty for a name without letters or digits. */
export function wordsOf(name: string): string[] {
  const parted = name.normalize('NFKC').replace(CASE_STEP, '$1$3 $2$4');
  return fold(parted)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
}

/** All letters and digits of a name, folded and joined: "TX-73 Reverb" → "tx73reverb". */
export const joined = (name: string): string => fold(name).replace(/[^\p{L}\p{N}]+/gu, '');

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** Order of names as people expect it: without regard to case and accents, numbers as numbers. */
export const compareNames = (a: string, b: string): number => collator.compare(a, b) || (a < b ? -1 : a > b ? 1 : 0);
