/** Sets of numbers as bits, 32 in a word: joining two sets of 50,000 plugins takes as many steps as there are words. */
export type Bits = Uint32Array;

/** An empty set of numbers below a size. */
export const bitsFor = (size: number): Bits => new Uint32Array((size + 31) >>> 5);

/** Adds a number. */
export function setBit(bits: Bits, at: number): void {
  bits[at >>> 5] = (bits[at >>> 5] ?? 0) | (1 << (at & 31));
}
/** Takes a number out. */
export function clearBit(bits: Bits, at: number): void {
  bits[at >>> 5] = (bits[at >>> 5] ?? 0) & ~(1 << (at & 31));
}
/** Whether a number is in it. */
export const hasBit = (bits: Bits, at: number): boolean => (((bits[at >>> 5] ?? 0) >>> (at & 31)) & 1) === 1;

/** Adds all of another set. */
export function join(bits: Bits, other: Bits): void {
  for (let at = 0; at < bits.length; at++) bits[at] = (bits[at] ?? 0) | (other[at] ?? 0);
}
/** Leaves what is in another set as well. */
export function meet(bits: Bits, other: Bits): void {
  for (let at = 0; at < bits.length; at++) bits[at] = (bits[at] ?? 0) & (other[at] ?? 0);
}
/** What is not in it, below a size. */
export function others(bits: Bits, size: number): Bits {
  const turned = new Uint32Array(bits.length);
  for (let at = 0; at < bits.length; at++) turned[at] = ~(bits[at] ?? 0);
  const rest = size & 31;
  if (rest !== 0) turned[turned.length - 1] = (turned[turned.length - 1] ?? 0) & ((1 << rest) - 1);
  return turned;
}
/** The numbers in it, in order. */
export function numbersIn(bits: Bits): number[] {
  const numbers: number[] = [];
  bits.forEach((word, index) => {
    for (let left = word; left !== 0; left &= left - 1) numbers.push(index * 32 + (31 - Math.clz32(left & -left)));
  });
  return numbers;
}
/** How many numbers are in it. */
export function countOf(bits: Bits): number {
  let count = 0;
  for (const word of bits) for (let left = word; left !== 0; left &= left - 1) count++;
  return count;
}
