import { generateNKeysBetween } from 'fractional-indexing';
import { byOrder } from './look-up.js';

interface Ordered {
  readonly id: string;
  readonly order: string;
}

/** `count` keys that sort directly in front of the sibling `before`, or behind all siblings when it is null or not among them. */
export function keysBefore(siblings: readonly Ordered[], before: string | null, count: number): string[] {
  const sorted = [...siblings].sort(byOrder);
  const at = before === null ? -1 : sorted.findIndex((one) => one.id === before);
  const next = at < 0 ? undefined : sorted[at];
  const previous = at < 0 ? sorted.at(-1) : sorted[at - 1];
  return generateNKeysBetween(previous?.order ?? null, next?.order ?? null, count);
}
