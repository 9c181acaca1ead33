import type { Architecture } from '../format.js';
import type { ReadAt } from './bytes.js';
import { Fields } from './bytes.js';
import { readElf } from './elf.js';
import { readMachO } from './mach-o.js';
import { readPe } from './pe.js';

/** What the header of a program file tells without running it. */
export interface BinaryFacts {
  readonly kind: 'pe' | 'elf' | 'mach-o';
  readonly architectures: readonly Architecture[];
  /** Names of exported functions; null when the table is absent or not read (Mach-O). */
  readonly exports: ReadonlySet<string> | null;
  /** Strings of the Windows version resource ("CompanyName" …); empty when there is none. */
  readonly versionStrings: Readonly<Record<string, string>>;
}

/** Reads the header of a PE, ELF or Mach-O file; null when it is none of these. Reads only the parts it needs. */
export async function readBinary(readAt: ReadAt): Promise<BinaryFacts | null> {
  const head = await readAt(0, 4096);
  if (head.length < 16) return null;
  const big = new Fields(head, false);
  if (big.u16(0) === 0x4d5a) return readPe(head, readAt);
  if (big.u32(0) === 0x7f454c46) return readElf(head, readAt);
  return readMachO(head);
}
