import { generateNKeysBetween } from 'fractional-indexing';
import { ITEMS_PER_STEP, type Stepwise } from '../stepwise.js';
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

/** The same `count` keys as `keysBefore` has for a place where nothing stands yet, step by step. */
export function* firstKeysStepwise(count: number): Stepwise<string[]> {
  const keys: string[] = [];
  while (keys.length < count) {
    keys.push(...generateNKeysBetween(keys.at(-1) ?? null, null, Math.min(ITEMS_PER_STEP, count - keys.length)));
    yield;
  }
  return keys;
}
