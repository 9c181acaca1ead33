import { readdir, stat } from 'node:fs/promises';
import { join, sep } from 'node:path';
import type { Fault } from '@clever-drawer/core/facts/fault';
import type { Reader } from '@clever-drawer/core/facts/readers';
import { readerFor } from '@clever-drawer/core/facts/readers';
import { DiskPlace, errorCode, truePath } from './disk-place.js';

/** A place that may hold plugins, with the reader for it; or a fault met on the way. */
export type Found = { readonly place: DiskPlace; readonly reader: Reader } | { readonly fault: Fault };

/**
 * Walks folders for places that may hold plugins. A bundle is not walked into; a place that several paths lead to is found once;
 * a link that leads back to a folder above it is a fault. Folders that can't be read are faults, and the walk goes on.
 */
export class PlaceFinder {
  private readonly seen = new Set<string>();

  constructor(private readonly isCancelled: () => boolean = () => false) {}

  async *find(path: string): AsyncGenerator<Found> {
    let isFolder: boolean;
    try {
      isFolder = (await stat(path)).isDirectory();
    } catch (error) {
      yield { fault: folderFault(path, error) };
      return;
    }
    yield* this.visit(path, isFolder, []);
  }

  private async *visit(path: string, isFolder: boolean, above: readonly string[]): AsyncGenerator<Found> {
    if (this.isCancelled()) return;
    const real = await truePath(path);
    if (above.includes(real)) {
      yield { fault: { code: 'link-loop', path } };
      return;
    }
    if (this.seen.has(real)) return;
    this.seen.add(real);
    const reader = readerFor(path.slice(path.lastIndexOf(sep) + 1), isFolder);
    if (reader !== undefined) {
      yield { place: new DiskPlace(path, isFolder), reader };
      return;
    }
    if (!isFolder) return;
    let names: string[];
    try {
      names = (await readdir(path)).sort();
    } catch (error) {
      yield { fault: folderFault(path, error) };
      return;
    }
    for (const name of names) {
      const inner = join(path, name);
      try {
        // A folder, a file of an interesting name: everything else is passed over without a further look.
        const found = await stat(inner);
        if (found.isDirectory()) yield* this.visit(inner, true, [...above, real]);
        else if (readerFor(name, false) !== undefined) yield* this.visit(inner, false, [...above, real]);
      } catch (error) {
        const code = errorCode(error);
        if (code === 'ELOOP') yield { fault: { code: 'link-loop', path: inner } };
        else if (readerFor(name, true) ?? readerFor(name, false)) {
          yield { fault: { code: 'file-unreadable', path: inner, detail: code } };
        }
      }
    }
  }
}

function folderFault(path: string, error: unknown): Fault {
  const code = errorCode(error);
  if (code === 'ENOENT') return { code: 'folder-missing', path };
  if (code === 'ELOOP') return { code: 'link-loop', path };
  return { code: 'folder-unreadable', path, detail: code };
}
