import { mkdir, readFile, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { lock } from 'proper-lockfile';
import writeFileAtomic from 'write-file-atomic';
import { explainSystemError, StartupError } from './startup-error.js';

/** Who runs with a data folder, as it is told to whoever starts a second one. */
interface Running {
  readonly pid: number;
  readonly url: string;
  /** When the process began, in the system's words; null where it does not tell. */
  readonly began: string | null;
}

// The lock is renewed this often; one that has not been for this long is nobody's.
const RENEWED_MS = 3000;
const STALE_MS = 15_000;

const runsAlready = (url: string, process: string): string =>
  `Clever Drawer already runs with this data folder, at ${url}${process}. Use that, stop it, or name another folder with CLEVER_DRAWER_DATA.`;

/** Keeps a second server off the same data folder; a lock left by one that was killed is taken over. Resolves to what gives the folder back. */
export async function lockFolder(
  folder: string,
  url: string,
  say: (words: string) => void = () => undefined,
): Promise<() => Promise<void>> {
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
      if (other === 'broken' || other === null) {
        // Who holds it can't be asked: a lock that is still renewed is somebody's.
        say(
          'The mark of a running Clever Drawer (running.json) can not be read. Waiting whether its lock is still renewed …',
        );
        if (await isRenewed(held)) throw new StartupError(runsAlready('another port', ''));
      } else if (other.pid !== process.pid && (await isAlive(other, held)))
        throw new StartupError(runsAlready(other.url, ` (process ${String(other.pid)})`));
      // Killed a moment ago: nobody renews that lock any more.
      await rm(held, { recursive: true, force: true });
      return take();
    });
    const mark: Running = { pid: process.pid, url, began: await beginningOf(process.pid) };
    await writeFileAtomic(file, JSON.stringify(mark));
    return async () => {
      await rm(file, { force: true });
      await release();
    };
  } catch (error) {
    throw explainSystemError(error, folder);
  }
}

/** Whether somebody renews a lock: looked at for longer than that takes. */
async function isRenewed(held: string): Promise<boolean> {
  const before = await renewedAt(held);
  await setTimeout(2 * RENEWED_MS + 500);
  return before !== null && (await renewedAt(held)) !== before;
}

const renewedAt = (held: string): Promise<number | null> =>
  stat(held).then(
    (found) => found.mtimeMs,
    () => null,
  );

/** What the mark of a running server says; 'broken' when it says nothing that makes sense, null when there is none. */
async function readRunning(file: string): Promise<Running | 'broken' | null> {
  let text: string;
  try {
    text = await readFile(file, 'utf8');
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ENOENT' ? null : 'broken';
  }
  try {
    const { pid, url, began } = JSON.parse(text) as Partial<Running>;
    return typeof pid === 'number' && Number.isSafeInteger(pid) && pid > 0
      ? { pid, url: typeof url === 'string' ? url : 'another port', began: typeof began === 'string' ? began : null }
      : 'broken';
  } catch {
    return 'broken';
  }
}

/** Whether a mark is that of a process that runs: of this number, and begun at the same moment; where that is not told, one that renews its lock. */
async function isAlive({ pid, began }: Running, held: string): Promise<boolean> {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  const now = await beginningOf(pid);
  // The number of a process that is gone is given to another one.
  return began === null || now === null ? isRenewed(held) : now === began;
}

/** When a process began: the boot, and the ticks since then. proc(5), stat, field 22. Null where the system does not tell. */
async function beginningOf(pid: number): Promise<string | null> {
  try {
    const [boot, stat] = await Promise.all([
      readFile('/proc/sys/kernel/random/boot_id', 'utf8'),
      readFile(`/proc/${String(pid)}/stat`, 'utf8'),
    ]);
    // The name before it stands in brackets, and may hold blanks and brackets itself.
    const ticks = stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
    return ticks === undefined ? null : `${boot.trim()} ${ticks}`;
  } catch {
    return null;
  }
}
