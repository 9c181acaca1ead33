import { opendir, stat } from 'node:fs/promises';
import { join } from 'node:path';

/** The names of the folders in a folder; `more` counts those beyond the limit, as far as entries were looked at. */
export interface ChildFolders {
  readonly names: readonly string[];
  readonly more: number;
  /** Whether the folder has more entries than are looked at. */
  readonly isPartial: boolean;
}

interface Limits {
  readonly names: number;
  /** Entries that are looked at, files included. */
  readonly entries: number;
  readonly milliseconds: number;
}

const LIMITS: Limits = { names: 2000, entries: 100_000, milliseconds: 5000 };

/** The file system did not answer in time: a network share that is gone, or a disk that hangs. */
export class FolderTimeout extends Error {}

const isHidden = (name: string): boolean => name.startsWith('.');

/**
 * Lists the folders in a folder, links to folders included, hidden ones last. Rejects with the error of the file system when it can't be read, and with
 * FolderTimeout when it does not answer in time. Files are never opened, and only links are followed.
 */
export async function childFolders(
  path: string,
  limits: Partial<Limits> = {},
  read: ReadFolders = readFolders,
): Promise<ChildFolders> {
  const { names: most, entries, milliseconds } = { ...LIMITS, ...limits };
  const deadline = new Deadline(milliseconds);
  try {
    const { folders, isPartial } = await deadline.race(read(path, entries, deadline));
    const { compare } = new Intl.Collator('en', { numeric: true });
    const names = folders.sort((a, b) => Number(isHidden(a)) - Number(isHidden(b)) || compare(a, b));
    return { names: names.slice(0, most), more: Math.max(0, names.length - most), isPartial };
  } finally {
    deadline.end();
  }
}

/** A system call that hangs can't be cancelled; the caller stops waiting for it, and no further one is begun. */
class Deadline {
  private timer: NodeJS.Timeout | undefined;
  isOver = false;

  constructor(private readonly milliseconds: number) {}

  race<T>(work: Promise<T>): Promise<T> {
    const late = new Promise<never>((_, reject) => {
      this.timer = setTimeout(() => reject(new FolderTimeout()), this.milliseconds);
    });
    return Promise.race([work, late]);
  }

  end(): void {
    clearTimeout(this.timer);
    this.isOver = true;
  }
}

type ReadFolders = (
  path: string,
  most: number,
  deadline: Pick<Deadline, 'isOver'>,
) => Promise<{ folders: string[]; isPartial: boolean }>;

const readFolders: ReadFolders = async (path, most, deadline) => {
  const folders: string[] = [];
  let count = 0;
  // Leaving the loop closes the folder.
  for await (const entry of await opendir(path)) {
    if (deadline.isOver || ++count > most) return { folders, isPartial: true };
    if (entry.isDirectory() || (entry.isSymbolicLink() && (await leadsToFolder(join(path, entry.name)))))
      folders.push(entry.name);
  }
  return { folders, isPartial: false };
};

const leadsToFolder = (path: string): Promise<boolean> =>
  stat(path).then(
    (target) => target.isDirectory(),
    () => false,
  );
