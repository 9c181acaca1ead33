import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import { compareNames } from '../text/words.js';

/** The questions by which one build is preferred to another. */
export const CRITERIA = ['bits', 'format', 'version'] as const;
/** By what builds of a plugin are preferred. */
export type Criterion = (typeof CRITERIA)[number];

/** An ordered rule: the first question that tells two builds apart decides. "bits": 64-bit before 32-bit; "version": newer before older. */
export interface Preference {
  readonly criteria: readonly Criterion[];
  readonly formats: readonly Format[];
}

/** Common practice: wide before narrow, newer formats before older ones. */
export const STANDARD_PREFERENCE: Preference = {
  criteria: ['bits', 'format', 'version'],
  formats: ['VST3', 'CLAP', 'AU', 'LV2', 'VST2', 'AAX', 'LADSPA'],
};

/** What the rule looks at. */
type Rankable = Pick<BuildFacts, 'format' | 'architectures' | 'version' | 'path'>;
type Comparer = (a: Rankable, b: Rankable) => number;

const narrow = ({ architectures }: Rankable): number =>
  architectures.length > 0 && architectures.every((one) => one === 'x86' || one === 'arm') ? 1 : 0;

function comparerOf(criterion: Criterion, { formats }: Preference): Comparer {
  // A format that the rule does not name comes last.
  const place = ({ format }: Rankable): number => (formats.includes(format) ? formats.indexOf(format) : formats.length);
  switch (criterion) {
    case 'bits':
      return (a, b) => narrow(a) - narrow(b);
    case 'format':
      return (a, b) => (formats.length === 0 ? 0 : place(a) - place(b));
    case 'version':
      return (a, b) => compareNames(b.version ?? '', a.version ?? '');
  }
}

const orders = new WeakMap<Preference, Comparer>();

/** How a rule orders two builds; equal ones in order of path. Made once for each rule. */
export function preferenceOrder(preference: Preference): Comparer {
  let order = orders.get(preference);
  if (order === undefined) {
    const comparers = preference.criteria.map((criterion) => comparerOf(criterion, preference));
    order = (a, b) => {
      for (const compare of comparers) {
        const first = compare(a, b);
        if (first !== 0) return first;
      }
      return compareNames(a.path, b.path);
    };
    orders.set(preference, order);
  }
  return order;
}

/** Builds in the order in which they are preferred; equal ones in order of path. */
export const byPreference = <B extends Rankable>(
  builds: readonly B[],
  preference: Preference = STANDARD_PREFERENCE,
): B[] => [...builds].sort(preferenceOrder(preference));
