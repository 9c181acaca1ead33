/** Numbers that people write as words: "eight band" for "8 band", "three oh three" for "303". */

const UNITS: Readonly<Record<string, number>> = {
  zero: 0,
  oh: 0,
  one: 1,
  single: 1,
  two: 2,
  dual: 2,
  double: 2,
  three: 3,
  triple: 3,
  four: 4,
  quad: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
};
const TENS: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const ORDINALS: Readonly<Record<string, number>> = { third: 3, fourth: 4, fifth: 5, sixth: 6 };

/** The digits that a word stands for; null for a word that is no number. */
function digitsOf(word: string): string | null {
  const value = UNITS[word] ?? TENS[word] ?? ORDINALS[word];
  return value === undefined ? null : String(value);
}

/**
 * The typed words with digits in place of number words: tens and units are added up ("thirty one" → "31"), single digits in a row are strung together
 * ("three oh three" → "303"). Null when no word is a number.
 */
export function withDigits(words: readonly string[]): string[] | null {
  const result: string[] = [];
  let found = false;
  for (let at = 0; at < words.length; at++) {
    const word = words[at] ?? '';
    const digits = digitsOf(word);
    if (digits === null) {
      result.push(word);
      continue;
    }
    found = true;
    const next = UNITS[words[at + 1] ?? ''];
    if (word in TENS && next !== undefined && next > 0 && next < 10) {
      result.push(String((TENS[word] ?? 0) + next));
      at++;
      continue;
    }
    let run = digits;
    while (run.length > 0 && digits.length === 1 && digitsOf(words[at + 1] ?? '')?.length === 1) {
      run += digitsOf(words[at + 1] ?? '') ?? '';
      at++;
    }
    result.push(run);
  }
  return found ? result : null;
}

const WORDS_BY_DIGITS: ReadonlyMap<string, readonly string[]> = new Map(
  Array.from({ length: 13 }, (_, value) => [
    String(value),
    Object.entries(UNITS).flatMap(([word, of]) => (of === value ? [word] : [])),
  ]),
);

/** The words that digits may be written as: "3" as "three" and "triple". */
export const wordsForDigits = (digits: string): readonly string[] => WORDS_BY_DIGITS.get(digits) ?? [];

/** Whether a word begins with a digit. */
export function startsWithDigit(word: string): boolean {
  const code = word.charCodeAt(0);
  return code >= 48 && code <= 57;
}
