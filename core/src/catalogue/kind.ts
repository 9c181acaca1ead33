import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import { wordsOf } from '../text/words.js';
import { meaningOf } from './declared-types.js';
import type { Role } from './role.js';
import { ROLE_LABELS } from './role.js';
import type { MetWord } from './trade-words.js';
import { tradeWordsIn } from './trade-words.js';
import type { TypeId } from './type-tree.js';
import { familyOf, TYPE_TREE } from './type-tree.js';

/** How sure a role or type is: chosen by the producer, declared by the maker, or worked out. */
export const GRADES = ['chosen', 'declared', 'strong', 'likely', 'unknown'] as const;
/** How sure a role or type is. */
export type Grade = (typeof GRADES)[number];

/** One piece of evidence: what it speaks for, and the words, class or ports that it was read from. */
export interface Evidence {
  readonly for: { readonly role: Role } | { readonly type: TypeId };
  readonly from: 'class' | 'ports' | 'name' | 'description';
  readonly grade: Exclude<Grade, 'chosen' | 'unknown'>;
  /** "ReverbPlugin", "comp", "2 in, 2 out, no notes". */
  readonly words: string;
  readonly format: Format | null;
}

/** What a plugin is, how sure that is, and why. The first type is the main one. */
export interface Kind {
  readonly role: Role | null;
  readonly roleGrade: Grade;
  readonly types: readonly TypeId[];
  readonly typeGrade: Grade;
  readonly evidence: readonly Evidence[];
  /** Sentences for a person, each about two pieces of evidence that can't both be right. */
  readonly contradictions: readonly string[];
}

// Types that name no more than a kind of thing: a word of the name says more, and takes their place.
const BROAD = new Set<TypeId>([
  'dynamics',
  'modulation',
  'pitch',
  'spatial',
  'spectral',
  'analyser',
  'utility',
  'filter',
  'distortion',
  'mastering-chain',
  'synth',
  'pitch-shifter',
  'test-generator',
  'surround',
]);

/** Role and types of a plugin from its builds (best first), its name and its makers' words. Unknown is better than wrong. Never throws. */
export function workOutKind(name: string, builds: readonly BuildFacts[]): Kind {
  const evidence = [
    ...builds.flatMap(classEvidence),
    ...builds.flatMap(portEvidence),
    ...nameEvidence(name),
    ...descriptionEvidence(builds),
  ];
  const role = decideRole(evidence);
  const types = decideTypes(evidence, role.role);
  return {
    role: role.role,
    roleGrade: role.grade,
    types: types.types,
    typeGrade: types.grade,
    evidence: withoutRepeats(evidence),
    contradictions: contradictions(evidence, role.role, types.types),
  };
}

function classEvidence(build: BuildFacts): Evidence[] {
  const meanings = build.declaredTypes.map((words) => ({ words, ...meaningOf(build.format, words) }));
  const roles = meanings.filter((one) => one.role !== undefined);
  // An analyser that also says "Fx" is a tool: the narrower word wins, and instruments win over both.
  const role =
    roles.find((one) => one.role === 'instrument') ?? roles.find((one) => one.role !== 'audio-effect') ?? roles[0];
  const { format } = build;
  const found: Evidence[] = meanings
    .filter((one) => one.type !== undefined)
    .map((one) => ({ for: { type: one.type as TypeId }, from: 'class', grade: 'declared', words: one.words, format }));
  if (role?.role !== undefined)
    found.push({ for: { role: role.role }, from: 'class', grade: 'declared', words: role.words, format });
  return found;
}

/** What the ports leave no doubt about: notes in and sound out without sound in is an instrument; notes through and no sound a MIDI effect. */
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
  if (soundIn === 0 && soundOut === 0 && midiInput === true && midiOutput === true) return says('midi-effect');
  return [];
}

const nameEvidence = (name: string): Evidence[] => tradeWordsIn(wordsOf(name)).flatMap((met) => ofWord(met, 'name'));

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

function ofWord({ type, grade, text }: MetWord, from: 'name' | 'description'): Evidence[] {
  const roles = TYPE_TREE[type].roles;
  const found: Evidence[] = [{ for: { type }, from, grade, words: text, format: null }];
  const [role] = roles;
  if (role !== undefined && roles.length === 1) found.push({ for: { role }, from, grade, words: text, format: null });
  return found;
}

const roleIn = (one: Evidence): Role | null => ('role' in one.for ? one.for.role : null);
const typeIn = (one: Evidence): TypeId | null => ('type' in one.for ? one.for.type : null);

function decideRole(evidence: readonly Evidence[]): { role: Role | null; grade: Grade } {
  const declared = mostNamed(evidence.filter((one) => one.from === 'class').map(roleIn))[0] ?? null;
  const ports =
    mostNamed(evidence.filter((one) => one.from === 'ports' && one.grade === 'strong').map(roleIn))[0] ?? null;
  // Sound that comes out of notes alone can't be an effect, whatever the maker wrote; nor can what takes sound and no notes be played.
  if (ports !== null && declared !== null && denies(ports, declared)) return { role: ports, grade: 'strong' };
  if (declared !== null) return { role: declared, grade: 'declared' };
  const named = evidence.filter((one) => one.from === 'name' && roleIn(one) !== null);
  const strongName = lastOf(named.filter((one) => one.grade === 'strong'));
  if (ports !== null) {
    // A meter lets the sound through: by its ports it looks like an effect.
    const tool = ports === 'audio-effect' && strongName !== null && roleIn(strongName) === 'tool';
    return tool ? { role: 'tool', grade: 'strong' } : { role: ports, grade: 'strong' };
  }
  if (strongName !== null) return { role: roleIn(strongName), grade: 'strong' };
  const likelyName = lastOf(named);
  const described = evidence.find((one) => one.from === 'description' && roleIn(one) !== null);
  const through = evidence.find((one) => one.from === 'ports' && roleIn(one) !== null);
  for (const one of [through, likelyName, described]) {
    if (one !== null && one !== undefined) return { role: roleIn(one), grade: 'likely' };
  }
  return { role: null, grade: 'unknown' };
}

const denies = (ports: Role, declared: Role): boolean =>
  (ports === 'instrument' && declared === 'audio-effect') || (ports === 'audio-effect' && declared === 'instrument');

function decideTypes(evidence: readonly Evidence[], role: Role | null): { types: TypeId[]; grade: Grade } {
  const fitting = evidence.filter((one) => {
    const type = typeIn(one);
    return type !== null && (role === null || TYPE_TREE[type].roles.includes(role));
  });
  const from = (source: Evidence['from'], grade?: Grade): TypeId[] =>
    fitting
      .filter((one) => one.from === source && (grade === undefined || one.grade === grade))
      .map(typeIn)
      .filter((type) => type !== null);
  const declared = mostNamed(from('class'));
  // The noun stands last: a "Tape Echo" is an echo, a "Plate Reverb" a reverb.
  const strong = from('name', 'strong').reverse();
  const likely = from('name', 'likely').reverse();
  const described = from('description');
  const narrow = declared.filter((type) => !BROAD.has(type));
  if (declared.length > 0) {
    // A broad class and a word that names a type of its family, or any strong word, make one narrow type.
    const families = new Set(declared.map(familyOf));
    const finer =
      narrow.length > 0 ? [] : [...strong, ...[...likely, ...described].filter((type) => families.has(familyOf(type)))];
    const types = finer.length > 0 ? [...finer, ...declared.filter((type) => !BROAD.has(type))] : declared;
    return { types: [...new Set(types)], grade: 'declared' };
  }
  if (strong.length > 0) return { types: [...new Set([...strong, ...likely])], grade: 'strong' };
  const agreed = likely.find((type) => described.includes(type));
  if (agreed !== undefined) return { types: [agreed], grade: 'strong' };
  const rest = [...likely, ...described];
  return rest.length > 0 ? { types: [...new Set(rest)], grade: 'likely' } : { types: [], grade: 'unknown' };
}

function contradictions(evidence: readonly Evidence[], role: Role | null, types: readonly TypeId[]): string[] {
  const found = new Set<string>();
  const declared = new Set(
    evidence
      .filter((one) => one.from === 'class')
      .map(roleIn)
      .filter((one) => one !== null),
  );
  for (const one of evidence.filter((port) => port.from === 'ports' && port.grade === 'strong')) {
    const ports = roleIn(one);
    for (const other of declared) {
      if (ports === null || !denies(ports, other)) continue;
      found.add(
        ports === 'instrument'
          ? 'declares itself an effect, but takes notes and no sound'
          : 'declares itself an instrument, but takes sound and no notes',
      );
    }
  }
  if (declared.has('instrument') && declared.has('audio-effect'))
    found.add('one build declares itself an instrument, another an effect');
  const [main] = types;
  for (const one of evidence.filter((word) => word.from === 'name' && word.grade === 'strong')) {
    const type = typeIn(one);
    if (type === null || role === null) continue;
    const label = TYPE_TREE[type].label;
    if (!TYPE_TREE[type].roles.includes(role) && TYPE_TREE[type].roles[0] === 'instrument' && role === 'audio-effect')
      found.add(`declares itself an ${ROLE_LABELS[role]}, but its name says ${label}`);
    else if (
      main !== undefined &&
      declaredOnly(evidence, main) &&
      familyOf(type) !== familyOf(main) &&
      !types.includes(type) &&
      TYPE_TREE[type].roles.includes(role)
    )
      found.add(`declares itself ${TYPE_TREE[main].label}, but its name says ${label}`);
  }
  return [...found];
}

const declaredOnly = (evidence: readonly Evidence[], type: TypeId): boolean =>
  evidence.some((one) => one.from === 'class' && typeIn(one) === type);

function mostNamed<T>(values: readonly (T | null)[]): T[] {
  const counts = new Map<T, number>();
  for (const value of values) if (value !== null) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([value]) => value);
}

const lastOf = <T>(values: readonly T[]): T | null => values[values.length - 1] ?? null;

function withoutRepeats(evidence: readonly Evidence[]): Evidence[] {
  const seen = new Set<string>();
  return evidence.filter((one) => {
    const key = JSON.stringify([one.for, one.from, one.words]);
    return !seen.has(key) && seen.add(key);
  });
}
