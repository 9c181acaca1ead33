import type { Edit } from '@clever-drawer/core/chests/edit';
import { packEdits } from '@clever-drawer/core/chests/packed-edits';
import { ITEMS_PER_STEP, type Stepwise } from '@clever-drawer/core/stepwise';

/** JSON that PostgreSQL takes: without zero characters and half surrogate pairs, which file names and resources may hold. */
export function jsonForDatabase(value: unknown): string {
  const json = JSON.stringify(value);
  return MAYBE_UNSTORABLE.test(json)
    ? JSON.stringify(value, (_key, inner: unknown) => (typeof inner === 'string' ? storable(inner) : inner))
    : json;
}

/** How JSON writes them (ECMA-262, QuoteJSONString). Seldom there: to look at each text by itself takes several times as long. */
const MAYBE_UNSTORABLE = /\\u(?:0000|d[89a-f])/;

/** The same for a long list, step by step. */
export function* listForDatabase(list: readonly unknown[]): Stepwise<string> {
  const parts: string[] = [];
  for (let from = 0; from < list.length; from += ITEMS_PER_STEP) {
    parts.push(jsonForDatabase(list.slice(from, from + ITEMS_PER_STEP)).slice(1, -1));
    yield;
  }
  return `[${parts.join(',')}]`;
}

/** Many edits column by column where that is shorter, else one by one. */
export function* editsForDatabase(edits: readonly Edit[]): Stepwise<string> {
  const packed = edits.length < MANY ? null : yield* packEdits(edits);
  if (packed === null) return yield* listForDatabase(edits);
  const runs: string[] = [];
  for (const { of, ids, before, after } of packed.runs) {
    const parts = [`"of":"${of}"`, `"ids":${yield* listForDatabase(ids)}`];
    for (const [name, columns] of [
      ['before', before],
      ['after', after],
    ] as const)
      parts.push(`"${name}":${columns === null ? 'null' : yield* columnsForDatabase(columns)}`);
    runs.push(`{${parts.join(',')}}`);
  }
  return `{"runs":[${runs.join(',')}]}`;
}

function* columnsForDatabase(columns: Readonly<Record<string, readonly unknown[]>>): Stepwise<string> {
  const lists: string[] = [];
  for (const [name, values] of Object.entries(columns)) lists.push(`"${name}":${yield* listForDatabase(values)}`);
  return `{${lists.join(',')}}`;
}

/** From so many edits on. */
const MANY = 1000;

const storable = (text: string): string => text.replaceAll('\0', '').toWellFormed();
