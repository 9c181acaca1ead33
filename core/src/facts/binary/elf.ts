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

const DYNAMIC_SYMBOLS = 11; // SHT_DYNSYM
const TABLE_LIMIT = 4 * 1024 * 1024;

/** Architecture of an ELF file and, with `readAt`, its exported symbols; null when the header is cut short. System V ABI, chapter 4. */
export async function readElf(head: Uint8Array, readAt: ReadAt | null): Promise<BinaryFacts | null> {
  if (head.length < 52) return null;
  const wide = head[4] === 2;
  const little = head[5] !== 2;
  const header = new Fields(head, little);
  const architecture = MACHINES[header.u16(18)];
  return {
    kind: 'elf',
    architectures: architecture === undefined ? [] : [architecture],
    exports: readAt === null ? null : await dynamicSymbols(header, wide, little, readAt),
    versionStrings: {},
  };
}

async function dynamicSymbols(header: Fields, wide: boolean, little: boolean, readAt: ReadAt) {
  const tableAt = wide ? header.u64(40) : header.u32(32);
  const size = header.u16(wide ? 58 : 46);
  const count = header.u16(wide ? 60 : 48);
  if (tableAt === 0 || count === 0 || size < (wide ? 64 : 40)) return null;
  const sections = new Fields(await readAt(tableAt, size * count), little);
  const section = (index: number) => {
    const at = index * size;
    return {
      type: sections.u32(at + 4),
      offset: wide ? sections.u64(at + 24) : sections.u32(at + 16),
      bytes: wide ? sections.u64(at + 32) : sections.u32(at + 20),
      link: sections.u32(at + (wide ? 40 : 24)),
    };
  };
  for (let index = 0; index < count; index++) {
    const symbols = section(index);
    if (symbols.type !== DYNAMIC_SYMBOLS) continue;
    const strings = section(symbols.link);
    const entries = new Fields(await readAt(symbols.offset, Math.min(symbols.bytes, TABLE_LIMIT)), little);
    const names = await readAt(strings.offset, Math.min(strings.bytes, TABLE_LIMIT));
    return definedNames(entries, names, wide);
  }
  return null;
}

function definedNames(entries: Fields, names: Uint8Array, wide: boolean): Set<string> {
  const step = wide ? 24 : 16;
  const found = new Set<string>();
  for (let at = step; at + step <= entries.length; at += step) {
    // st_shndx 0 is a symbol that the file only asks for.
    if (entries.u16(at + (wide ? 6 : 14)) === 0) continue;
    const name = zeroEnded(names, entries.u32(at));
    if (name) found.add(name);
  }
  return found;
}
