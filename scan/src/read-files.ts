import { readdir, realpath, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Dirent } from 'node:fs';
import { endingOf } from '@clever-drawer/core/chests/other-files';
import { utf8Length } from '@clever-drawer/core/text/utf8-length';
import { errorCode } from './disk-place.js';
import { isMadeUp, whyNoFolder } from './folder-sense.js';

/** The files of a folder. Only names are read; no file is opened. */
export interface FilesRead {
  /** Paths in the folder with forward slashes, in order. */
  readonly files: readonly string[];
  /** How many files and folders exceed the limits or have a path that can't be stored. */
  readonly leftOut: number;
  /** `failed`: an error outside of readFiles, which never returns it. */
  readonly problem: 'missing' | 'unreadable' | 'refused' | 'failed' | null;
}

/** The most files of a folder that are kept. */
export const MAX_FILES = 250_000;
/** The most characters and bytes of a path in the folder: what an index of the database takes, with the name of the folder in front. */
const MAX_OF_A_PATH = { characters: 700, bytes: 2000 };
/** The most folders in it that are walked. */
const MAX_FOLDERS = 100_000;

/** Options of readFiles. */
export interface FilesWish {
  readonly endings: readonly string[];
  readonly signal?: AbortSignal;
  /** Called with the number of files found so far. */
  readonly onProgress?: (found: number) => void;
  /** For tests: fewer files than MAX_FILES. */
  readonly most?: number;
}

/** How long one call to the disk may take: a network share that is gone never answers. */
const PATIENCE_MS = 15_000;

/**
 * Lists the files with some endings in a folder and its subfolders, ignoring case. A folder with such an ending (a package) counts as a file and is not descended
 * into. Follows links and visits each folder once. Skips hidden files; counts unreadable folders as left out. Rejects when the signal aborts.
 */
export async function readFiles(path: string, wish: FilesWish): Promise<FilesRead> {
  const { endings, signal, onProgress, most = MAX_FILES } = wish;
  const answer = <T>(call: Promise<T>): Promise<T> => answered(call, PATIENCE_MS, signal);
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
      const real = await answer(realpath(folder));
      if (walked.has(real) || isMadeUp(real)) continue;
      if (walked.size >= MAX_FOLDERS) {
        leftOut++;
        continue;
      }
      walked.add(real);
      entries = await answer(readdir(folder, { withFileTypes: true }));
    } catch (error) {
      signal?.throwIfAborted();
      if (inside !== '') {
        leftOut++;
        continue;
      }
      return { files, leftOut, problem: errorCode(error) === 'ENOENT' ? 'missing' : 'unreadable' };
    }
    const inner: string[] = [];
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const { name } = entry;
      if (name.startsWith('.')) continue;
      const own = inside === '' ? name : `${inside}/${name}`;
      const kind = entry.isDirectory()
        ? 'folder'
        : entry.isFile()
          ? 'file'
          : await answer(behind(join(folder, name))).catch(() => null);
      if (kind === null) continue;
      const ending = endingOf(name);
      if (ending !== null && wanted.has(ending)) take(own);
      else if (kind === 'folder') inner.push(own);
    }
    onProgress?.(files.length);
    // Depth first, in order of name.
    waiting.push(...inner.reverse());
  }
  return { files, leftOut, problem: null };
}

/** Whether a path fits into the index of the database and is valid text. */
const canBeKept = (inside: string): boolean =>
  inside.length <= MAX_OF_A_PATH.characters &&
  utf8Length(inside) <= MAX_OF_A_PATH.bytes &&
  !/[\uFFFD\p{Cs}]/u.test(inside);

/** Rejects when a call to the disk takes too long or the signal aborts; the call itself can't be ended. */
export async function answered<T>(call: Promise<T>, patience: number, signal?: AbortSignal): Promise<T> {
  const late = new AbortController();
  const timer = setTimeout(() => late.abort(), patience);
  const end = (): void => late.abort();
  signal?.addEventListener('abort', end, { once: true });
  const silence = new Promise<never>((_, fail) => {
    late.signal.addEventListener('abort', () => fail(new Error('the disk does not answer')), { once: true });
  });
  try {
    return await Promise.race([call, silence]);
  } finally {
    clearTimeout(timer);
    signal?.removeEventListener('abort', end);
  }
}

/** The target of a link, or of an entry of unknown kind; null when there is none. */
const behind = (path: string): Promise<'folder' | 'file' | null> =>
  stat(path).then(
    (found) => (found.isDirectory() ? 'folder' : 'file'),
    () => null,
  );
