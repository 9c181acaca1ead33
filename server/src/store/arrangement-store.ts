import type { EntityManager } from 'typeorm';
import type { Arrangement, RowKind, Rows } from '@clever-drawer/core/chests/arrangement';
import { ROW_KINDS, specOf } from '@clever-drawer/core/chests/arrangement';
import { columnNames } from '@clever-drawer/core/chests/rows/row-kind';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { listForDatabase } from '../database/json.js';
import { inBetween } from '../in-between.js';

const quoted = (names: readonly string[]): string => names.map((name) => `"${name}"`).join(', ');

/** All rows of one kind, in no particular order: the studio's, or those of a computer where each has its own. */
export async function rowsOf<Kind extends RowKind>(
  db: EntityManager,
  computerId: ComputerId,
  kind: Kind,
): Promise<Rows[Kind][]> {
  const spec = specOf(kind);
  const [table, columns] = [spec.table, columnNames(spec)];
  const all = `SELECT ${quoted(columns)} FROM "${table}"`;
  return spec.scope === 'studio' ? db.query(all) : db.query(`${all} WHERE "computerId" = $1`, [computerId]);
}

/** All rows of some kinds, as a computer has them. */
export async function loadRows(
  db: EntityManager,
  computerId: ComputerId,
  kinds: readonly RowKind[],
): Promise<Partial<Arrangement>> {
  const maps: [RowKind, ReadonlyMap<string, { id: string }>][] = [];
  for (const kind of kinds) {
    const rows = await rowsOf(db, computerId, kind);
    maps.push([kind, new Map(rows.map((row) => [row.id, row]))]);
  }
  return Object.fromEntries(maps);
}

/** Everything arranged, as a computer has it. */
export const loadArrangement = async (db: EntityManager, computerId: ComputerId): Promise<Arrangement> =>
  (await loadRows(db, computerId, ROW_KINDS)) as Arrangement;

/** Writes edits made at a computer: made and changed rows from the outer kinds to the inner ones, then removed rows the other way, so that references hold. */
export async function writeEdits(db: EntityManager, computerId: ComputerId, edits: readonly Edit[]): Promise<void> {
  const [rows, gone] = [new Map<RowKind, unknown[]>(), new Map<RowKind, string[]>()];
  for (const { of, id, after } of edits) {
    if (after !== null) addTo(rows, of, after);
    else addTo(gone, of, id);
  }
  // Inner drawers refer to outer ones, so the constraint within the table is looked at when the statement ends: one statement a kind.
  for (const kind of ROW_KINDS) {
    const own = rows.get(kind) ?? NONE;
    if (own.length > 0) await putRows(db, computerId, kind, own);
  }
  for (const kind of [...ROW_KINDS].reverse()) {
    const ids = gone.get(kind) ?? NONE;
    if (ids.length === 0) continue;
    const { table, scope } = specOf(kind);
    const statement = `DELETE FROM "${table}" WHERE id = ANY($1)`;
    await (scope === 'studio'
      ? db.query(statement, [ids])
      : db.query(`${statement} AND "computerId" = $2`, [ids, computerId]));
  }
}

const NONE: readonly never[] = [];

function addTo<T>(lists: Map<RowKind, T[]>, kind: RowKind, one: T): void {
  const list = lists.get(kind);
  if (list === undefined) lists.set(kind, [one]);
  else list.push(one);
}

async function putRows(
  db: EntityManager,
  computerId: ComputerId,
  kind: RowKind,
  rows: readonly unknown[],
): Promise<void> {
  const spec = specOf(kind);
  const [table, columns] = [spec.table, columnNames(spec)];
  const changed = columns.filter((name) => name !== 'id').map((name) => `"${name}" = EXCLUDED."${name}"`);
  const isOwn = spec.scope === 'computer';
  const whose = isOwn ? '"computerId", ' : '';
  await db.query(
    `INSERT INTO "${table}" (${whose}${quoted(columns)})
     SELECT ${isOwn ? '$2, ' : ''}${quoted(columns)} FROM jsonb_populate_recordset(NULL::"${table}", $1::jsonb)
     ON CONFLICT (${whose}id) DO UPDATE SET ${changed.join(', ')}`,
    [await inBetween(listForDatabase(rows)), ...(isOwn ? [computerId] : [])],
  );
}
