import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { lock } from 'proper-lockfile';
import { explainSystemError, StartupError } from './startup-error.js';

/** Who runs with a data folder, as it is told to whoever starts a second one. */
interface Running {
  readonly pid: number;
  readonly url: string;
}

// The lock is renewed this often; one that has not been for this long is nobody's.
const RENEWED_MS = 3000;
const STALE_MS = 15_000;

/** Keeps a second server off the same data folder; a lock left by one that was killed is taken over. Resolves to what gives the folder back. */
export async function lockFolder(folder: string, url: string): Promise<() => Promise<void>> {
  const [file, held] = [join(folder, 'running.json'), join(folder, 'running.lock')];
  const take = () =>
    lock(folder, {
      lockfilePath: held,
      realpath: false,
      stale: STALE_MS,
      update: RENEWED_MS,
      // A machine that slept past the limit: the database goes on to refuse a second server, and this one goes on to renew.
      onCompromised: () => undefined,
    });
  try {
    await mkdir(folder, { recursive: true });
    const release = await take().catch(async (error: unknown) => {
      if ((error as NodeJS.ErrnoException).code !== 'ELOCKED') throw error;
      const other = await readRunning(file);
      if (other !== null && isAlive(other.pid) && other.pid !== process.pid)
        throw new StartupError(
          `Clever Drawer already runs with this data folder, at ${other.url} (process ${String(other.pid)}). ` +
            'Use that, stop it, or name another folder with CLEVER_DRAWER_DATA.',
        );
      // Killed a moment ago: nobody renews that lock any more.
      await rm(held, { recursive: true, force: true });
      return take();
    });
    await writeFile(file, JSON.stringify({ pid: process.pid, url } satisfies Running));
    return async () => {
      await rm(file, { force: true });
      await release();
    };
  } catch (error) {
    throw explainSystemError(error, folder);
  }
}

/** What the mark of a running server says; null when it is absent or says nothing that makes sense. */
async function readRunning(file: string): Promise<Running | null> {
  try {
    const { pid, url } = JSON.parse(await readFile(file, 'utf8')) as Partial<Running>;
    return typeof pid === 'number' && Number.isInteger(pid) ? { pid, url: url ?? 'another port' } : null;
  } catch {
    return null;
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
