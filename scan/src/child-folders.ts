import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';

/** The names of the folders in a folder; `more` counts those beyond the limit. */
export interface ChildFolders {
  readonly names: readonly string[];
  readonly more: number;
}

const MAX_NAMES = 2000;

const isHidden = (name: string): boolean => name.startsWith('.');

/**
 * Lists the folders in a folder, links to folders included, hidden ones last. Rejects with the error of the file system when it can't be read.
 * Files are never opened, and only links are followed.
 */
export async function childFolders(path: string, max = MAX_NAMES): Promise<ChildFolders> {
  const entries = await readdir(path, { withFileTypes: true });
  const folders = await Promise.all(
    entries.map(async (entry) => {
      if (entry.isDirectory()) return entry.name;
      if (!entry.isSymbolicLink()) return null;
      const target = await stat(join(path, entry.name)).catch(() => null);
      return target?.isDirectory() === true ? entry.name : null;
    }),
  );
  const { compare } = new Intl.Collator('en', { numeric: true });
  const names = folders
    .filter((name) => name !== null)
    .sort((a, b) => Number(isHidden(a)) - Number(isHidden(b)) || compare(a, b));
  return { names: names.slice(0, max), more: Math.max(0, names.length - max) };
}
