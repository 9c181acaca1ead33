import type { Grade } from '../catalogue/evidence.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type { Architecture, Format } from '../facts/format.js';
import type { ItemId } from '../ids.js';

/** All that rules can ask of a plugin, or of a preset of one. Null where it is not known. */
export interface RuleFacts {
  readonly id: ItemId;
  readonly item: 'plugin' | 'preset' | 'chain';
  /** The given name, the nickname, and names of other makers' hands: a rule looks at each. */
  readonly names: readonly string[];
  readonly vendor: string | null;
  readonly tags: readonly string[];
  readonly description: string | null;
  readonly presets: readonly string[];
  /** The folders that the builds that are there stand in. */
  readonly folders?: readonly string[];
  readonly role: Role | null;
  readonly roleGrade: Grade;
  readonly types: readonly TypeId[];
  readonly typeGrade: Grade;
  /** Of the builds that are there. */
  readonly formats: readonly Format[];
  readonly processors: readonly Architecture[];
  readonly versions: readonly string[];
  readonly builds: number;
  readonly inputs: number | null;
  readonly outputs: number | null;
  readonly sidechain: boolean | null;
  readonly notesIn: boolean | null;
  readonly notesOut: boolean | null;
  readonly trays: readonly number[];
  /** The drawers that it was filed into by hand. */
  readonly drawers: readonly string[];
  /** The clever drawers whose rules are told to leave it out. */
  readonly nevers: readonly string[];
  /** A day and time in ISO 8601. */
  readonly arrivedAt: string;
  /** Whether it was there when its folder was first scanned: then it is not new, however recent that scan is. */
  readonly arrivedWithFolder?: boolean;
  readonly loads: number;
  readonly lastLoad: string | null;
  readonly ways: readonly string[];
  readonly aside: boolean;
  /** Why it is set aside, in words; null or absent when it is not. */
  readonly asideAs?: string | null;
  readonly here: boolean;
}
