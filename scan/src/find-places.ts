import { existsSync, readdirSync, realpathSync, statSync, type Dirent } from 'node:fs';
import { basename, join, sep } from 'node:path';
import { cappedPath, MAX_PATH_BYTES } from '@clever-drawer/core/facts/caps';
import { utf8Length } from '@clever-drawer/core/text/utf8-length';
import type { Fault } from '@clever-drawer/core/facts/fault';
import type { LeftOut } from '@clever-drawer/core/facts/left-out';
import { isSideFile, LV2_MANIFEST, readerFor } from '@clever-drawer/core/facts/readers';
import { errorCode } from './disk-place.js';
import { isMadeUp, whyNoFolder } from './folder-sense.js';
import { PlaceNames } from './place-names.js';

/** A place that may hold plugins. */
export interface FoundPlace {
  readonly path: string;
  readonly isFolder: boolean;
  /** A bundle by the manifest in it, whatever its name. */
  readonly marked: boolean;
}
/** A place, something that is left out before it is read, or a fault met on the way. */
export type Found = { readonly place: FoundPlace } | { readonly leftOut: LeftOut } | { readonly fault: Fault };

/** Where a walk stands: the path, the one true path behind it, and the true paths of the folders above it. */
interface Step {
  readonly path: string;
  readonly real: string;
  readonly isFolder: boolean;
  readonly above: readonly string[];
}

/**
 * Walks folders for places that may hold plugins. A bundle is not walked into; a folder that is only called like one is. A place that several paths
 * lead to is found once, under the path that place-names.ts gives it, and its other paths are told as doubles; a link that leads back to a folder
 * above it is a fault. Folders that can't be read are faults, and the walk goes on.
 */
export class PlaceFinder {
  private readonly names: PlaceNames;
  /** By true path: where a place was found. */
  private readonly found = new Map<string, string>();
  /** By true path: where a folder was walked, for the added folder at hand. */
  private walked = new Map<string, string>();
  private root = '';

  /** `added`: all folders of the producer's list, walked or not; `known`: the places that earlier scans found. */
  constructor(added: readonly string[], known: Iterable<string> = []) {
    this.names = new PlaceNames(added, known);
  }

  *find(path: string): Generator<Found> {
    this.walked = new Map();
    this.root = path;
    try {
      if (whyNoFolder(path) === 'system') {
        yield { fault: { code: 'folder-made-up', path: cappedPath(path) } };
        return;
      }
      const isFolder = statSync(path).isDirectory();
      yield* this.visit({ path, real: realpathSync.native(path), isFolder, above: [] });
    } catch (error) {
      yield { fault: folderFault(path, error) };
    }
  }

  private *visit(step: Step): Generator<Found> {
    const { path, real, isFolder, above } = step;
    if (above.includes(real)) {
      yield { fault: { code: 'link-loop', path: cappedPath(path) } };
      return;
    }
    const reader = readerFor(basename(path), isFolder);
    if (reader === undefined) {
      if (isFolder) yield* this.walk(step);
      return;
    }
    if (!isFolder || reader.mark === undefined || existsSync(join(path, reader.mark))) {
      yield* this.place(step, false);
      return;
    }
    // Called like a bundle and none: a folder of that name, or a bundle that was copied in part, which holds no place of its own.
    const inside = [...this.walk(step)];
    // What lies loose in a part of an LV2 bundle are its binaries.
    const isLoose = (one: Found): boolean => 'place' in one && !one.place.isFolder && reader.mark === LV2_MANIFEST;
    const isFolderOfPlaces = inside.some(
      (one) => ('place' in one && !isLoose(one)) || ('leftOut' in one && one.leftOut.reason === 'double'),
    );
    if (isFolderOfPlaces) yield* inside;
    else {
      yield* inside.filter((one) => !isLoose(one));
      yield* this.place(step, false);
    }
  }

  private *walk({ path, real, above }: Step): Generator<Found> {
    if (isMadeUp(real)) {
      yield { fault: { code: 'folder-made-up', path: cappedPath(path) } };
      return;
    }
    const own = this.names.pathOf(real, path);
    if (own !== path && own.startsWith(this.root + sep)) {
      // It is, or will be, walked where it truly stands.
      yield { leftOut: { path: cappedPath(path), reason: 'double', of: cappedPath(own) } };
      return;
    }
    const before = this.walked.get(real);
    if (before !== undefined) {
      if (before !== path) yield { leftOut: { path: cappedPath(path), reason: 'double', of: cappedPath(before) } };
      return;
    }
    this.walked.set(real, path);
    let entries: Dirent[];
    try {
      entries = readdirSync(path, { withFileTypes: true });
    } catch (error) {
      yield { fault: folderFault(path, error) };
      return;
    }
    if (entries.some((entry) => entry.name === LV2_MANIFEST && !entry.isDirectory())) {
      yield* this.place({ path, real, isFolder: true, above }, true);
      return;
    }
    entries.sort((a, b) => (a.name < b.name ? -1 : 1));
    const below = [...above, real];
    for (const entry of entries) {
      const inner = join(path, entry.name);
      const step = { path: inner, real: join(real, entry.name), above: below };
      if (isSideFile(entry.name)) {
        if (readerFor(entry.name.slice(2), false) !== undefined)
          yield { leftOut: { path: cappedPath(inner), reason: 'side-file' } };
      }
      // Only a link, or a kind that the file system does not tell, needs a further look.
      else if (entry.isDirectory()) yield* this.visit({ ...step, isFolder: true });
      else if (entry.isFile()) {
        if (readerFor(entry.name, false) !== undefined) yield* this.visit({ ...step, isFolder: false });
      } else yield* this.follow(inner, entry.name, below);
    }
  }

  /** A place under its one path, and the path that led here as its double where that is another one. */
  private *place({ path, real, isFolder }: Step, marked: boolean): Generator<Found> {
    const bytes = utf8Length(path);
    if (bytes > MAX_PATH_BYTES) {
      yield { fault: { code: 'path-too-long', path: cappedPath(path), detail: `${String(bytes)} bytes` } };
      return;
    }
    const before = this.found.get(real);
    const own = before ?? this.names.pathOf(real, path);
    if (before === undefined) {
      this.found.set(real, own);
      yield { place: { path: own, isFolder, marked } };
    }
    if (own !== path) yield { leftOut: { path: cappedPath(path), reason: 'double', of: cappedPath(own) } };
  }

  private *follow(path: string, name: string, above: readonly string[]): Generator<Found> {
    try {
      const found = statSync(path);
      const isOurs = readerFor(name, found.isDirectory()) !== undefined;
      if (found.isDirectory() || isOurs)
        yield* this.visit({ path, real: realpathSync.native(path), isFolder: found.isDirectory(), above });
    } catch (error) {
      const code = errorCode(error);
      if (code === 'ELOOP') yield { fault: { code: 'link-loop', path: cappedPath(path) } };
      else if (readerFor(name, true) ?? readerFor(name, false)) {
        yield { fault: { code: 'file-unreadable', path: cappedPath(path), detail: code } };
      }
    }
  }
}

function folderFault(path: string, error: unknown): Fault {
  const code = errorCode(error);
  if (code === 'ENOENT') return { code: 'folder-missing', path };
  if (code === 'ELOOP') return { code: 'link-loop', path: cappedPath(path) };
  return { code: 'folder-unreadable', path: cappedPath(path), detail: code };
}
