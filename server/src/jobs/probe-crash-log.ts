import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sync as writeFileAtomicSync } from 'write-file-atomic';
import type { ProbeCrashLog } from '@clever-drawer/scan/ask/asker';

const FILE = 'asking.json';
const MOST = 1000;

interface Kept {
  /** What is being asked now; after a crash of everything, what was asked then. */
  readonly asking: readonly string[];
  readonly suspects: readonly string[];
  readonly proven: readonly string[];
}

/**
 * Notes in a file which plugins are being asked, before they are: should one of them end even the server, the next scan knows. Several that were asked at
 * that moment are asked alone the next time, and one that was the only one is not asked again, until it changes or the producer says “try again”.
 */
export function probeCrashLog(folder: string, triesAgain: boolean): ProbeCrashLog {
  const file = join(folder, FILE);
  const left = keptIn(file);
  const [only, ...more] = left.asking;
  const proven = new Set(only !== undefined && more.length === 0 ? [...left.proven, only] : left.proven);
  const suspects = new Set([...left.suspects, ...(more.length === 0 ? [] : left.asking)]);
  const asking = new Set<string>();
  const keep = (): void => {
    const kept: Kept = {
      asking: [...asking],
      suspects: [...suspects].slice(-MOST),
      proven: [...proven].slice(-MOST),
    };
    try {
      writeFileAtomicSync(file, JSON.stringify(kept));
    } catch {
      // A full disk costs the note, and not the scan.
    }
  };
  if (left.asking.length > 0) keep();
  return {
    begin: (path) => {
      asking.add(path);
      keep();
    },
    end: (path) => {
      asking.delete(path);
      suspects.delete(path);
      if (triesAgain) proven.delete(path);
      keep();
    },
    of: (path) => (proven.has(path) ? (triesAgain ? 'suspect' : 'proven') : suspects.has(path) ? 'suspect' : null),
  };
}

/** What the file says; nothing when it is absent or damaged. */
function keptIn(file: string): Kept {
  const none: Kept = { asking: [], suspects: [], proven: [] };
  try {
    const value: unknown = JSON.parse(readFileSync(file, 'utf8'));
    if (typeof value !== 'object' || value === null) return none;
    const list = (name: keyof Kept): string[] => {
      const own: unknown = (value as Partial<Kept>)[name];
      return Array.isArray(own) ? own.filter((one): one is string => typeof one === 'string').slice(0, MOST) : [];
    };
    return { asking: list('asking'), suspects: list('suspects'), proven: list('proven') };
  } catch {
    return none;
  }
}
