/** How a typed word with a slip of the hand stands to a word: 'whole', the 'beginning' of it, or neither (null). */
export type Slip = 'whole' | 'beginning' | null;

/**
 * Whether one edit makes the typed word the whole of a word or its beginning: a letter wrong, missing, too many, or two neighbours swapped
 * (the edits of Damerau, 1964, whose distance this bounds by one). The typed word itself, unchanged, counts too.
 */
export function slipOf(typed: string, word: string): Slip {
  let at = 0;
  while (at < typed.length && typed.charCodeAt(at) === word.charCodeAt(at)) at++;
  if (at === typed.length) return typed.length === word.length ? 'whole' : 'beginning';
  const wrong = restFits(typed, at + 1, word, at + 1);
  const tooMany = restFits(typed, at + 1, word, at);
  const missing = restFits(typed, at, word, at + 1);
  const swapped =
    typed.charCodeAt(at) === word.charCodeAt(at + 1) && typed.charCodeAt(at + 1) === word.charCodeAt(at)
      ? restFits(typed, at + 2, word, at + 2)
      : null;
  const all = [wrong, tooMany, missing, swapped];
  return all.includes('whole') ? 'whole' : (all.find((one) => one !== null) ?? null);
}

function restFits(typed: string, from: number, word: string, at: number): Slip {
  if (at > word.length) return null;
  const length = typed.length - from;
  if (length < 0 || length > word.length - at) return null;
  for (let index = 0; index < length; index++)
    if (typed.charCodeAt(from + index) !== word.charCodeAt(at + index)) return null;
  return length === word.length - at ? 'whole' : 'beginning';
}
