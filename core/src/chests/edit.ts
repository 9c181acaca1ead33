import type { Arrangement, RowKind, Rows } from './arrangement.js';
import { ROW_KINDS } from './arrangement.js';
import { carryGroups } from './row-groups.js';

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
  const byKind = new Map<RowKind, Edit[]>();
  for (const edit of edits) {
    const own = byKind.get(edit.of);
    if (own === undefined) byKind.set(edit.of, [edit]);
    else own.push(edit);
  }
  for (const kind of ROW_KINDS) {
    const own = byKind.get(kind);
    if (own === undefined) continue;
    const rows = new Map<string, unknown>(state[kind]);
    for (const edit of own) {
      if (edit.after === null) rows.delete(edit.id);
      else rows.set(edit.id, edit.after);
    }
    carryGroups(state[kind], rows, kind, own);
    result[kind] = rows;
  }
  return result as Arrangement;
}

/** The first edit whose `before` is not what stands now; undefined when all fit. Two rows are equal when their JSON fields are. */
export const firstConflict = (state: Arrangement, edits: readonly Edit[]): Edit | undefined =>
  edits.find((edit) => !sameRow(state[edit.of].get(edit.id) ?? null, edit.before));

export const sameRow = (a: object | null, b: object | null): boolean => a === b || canonical(a) === canonical(b);

/** The fields of a row in one order; null is as good as absent, which it was before the field was invented. */
function canonical(value: unknown): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value ?? null);
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  const fields = Object.entries(value).filter(([, field]) => field !== null && field !== undefined);
  fields.sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${fields.map(([name, field]) => `${name}:${canonical(field)}`).join(',')}}`;
}

/** Fields that rows of older changes lack, as they were understood then. */
const ADDED_FIELDS: Readonly<Partial<Record<RowKind, object>>> = {
  chest: { slots: null },
  drawer: { sort: null },
  entry: { name: null },
};

/** An edit of an older version in the newest form. */
export function newestEdit(edit: Edit): Edit {
  const added = ADDED_FIELDS[edit.of];
  if (added === undefined) return edit;
  const complete = (row: object | null): object | null => (row === null ? null : { ...added, ...row });
  return { ...edit, before: complete(edit.before), after: complete(edit.after) } as Edit;
}

/**
 * A mark of all rows that edits would change or take away, as they stand before: two windows that plan the same change on the same rows get the
 * same mark. FNV-1a (Fowler, Noll and Vo), 32 bits, over their JSON in order; for telling apart, not for keeping secrets.
 */
export function markOf(edits: readonly Edit[]): string {
  let [hash, rows] = [0x811c9dc5, 0];
  for (const edit of edits) {
    if (edit.before === null) continue;
    rows++;
    const text = `${edit.of}|${edit.id}|${canonical(edit.before)}`;
    for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  }
  return `${String(rows)}-${(hash >>> 0).toString(16)}`;
}
