import type { EntityManager } from 'typeorm';
import type { Arrangement, RowKind, Rows } from '@clever-drawer/core/chests/arrangement';
import { ROW_KINDS, specOf } from '@clever-drawer/core/chests/arrangement';
import { columnNames, type ColumnType, type OldRow } from '@clever-drawer/core/chests/rows/row-kind';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { listForDatabase } from '../database/json.js';
import { runCooperatively } from '../run-cooperatively.js';

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
  const [rows, gone] = [new Map<RowKind, Put>(), new Map<RowKind, string[]>()];
  for (const { of, id, before, after } of edits) {
    if (after === null) {
      const ids = gone.get(of);
      if (ids === undefined) gone.set(of, [id]);
      else ids.push(id);
      continue;
    }
    let put = rows.get(of);
    if (put === undefined) rows.set(of, (put = { rows: [], areNew: true }));
    put.rows.push(after as object as OldRow);
    put.areNew &&= before === null;
  }
  // Inner drawers refer to outer ones, so the constraint within the table is looked at when the statement ends: one statement a kind.
  for (const kind of ROW_KINDS) {
    const own = rows.get(kind);
    if (own !== undefined) await putRows(db, computerId, kind, own);
  }
  for (const kind of [...ROW_KINDS].reverse()) {
    const ids = gone.get(kind);
    if (ids === undefined) continue;
    const { table, scope } = specOf(kind);
    const statement = `DELETE FROM "${table}" WHERE id = ANY($1)`;
    await (scope === 'studio'
      ? db.query(statement, [ids])
      : db.query(`${statement} AND "computerId" = $2`, [ids, computerId]));
  }
}

/** Rows of a kind that are to be there. */
interface Put {
  readonly rows: OldRow[];
  /** None of them was there before: then nothing has to be asked of those that are. */
  areNew: boolean;
}

/** How a column is read out of JSON. */
const CASTS: ReadonlyMap<ColumnType, string> = new Map([
  ['number', '::smallint'],
  ['flag', '::boolean'],
  ['list', '::jsonb'],
  ['rule', '::jsonb'],
]);

/** Column by column: read that way, 50,000 rows take half as long as one by one; what is the same in all of them is said once. */
async function putRows(db: EntityManager, computerId: ComputerId, kind: RowKind, { rows, areNew }: Put): Promise<void> {
  const spec = specOf(kind);
  const [table, columns] = [spec.table, columnNames(spec)];
  const isOwn = spec.scope === 'computer';
  const whose = isOwn ? '"computerId", ' : '';
  const values: string[] = isOwn ? [computerId] : [];
  const [lists, listed, read] = [[] as string[], [] as string[], [] as string[]];
  for (const [name, { type }] of Object.entries(spec.columns)) {
    const own = rows.map((row) => row[name] ?? null);
    const isOne = name !== 'id' && own.every((value) => value === own[0]);
    values.push(await runCooperatively(listForDatabase(isOne ? own.slice(0, 1) : own)));
    const parameter = `$${String(values.length)}::jsonb`;
    const cast = CASTS.get(type) ?? '';
    if (isOne) read.push(`(${parameter} ->> 0)${cast}`);
    else {
      lists.push(`jsonb_array_elements_text(${parameter})`);
      listed.push(name);
      read.push(`"${name}"${cast}`);
    }
  }
  const changed = columns.filter((name) => name !== 'id').map((name) => `"${name}" = EXCLUDED."${name}"`);
  await db.query(
    `INSERT INTO "${table}" (${whose}${quoted(columns)})
     SELECT ${isOwn ? '$1::uuid, ' : ''}${read.join(', ')} FROM ROWS FROM (${lists.join(', ')}) AS fresh (${quoted(listed)})
     ${areNew ? '' : `ON CONFLICT (${whose}id) DO UPDATE SET ${changed.join(', ')}`}`,
    values,
  );
}
