import { existsSync } from 'node:fs';
import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { StartupError } from '../startup-error.js';
import { giveToDatabaseUser, runAsDatabaseUser } from './postgres-programs.js';

/** The database's user, and the database, of a private cluster. */
export const USER = 'drawer';
/** See USER. */
export const DATABASE = 'drawer';

/** The password of the database; null when there is none: an empty file is as good as none. */
export async function keptPassword(file: string): Promise<string | null> {
  if (!existsSync(file)) return null;
  const text = (await readFile(file, 'utf8')).trim();
  return /^[\w-]{16,128}$/.test(text) ? text : null;
}

/** Gives the database's user another password while the cluster rests: a single process, which listens to nobody. PostgreSQL, "postgres --single". */
export async function setPassword(programs: string, data: string, password: string): Promise<void> {
  const single = [join(programs, 'postgres'), '--single', '-D', data, 'postgres'];
  await runAsDatabaseUser(single, {}, `ALTER ROLE ${USER} PASSWORD '${password}'\n`);
}

/** Makes a cluster in a folder. */
export async function initialise(programs: string, home: string, data: string, password: string): Promise<void> {
  // Made aside and renamed: a start that is interrupted half-way leaves no half cluster behind.
  const made = `${data}.new`;
  for (const folder of [made, data]) await rm(folder, { recursive: true, force: true });
  await giveToDatabaseUser(home);
  const file = join(home, 'initial-password');
  try {
    await writeFile(file, `${password}\n`, { mode: 0o600 });
    await giveToDatabaseUser(file);
    // Texts are compared by their bytes, which is the order of C.UTF-8 too, and twice as quick: "C" asks no library.
    const texts = ['-E', 'UTF8', '--locale=C.UTF-8', '--lc-collate=C'];
    const options = ['-U', USER, ...texts, '-A', 'scram-sha-256', `--pwfile=${file}`];
    await runAsDatabaseUser([join(programs, 'initdb'), '-D', made, ...options]);
    await rename(made, data);
  } finally {
    await rm(file, { force: true });
  }
}

/** Refuses a cluster of another version of PostgreSQL in a sentence. */
export async function refuseOtherVersion(programs: string, data: string): Promise<void> {
  const version = (await readFile(join(data, 'PG_VERSION'), 'utf8')).trim();
  if (!programs.includes(`/${version}/`)) {
    throw new StartupError(
      `This data folder was made by PostgreSQL ${version}, which is not the version found in ${programs}. ` +
        `Install postgresql-${version}, or name another folder with CLEVER_DRAWER_DATA.`,
    );
  }
}

/** Makes the database in a cluster that has none. */
export async function createDatabase(programs: string, port: number, password: string): Promise<void> {
  const psql = [
    join(programs, 'psql'),
    '-h',
    '127.0.0.1',
    '-p',
    String(port),
    '-U',
    USER,
    '-d',
    'postgres',
    '-At',
    // Never asks for a password.
    '-w',
    '-c',
  ];
  const env = { PGPASSWORD: password };
  const present = await runAsDatabaseUser([...psql, `SELECT 1 FROM pg_database WHERE datname = '${DATABASE}'`], env);
  if (present.trim() === '') await runAsDatabaseUser([...psql, `CREATE DATABASE ${DATABASE}`], env);
}
