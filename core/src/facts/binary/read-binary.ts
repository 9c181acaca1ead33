import type { BinaryFacts } from './binary-facts.js';
import type { ReadAt } from './bytes.js';
import { Fields } from './bytes.js';
import { readElf } from './elf.js';
import { readMachO } from './mach-o.js';
import { readPe } from './pe.js';

/** How much of a binary is wanted: the header alone, or exported names and version strings too. */
export type Wanted = 'header' | 'all';

/** Reads the header of a PE, ELF or Mach-O file; null when it is none of these. Reads only the parts it needs. */
export async function readBinary(readAt: ReadAt, wanted: Wanted = 'all'): Promise<BinaryFacts | null> {
  const head = await readAt(0, wanted === 'all' ? 4096 : 1024);
  if (head.length < 16) return null;
  const big = new Fields(head, false);
  if (big.u16(0) === 0x4d5a) return readPe(head, readAt);
  if (big.u32(0) === 0x7f454c46) return readElf(head, wanted === 'all' ? readAt : null);
  return readMachO(head);
}
