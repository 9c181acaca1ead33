import { readdir, realpath, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Dirent } from 'node:fs';
import { endingOf } from '@clever-drawer/core/chests/other-files';
import { utf8Length } from '@clever-drawer/core/text/utf8-length';
import { errorCode } from './disk-place.js';
import { isMadeUp, whyNoFolder } from './folder-sense.js';

/** What a folder of files holds: names and folders alone are looked at, no file is opened. */
export interface FilesRead {
  /** Paths in the folder with forward slashes, in order. */
  readonly files: readonly string[];
  /** Files and folders that are more than are kept, or with a path that can't be kept. */
  readonly leftOut: number;
  readonly problem: 'missing' | 'unreadable' | 'refused' | null;
}

/** The most files of a folder that are kept. */
export const MAX_FILES = 250_000;
/** The most characters and bytes of a path in the folder: what an index of the database takes, with the name of the folder in front. */
const MAX_OF_A_PATH = { characters: 700, bytes: 2000 };
/** The most folders in it that are walked. */
const MAX_FOLDERS = 100_000;

/** How a folder is read. */
export interface FilesWish {
  readonly endings: readonly string[];
  readonly signal?: AbortSignal;
  /** Told how many were found so far. */
  readonly onProgress?: (found: number) => void;
  /** For tests: fewer files than MAX_FILES. */
  readonly most?: number;
}

/**
 * Finds files by their endings, whatever their capitals, in a folder and the folders in it. A folder with such an ending (a package) counts as a file and is not
 * walked into. Links are followed, each folder once. Hidden files are passed over, and folders that can't be read. Rejects when the signal ends it.
 */
export async function readFiles(path: string, wish: FilesWish): Promise<FilesRead> {
  const { endings, signal, onProgress, most = MAX_FILES } = wish;
  const wanted = new Set(endings);
  const files: string[] = [];
  let leftOut = 0;
  const take = (inside: string): void => {
    if (files.length >= most || !canBeKept(inside)) leftOut++;
    else files.push(inside);
  };
  if (whyNoFolder(path) !== null) return { files, leftOut, problem: 'refused' };
  const walked = new Set<string>();
  const waiting = [''];
  for (let inside = waiting.pop(); inside !== undefined; inside = waiting.pop()) {
    signal?.throwIfAborted();
    const folder = join(path, inside);
    let entries: Dirent[];
    try {
      const real = await realpath(folder);
      if (walked.has(real) || isMadeUp(real)) continue;
      if (walked.size >= MAX_FOLDERS) {
        leftOut++;
        continue;
      }
      walked.add(real);
      entries = await readdir(folder, { withFileTypes: true });
    } catch (error) {
      if (inside !== '') continue;
      return { files, leftOut, problem: errorCode(error) === 'ENOENT' ? 'missing' : 'unreadable' };
    }
    const inner: string[] = [];
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const { name } = entry;
      if (name.startsWith('.')) continue;
      const own = inside === '' ? name : `${inside}/${name}`;
      const kind = entry.isDirectory() ? 'folder' : entry.isFile() ? 'file' : await behind(join(folder, name));
      if (kind === null) continue;
      const ending = endingOf(name);
      if (ending !== null && wanted.has(ending)) take(own);
      else if (kind === 'folder') inner.push(own);
    }
    onProgress?.(files.length);
    // What comes first is walked first.
    waiting.push(...inner.reverse());
  }
  return { files, leftOut, problem: null };
}

/** Whether a path is short enough, and all of its names could be read as text. */
const canBeKept = (inside: string): boolean =>
  inside.length <= MAX_OF_A_PATH.characters &&
  utf8Length(inside) <= MAX_OF_A_PATH.bytes &&
  !/[\uFFFD\p{Cs}]/u.test(inside);

/** What a link, or what the file system does not tell the kind of, leads to; null for nothing. */
const behind = (path: string): Promise<'folder' | 'file' | null> =>
  stat(path).then(
    (found) => (found.isDirectory() ? 'folder' : 'file'),
    () => null,
  );
