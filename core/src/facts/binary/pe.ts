import type { Architecture } from '../format.js';
import type { BinaryFacts } from './binary-facts.js';
import type { ReadAt } from './bytes.js';
import { Fields, MAX_NAME_BYTES, zeroEnded } from './bytes.js';
import { versionTexts } from './version-info.js';

// Machine values: Microsoft PE Format, "Machine Types".
const MACHINES: Record<number, Architecture> = { 0x8664: 'x86-64', 0x14c: 'x86', 0xaa64: 'arm64', 0x1c4: 'arm' };

const VERSION_RESOURCE = 16; // RT_VERSION
const SECTION_LIMIT = 16 * 1024 * 1024;
const MAX_NAMES = 65_536;
const NAMES_LIMIT = 4 * 1024 * 1024;

interface Section {
  readonly rva: number;
  readonly size: number;
  readonly offset: number;
}

/** Machine, exported names and version strings of a PE file; null when the header is cut short. Microsoft PE Format. */
export async function readPe(head: Uint8Array, readAt: ReadAt): Promise<BinaryFacts | null> {
  const peAt = new Fields(head).u32(0x3c);
  const header = new Fields(await readAt(peAt, 4096));
  if (header.u32(0) !== 0x00004550) return null;
  const architecture = MACHINES[header.u16(4)];
  const optionalSize = header.u16(20);
  const wide = header.u16(24) === 0x20b;
  const directories = 24 + (wide ? 112 : 96);
  const sections = Array.from({ length: Math.min(header.u16(6), 96) }, (_, index): Section => {
    const at = 24 + optionalSize + index * 40;
    return { rva: header.u32(at + 12), size: header.u32(at + 16), offset: header.u32(at + 20) };
  });
  const image = new Image(sections, readAt);
  return {
    kind: 'pe',
    architectures: architecture === undefined ? [] : [architecture],
    isProgram: false,
    exports: await exportedNames(image, header.u32(directories)),
    versionStrings: await versionStrings(image, header.u32(directories + 16)),
  };
}

/** Answers by relative virtual address from the sections of the file. */
class Image {
  constructor(
    private readonly sections: readonly Section[],
    private readonly readAt: ReadAt,
  ) {}

  async at(rva: number, length: number): Promise<Uint8Array> {
    const section = this.sections.find((s) => rva >= s.rva && rva < s.rva + s.size);
    if (section === undefined) return new Uint8Array(0);
    const inside = rva - section.rva;
    return this.readAt(section.offset + inside, Math.min(length, section.size - inside, SECTION_LIMIT));
  }
}

async function exportedNames(image: Image, rva: number): Promise<Set<string>> {
  const found = new Set<string>();
  if (rva === 0) return found;
  const table = new Fields(await image.at(rva, 40));
  const count = Math.min(table.u32(24), MAX_NAMES);
  const pointers = new Fields(await image.at(table.u32(32), count * 4));
  const at = Array.from({ length: Math.min(count, pointers.length / 4) }, (_, index) => pointers.u32(index * 4));
  // Linkers put the names side by side: they are read in one go, and not one by one.
  const first = at.reduce((least, one) => Math.min(least, one), Infinity);
  const last = at.reduce((most, one) => Math.max(most, one), 0);
  if (at.length === 0) return found;
  const names = await image.at(first, Math.min(last - first + MAX_NAME_BYTES, NAMES_LIMIT));
  for (const one of at) {
    const name = zeroEnded(names, one - first);
    if (name) found.add(name);
  }
  return found;
}

async function versionStrings(image: Image, rva: number): Promise<Record<string, string>> {
  if (rva === 0) return {};
  const directory = async (inside: number, wanted: number | null): Promise<number | null> => {
    const counts = new Fields(await image.at(rva + inside, 16));
    const count = Math.min(counts.u16(12) + counts.u16(14), 4096);
    const entries = new Fields(await image.at(rva + inside + 16, count * 8));
    for (let index = 0; index < count; index++) {
      if (wanted === null || entries.u32(index * 8) === wanted) return entries.u32(index * 8 + 4);
    }
    return null;
  };
  // Three levels: type, name, language; the high bit marks a further level.
  let inside = await directory(0, VERSION_RESOURCE);
  for (let level = 0; level < 2 && inside !== null && inside >= 0x80000000; level++) {
    inside = await directory(inside - 0x80000000, null);
  }
  if (inside === null || inside >= 0x80000000) return {};
  const leaf = new Fields(await image.at(rva + inside, 16));
  const data = await image.at(leaf.u32(0), Math.min(leaf.u32(4), 65536));
  return versionTexts(data);
}
