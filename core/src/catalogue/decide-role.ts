import { mostNamed, roleIn, type Evidence, type Gathered, type Grade } from './evidence.js';
import { inferTypesFromName } from './name-words.js';
import type { Role } from './role.js';
import { TYPE_TREE, type TypeId } from './type-tree.js';

/** The role that the evidence speaks for, and how sure that is. */
export function decideRole({ evidence, builds, named: words }: Gathered): { role: Role | null; grade: Grade } {
  const rolesOf = (from: Evidence['from'], grade: Evidence['grade']): Role[] =>
    mostNamed(evidence.filter((one) => one.from === from && one.grade === grade).map(roleIn));
  const [declared = null] = rolesOf('class', 'declared');
  const [coarse = null] = rolesOf('class', 'likely');
  const [ports = null] = rolesOf('ports', 'strong');
  const named = evidence.filter((one) => one.from === 'name' && roleIn(one) !== null);
  const strongName = roleOfNoun(inferTypesFromName(words, () => true).main);
  // Where no sound comes out, a class that is said of every effect says nothing: notes or control are all there is.
  const isPlayed = declared === 'midi-effect' || declared === 'instrument';
  if (ports === 'midi-effect' || (ports === 'tool' && !isPlayed)) return { role: ports, grade: 'strong' };
  // Sound that comes out of notes alone can't be an effect, whatever the maker wrote; nor can what takes sound and no notes be played.
  if (ports !== null && declared !== null && denies(ports, declared)) return { role: ports, grade: 'strong' };
  if (declared === 'midi-effect' && hasNoNotes(builds)) return { role: ports ?? 'tool', grade: 'likely' };
  if (declared !== null) return { role: declared, grade: 'declared' };
  if (ports !== null) {
    // A meter lets the sound through: by its ports it looks like an effect.
    const tool = ports === 'audio-effect' && (strongName === 'tool' || (strongName === null && coarse === 'tool'));
    return tool ? { role: 'tool', grade: 'strong' } : { role: ports, grade: 'strong' };
  }
  if (strongName !== null && !(strongName === 'midi-effect' && hasNoNotes(builds)))
    return { role: strongName, grade: 'strong' };
  const [through = null] = rolesOf('ports', 'likely');
  const likelyName = lastRole(named);
  const described = evidence.find((one) => one.from === 'description' && roleIn(one) !== null);
  const roles = [through, coarse, likelyName, described === undefined ? null : roleIn(described)];
  const role = roles.find((one) => one !== null && !(one === 'midi-effect' && hasNoNotes(builds)));
  return role == null ? { role: null, grade: 'unknown' } : { role, grade: 'likely' };
}

/** Whether what the ports tell can't be what was declared. */
export const denies = (ports: Role, declared: Role): boolean =>
  (ports === 'instrument' && declared === 'audio-effect') || (ports === 'audio-effect' && declared === 'instrument');

/** A word for notes makes no MIDI effect of what neither takes nor sends them. */
const hasNoNotes = (builds: Gathered['builds']): boolean =>
  builds.some((build) => build.midiInput === false) &&
  builds.every((build) => build.midiInput !== true && build.midiOutput !== true);

/** The role that a noun names; null for one of several roles that an effect may have. */
function roleOfNoun(type: TypeId | null): Role | null {
  if (type === null) return null;
  const { roles } = TYPE_TREE[type];
  if (roles.length === 1) return roles[0] ?? null;
  return roles.includes('audio-effect') ? null : (roles[0] ?? null);
}

const lastRole = (evidence: readonly Evidence[]): Role | null => {
  const last = evidence[evidence.length - 1];
  return last === undefined ? null : roleIn(last);
};
