import type { Architecture } from '../format.js';

/** The families of program files that are told apart. */
export type BinaryKind = 'pe' | 'elf' | 'mach-o';

/** What the header of a program file tells without running it. */
export interface BinaryFacts {
  readonly kind: BinaryKind;
  readonly architectures: readonly Architecture[];
  /** Whether it is a program that starts by itself, and no library: an ELF file that names its interpreter. False where that is not told. */
  readonly isProgram: boolean;
  /** Names of exported functions; null when the table is absent or not read (Mach-O). */
  readonly exports: ReadonlySet<string> | null;
  /** Strings of the Windows version resource ("CompanyName" …); empty when there is none. */
  readonly versionStrings: Readonly<Record<string, string>>;
}
