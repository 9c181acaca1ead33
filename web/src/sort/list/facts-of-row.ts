/** What the list tells of a plugin in columns, filters and sorting, worked out of its builds that are there. */
import { folderOf } from '@clever-drawer/core/facts/plugin-path';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';

/** The widths that builds are known to have. */
export const WIDTHS = ['mono', 'stereo', 'more'] as const;
/** One of WIDTHS: by the channels that come out. */
export type Width = (typeof WIDTHS)[number];
/** How wide the addresses of a build are. */
export const BITS = ['64', '32'] as const;
/** One of BITS. */
export type Bits = (typeof BITS)[number];

const NARROW: ReadonlySet<string> = new Set(['x86', 'arm', 'ppc']);

type Item = Pick<ChosenItem, 'builds' | 'width' | 'file'>;
const there = ({ builds }: Item) => builds.filter((build) => build.found);

/** The widths of a plugin's builds, each once; empty where none is known. An own entry has the width that was said. */
export function widthsOf(item: Item): readonly Width[] {
  if (item.width != null) return [item.width];
  const channels = there(item).flatMap(({ outputs }) => (outputs === null || outputs === 0 ? [] : outputs));
  const widths = channels.map((count): Width => (count === 1 ? 'mono' : count === 2 ? 'stereo' : 'more'));
  return WIDTHS.filter((width) => widths.includes(width));
}

/** For how many bits it has builds. */
export function bitsOf(item: Item): readonly Bits[] {
  const bits = there(item).flatMap(({ architectures }) =>
    architectures.map((one): Bits => (NARROW.has(one) ? '32' : '64')),
  );
  return BITS.filter((one) => bits.includes(one));
}

/** The versions of its builds, each once, in the order in which builds are preferred. */
export const versionsOf = (item: Item): readonly string[] => [
  ...new Set(there(item).flatMap(({ version }) => version ?? [])),
];

/** The folders that its builds stand in, each once, in the order in which builds are preferred. */
export const foldersOf = (item: Item): readonly string[] => [
  ...(item.file == null ? [] : [folderOf(item.file)]),
  ...new Set(there(item).flatMap(({ path }) => (path === '' ? [] : folderOf(path)))),
];
