import type { EntityManager } from 'typeorm';
import type { Arrangement, RowKind, Rows } from '@clever-drawer/core/chests/arrangement';
import { ROW_KINDS } from '@clever-drawer/core/chests/arrangement';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { jsonForDatabase } from '../database/json.js';

/** Table and columns (besides the computer's) of each kind of row; the columns bear the names of the fields. */
const TABLES: Readonly<Record<RowKind, { table: string; columns: readonly string[] }>> = {
  chest: { table: 'chest', columns: ['id', 'name', 'order', 'slots'] },
  drawer: { table: 'drawer', columns: ['id', 'chestId', 'parentId', 'name', 'order', 'rule', 'sort'] },
  entry: { table: 'entry', columns: ['id', 'drawerId', 'pluginId', 'order', 'name'] },
  trayEntry: { table: 'tray_entry', columns: ['id', 'tray', 'pluginId', 'order'] },
  session: { table: 'session', columns: ['id', 'name', 'order'] },
  lane: { table: 'lane', columns: ['id', 'sessionId', 'kind', 'name', 'order'] },
  slot: { table: 'slot', columns: ['id', 'laneId', 'kind', 'order', 'pluginId', 'buildId'] },
  choice: { table: 'choice', columns: ['id', 'role', 'types', 'vendor', 'buildId'] },
  heldBuild: { table: 'held_build', columns: ['id', 'pluginId', 'fromPluginId', 'whole'] },
  vendorSpelling: { table: 'vendor_spelling', columns: ['id', 'key', 'name'] },
  preference: { table: 'preference', columns: ['id', 'criteria', 'formats'] },
  divider: { table: 'divider', columns: ['id', 'drawerId', 'label', 'order'] },
  trayName: { table: 'tray_name', columns: ['id', 'name'] },
  naming: { table: 'naming', columns: ['id', 'nickname', 'stripLabel', 'note', 'tags'] },
  aside: { table: 'aside', columns: ['id', 'pluginId', 'buildId', 'reason', 'until'] },
  keptSearch: { table: 'kept_search', columns: ['id', 'name', 'query', 'order'] },
  face: { table: 'face', columns: ['id', 'picture'] },
  look: { table: 'look', columns: ['id', 'at'] },
};

const quoted = (names: readonly string[]): string => names.map((name) => `"${name}"`).join(', ');

/** All rows of one kind of a computer, in no particular order. */
export async function rowsOf<Kind extends RowKind>(
  db: EntityManager,
  computerId: ComputerId,
  kind: Kind,
): Promise<Rows[Kind][]> {
  const { table, columns } = TABLES[kind];
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
    await db.query(`DELETE FROM "${TABLES[kind].table}" WHERE "computerId" = $1 AND id = ANY($2)`, [computerId, ids]);
  }
}

async function putRows(
  db: EntityManager,
  computerId: ComputerId,
  kind: RowKind,
  rows: readonly unknown[],
): Promise<void> {
  const { table, columns } = TABLES[kind];
  const changed = columns.filter((name) => name !== 'id').map((name) => `"${name}" = EXCLUDED."${name}"`);
  await db.query(
    `INSERT INTO "${table}" ("computerId", ${quoted(columns)})
     SELECT $1, ${quoted(columns)} FROM jsonb_populate_recordset(NULL::"${table}", $2::jsonb)
     ON CONFLICT ("computerId", id) DO UPDATE SET ${changed.join(', ')}`,
    [computerId, jsonForDatabase(rows)],
  );
}
