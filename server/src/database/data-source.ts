import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { StartupError } from '../startup-error.js';
import { ARRANGED_ROWS } from './entities/arranged-rows.js';
import { BuildRow, PlaceRow, PluginRow } from './entities/catalogue.js';
import { ComputerRow, ScanRow, StudioRow } from './entities/computer.js';
import { ChangeRow, LoadRow } from './entities/journal.js';
import { FileFolderReadingRow, OtherFileRow } from './entities/other-file.js';
import { PictureRow } from './entities/picture.js';
import { MIGRATIONS } from './migrations/migrations.js';
import { partByPart } from './part-by-part.js';
import { SteadyClient } from './steady-client.js';

const ENTITIES = [
  ...[StudioRow, ComputerRow, ScanRow, PluginRow, BuildRow, PlaceRow],
  ...[ChangeRow, LoadRow, PictureRow],
  ...[OtherFileRow, FileFolderReadingRow],
  ...ARRANGED_ROWS,
];

/** How long one statement may take in a request, and in work of its own: a database that is frozen or overwhelmed must not hold the asker for ever. */
export const STATEMENT_MS = { request: 60_000, work: 600_000 } as const;
/** The asker gives up somewhat later than the database itself does. */
const GRACE_MS = 2000;

/** Compiling a statement takes longer than any of ours takes without (PostgreSQL 15, 32.2); and what is sorted in memory goes to no file (20.4.1, in kB). */
const OPTIONS = '-c jit=off -c work_mem=32768';

/** A connection to the database, not yet opened. The schema comes from the migrations alone. */
export const dataSourceFor = (url: string, longest: number = STATEMENT_MS.work): DataSource =>
  new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [...MIGRATIONS],
    synchronize: false,
    poolSize: 8,
    connectTimeoutMS: 10_000,
    applicationName: 'clever-drawer',
    extra: {
      statement_timeout: longest,
      query_timeout: longest + GRACE_MS,
      options: OPTIONS,
      stream: partByPart,
      Client: SteadyClient,
    },
  });

/** Opens the database and brings its schema up to date; StartupError when a newer version of the software has already changed it. */
export async function openDatabase(url: string, longest: number = STATEMENT_MS.request): Promise<DataSource> {
  await bringUpToDate(url);
  const source = dataSourceFor(url, longest);
  await source.initialize();
  return source;
}

/** Carries out the migrations that are missing, however long they take. */
async function bringUpToDate(url: string): Promise<void> {
  const source = dataSourceFor(url);
  try {
    await source.initialize();
  } catch (error) {
    // The message may hold the host, never the password; the remedy depends on whose server it is.
    const words =
      error instanceof Error && error.message !== '' ? error.message : String((error as { code?: string }).code);
    throw new StartupError(
      `The database can't be reached (${words}). Check that the PostgreSQL server runs and that DATABASE_URL names it, its user and its password.`,
    );
  }
  try {
    await refuseNewerSchema(source);
    await source.runMigrations({ transaction: 'each' });
  } finally {
    await source.destroy();
  }
}

async function refuseNewerSchema(source: DataSource): Promise<void> {
  const [{ present }] = await source.query<[{ present: boolean }]>(
    `SELECT to_regclass('migrations') IS NOT NULL AS present`,
  );
  if (!present) return;
  const done = await source.query<{ name: string }[]>('SELECT name FROM migrations');
  const known = new Set(MIGRATIONS.map((migration) => migration.name));
  const unknown = done.filter(({ name }) => !known.has(name));
  if (unknown.length > 0) {
    throw new StartupError(
      `This data was written by a newer version of Clever Drawer (${unknown.map(({ name }) => name).join(', ')}). ` +
        'Update the software, or name another folder with CLEVER_DRAWER_DATA. Nothing was changed.',
    );
  }
}
