import { execFile } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { StartupError } from '../startup-error.js';

const run = promisify(execFile);

/** PostgreSQL refuses to run as root; then its programs run as the user that Debian's package made for it. */
export const runsAsRoot = (): boolean => process.getuid?.() === 0;
const DATABASE_USER = 'postgres';

/** The folder of PostgreSQL's server programs, the newest version first; StartupError naming the package when there is none. */
export function findPrograms(base = '/usr/lib/postgresql'): string {
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  const version = versions.find((one) => existsSync(join(base, one, 'bin', 'pg_ctl')));
  if (version === undefined) {
    throw new StartupError('PostgreSQL is not installed. Install it with: sudo apt-get install postgresql');
  }
  return join(base, version, 'bin');
}

/** A command line that runs as the user the database belongs to. */
export const asDatabaseUser = (command: readonly string[]): [string, string[]] => {
  const [program = '', ...args] = runsAsRoot() ? ['runuser', '-u', DATABASE_USER, '--', ...command] : command;
  return [program, args];
};

const LONGEST_MS = 120_000;

/** Runs a program as the database's user, with `input` and nothing more to read; rejects with what it printed. */
export async function runAsDatabaseUser(
  command: readonly string[],
  env: Record<string, string> = {},
  input = '',
): Promise<string> {
  const [program, args] = asDatabaseUser(command);
  try {
    const running = run(program, args, {
      cwd: '/',
      env: { ...process.env, LC_ALL: 'C.UTF-8', ...env },
      timeout: LONGEST_MS,
      killSignal: 'SIGKILL',
    });
    // It has nobody to ask: whatever it would read is at its end at once.
    running.child.stdin?.on('error', () => undefined).end(input);
    return (await running).stdout;
  } catch (error) {
    const { stderr = '', stdout = '', message = '' } = error as { stderr?: string; stdout?: string; message?: string };
    throw new Error((stderr || stdout || message).trim());
  }
}

/** Whether the database's user can reach a folder: as root, a private home or a temporary folder of mode 0700 is closed to it. */
export async function databaseUserReaches(folder: string): Promise<boolean> {
  if (!runsAsRoot()) return true;
  let existing = folder;
  while (!existsSync(existing)) existing = dirname(existing);
  try {
    await runAsDatabaseUser(['test', '-x', existing]);
    return true;
  } catch {
    return false;
  }
}

/**
 * Gives a folder to the database's user (as root only). A database that still runs, or is just ending, makes and removes files in it meanwhile: what is gone
 * needs no owner.
 */
export async function giveToDatabaseUser(path: string): Promise<void> {
  if (!runsAsRoot()) return;
  try {
    await run('chown', ['-R', `${DATABASE_USER}:`, path], { env: { ...process.env, LC_ALL: 'C.UTF-8' } });
  } catch (error) {
    const { stderr = '' } = error as { stderr?: string };
    const told = stderr.trim().split('\n');
    if (!existsSync(path) || !told.every((line) => line.endsWith('No such file or directory'))) throw error;
  }
}
