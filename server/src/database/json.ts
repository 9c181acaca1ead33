import type { Stepwise } from '@clever-drawer/core/stepwise';

/** JSON that PostgreSQL takes: without zero characters and half surrogate pairs, which file names and resources may hold. */
export const jsonForDatabase = (value: unknown): string =>
  JSON.stringify(value, (_key, inner: unknown) => (typeof inner === 'string' ? storable(inner) : inner));

const IN_A_STEP = 500;

/** The same for a long list, step by step. */
export function* listForDatabase(list: readonly unknown[]): Stepwise<string> {
  const parts: string[] = [];
  for (let from = 0; from < list.length; from += IN_A_STEP) {
    parts.push(jsonForDatabase(list.slice(from, from + IN_A_STEP)).slice(1, -1));
    yield;
  }
  return `[${parts.join(',')}]`;
}

const storable = (text: string): string => text.replaceAll('\0', '').toWellFormed();
