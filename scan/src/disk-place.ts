import { open, readdir, realpath, stat } from 'node:fs/promises';
import { basename, join, sep } from 'node:path';
import type { Outcome } from '@clever-drawer/core/facts/fault';
import { bad, good } from '@clever-drawer/core/facts/fault';
import type { Place } from '@clever-drawer/core/facts/place';

/** The code of a system error ("EACCES"), or its message. */
export const errorCode = (error: unknown): string =>
  (error as NodeJS.ErrnoException).code ?? (error instanceof Error ? error.message : String(error));

/** A place on the real disk. Opens files for reading only, and never leaves the bundle's folder. */
export class DiskPlace implements Place {
  readonly name: string;

  constructor(
    readonly path: string,
    readonly isFolder: boolean,
  ) {
    this.name = basename(path);
  }

  async list(inside: string): Promise<string[]> {
    try {
      return (await readdir(this.at(inside))).sort();
    } catch {
      return [];
    }
  }

  async size(inside: string): Promise<number | null> {
    try {
      const found = await stat(this.at(inside));
      return found.isFile() ? found.size : null;
    } catch {
      return null;
    }
  }

  async whole(inside: string, limit: number): Promise<Outcome<Uint8Array>> {
    const path = this.at(inside);
    try {
      await using file = await openRegular(path);
      if (file.size > limit) {
        return bad({ code: 'file-too-large', path, detail: `${Math.round(file.size / 1e6).toString()} MB` });
      }
      return good(await file.handle.readFile());
    } catch (error) {
      return bad({ code: 'file-unreadable', path, detail: errorCode(error) });
    }
  }

  async part(inside: string, offset: number, length: number): Promise<Outcome<Uint8Array>> {
    const path = this.at(inside);
    try {
      await using file = await openRegular(path);
      const wanted = Math.max(0, Math.min(length, file.size - offset));
      const bytes = new Uint8Array(wanted);
      const { bytesRead } = await file.handle.read(bytes, 0, wanted, offset);
      return good(bytes.subarray(0, bytesRead));
    } catch (error) {
      return bad({ code: 'file-unreadable', path, detail: errorCode(error) });
    }
  }

  private at(inside: string): string {
    const path = inside === '' ? this.path : join(this.path, inside);
    // A description may name "../../etc/passwd"; nothing outside of the bundle is a part of it.
    if (path !== this.path && !path.startsWith(this.path + sep)) return join(this.path, '\0outside');
    return path;
  }
}

async function openRegular(path: string) {
  // A named pipe would hold the reader up for ever: only ordinary files are opened.
  const found = await stat(path);
  if (!found.isFile()) throw new Error('not an ordinary file');
  const handle = await open(path, 'r');
  return { handle, size: found.size, [Symbol.asyncDispose]: () => handle.close() };
}

/** The one true path of a file, whatever links lead there; the path itself when it can't be told. */
export const truePath = async (path: string): Promise<string> => realpath(path).catch(() => path);
