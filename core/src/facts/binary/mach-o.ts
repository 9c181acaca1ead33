import type { Architecture } from '../format.js';
import type { BinaryFacts } from './binary-facts.js';
import { Fields } from './bytes.js';

// cputype values of the Mach-O header (mach/machine.h); ARM, PowerPC from memory.
const CPU_TYPES: Record<number, Architecture> = {
  0x01000007: 'x86-64',
  0x0100000c: 'arm64',
  7: 'x86',
  12: 'arm',
  18: 'ppc',
};

const FAT = 0xcafebabe;
const THIN = new Set([0xfeedface, 0xfeedfacf]);

/** Architectures of a Mach-O file, thin or universal, in file order; null when it is not one. */
export function readMachO(head: Uint8Array): BinaryFacts | null {
  const big = new Fields(head, false);
  const little = new Fields(head, true);
  let types: number[];
  if (big.u32(0) === FAT) {
    const count = big.u32(4);
    // A Java class file bears the same first word, followed by its version (45 and more).
    if (count === 0 || count > 20) return null;
    types = Array.from({ length: count }, (_, index) => big.u32(8 + index * 20));
  } else if (THIN.has(little.u32(0))) {
    types = [little.u32(4)];
  } else if (THIN.has(big.u32(0))) {
    types = [big.u32(4)];
  } else {
    return null;
  }
  const architectures = types.map((type) => CPU_TYPES[type]).filter((found) => found !== undefined);
  return {
    kind: 'mach-o',
    architectures: [...new Set(architectures)],
    isProgram: false,
    exports: null,
    versionStrings: {},
  };
}
