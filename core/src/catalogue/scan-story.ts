import type { BuildFacts } from '../facts/build-facts.js';
import type { Fault } from '../facts/fault.js';
import type { Format } from '../facts/format.js';
import type { ComparedFact, KnownBuild, ScanDifference } from './scan-difference.js';
import { changedFacts } from './scan-difference.js';

/** What can have happened to a build, or to a place that could not be read, between two scans. */
export const EVENTS = ['arrived', 'changed', 'returned', 'vanished', 'failed', 'recovered'] as const;
/** What can happen to a build in a scan. */
export type EventKind = (typeof EVENTS)[number];

/** One fact before and after, as text; empty for unknown. */
export interface FactChange {
  readonly fact: ComparedFact;
  readonly before: string;
  readonly after: string;
}

/** One line of a scan's story. Name and format are absent for a place that failed or recovered. */
export interface ScanEvent {
  readonly kind: EventKind;
  readonly path: string;
  readonly name?: string;
  readonly vendor?: string | null;
  readonly format?: Format;
  readonly facts?: readonly FactChange[];
  readonly fault?: Fault;
}

/** The story of a scan: what arrived, changed (in which facts), returned, vanished, failed and recovered. Each place fails or recovers once. */
export function scanStory(
  difference: ScanDifference,
  failedBefore: ReadonlySet<string>,
  faults: readonly Fault[],
  wasScanned: (path: string) => boolean,
): ScanEvent[] {
  const failing = new Map(faults.map((fault) => [fault.path, fault]));
  return [
    ...difference.arrived.map((facts) => eventOf('arrived', facts)),
    ...difference.changed.map((one) => ({ ...eventOf('changed', one.facts), facts: factChanges(one) })),
    ...difference.returned.map((one) => ({ ...eventOf('returned', one.facts), facts: factChanges(one) })),
    ...difference.vanished.map(({ facts }) => eventOf('vanished', facts)),
    ...[...failing.values()]
      .filter((fault) => !failedBefore.has(fault.path))
      .map((fault): ScanEvent => ({ kind: 'failed', path: fault.path, fault })),
    ...[...failedBefore]
      .filter((path) => !failing.has(path) && wasScanned(path))
      .map((path): ScanEvent => ({ kind: 'recovered', path })),
  ];
}

/** Of each kind of event so many are kept of a scan: the outcome counts them all. */
export const MAX_OF_A_KIND = 5000;

/** The events that are kept of a story, in their order. */
export function keptStory(story: readonly ScanEvent[]): ScanEvent[] {
  const counts = new Map<EventKind, number>();
  return story.filter(({ kind }) => {
    const count = (counts.get(kind) ?? 0) + 1;
    counts.set(kind, count);
    return count <= MAX_OF_A_KIND;
  });
}

const eventOf = (kind: EventKind, { name, vendor, format, path }: BuildFacts): ScanEvent => ({
  kind,
  path,
  name,
  vendor,
  format,
});

const factChanges = ({ known, facts }: { known: KnownBuild; facts: BuildFacts }): FactChange[] =>
  changedFacts(known.facts, facts).map((fact) => ({
    fact,
    before: inWords(known.facts[fact]),
    after: inWords(facts[fact]),
  }));

function inWords(value: BuildFacts[ComparedFact]): string {
  if (value === null) return '';
  if (Array.isArray(value)) return value.join(', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return String(value);
}
