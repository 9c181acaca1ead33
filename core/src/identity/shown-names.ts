import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { appendToGroup } from '../lists-by-key.js';
import { joined } from '../text/words.js';
import type { Known } from './known-build.js';
import { isCut } from './link-builds.js';
import { mostFrequent } from './most-frequent.js';
import type { ProductName } from './product-name.js';

/** Builds that are one plugin, before it has a name. */
export interface Draft<B extends BuildFacts = BuildFacts> {
  readonly id: PluginId;
  readonly vendorKey: string | null;
  readonly members: readonly Known<B>[];
}

/** Of two spellings of a name, the one with blanks between its words reads as written by hand: "Copper Plate" before "CopperPlate". */
const parted = (a: string, b: string): number => b.split(' ').length - a.split(' ').length;

/**
 * The name of each plugin as a list shows it: short as long as it is told apart from the maker's other plugins. Channel words go where several
 * variants share the name; a tagline goes where no other plugin of the maker has the same name in front of it.
 */
export function shownNames(drafts: readonly Draft[]): string[] {
  const names = drafts.map((draft) => nameOf(draft, hasVariants(draft) ? 'shown' : 'withChannels'));
  besideTheirPlain(drafts, names);
  const ways: ((draft: Draft, name: string) => string)[] = [
    (draft) => nameOf(draft, hasVariants(draft) ? 'wholeShown' : 'withTagline'),
    (draft) =>
      mostFrequent(
        draft.members.map((one) => one.given),
        parted,
      ) ?? '',
    (draft, name) => `${name} (${firstOf(draft, channelsOf)})`,
    (draft, name) => `${name} (${firstOf(draft, (build) => build.identifier ?? build.format)})`,
  ];
  // Rows that would read the same get what tells them apart: the first way in which they differ.
  for (const way of ways) {
    for (const same of alike(drafts, names)) {
      const others = same.map((index) => way(drafts[index] as Draft, names[index] ?? ''));
      if (new Set(others.map(joined)).size > 1) same.forEach((index, at) => (names[index] = others[at] ?? ''));
    }
  }
  return names;
}

const hasVariants = ({ members }: Draft): boolean => new Set(members.map((one) => one.name.channels)).size > 1;

function nameOf({ id, vendorKey, members }: Draft, which: Exclude<keyof ProductName, 'key' | 'channels'>): string {
  // The maker's own name was taken off where the build names that maker.
  const own = members.filter((one) => one.vendorKey === vendorKey);
  const whole = (own.length > 0 ? own : members).filter((one) => !isCut(one.given));
  return (
    mostFrequent(
      (whole.length > 0 ? whole : members).map((one) => one.name[which]),
      parted,
    ) ?? id
  );
}

const SIDECHAIN = /^side-?chain(?:ed)?\s+(?=\S)/i;

/** "Sidechain Gate" stands next to "Gate" as "Gate Sidechain": a version with a sidechain is looked for beside the one without. */
function besideTheirPlain(drafts: readonly Draft[], names: string[]): void {
  const plain = new Set(drafts.map((draft, index) => keyOf(draft, names[index] ?? '')));
  drafts.forEach((draft, index) => {
    const name = names[index] ?? '';
    const rest = name.replace(SIDECHAIN, '');
    if (rest !== name && plain.has(keyOf(draft, rest))) names[index] = `${rest} Sidechain`;
  });
}

const keyOf = ({ vendorKey }: Draft, name: string): string => `${vendorKey ?? ''} ${joined(name) || name}`;

/** Numbers of the plugins that read the same, as a group each. */
function alike(drafts: readonly Draft[], names: readonly string[]): number[][] {
  const groups = new Map<string, number[]>();
  drafts.forEach((draft, index) => {
    appendToGroup(groups, keyOf(draft, names[index] ?? ''), index);
  });
  return [...groups.values()].filter((group) => group.length > 1);
}

const channelsOf = ({ audioInputs, audioOutputs, format }: BuildFacts): string =>
  audioInputs === null || audioOutputs === null ? format : `${String(audioInputs)} in, ${String(audioOutputs)} out`;

/** The first in order, so that it never hangs on the order of the files. */
const firstOf = ({ members }: Draft, of: (build: BuildFacts) => string): string =>
  members.map((one) => of(one.build)).sort()[0] ?? '';
