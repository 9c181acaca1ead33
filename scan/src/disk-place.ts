import { closeSync, openSync, readdirSync, readFileSync, readSync, type Stats } from 'node:fs';
import { basename, join, sep } from 'node:path';
import type { Outcome } from '@clever-drawer/core/facts/fault';
import { bad, good } from '@clever-drawer/core/facts/fault';
import type { Place } from '@clever-drawer/core/facts/place';
import type { Stamp } from './stamp.js';
import { markOf, STAMP_VERSION, statOf } from './stamp.js';

/** So many bytes of a place are read, in so many turns: far more than headers, descriptions and resources of a real plugin are. */
const MAX_BYTES = 256 * 1024 * 1024;
const MAX_TURNS = 100_000;
const TOO_MUCH = (path: string): Outcome<never> =>
  bad({ code: 'reading-too-large', path, detail: `${String(MAX_BYTES / 1_048_576)} MB` });

/** What something that is no ordinary file is. */
const kindOf = (found: Stats): string =>
  found.isFIFO()
    ? 'it is a named pipe, and no file'
    : found.isSocket()
      ? 'it is a socket, and no file'
      : found.isDirectory()
        ? 'it is a folder, and no file'
        : 'it is a device, and no file';

/** The code of a system error ("EACCES"), or its message. */
export const errorCode = (error: unknown): string =>
  (error as NodeJS.ErrnoException).code ?? (error instanceof Error ? error.message : String(error));

/**
 * A place on the real disk. Opens files for reading only, and never leaves the bundle's folder. It notes what it looked at, so that a later
 * scan can tell whether any of that has changed. Calls to the disk are synchronous: places are read in threads made for it, and waiting for
 * each small call to come back through the event loop cost more than the calls themselves.
 */
export class DiskPlace implements Place {
  readonly name: string;
  private readonly looked = new Map<string, Stats | undefined>();
  private read = 0;
  private turns = 0;
  /** Whether something was not read any more, because too much had been. */
  isSpent = false;

  constructor(
    readonly path: string,
    readonly isFolder: boolean,
  ) {
    this.name = basename(path);
  }

  /** What it looked at so far, and how that stood. */
  stamp(): Stamp {
    return [STAMP_VERSION, ...[...this.looked].flatMap(([inside, found]) => [inside, markOf(found)])];
  }

  list(inside: string): Promise<string[]> {
    return Promise.resolve(this.namesIn(inside));
  }

  /** Names in a folder of the bundle, sorted, at once; empty when there is no such folder. */
  namesIn(inside: string): string[] {
    if (this.look(inside)?.isDirectory() !== true) return [];
    try {
      return readdirSync(this.at(inside)).sort();
    } catch {
      return [];
    }
  }

  size(inside: string): Promise<number | null> {
    const found = this.look(inside);
    return Promise.resolve(found?.isFile() ? found.size : null);
  }

  whole(inside: string, limit: number): Promise<Outcome<Uint8Array>> {
    return this.reading(inside, (path, size) =>
      size > limit
        ? bad({ code: 'file-too-large', path, detail: `${Math.round(size / 1e6).toString()} MB` })
        : good(readFileSync(path)),
    );
  }

  part(inside: string, offset: number, length: number): Promise<Outcome<Uint8Array>> {
    return this.reading(inside, (path, size) => {
      const bytes = new Uint8Array(Math.max(0, Math.min(length, size - offset)));
      const file = openSync(path, 'r');
      try {
        return good(bytes.subarray(0, readSync(file, bytes, 0, bytes.length, offset)));
      } finally {
        closeSync(file);
      }
    });
  }

  private reading(
    inside: string,
    read: (path: string, size: number) => Outcome<Uint8Array>,
  ): Promise<Outcome<Uint8Array>> {
    const path = this.at(inside);
    try {
      const found = this.look(inside);
      if (found === undefined) return Promise.resolve(bad({ code: 'file-unreadable', path, detail: 'ENOENT' }));
      // A named pipe would hold the reader up for ever: only ordinary files are opened.
      if (!found.isFile()) return Promise.resolve(bad({ code: 'file-unreadable', path, detail: kindOf(found) }));
      this.isSpent ||= this.read > MAX_BYTES || this.turns++ > MAX_TURNS;
      const outcome = this.isSpent ? TOO_MUCH(path) : read(path, found.size);
      if (outcome.ok) this.read += outcome.value.length;
      return Promise.resolve(outcome);
    } catch (error) {
      return Promise.resolve(bad({ code: 'file-unreadable', path, detail: errorCode(error) }));
    }
  }

  private look(inside: string): Stats | undefined {
    if (!this.looked.has(inside)) this.looked.set(inside, statOf(this.at(inside)));
    return this.looked.get(inside);
  }

  private at(inside: string): string {
    const path = inside === '' ? this.path : join(this.path, inside);
    // A description may name "../../etc/passwd"; nothing outside of the bundle is a part of it.
    return path === this.path || path.startsWith(this.path + sep) ? path : join(this.path, '.outside-of-the-bundle');
  }
}
