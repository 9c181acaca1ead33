/** What a search has found out about each item, by its number. */
export interface Matches {
  /** How many typed words it fits, what that costs in all, and how many of them are whole words of its name. */
  readonly met: Uint8Array;
  readonly total: Uint16Array;
  readonly whole: Uint8Array;
  /** How many words its name has; 0 for no name. */
  readonly lengths: Uint8Array;
}

const SCORES = 4096;

/**
 * Items that enough of the typed words fit, by their cost; of equal ones shorter names first, then the given order. Sorted by counting, in a time in
 * proportion to their number. `all`: how many words were typed.
 */
export function rankItems({ met, total, whole, lengths }: Matches, enough: number, all: number): Uint32Array {
  const counts = new Uint32Array(SCORES + 1);
  const scoreOf = (item: number): number => {
    const missing = all - (met[item] ?? 0);
    const length = lengths[item] ?? 0;
    // The very name, maybe with its vendor: "quill compressor" is the Compressor and not one of its variants.
    if (missing === 0 && length > 0 && (whole[item] ?? 0) >= length) return Math.min(3, total[item] ?? 0);
    return Math.min(SCORES - 1, missing * 1024 + 4 + Math.min(250, total[item] ?? 0) * 4 + Math.min(3, length >> 1));
  };
  let count = 0;
  for (let item = 0; item < met.length; item++) {
    if ((met[item] ?? 0) < enough) continue;
    count++;
    const slot = scoreOf(item) + 1;
    counts[slot] = (counts[slot] ?? 0) + 1;
  }
  for (let score = 1; score <= SCORES; score++) counts[score] = (counts[score] ?? 0) + (counts[score - 1] ?? 0);
  const result = new Uint32Array(count);
  for (let item = 0; item < met.length; item++) {
    if ((met[item] ?? 0) < enough) continue;
    const score = scoreOf(item);
    const at = counts[score] ?? 0;
    result[at] = item;
    counts[score] = at + 1;
  }
  return result;
}
