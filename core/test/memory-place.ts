import type { Outcome } from '../src/facts/fault';
import { bad, good } from '../src/facts/fault';
import type { Place } from '../src/facts/place';

/** A place in memory: files by their path inside; one file at '' is a place that is a file itself. */
export class MemoryPlace implements Place {
  readonly name: string;
  readonly isFolder: boolean;

  constructor(
    readonly path: string,
    private readonly files: Readonly<Record<string, string | Uint8Array>>,
  ) {
    this.name = path.slice(path.lastIndexOf('/') + 1);
    this.isFolder = !('' in files);
  }

  list(inside: string): Promise<string[]> {
    const start = inside === '' ? '' : `${inside}/`;
    const names = Object.keys(this.files)
      .filter((path) => path.startsWith(start))
      .map((path) => path.slice(start.length).split('/')[0] ?? '');
    return Promise.resolve([...new Set(names)].sort());
  }

  size(inside: string): Promise<number | null> {
    return Promise.resolve(this.bytes(inside)?.length ?? null);
  }

  whole(inside: string, limit: number): Promise<Outcome<Uint8Array>> {
    const bytes = this.bytes(inside);
    const path = `${this.path}/${inside}`;
    if (bytes === undefined) return Promise.resolve(bad({ code: 'file-unreadable', path, detail: 'ENOENT' }));
    return Promise.resolve(bytes.length > limit ? bad({ code: 'file-too-large', path }) : good(bytes));
  }

  part(inside: string, offset: number, length: number): Promise<Outcome<Uint8Array>> {
    return Promise.resolve(good((this.bytes(inside) ?? new Uint8Array(0)).subarray(offset, offset + length)));
  }

  private bytes(inside: string): Uint8Array | undefined {
    const content = this.files[inside];
    return typeof content === 'string' ? new TextEncoder().encode(content) : content;
  }
}

/** The first bytes of a thin Mach-O file for x86-64; enough to be recognised. mach-o/loader.h */
export const MACH_O = new Uint8Array([0xcf, 0xfa, 0xed, 0xfe, 7, 0, 0, 1, 3, 0, 0, 0, 8, 0, 0, 0, 0, 0, 0, 0]);
