import { appendToGroup } from '../lists-by-key.js';
import { runToCompletion, eachStepwise, findStepwise, type Stepwise } from '../stepwise.js';
import { fnv } from '../text/fnv.js';
import equal from 'fast-deep-equal';
import { configure } from 'safe-stable-stringify';
import type { Arrangement, RowKind, Rows } from './arrangement.js';
import { COMPUTER_KINDS, ROW_KINDS, specOf } from './arrangement.js';
import { carryGroups } from './row-groups.js';
import type { OldRow } from './rows/row-kind.js';
import { columnNames, upgradeRow } from './rows/row-kind.js';

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
export const applyEdits = (state: Arrangement, edits: readonly Edit[]): Arrangement =>
  edits.length === 0 ? state : runToCompletion(applyStepwise(state, edits));

/** The same step by step. */
export function* applyStepwise(state: Arrangement, edits: readonly Edit[]): Stepwise<Arrangement> {
  const result: { -readonly [Kind in RowKind]: ReadonlyMap<string, unknown> } = { ...state };
  const byKind = new Map<RowKind, Edit[]>();
  for (const edit of edits) appendToGroup(byKind, edit.of, edit);
  for (const kind of ROW_KINDS) {
    const own = byKind.get(kind);
    if (own === undefined) continue;
    const rows = new Map<string, unknown>(state[kind]);
    yield;
    yield* eachStepwise(own, ({ id, after }) => {
      if (after === null) rows.delete(id);
      else rows.set(id, after);
    });
    yield* carryGroups(state[kind], rows, kind, own);
    result[kind] = rows;
  }
  return result as Arrangement;
}

/** The edits of rows that belong to the studio: what one computer's window needs to know of another computer's change. */
export const ofStudio = (edits: readonly Edit[]): readonly Edit[] =>
  edits.filter((edit) => !COMPUTER_KINDS.includes(edit.of));

/** What names the row of an edit among all rows. */
export const rowKey = ({ of, id }: RowName): string => `${of}|${id}`;

/** Edits made one after the other as edits of each row once; a row that is in the end as it was before is left out. */
export function mergeEdits(edits: readonly Edit[]): Edit[] {
  const merged = new Map<string, Edit>();
  for (const edit of edits) {
    const first = merged.get(rowKey(edit));
    merged.set(rowKey(edit), first === undefined ? edit : ({ ...edit, before: first.before } as Edit));
  }
  return [...merged.values()].filter((edit) => !sameRow(edit.before, edit.after));
}

/** What names a row among all rows. */
export type RowName = Pick<Edit, 'of' | 'id'>;

/**
 * The first row that keeps edits from being done: one whose `before` is not what stands now, or one that would name a row that is not there afterwards, such as a
 * place in a drawer that the edits take away. Undefined when all fit.
 */
export const firstConflict = (...args: Parameters<typeof conflictStepwise>): RowName | undefined =>
  runToCompletion(conflictStepwise(...args));

/** The same step by step. */
export function* conflictStepwise(state: Arrangement, edits: readonly Edit[]): Stepwise<RowName | undefined> {
  const stands = ({ of, id, before }: Edit): boolean => sameRow(state[of].get(id) ?? null, before);
  return (yield* findStepwise(edits, (edit) => !stands(edit))) ?? (yield* danglingStepwise(state, edits));
}

function* danglingStepwise(state: Arrangement, edits: readonly Edit[]): Stepwise<RowName | undefined> {
  const after = yield* applyStepwise(state, edits);
  const hangs = (kind: RowKind, row: object): boolean =>
    references(kind).some(([column, to]) => {
      const named = (row as OldRow)[column];
      return typeof named === 'string' && !after[to].has(named);
    });
  const edited = yield* findStepwise(edits, (edit) => edit.after !== null && hangs(edit.of, edit.after));
  if (edited !== undefined) return edited;
  const gone = new Set(edits.filter((edit) => edit.after === null).map((edit) => edit.of));
  for (const kind of ROW_KINDS) {
    if (!references(kind).some(([, to]) => gone.has(to))) continue;
    const row = yield* findStepwise([...after[kind].values()], (one) => hangs(kind, one));
    if (row !== undefined) return { of: kind, id: row.id };
  }
  return undefined;
}

/** The columns of a kind that name other rows. The catalogue is no part of it: a plugin keeps its row whatever is arranged. */
const references = (kind: RowKind): readonly (readonly [string, RowKind])[] =>
  Object.entries(specOf(kind).refersTo).filter((one): one is [string, RowKind] => one[1] !== 'plugin');

const stringify = configure({ deterministic: true });

/** The fields of a row in one order; null is as good as absent, which it was before the field was invented. */
const canonical = (row: object): string =>
  stringify(row, (name, value: unknown) => (value === null && name !== '' ? undefined : value)) ?? '';

/** Whether two rows hold the same, whatever the order of their fields; a null field is as good as an absent one. */
export const sameRow = (a: object | null, b: object | null): boolean =>
  a === b || equal(a, b) || (a !== null && b !== null && canonical(a) === canonical(b));

/** An edit of an older form (see ROW_FORM) in the newest one. */
export function upgradeEdit(edit: Edit, form: number): Edit {
  const kind = specOf(edit.of);
  const [before, after] = [edit.before, edit.after].map((row) => upgradeRow(kind, row as OldRow | null, form));
  return { ...edit, before, after } as Edit;
}

/** Whether a change of the arrangement changes which builds are one plugin, so that the catalogue has to be grouped anew. */
export const regroups = (edits: readonly Edit[]): boolean =>
  edits.some((edit) => edit.of === 'heldBuild' || edit.of === 'vendorSpelling');

/**
 * A mark of all rows that edits would change or take away, as they stand before: two windows that plan the same change on the same rows get the
 * same mark. See fnv, over their JSON in order.
 */
export function markOf(edits: readonly Edit[]): string {
  let [hash, rows] = [fnv(''), 0];
  for (const edit of edits) {
    if (edit.before === null) continue;
    rows++;
    hash = fnv(`${rowKey(edit)}|${canonical(edit.before)}`, hash);
  }
  return `${String(rows)}-${hash.toString(16)}`;
}

/** Hashes the rows that edits leave, in their order. Two plans with the same results get the same hash. See fnv; null equals absent. */
export function* hashEditResults(edits: readonly Edit[]): Stepwise<string> {
  let hash = fnv('');
  yield* eachStepwise(edits, ({ of, id, after }) => {
    hash = fnv(id, fnv(of, hash));
    if (after === null) return;
    for (const name of columnNames(specOf(of))) {
      const value = (after as object as OldRow)[name] ?? null;
      // Each with its end, so that what one field loses to the next is seen.
      hash = fnv('|', fnv(value === null ? '\0' : typeof value === 'string' ? value : stringify(value), hash));
    }
  });
  return `${String(edits.length)}-${hash.toString(16)}`;
}
