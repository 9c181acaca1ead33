/** Order of plain text. */
export const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The most frequent value; of equals the better one, then the first in order, so that it never hangs on the order of the files. Null for none. */
export function mostFrequent(
  values: readonly (string | null)[],
  better: (a: string, b: string) => number,
): string | null {
  const counts = new Map<string, number>();
  for (const value of values) if (value !== null) counts.set(value, (counts.get(value) ?? 0) + 1);
  const ranked = [...counts].sort((a, b) => b[1] - a[1] || better(a[0], b[0]) || compare(a[0], b[0]));
  return ranked[0]?.[0] ?? null;
}
