import type { BuildFacts } from '../facts/build-facts.js';
import type { BuildGroup } from '../identity/group-builds.js';
import type { BuildId, PluginId } from '../ids.js';
import { asId } from '../ids.js';

/** A build that an earlier scan met; `found` tells whether the last look still saw it. */
export interface KnownBuild {
  readonly id: BuildId;
  readonly pluginId: PluginId;
  readonly facts: BuildFacts;
  readonly found: boolean;
}

/** What a scan changed: each known build is in one of same, changed, returned, vanished or untouched (outside the scanned folders). */
export interface ScanDifference {
  readonly arrived: readonly BuildFacts[];
  readonly changed: readonly { known: KnownBuild; facts: BuildFacts }[];
  readonly returned: readonly { known: KnownBuild; facts: BuildFacts }[];
  /** Nothing that counts has changed; how the facts were learnt may have. */
  readonly same: readonly { known: KnownBuild; facts: BuildFacts }[];
  readonly vanished: readonly KnownBuild[];
  readonly untouched: readonly KnownBuild[];
}

const fileName = (path: string): string => path.slice(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1);
const exactKey = (facts: BuildFacts): string => `${facts.format}|${facts.identifier ?? ''}|${facts.path}`;
const movedKey = (facts: BuildFacts): string =>
  `${facts.format}|${facts.identifier ?? fileName(facts.path)}|${facts.architectures.join()}`;
// Two makers may have given the same identifier: of several that moved, name and vendor tell which is which.
const movedAndNamedKey = (facts: BuildFacts): string => `${movedKey(facts)}|${facts.name}|${facts.vendor ?? ''}`;
const placeKey = (facts: BuildFacts): string => `${facts.format}|${facts.path}`;
const hasNoId = (facts: BuildFacts): boolean => facts.identifier === null;

/**
 * Compares what is known with what was seen. A build that is seen elsewhere than before, and no longer there, has moved and is the same build.
 * `wasScanned` tells whether a path lies in a folder that this scan read in full; only there can a build vanish.
 */
export function scanDifference(
  known: readonly KnownBuild[],
  seen: readonly BuildFacts[],
  wasScanned: (path: string) => boolean,
): ScanDifference {
  const matched = new Map<KnownBuild, BuildFacts>();
  const waiting = (): KnownBuild[] => known.filter((one) => !matched.has(one));
  let arrived = matchBy(exactKey, known, seen, matched);
  // A binary that was asked for the first time, or could not be asked this time, is the same build with and without an identifier.
  arrived = matchBy(
    placeKey,
    waiting().filter((one) => hasNoId(one.facts)),
    arrived,
    matched,
  );
  const anonymous = arrived.filter(hasNoId);
  const lost = new Set(matchBy(placeKey, waiting(), anonymous, matched));
  arrived = arrived.filter((facts) => !hasNoId(facts) || lost.has(facts));
  for (const key of [movedAndNamedKey, movedKey]) arrived = matchBy(key, waiting(), arrived, matched);
  const changed: { known: KnownBuild; facts: BuildFacts }[] = [];
  const returned: { known: KnownBuild; facts: BuildFacts }[] = [];
  const same: { known: KnownBuild; facts: BuildFacts }[] = [];
  for (const [one, facts] of matched) {
    if (!one.found) returned.push({ known: one, facts });
    else if (changedFacts(one.facts, facts).length > 0) changed.push({ known: one, facts });
    else same.push({ known: one, facts });
  }
  const unseen = known.filter((one) => !matched.has(one));
  return {
    arrived,
    changed,
    returned,
    same,
    vanished: unseen.filter((one) => one.found && wasScanned(one.facts.path)),
    untouched: unseen.filter((one) => !one.found || !wasScanned(one.facts.path)),
  };
}

/** Pairs each seen build with a known one of the same key, one to one; returns what found no partner. */
function matchBy(
  key: (facts: BuildFacts) => string,
  known: readonly KnownBuild[],
  seen: readonly BuildFacts[],
  matched: Map<KnownBuild, BuildFacts>,
): BuildFacts[] {
  const waiting = new Map<string, KnownBuild[]>();
  for (const one of known) {
    const queue = waiting.get(key(one.facts));
    if (queue === undefined) waiting.set(key(one.facts), [one]);
    else queue.push(one);
  }
  return seen.filter((facts) => {
    const partner = waiting.get(key(facts))?.shift();
    if (partner !== undefined) matched.set(partner, facts);
    return partner === undefined;
  });
}

/** The facts that count as a change of a build; how they were learnt does not. */
/** The facts that two scans of a build are compared by. */
export const COMPARED = [
  ...([
    'path',
    'name',
    'vendor',
    'version',
    'identifier',
    'description',
    'declaredTypes',
    'audioInputs',
    'audioOutputs',
    'sidechainInputs',
  ] as const),
  ...(['midiInput', 'midiOutput', 'architectures', 'presets', 'pictures', 'replaces'] as const),
] satisfies readonly (keyof BuildFacts)[];
/** A fact of a build of which a scan tells when it has changed. */
export type ComparedFact = (typeof COMPARED)[number];

/** The names of the facts that differ. What an earlier version did not know of at all is no change. */
export const changedFacts = (before: Partial<BuildFacts>, after: BuildFacts): ComparedFact[] =>
  COMPARED.filter((name) => before[name] !== undefined && JSON.stringify(before[name]) !== JSON.stringify(after[name]));

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/**
 * Gives each group the id that its builds had before, so that what the producer arranged keeps its plugin when a name or vendor is corrected;
 * a group of new builds takes its own id, told apart when it is taken. The group with most of the known builds keeps an id that two could claim; of two
 * ids that as many builds had, the one stays that the group would be given today. The order of the builds never decides.
 */
export function keepPluginIds<B extends BuildFacts>(
  groups: readonly BuildGroup<B>[],
  knownIdOf: (build: B) => PluginId | undefined,
): Map<BuildGroup<B>, PluginId> {
  const result = new Map<BuildGroup<B>, PluginId>();
  const taken = new Set<PluginId>();
  const claims = groups.flatMap((group) => {
    const counts = new Map<PluginId, number>();
    for (const build of group.builds) {
      const id = knownIdOf(build);
      if (id !== undefined) counts.set(id, (counts.get(id) ?? 0) + 1);
    }
    return [...counts].map(([id, count]) => ({ group, id, count }));
  });
  const isOwn = ({ group, id }: (typeof claims)[number]): number => (group.id === id ? 1 : 0);
  claims.sort(
    (a, b) => b.count - a.count || isOwn(b) - isOwn(a) || byText(a.id, b.id) || byText(a.group.id, b.group.id),
  );
  for (const { group, id } of claims) {
    if (result.has(group) || taken.has(id)) continue;
    result.set(group, id);
    taken.add(id);
  }
  for (const group of groups) {
    if (result.has(group)) continue;
    let id = group.id;
    for (let number = 2; taken.has(id); number++) id = asId<PluginId>(`${group.id}~${String(number)}`);
    result.set(group, id);
    taken.add(id);
  }
  return result;
}
