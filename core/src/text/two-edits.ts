const MOST = 2;

/**
 * Whether two edits at most make one word of the other: a letter wrong, missing, too many, or two neighbours swapped (the edits of Damerau, 1964, each
 * stretch edited once). Only the diagonals that two edits reach are looked at.
 */
export function isWithinTwoEdits(typed: string, word: string): boolean {
  const width = 2 * MOST + 1;
  let [before, last] = [new Array<number>(width).fill(MOST + 1), new Array<number>(width).fill(MOST + 1)];
  // Row by row of the table of distances; a row holds the columns from row - MOST to row + MOST.
  for (let column = 0; column <= MOST; column++) last[MOST + column] = column;
  for (let row = 1; row <= typed.length; row++) {
    const own = new Array<number>(width).fill(MOST + 1);
    for (let at = 0; at < width; at++) {
      const column = row + at - MOST;
      if (column < 0 || column > word.length) continue;
      if (column === 0) {
        own[at] = row;
        continue;
      }
      const same = typed.charCodeAt(row - 1) === word.charCodeAt(column - 1);
      let best = (last[at] ?? MOST + 1) + (same ? 0 : 1);
      best = Math.min(best, (own[at - 1] ?? MOST + 1) + 1, (last[at + 1] ?? MOST + 1) + 1);
      const isSwap =
        row > 1 &&
        column > 1 &&
        typed.charCodeAt(row - 1) === word.charCodeAt(column - 2) &&
        typed.charCodeAt(row - 2) === word.charCodeAt(column - 1);
      if (isSwap) best = Math.min(best, (before[at] ?? MOST + 1) + 1);
      own[at] = best;
    }
    if (own.every((distance) => distance > MOST)) return false;
    [before, last] = [last, own];
  }
  const end = word.length - typed.length + MOST;
  return end >= 0 && end < width && (last[end] ?? MOST + 1) <= MOST;
}
