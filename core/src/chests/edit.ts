import type { Arrangement, RowKind, Rows } from './arrangement.js';
import { ROW_KINDS } from './arrangement.js';

/** One row before and after: null before is made, null after is removed. Both ways hold all that the inverse needs. */
export type Edit = {
  [Kind in RowKind]: { of: Kind; id: string; before: Rows[Kind] | null; after: Rows[Kind] | null };
}[RowKind];

/** A change of the arrangement as data: named in words, with an inverse. */
export interface Change {
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** The edits that take a change back, in reverse order. */
export const inverse = (edits: readonly Edit[]): Edit[] =>
  edits.map((edit) => ({ ...edit, before: edit.after, after: edit.before }) as Edit).reverse();

/** The arrangement after the edits; kinds that none of them touches are shared with the old one. */
export function applyEdits(state: Arrangement, edits: readonly Edit[]): Arrangement {
  const result: { -readonly [Kind in RowKind]: ReadonlyMap<string, unknown> } = { ...state };
  for (const kind of ROW_KINDS) {
    const own = edits.filter((edit) => edit.of === kind);
    if (own.length === 0) continue;
    const rows = new Map<string, unknown>(state[kind]);
    for (const edit of own) {
      if (edit.after === null) rows.delete(edit.id);
      else rows.set(edit.id, edit.after);
    }
    result[kind] = rows;
  }
  return result as Arrangement;
}

/** The first edit whose `before` is not what stands now; undefined when all fit. Two rows are equal when their JSON fields are. */
export const firstConflict = (state: Arrangement, edits: readonly Edit[]): Edit | undefined =>
  edits.find((edit) => !sameRow(state[edit.of].get(edit.id) ?? null, edit.before));

export const sameRow = (a: object | null, b: object | null): boolean => canonical(a) === canonical(b);

const canonical = (row: object | null): string =>
  row === null ? 'null' : JSON.stringify(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1)));
