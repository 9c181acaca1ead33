/** Narrowing a list by several questions at once, each answered with any of some values; and how many there are of each value. */

/** One question: the values that each item has, as numbers; an item may have several, or none. */
export interface Facet {
  readonly values: readonly string[];
  /** The numbers of an item's values. */
  readonly of: readonly (readonly number[])[];
}

/** Items that pass, and for each question the counts of its values among the items that pass all other questions. */
export interface Narrowed {
  readonly passing: Uint32Array;
  readonly counts: readonly (readonly number[])[];
}

/** Makes a facet out of the values of each item: one, or a list. Fastest where items of the same values share the very same list. */
export function facetOf(items: readonly (string | readonly string[])[]): Facet {
  const numbers = new Map<string, number>();
  // Most items share their few values with many others: one list of numbers serves them all.
  const lists = new Map<string | readonly string[], readonly number[]>();
  const numbersOf = (values: readonly string[]): readonly number[] =>
    values.map((value) => {
      let number = numbers.get(value);
      if (number === undefined) numbers.set(value, (number = numbers.size));
      return number;
    });
  const of = items.map((values) => {
    let list = lists.get(values);
    if (list === undefined) lists.set(values, (list = numbersOf(typeof values === 'string' ? [values] : values)));
    return list;
  });
  return { values: [...numbers.keys()], of };
}

/**
 * The items among `found` that have a wanted value for each question (an empty list asks nothing), in their order. One pass: an item that fails
 * one question alone still counts there, so that every segment tells what a click would bring.
 */
export function narrow(
  found: Iterable<number> & { readonly length: number },
  facets: readonly Facet[],
  wanted: readonly (readonly string[])[],
): Narrowed {
  const asked = facets.map((facet, at) => {
    const values = wanted[at] ?? [];
    if (values.length === 0) return null;
    return new Set(values.map((value) => facet.values.indexOf(value)));
  });
  const asksAny = asked.some((set) => set !== null);
  const counts = facets.map((facet) => new Array<number>(facet.values.length).fill(0));
  const passing = new Uint32Array(found.length);
  let count = 0;
  for (const item of found) {
    let [failed, only] = [0, -1];
    if (asksAny)
      for (let at = 0; at < facets.length && failed < 2; at++) {
        const set = asked[at];
        if (set == null) continue;
        const values = facets[at]?.of[item] ?? [];
        if (values.some((value) => set.has(value))) continue;
        failed++;
        only = at;
      }
    if (failed > 1) continue;
    if (failed === 0) passing[count++] = item;
    for (let at = 0; at < facets.length; at++) {
      if (failed === 1 && at !== only) continue;
      const [own, values] = [counts[at], facets[at]?.of[item]];
      if (own === undefined || values === undefined) continue;
      for (let place = 0; place < values.length; place++) {
        const value = values[place] as number;
        own[value] = (own[value] ?? 0) + 1;
      }
    }
  }
  return { passing: passing.subarray(0, count), counts };
}
