/** Why something that was looked at is no entry of the catalogue, and no problem either. */
export const LEFT_OUT_REASONS = ['no-plugin', 'data-only', 'double', 'other-system', 'unasked', 'side-file'] as const;
/** Why something that was looked at was left out. */
export type LeftOutReason = (typeof LEFT_OUT_REASONS)[number];

/** Something that was looked at and left out. `of`: the place whose double it is, by a link. */
export interface LeftOut {
  readonly path: string;
  readonly reason: LeftOutReason;
  readonly of?: string;
}

/** The one place where reasons are put into words: one, several, and why that is right or what to do. */
export const LEFT_OUT_TEXTS: Readonly<Record<LeftOutReason, { one: string; many: string; why: string }>> = {
  'no-plugin': {
    one: 'library that is no plugin',
    many: 'libraries that are no plugins',
    why: 'They lack the functions through which music programs load a plugin; plugins may need them.',
  },
  'data-only': {
    one: 'bundle that contains no plugins',
    many: 'bundles that contain no plugins',
    why: 'They hold descriptions or pictures for other plugins.',
  },
  double: {
    one: 'duplicate through a link',
    many: 'duplicates through links',
    why: 'Links lead to what stands in the catalogue already.',
  },
  'other-system': {
    one: 'library for another system',
    many: 'libraries for other systems',
    why: 'Whether they are plugins can’t be told on this computer.',
  },
  unasked: {
    one: 'library that was not loaded',
    many: 'libraries that were not loaded',
    why: 'They may be VST2 plugins of the older kind: switch on “load plugins to read their details” for their folder, and scan again.',
  },
  'side-file': {
    one: 'side file of a Mac',
    many: 'side files of a Mac',
    why: 'A Mac leaves “._” files on disks of other systems. They hold no plugin.',
  },
};

/** As much of a reading as tells what came of it. */
interface Brought {
  readonly builds: readonly unknown[];
  readonly faults: readonly unknown[];
  readonly presets?: readonly unknown[];
  readonly leftOut?: Omit<LeftOut, 'path'>;
}

/** What came of a place that was looked at: it holds plugins or presets, or is a problem, or is left out. Each is one of the three. */
export type PlaceOutcome = 'found' | 'problem' | 'left-out';

/** What came of a place. One with a plugin and a problem counts as found. */
export function placeOutcome({ builds, faults, presets = [] }: Brought): PlaceOutcome {
  if (builds.length > 0 || presets.length > 0) return 'found';
  return faults.length > 0 ? 'problem' : 'left-out';
}

/** What came of everything that was looked at: the three make up the whole. */
export interface LookedAt {
  /** Places that hold plugins or presets. */
  readonly found: number;
  /** Places, and folders on the way to them, with nothing but problems. */
  readonly problems: number;
  readonly leftOut: readonly LeftOut[];
}

/** What of some places was left out, in order of their paths; a place that doesn't say why holds no plugin. */
export const leftOutOf = (places: readonly { readonly path: string; readonly reading: Brought }[]): LeftOut[] =>
  places
    .filter(({ reading }) => placeOutcome(reading) === 'left-out')
    .map(({ path, reading: { leftOut } }): LeftOut => ({ path, reason: 'no-plugin', ...leftOut }))
    .sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0));

/** How many were left out for each reason, most first; reasons without any are absent. */
export function leftOutCounts(
  leftOut: readonly LeftOut[],
): { readonly reason: LeftOutReason; readonly count: number }[] {
  return LEFT_OUT_REASONS.map((reason) => ({
    reason,
    count: leftOut.filter((one) => one.reason === reason).length,
  }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => b.count - a.count);
}
