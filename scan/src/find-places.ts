import { readdirSync, realpathSync, statSync, type Dirent } from 'node:fs';
import { join, sep } from 'node:path';
import type { Fault } from '@clever-drawer/core/facts/fault';
import { readerFor } from '@clever-drawer/core/facts/readers';
import { errorCode } from './disk-place.js';

/** A place that may hold plugins. */
export interface FoundPlace {
  readonly path: string;
  readonly isFolder: boolean;
}
/** A place, or a fault met on the way to it. */
export type Found = { readonly place: FoundPlace } | { readonly fault: Fault };

/**
 * Walks folders for places that may hold plugins. A bundle is not walked into; a place that several paths lead to is found once;
 * a link that leads back to a folder above it is a fault. Folders that can't be read are faults, and the walk goes on.
 */
export class PlaceFinder {
  private readonly seen = new Set<string>();

  *find(path: string): Generator<Found> {
    try {
      const isFolder = statSync(path).isDirectory();
      yield* this.visit(path, realpathSync.native(path), isFolder, []);
    } catch (error) {
      yield { fault: folderFault(path, error) };
    }
  }

  /** `real` is the one true path, whatever links led here. */
  private *visit(path: string, real: string, isFolder: boolean, above: readonly string[]): Generator<Found> {
    if (above.includes(real)) {
      yield { fault: { code: 'link-loop', path } };
      return;
    }
    if (this.seen.has(real)) return;
    this.seen.add(real);
    if (readerFor(path.slice(path.lastIndexOf(sep) + 1), isFolder) !== undefined) {
      yield { place: { path, isFolder } };
      return;
    }
    if (!isFolder) return;
    let entries: Dirent[];
    try {
      entries = readdirSync(path, { withFileTypes: true });
    } catch (error) {
      yield { fault: folderFault(path, error) };
      return;
    }
    entries.sort((a, b) => (a.name < b.name ? -1 : 1));
    for (const entry of entries) {
      const inner = join(path, entry.name);
      // Only a link, or a kind that the file system does not tell, needs a further look.
      if (entry.isDirectory()) yield* this.visit(inner, join(real, entry.name), true, [...above, real]);
      else if (entry.isFile()) {
        if (readerFor(entry.name, false) !== undefined) yield* this.visit(inner, join(real, entry.name), false, above);
      } else yield* this.follow(inner, entry.name, [...above, real]);
    }
  }

  private *follow(path: string, name: string, above: readonly string[]): Generator<Found> {
    try {
      const found = statSync(path);
      const isOurs = readerFor(name, found.isDirectory()) !== undefined;
      if (found.isDirectory() || isOurs) yield* this.visit(path, realpathSync.native(path), found.isDirectory(), above);
    } catch (error) {
      const code = errorCode(error);
      if (code === 'ELOOP') yield { fault: { code: 'link-loop', path } };
      else if (readerFor(name, true) ?? readerFor(name, false)) {
        yield { fault: { code: 'file-unreadable', path, detail: code } };
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
