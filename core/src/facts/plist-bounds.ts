import { Fields } from './binary/bytes.js';

const TRAILER = 32;
const MAX_OBJECTS = 20_000;
/** Objects that it may come to once whatever is referred to twice is there twice. */
const MAX_WHOLE = 50_000;
const MAX_DEPTH = 100;
const KIND = { array: 0xa, set: 0xc, dictionary: 0xd };

/** Why a binary property list is not read; null when it is as small as any that plugins carry. */
type TooMuch = string | null;

/**
 * Whether a binary property list stays small once it is read. Its objects refer to each other by number: one that refers to the next twice, and so on, is
 * twice as large with each, and one that refers to itself has no end. Counts what it would come to, without making it. Apple, CFBinaryPList.c (the format's
 * description in its comments; from memory).
 */
export function tooMuchInBinaryPlist(bytes: Uint8Array): TooMuch {
  if (bytes.length < TRAILER + 8) return 'it is cut short';
  const trailer = new Fields(bytes.subarray(bytes.length - TRAILER), false);
  const head = trailer.u16(6);
  const [offsetSize, refSize] = [head >> 8, head & 0xff];
  const [objects, top, tableAt] = [trailer.u64(8), trailer.u64(16), trailer.u64(24)];
  if (![1, 2, 3, 4, 8].includes(offsetSize) || ![1, 2, 3, 4, 8].includes(refSize)) return 'its trailer is damaged';
  if (objects > MAX_OBJECTS) return `it holds more than ${String(MAX_OBJECTS)} objects`;
  if (top >= objects || tableAt + objects * offsetSize > bytes.length - TRAILER) return 'its trailer is damaged';
  const number = (at: number, size: number): number => {
    let value = 0;
    for (let index = 0; index < size; index++) value = value * 256 + (bytes[at + index] ?? 0);
    return value;
  };
  let budget = MAX_WHOLE;
  /** What an object refers to. */
  const refsOf = (object: number): number[] => {
    const at = number(tableAt + object * offsetSize, offsetSize);
    const marker = bytes[at] ?? 0;
    const kind = marker >> 4;
    if (kind !== KIND.array && kind !== KIND.set && kind !== KIND.dictionary) return [];
    let [count, from] = [marker & 0xf, at + 1];
    if (count === 0xf) {
      const size = 2 ** ((bytes[from] ?? 0) & 0xf);
      if (size > 8) return [];
      count = number(from + 1, size);
      from += 1 + size;
    }
    const all = count * (kind === KIND.dictionary ? 2 : 1);
    budget -= all;
    if (budget < 0) throw new RangeError('too much');
    return Array.from({ length: all }, (_, index) => number(from + index * refSize, refSize));
  };
  const known = new Map<number, number>();
  const open = new Set<number>();
  const wholeOf = (object: number, depth: number): number => {
    const before = known.get(object);
    if (before !== undefined) return before;
    if (object >= objects || open.has(object) || depth > MAX_DEPTH) throw new RangeError('too much');
    open.add(object);
    let whole = 1;
    for (const one of refsOf(object)) whole += wholeOf(one, depth + 1);
    open.delete(object);
    if (whole > MAX_WHOLE) throw new RangeError('too much');
    known.set(object, whole);
    return whole;
  };
  try {
    wholeOf(top, 0);
    return null;
  } catch (error) {
    if (error instanceof RangeError) return 'its objects refer to each other without end, or too often';
    throw error;
  }
}
