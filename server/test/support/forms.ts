/** Databases of earlier forms, as JSON: what was in every table, and the last migration that had made it. */
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DataSource } from 'typeorm';
import { MIGRATIONS } from '../../src/database/migrations/migrations';

export type FormRow = Readonly<Record<string, unknown>>;

/** A database as it was in some form. Tables stand in an order in which each only refers to earlier ones. */
export interface Form {
  /** The name of the last migration. */
  readonly form: string;
  readonly tables: Readonly<Record<string, readonly FormRow[]>>;
}

export const FORMS = fileURLToPath(new URL('../forms', import.meta.url));

/** The names of the migrations of which a database is on record. */
export const recorded = async (): Promise<string[]> =>
  (await readdir(FORMS)).map((file) => file.replace(/\.json$/, '')).sort();

export const readForm = async (name: string): Promise<Form> =>
  JSON.parse(await readFile(join(FORMS, `${name}.json`), 'utf8')) as Form;

/** All rows of a database, table by table. */
export async function dumped(source: DataSource): Promise<Form> {
  const tables = await source.query<{ name: string }[]>(
    `SELECT relname AS name FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace ORDER BY oid`,
  );
  const rows: [string, readonly FormRow[]][] = [];
  let form = '';
  for (const { name } of tables) {
    const found = await source.query<{ row: FormRow }[]>(`SELECT to_jsonb(t) AS row FROM "${name}" t ORDER BY t::text`);
    if (name === 'migrations')
      form = String(
        found
          .map((one) => one.row)
          .sort(byId)
          .at(-1)?.name,
      );
    else rows.push([name, found.map((one) => one.row)]);
  }
  return { form, tables: Object.fromEntries(rows) };
}

const byId = (a: FormRow, b: FormRow): number => Number(a.id) - Number(b.id);

/** Puts a database of an earlier form into an empty one. */
export async function restore(url: string, { form, tables }: Form): Promise<void> {
  const at = MIGRATIONS.findIndex((migration) => migration.name === form);
  if (at < 0) throw new Error(`There is no migration ${form}.`);
  const source = new DataSource({ type: 'postgres', url, migrations: MIGRATIONS.slice(0, at + 1) });
  await source.initialize();
  await source.runMigrations({ transaction: 'each' });
  // What the migrations put there themselves is in the form too.
  for (const name of Object.keys(tables).reverse()) await source.query(`DELETE FROM "${name}"`);
  for (const [name, rows] of Object.entries(tables))
    if (rows.length > 0)
      await source.query(`INSERT INTO "${name}" SELECT * FROM jsonb_populate_recordset(NULL::"${name}", $1::jsonb)`, [
        JSON.stringify(rows),
      ]);
  await source.destroy();
}
