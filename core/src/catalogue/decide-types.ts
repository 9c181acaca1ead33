import { mostNamed, typeIn, type Evidence, type Gathered, type Grade } from './evidence.js';
import { inferTypesFromName } from './name-words.js';
import type { Role } from './role.js';
import { familyOf, TYPE_TREE, type TypeId } from './type-tree.js';

// Types that name no more than a kind of thing: whatever says more takes their place.
const BROAD = new Set<TypeId>([
  ...([
    'dynamics',
    'modulation',
    'pitch',
    'spatial',
    'spectral',
    'analyser',
    'utility',
    'filter',
    'distortion',
  ] as const),
  ...([
    'mastering-chain',
    'synth',
    'pitch-shifter',
    'test-generator',
    'surround',
    'ambisonics',
    'level-meter',
  ] as const),
]);

/** What each of several bands of it makes of a type. */
const IN_BANDS = new Set<TypeId>(['compressor', 'limiter', 'gate', 'expander', 'dynamics', 'de-esser']);

/** For a MIDI effect these words mean notes: a MIDI delay delays them. */
const OF_NOTES: Readonly<Partial<Record<TypeId, TypeId>>> = {
  delay: 'midi-delay',
  filter: 'note-filter',
  'pitch-shifter': 'note-mapper',
};

/** Types of a plugin, the main one first, and how sure the main one is. */
export interface TypeDecision {
  readonly types: TypeId[];
  readonly grade: Grade;
}

/**
 * The types that the evidence speaks for. The stronger evidence wins: the noun of the name, then a narrow class, then words that usually name a type and
 * that the description or a broad class agrees with, then each of these alone.
 */
export function decideTypes(gathered: Gathered, role: Role | null): TypeDecision {
  const { evidence, named } = gathered;
  const own = (type: TypeId): TypeId => (role === 'midi-effect' ? (OF_NOTES[type] ?? type) : type);
  const fits = (type: TypeId): boolean => role === null || TYPE_TREE[own(type)].roles.includes(role);
  const from = (source: Evidence['from'], grade?: Evidence['grade']): TypeId[] =>
    evidence
      .filter((one) => one.from === source && (grade === undefined || one.grade === grade))
      .map(typeIn)
      .filter((type) => type !== null)
      .filter(fits)
      .map(own);
  const said = inferTypesFromName(named, fits);
  const main = said.main === null ? null : own(said.main);
  const likely = said.likely.map(own);
  const declared = mostNamed(from('class', 'declared'));
  const narrow = declared.filter((type) => !BROAD.has(type));
  const coarse = mostNamed(from('class', 'likely'));
  const [described] = from('description');
  const agree = (type: TypeId): boolean => declared.some((one) => familyOf(one) === familyOf(type));
  const further = (type: TypeId): TypeId[] => [
    ...said.beside.map(own),
    // A class that the noun has overruled is no second type: it was taken for want of a better one.
    ...(agree(type) ? narrow.filter((other) => familyOf(other) !== familyOf(type)) : []),
    // What colours the sound may be a second thing that it is: a "Tape Echo" is tape too.
    ...likely.filter((other) => familyOf(other) === 'colour' && familyOf(type) !== 'colour'),
  ];
  const result = (type: TypeId, grade: Grade): TypeDecision => {
    const first = inBands(type, named.words);
    return { types: [...new Set([first, ...further(type)])], grade };
  };
  const isClear =
    main !== null && said.inHead && !(BROAD.has(main) && narrow.some((one) => familyOf(one) === familyOf(main)));
  if (main !== null && isClear) return result(main, agree(main) ? 'declared' : 'strong');
  const agreed = likely.find((type) => type === described);
  const [first] = narrow;
  if (first !== undefined && (agreed === undefined || familyOf(agreed) === familyOf(first)))
    return result(first, 'declared');
  if (agreed !== undefined) return result(agreed, 'strong');
  if (main !== null) return result(main, agree(main) ? 'declared' : 'strong');
  const inFamily = [...likely, ...(described === undefined ? [] : [described])].find((type) =>
    [...declared, ...coarse].some((one) => familyOf(one) === familyOf(type)),
  );
  if (inFamily !== undefined) return result(inFamily, declared.length > 0 ? 'declared' : 'likely');
  const [broad] = declared;
  if (broad !== undefined) return result(broad, 'declared');
  const rest = [...likely, described, ...from('identifier'), ...coarse].find((type) => type !== undefined);
  if (rest !== undefined) return result(rest, 'likely');
  return byRoleAlone(gathered, role);
}

/** "Multiband" makes a compressor, limiter, gate or expander one type; a delay in bands stays a delay. */
const inBands = (type: TypeId, words: readonly string[]): TypeId =>
  IN_BANDS.has(type) && /\bmulti ?band\b/.test(words.join(' ')) ? 'multiband-dynamics' : type;

/** What is left to say where no word and no class tells: control without sound, and notes that are changed in a way of its own. */
function byRoleAlone({ builds }: Gathered, role: Role | null): TypeDecision {
  const isSilent = builds.some((build) => build.audioInputs === 0 && build.audioOutputs === 0);
  if (role === 'tool' && isSilent) return { types: ['control-signal'], grade: 'likely' };
  // An instrument that does not say what it is like is a synth: whoever sampled or modelled something names it.
  if (role === 'instrument') return { types: ['synth'], grade: 'likely' };
  if (role === 'midi-effect' && isSilent) return { types: ['utility'], grade: 'likely' };
  return { types: [], grade: 'unknown' };
}
