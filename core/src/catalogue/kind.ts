import type { BuildFacts } from '../facts/build-facts.js';
import { decideRole, denies } from './decide-role.js';
import { decideTypes } from './decide-types.js';
import { gather, roleIn, typeIn, type Evidence, type Grade } from './evidence.js';
import type { Role } from './role.js';
import { ROLE_LABELS } from './role.js';
import { synthEngines } from './synth-engine.js';
import type { TypeId } from './type-tree.js';
import { familyOf, TYPE_TREE } from './type-tree.js';

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

/** Role and types of a plugin from its builds (best first), its names and its makers' words. Unknown is better than wrong. Never throws. */
export function workOutKind(name: string, builds: readonly BuildFacts[]): Kind {
  const gathered = gather(name, builds);
  const role = decideRole(gathered);
  const types = decideTypes(gathered, role.role);
  return {
    role: role.role,
    roleGrade: role.grade,
    types: [...types.types, ...synthEngines(types.types, name, builds)],
    typeGrade: types.grade,
    evidence: withoutRepeats(gathered.evidence),
    contradictions: contradictions(gathered.evidence, role.role, types.types),
  };
}

function contradictions(evidence: readonly Evidence[], role: Role | null, types: readonly TypeId[]): string[] {
  const found = new Set<string>();
  const declared = new Set(
    evidence
      .filter((one) => one.from === 'class' && one.grade === 'declared')
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
  const classes = evidence.filter((one) => one.from === 'class' && one.grade === 'declared').map(typeIn);
  for (const one of evidence.filter((word) => word.from === 'name' && word.grade === 'strong')) {
    const type = typeIn(one);
    if (type === null || role === null) continue;
    const label = TYPE_TREE[type].label;
    const { roles } = TYPE_TREE[type];
    if (!roles.includes(role) && roles[0] === 'instrument' && role === 'audio-effect')
      found.add(`declares itself an ${ROLE_LABELS[role]}, but its name says ${label}`);
    else if (type === types[0] && roles.includes(role)) {
      const [other] = classes.filter((declaredType) => declaredType !== null);
      if (other !== undefined && !classes.some((own) => own !== null && familyOf(own) === familyOf(type)))
        found.add(`declares itself ${TYPE_TREE[other].label}, but its name says ${label}`);
    }
  }
  return [...found];
}

function withoutRepeats(evidence: readonly Evidence[]): Evidence[] {
  const seen = new Set<string>();
  return evidence.filter((one) => {
    const key = `${roleIn(one) ?? ''} ${typeIn(one) ?? ''} ${one.from} ${one.words}`;
    return !seen.has(key) && seen.add(key);
  });
}
