import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import { wordsOf } from '../text/words.js';
import { meaningOf } from './declared-types.js';
import { nameWords, type NameWords } from './name-words.js';
import type { Role } from './role.js';
import { tradeWordsIn, type MetWord } from './trade-words.js';
import { TYPE_TREE, type TypeId } from './type-tree.js';
import { inContext } from './word-context.js';

/** How sure a role or type is: chosen by the producer, declared by the maker, or worked out. */
export const GRADES = ['chosen', 'declared', 'strong', 'likely', 'unknown'] as const;
/** How sure a role or type is. */
export type Grade = (typeof GRADES)[number];

/** Where a piece of evidence was read. */
export const EVIDENCE_SOURCES = ['class', 'ports', 'name', 'description', 'identifier'] as const;

/** One piece of evidence: what it speaks for, and the words, class or ports that it was read from. */
export interface Evidence {
  readonly for: { readonly role: Role } | { readonly type: TypeId };
  readonly from: (typeof EVIDENCE_SOURCES)[number];
  readonly grade: Exclude<Grade, 'chosen' | 'unknown'>;
  /** "ReverbPlugin", "comp", "2 in, 2 out, no notes". */
  readonly words: string;
  readonly format: Format | null;
}

/** All that speaks for a role or type, and the words of the name in their order. */
export interface Gathered {
  readonly evidence: readonly Evidence[];
  readonly named: NameWords;
  readonly builds: readonly BuildFacts[];
}

/** The role that a piece of evidence speaks for; null when it speaks for a type. */
export const roleIn = (one: Evidence): Role | null => ('role' in one.for ? one.for.role : null);
/** The type that a piece of evidence speaks for; null when it speaks for a role. */
export const typeIn = (one: Evidence): TypeId | null => ('type' in one.for ? one.for.type : null);

/** Gathers what classes, ports, names, descriptions and identifiers say. Of several given names the longest tells most. Never throws. */
export function gather(name: string, builds: readonly BuildFacts[]): Gathered {
  const named = inContext(nameWords(longestName(name, builds)), builds);
  const evidence = [
    ...builds.flatMap(classEvidence),
    ...builds.flatMap(portEvidence),
    ...named.all.flatMap((met) => ofWord(met, 'name')),
    ...descriptionEvidence(builds),
    ...identifierEvidence(builds),
  ];
  return { evidence, named, builds };
}

function longestName(name: string, builds: readonly BuildFacts[]): string {
  const given = builds.filter((build) => build.sources.name !== 'file name').map((build) => build.name);
  return [name, ...given].sort((a, b) => b.length - a.length || (a < b ? -1 : 1))[0] ?? name;
}

function classEvidence(build: BuildFacts): Evidence[] {
  const meanings = build.declaredTypes.map((words) => ({ words, ...meaningOf(build.format, words) }));
  const roles = meanings.filter((one) => one.role !== undefined);
  // An analyser that also says "Fx" is a tool: the narrower word wins, and instruments win over both.
  const role =
    roles.find((one) => one.role === 'instrument') ?? roles.find((one) => one.role !== 'audio-effect') ?? roles[0];
  const { format } = build;
  const grade = (one: { weak?: true }): 'declared' | 'likely' => (one.weak === true ? 'likely' : 'declared');
  const found: Evidence[] = meanings
    .filter((one) => one.type !== undefined)
    .map((one) => ({ for: { type: one.type as TypeId }, from: 'class', grade: grade(one), words: one.words, format }));
  if (role?.role !== undefined)
    found.push({ for: { role: role.role }, from: 'class', grade: grade(role), words: role.words, format });
  return found;
}

/**
 * What the ports leave no doubt about: notes in and sound out without sound in is an instrument; notes and no sound a MIDI effect; control alone a tool.
 */
function portEvidence(build: BuildFacts): Evidence[] {
  const { audioInputs: soundIn, audioOutputs: soundOut, midiInput, midiOutput, format } = build;
  if (soundIn === null || soundOut === null) return [];
  const words = [
    `${String(soundIn)} in, ${String(soundOut)} out`,
    midiInput === null ? [] : midiInput ? 'takes notes' : 'takes no notes',
  ]
    .flat()
    .join(', ');
  const says = (role: Role, grade: 'strong' | 'likely' = 'strong'): Evidence[] => [
    { for: { role }, from: 'ports', grade, words, format },
  ];
  if (soundIn === 0 && soundOut > 0 && midiInput === true) return says('instrument');
  if (soundIn > 0 && soundOut > 0) return says('audio-effect', midiInput === true ? 'likely' : 'strong');
  if (soundIn > 0 && soundOut === 0) return says('tool', 'likely');
  // Sound out of nothing: a generator or a click, which is no effect and can't be played.
  if (soundOut > 0) return says('tool', 'likely');
  if (midiOutput === true || midiInput === true) return says('midi-effect');
  return midiInput === false && midiOutput === false ? says('tool') : [];
}

function descriptionEvidence(builds: readonly BuildFacts[]): Evidence[] {
  const texts = new Set(builds.map((build) => build.description).filter((text) => text !== null));
  return [...texts].flatMap((text) => {
    // The first sentence says what it is; what follows tells of features, and every plugin has a gain.
    const first = text.split(/[.!?;\n](?:\s|$)/)[0] ?? '';
    const met = tradeWordsIn(wordsOf(first.slice(0, 200))).filter(
      (word) => word.grade === 'strong' && word.type !== 'utility',
    );
    const types = new Set(met.map((word) => word.type));
    return types.size === 1 && met[0] !== undefined ? ofWord({ ...met[0], grade: 'likely' }, 'description') : [];
  });
}

const SHORTEST_IN_IDENTIFIER = 5;

/** The last part of an identifier is often the name that its maker works with: a LADSPA label, the end of a URI or of a reversed domain. */
function identifierEvidence(builds: readonly BuildFacts[]): Evidence[] {
  const parts = builds
    .filter(({ format }) => format === 'LADSPA' || format === 'LV2' || format === 'CLAP')
    .map(({ format, identifier }) => identifier?.split(format === 'CLAP' ? '.' : /[/#:]/).pop() ?? '');
  return [...new Set(parts)].flatMap((part) => {
    const met = tradeWordsIn(wordsOf(part)).filter(
      // Short forms are made up freely there.
      (word) => word.grade === 'strong' && word.type !== 'utility' && word.text.length >= SHORTEST_IN_IDENTIFIER,
    );
    const last = met[met.length - 1];
    return last === undefined ? [] : ofWord({ ...last, grade: 'likely' }, 'identifier');
  });
}

function ofWord({ type, grade, text }: MetWord, from: 'name' | 'description' | 'identifier'): Evidence[] {
  const roles = TYPE_TREE[type].roles;
  const found: Evidence[] = [{ for: { type }, from, grade, words: text, format: null }];
  const [role] = roles;
  if (role !== undefined && roles.length === 1) found.push({ for: { role }, from, grade, words: text, format: null });
  return found;
}

/** The values in order of how often they are named. */
export function mostNamed<T>(values: readonly (T | null)[]): T[] {
  const counts = new Map<T, number>();
  for (const value of values) if (value !== null) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([value]) => value);
}
