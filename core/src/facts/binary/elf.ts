import type { Architecture } from '../format.js';
import type { BinaryFacts } from './binary-facts.js';
import type { ReadAt } from './bytes.js';
import { Fields, zeroEnded } from './bytes.js';

// ELF e_machine values: System V ABI, "Machine Information"; the first three also in the ELF facts of the formats.
const MACHINES: Record<number, Architecture> = {
  0x3e: 'x86-64',
  0x03: 'x86',
  0xb7: 'arm64',
  0x28: 'arm',
  0x14: 'ppc',
  0xf3: 'riscv64',
};

// Kinds of segments, and of entries of the dynamic one: System V ABI, chapter 5; the GNU hash from elf.h.
const SEGMENT = { load: 1, dynamic: 2, interpreter: 3 };
const TAG = { hash: 4, strings: 5, symbols: 6, stringBytes: 10, gnuHash: 0x6ffffef5 };

const MAX_SEGMENTS = 256;
const MAX_TAGS = 1024;
const MAX_TABLE_BYTES = 4 * 1024 * 1024;

/**
 * Architecture of an ELF file, whether it is a program that starts by itself, and, with `readAt`, its exported symbols; null when the header is
 * cut short. Symbols are looked up as the system's loader does, so that a file that was stripped of everything else tells the same. System V ABI,
 * chapters 4 and 5.
 */
export async function readElf(head: Uint8Array, readAt: ReadAt | null): Promise<BinaryFacts | null> {
  if (head.length < 52) return null;
  const wide = head[4] === 2;
  const little = head[5] !== 2;
  const header = new Fields(head, little);
  const architecture = MACHINES[header.u16(18)];
  const image = readAt === null ? null : await Image.of(header, { wide, little, readAt });
  return {
    kind: 'elf',
    architectures: architecture === undefined ? [] : [architecture],
    isProgram: image?.hasInterpreter ?? false,
    exports: image === null ? null : await image.exports(),
    versionStrings: {},
  };
}

interface Layout {
  readonly wide: boolean;
  readonly little: boolean;
  readonly readAt: ReadAt;
}

interface Segment {
  readonly kind: number;
  readonly offset: number;
  readonly address: number;
  readonly bytes: number;
}

/** A file as the loader sees it: segments, and tables found by their addresses in memory. */
class Image {
  private constructor(
    private readonly layout: Layout,
    private readonly segments: readonly Segment[],
  ) {}

  static async of(header: Fields, layout: Layout): Promise<Image> {
    const { wide, little, readAt } = layout;
    const tableAt = wide ? header.u64(32) : header.u32(28);
    const size = header.u16(wide ? 54 : 42);
    const count = size < (wide ? 56 : 32) ? 0 : Math.min(header.u16(wide ? 56 : 44), MAX_SEGMENTS);
    const table = new Fields(await readAt(tableAt, size * count), little);
    const segments = Array.from({ length: count }, (_, index): Segment => {
      const at = index * size;
      const word = (wideAt: number, narrowAt: number): number =>
        wide ? table.u64(at + wideAt) : table.u32(at + narrowAt);
      return { kind: table.u32(at), offset: word(8, 4), address: word(16, 8), bytes: word(32, 16) };
    });
    return new Image(layout, segments);
  }

  get hasInterpreter(): boolean {
    return this.segments.some((one) => one.kind === SEGMENT.interpreter);
  }

  /** Names of the symbols that it defines; null when it has no table of them. */
  async exports(): Promise<Set<string> | null> {
    const tags = await this.tags();
    const [symbolsAt, stringsAt] = [tags.get(TAG.symbols), tags.get(TAG.strings)];
    if (symbolsAt === undefined || stringsAt === undefined) return null;
    const step = this.layout.wide ? 24 : 16;
    const count = await this.symbolCount(tags);
    const entries = await this.fieldsAt(symbolsAt, count * step);
    const names = await this.bytesAt(stringsAt, tags.get(TAG.stringBytes) ?? MAX_TABLE_BYTES);
    const found = new Set<string>();
    for (let at = step; at + step <= entries.length; at += step) {
      // st_shndx 0 is a symbol that the file only asks for.
      if (entries.u16(at + (this.layout.wide ? 6 : 14)) === 0) continue;
      const name = zeroEnded(names, entries.u32(at));
      if (name) found.add(name);
    }
    return found;
  }

  private async tags(): Promise<Map<number, number>> {
    const found = new Map<number, number>();
    const dynamic = this.segments.find((one) => one.kind === SEGMENT.dynamic);
    if (dynamic === undefined) return found;
    const { wide, little, readAt } = this.layout;
    const step = wide ? 16 : 8;
    const table = new Fields(await readAt(dynamic.offset, Math.min(dynamic.bytes, MAX_TAGS * step)), little);
    for (let at = 0; at + step <= table.length; at += step) {
      const tag = wide ? table.u64(at) : table.u32(at);
      if (tag === 0) break;
      if (!found.has(tag)) found.set(tag, wide ? table.u64(at + 8) : table.u32(at + 4));
    }
    return found;
  }

  /** The table of symbols does not tell its own length: the hash table beside it does. */
  private async symbolCount(tags: ReadonlyMap<number, number>): Promise<number> {
    const plain = tags.get(TAG.hash);
    if (plain !== undefined) return (await this.fieldsAt(plain, 8)).u32(4);
    const gnu = tags.get(TAG.gnuHash);
    if (gnu === undefined) return 0;
    const head = await this.fieldsAt(gnu, 16);
    const [buckets, first, words] = [head.u32(0), head.u32(4), head.u32(8)];
    const bucketsAt = gnu + 16 + words * (this.layout.wide ? 8 : 4);
    const table = await this.fieldsAt(bucketsAt, buckets * 4);
    let last = 0;
    for (let at = 0; at < table.length; at += 4) last = Math.max(last, table.u32(at));
    if (last < first) return first;
    // The lowest bit of a chain's last entry is set.
    const chain = await this.fieldsAt(bucketsAt + buckets * 4 + (last - first) * 4, MAX_TABLE_BYTES);
    for (let at = 0; at + 4 <= chain.length; at += 4, last++) if ((chain.u32(at) & 1) !== 0) break;
    return last + 1;
  }

  private async fieldsAt(address: number, length: number): Promise<Fields> {
    return new Fields(await this.bytesAt(address, length), this.layout.little);
  }

  private bytesAt(address: number, length: number): Promise<Uint8Array> {
    const segment = this.segments.find(
      (one) => one.kind === SEGMENT.load && address >= one.address && address < one.address + one.bytes,
    );
    if (segment === undefined) return Promise.resolve(new Uint8Array(0));
    const inside = address - segment.address;
    return this.layout.readAt(segment.offset + inside, Math.min(length, segment.bytes - inside, MAX_TABLE_BYTES));
  }
}
