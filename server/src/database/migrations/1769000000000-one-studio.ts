import type { MigrationInterface, QueryRunner } from 'typeorm';
import { renewed, type OldEdit } from './one-studio/journal.js';
import type { Catalogue, OldComputer, OldRow, United } from './one-studio/old-rows.js';
import { FIRM, LOOSE, NEW_TABLES, SHAPE } from './one-studio/tables.js';
import { unite } from './one-studio/unite.js';

/** Tables whose rows become the studio's, and those whose rows stay with their computer. */
const ARRANGED = [
  ...['chest', 'drawer', 'divider', 'entry', 'tray_entry', 'tray_name', 'session', 'lane', 'slot', 'kept_search'],
  ...['naming', 'choice', 'held_build', 'vendor_spelling', 'aside', 'face'],
];
const OWN = ['preference', 'look'];

// Identifiers of these formats are meant to be unique; others are told apart by their names too.
const BUILD_KEYS = `SELECT id::text, concat_ws(' ', facts->>'format', coalesce(facts->>'identifier', ''),
    CASE WHEN facts->>'identifier' IS NOT NULL AND facts->>'format' IN ('LV2', 'VST3', 'AU', 'CLAP') THEN NULL ELSE facts->>'name' END) AS key
  FROM build`;

/** Of rows that several computers have under one id, the first computer's. */
const FIRST_OF_EACH = (table: string): string => `DELETE FROM "${table}" WHERE ctid IN (
  SELECT ctid FROM (SELECT t.ctid, row_number() OVER (PARTITION BY t.id ORDER BY c."createdAt", c.id) AS place
    FROM "${table}" t JOIN computer c ON c.id = t."computerId") AS placed WHERE place > 1)`;

type Named = Pick<OldComputer, 'id' | 'name'> & { arrangementRevision: number; catalogueRevision: number };

/**
 * One arrangement for the studio in the place of one for each computer. What further computers arranged comes along; where they said otherwise than the
 * first, that is listed in the studio's row. Their journals can't be undone any more, and are counted there.
 */
export class OneStudio1769000000000 implements MigrationInterface {
  name = 'OneStudio1769000000000';

  async up(runner: QueryRunner): Promise<void> {
    const computers = (await runner.query(
      'SELECT id, name, "arrangementRevision", "catalogueRevision" FROM computer ORDER BY "createdAt", id',
    )) as Named[];
    const catalogue = await readCatalogue(runner);
    const arranged: OldComputer[] = [];
    for (const { id, name } of computers) arranged.push({ id, name, tables: await readTables(runner, id) });
    const { united, ...report } = unite(arranged, catalogue);
    for (const statement of [...NEW_TABLES, ...LOOSE]) await runner.query(statement);
    await runner.query(
      `UPDATE build SET "arrivedAt" = p."arrivedAt" FROM plugin p WHERE p."computerId" = build."computerId" AND p.id = build."pluginId"`,
    );
    const steps = await renewJournal(runner, computers, catalogue.buildKey);
    for (const table of [...ARRANGED, ...OWN]) await runner.query(`DELETE FROM "${table}"`);
    for (const table of ['plugin', 'picture']) await runner.query(FIRST_OF_EACH(table));
    for (const statement of SHAPE) await runner.query(statement);
    await writeRows(runner, united);
    for (const statement of FIRM) await runner.query(statement);
    const [first] = computers;
    const isUnion = computers.length > 1;
    const union = {
      madeAt: new Date().toISOString(),
      first: first?.name ?? '',
      computers: report.computers.map((one, at) => ({ ...one, steps: steps.get(computers[at + 1]?.id ?? '') ?? 0 })),
      differing: report.differing,
    };
    await runner.query(
      `INSERT INTO studio (id, "arrangementRevision", "catalogueRevision", regroups, "union") VALUES (1, $1, $2, $3, $4::jsonb)`,
      [
        (first?.arrangementRevision ?? 0) + (isUnion ? 1 : 0),
        Math.max(0, ...computers.map((one) => one.catalogueRevision)) + (isUnion ? 1 : 0),
        isUnion,
        isUnion ? JSON.stringify(union) : null,
      ],
    );
  }

  down(): Promise<void> {
    return Promise.reject(new Error('What several computers arranged has been made one, and can not be parted again.'));
  }
}

async function readCatalogue(runner: QueryRunner): Promise<Catalogue> {
  const keys = new Map(
    ((await runner.query(BUILD_KEYS)) as { id: string; key: string }[]).map((one) => [one.id, one.key]),
  );
  const names = new Map(
    ((await runner.query('SELECT id, name FROM plugin')) as { id: string; name: string }[]).map((one) => [
      one.id,
      one.name,
    ]),
  );
  return { pluginName: (id) => names.get(id) ?? id, buildKey: (id) => keys.get(id) };
}

async function readTables(runner: QueryRunner, computerId: string): Promise<Record<string, OldRow[]>> {
  const tables: Record<string, OldRow[]> = {};
  for (const table of [...ARRANGED, ...OWN]) {
    const rows = (await runner.query(
      `SELECT to_jsonb(t) - 'computerId' AS row FROM "${table}" t WHERE "computerId" = $1`,
      [computerId],
    )) as { row: OldRow }[];
    tables[table] = rows.map((one) => one.row);
  }
  return tables;
}

/** The first computer's steps stay, in the new form. Returns how many of each further computer were let go. */
async function renewJournal(
  runner: QueryRunner,
  [first, ...others]: readonly Named[],
  buildKey: Catalogue['buildKey'],
): Promise<Map<string, number>> {
  const gone = new Map<string, number>();
  for (const { id } of others) {
    const [, count] = (await runner.query('DELETE FROM change WHERE "computerId" = $1', [id])) as [unknown, number];
    gone.set(id, count);
    await runner.query('UPDATE load SET change = NULL WHERE "computerId" = $1', [id]);
  }
  if (first === undefined) return gone;
  const touched = (await runner.query(
    `SELECT seq, edits FROM change WHERE edits @? '$[*] ? (@.of == "heldBuild" || @.of == "choice")'`,
  )) as { seq: number; edits: OldEdit[] }[];
  for (const { seq, edits } of touched)
    await runner.query('UPDATE change SET edits = $2::jsonb WHERE seq = $1', [
      seq,
      JSON.stringify(renewed(edits, buildKey)),
    ]);
  return gone;
}

const AT_ONCE = 2000;

async function writeRows(runner: QueryRunner, { studio, own }: United): Promise<void> {
  for (const [table, rows] of [...Object.entries(studio), ...Object.entries(own)])
    for (let at = 0; at < rows.length; at += AT_ONCE)
      await runner.query(`INSERT INTO "${table}" SELECT * FROM jsonb_populate_recordset(NULL::"${table}", $1::jsonb)`, [
        JSON.stringify(rows.slice(at, at + AT_ONCE)),
      ]);
}
