/** A large value in parcels, for the way from one thread to another: to take all of it over at once would hold the server for as long. */

/** Part of a value: what stands at a place in it, or what follows in the list there. */
export type Parcel = { readonly at: readonly (string | number)[] } & (
  { readonly value: unknown } | { readonly more: readonly unknown[] }
);

/** So many values in a parcel, by and large: some milliseconds. */
const IN_A_PARCEL = 5000;

/** Splits a JSON value into chunks, outer ones before the ones inside them. */
export function* chunkJson(value: unknown, at: readonly (string | number)[] = []): Generator<Parcel> {
  if (typeof value !== 'object' || value === null || weightOf(value, IN_A_PARCEL) < IN_A_PARCEL) yield { at, value };
  else if (Array.isArray(value)) {
    yield { at, value: [] };
    yield* parcelsOfList(value, at);
  } else {
    yield { at, value: {} };
    for (const [name, inner] of Object.entries(value)) yield* chunkJson(inner, [...at, name]);
  }
}

function* parcelsOfList(list: readonly unknown[], at: readonly (string | number)[]): Generator<Parcel> {
  let [more, weight]: [unknown[], number] = [[], 0];
  for (const [place, inner] of list.entries()) {
    const own = weightOf(inner, IN_A_PARCEL);
    if (more.length > 0 && weight + own >= IN_A_PARCEL) {
      yield { at, more };
      [more, weight] = [[], 0];
    }
    if (own >= IN_A_PARCEL) yield* chunkJson(inner, [...at, place]);
    else {
      more.push(inner);
      weight += own;
    }
  }
  if (more.length > 0) yield { at, more };
}

/** Text of this length weighs as much as another value. */
const LETTERS = 100;

const NONE: ReadonlySet<string> = new Set();

/** How many values there are in a value, counted until there are too many. Lists of some names count as one value. */
export function weightOf(value: unknown, most: number, wholeLists: ReadonlySet<string> = NONE): number {
  if (typeof value === 'string') return 1 + value.length / LETTERS;
  if (typeof value !== 'object' || value === null) return 1;
  let weight = 1;
  const isList = Array.isArray(value);
  for (const [name, inner] of isList ? value.entries() : Object.entries(value)) {
    if (weight >= most) break;
    const isWhole = !isList && wholeLists.has(name as string) && Array.isArray(inner);
    weight += isWhole ? 1 : weightOf(inner, most - weight, wholeLists);
  }
  return weight;
}

/** Puts parcels together again, as they come. */
export class Unpacking {
  private readonly whole: { value?: unknown } = {};

  take(parcel: Parcel): void {
    const path = ['value', ...parcel.at];
    const last = path.pop() ?? '';
    let inside: object = this.whole;
    for (const name of path) inside = Reflect.get(inside, name) as object;
    if ('more' in parcel) (Reflect.get(inside, last) as unknown[]).push(...parcel.more);
    // Defined and not assigned: `__proto__` is a name like any other.
    else
      Object.defineProperty(inside, last, {
        value: parcel.value,
        writable: true,
        enumerable: true,
        configurable: true,
      });
  }

  /** What has come. */
  get value(): unknown {
    return this.whole.value;
  }
}
