import type { EntityManager } from 'typeorm';
import type { Arrangement, RowKind, Rows } from '@clever-drawer/core/chests/arrangement';
import { ROW_KINDS, specOf } from '@clever-drawer/core/chests/arrangement';
import { columnNames } from '@clever-drawer/core/chests/rows/row-kind';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { jsonForDatabase } from '../database/json.js';

const quoted = (names: readonly string[]): string => names.map((name) => `"${name}"`).join(', ');

/** All rows of one kind of a computer, in no particular order. */
export async function rowsOf<Kind extends RowKind>(
  db: EntityManager,
  computerId: ComputerId,
  kind: Kind,
): Promise<Rows[Kind][]> {
  const spec = specOf(kind);
  const [table, columns] = [spec.table, columnNames(spec)];
  return db.query<Rows[Kind][]>(`SELECT ${quoted(columns)} FROM "${table}" WHERE "computerId" = $1`, [computerId]);
}

/** Everything arranged on a computer. */
export async function loadArrangement(db: EntityManager, computerId: ComputerId): Promise<Arrangement> {
  const maps: [RowKind, ReadonlyMap<string, { id: string }>][] = [];
  for (const kind of ROW_KINDS) {
    const rows = await rowsOf(db, computerId, kind);
    maps.push([kind, new Map(rows.map((row) => [row.id, row]))]);
  }
  return Object.fromEntries(maps) as unknown as Arrangement;
}

/** Writes edits: made and changed rows from the outer kinds to the inner ones, then removed rows the other way, so that references hold. */
export async function writeEdits(db: EntityManager, computerId: ComputerId, edits: readonly Edit[]): Promise<void> {
  // Inner drawers refer to outer ones, so the constraint within the table is looked at when the statement ends: one statement a kind.
  for (const kind of ROW_KINDS) {
    const rows = edits.filter((edit) => edit.of === kind && edit.after !== null).map((edit) => edit.after);
    if (rows.length > 0) await putRows(db, computerId, kind, rows);
  }
  for (const kind of [...ROW_KINDS].reverse()) {
    const ids = edits.filter((edit) => edit.of === kind && edit.after === null).map((edit) => edit.id);
    if (ids.length === 0) continue;
    await db.query(`DELETE FROM "${specOf(kind).table}" WHERE "computerId" = $1 AND id = ANY($2)`, [computerId, ids]);
  }
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
  await db.query(
    `INSERT INTO "${table}" ("computerId", ${quoted(columns)})
     SELECT $1, ${quoted(columns)} FROM jsonb_populate_recordset(NULL::"${table}", $2::jsonb)
     ON CONFLICT ("computerId", id) DO UPDATE SET ${changed.join(', ')}`,
    [computerId, jsonForDatabase(rows)],
  );
}
