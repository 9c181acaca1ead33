import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import { groupBuilds } from '../identity/group-builds.js';
import type { PluginId } from '../ids.js';
import { compareNames } from '../text/words.js';
import { declaredKind } from './declared-types.js';
import type { Role } from './role.js';
import type { TypeId } from './type-tree.js';

/** One product as a person thinks of it, whatever files carry it. The first type is the main one. */
export interface Plugin<B extends BuildFacts = BuildFacts> {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly role: Role | null;
  readonly types: readonly TypeId[];
  readonly builds: readonly B[];
}

/** Which format is taken at its word first where builds of a plugin differ, and which is loaded first. Common practice: newer before older. */
export const FORMAT_PREFERENCE: readonly Format[] = ['VST3', 'CLAP', 'AU', 'LV2', 'VST2', 'AAX', 'LADSPA'];

const preference = (build: BuildFacts): number => FORMAT_PREFERENCE.indexOf(build.format);

/** Builds in the order in which they are preferred: 64-bit before 32-bit, then by format, then the newer version. */
export function byPreference<B extends BuildFacts>(builds: readonly B[]): B[] {
  const narrow = (build: BuildFacts): number =>
    build.architectures.length > 0 && build.architectures.every((one) => one === 'x86' || one === 'arm') ? 1 : 0;
  return [...builds].sort(
    (a, b) =>
      narrow(a) - narrow(b) ||
      preference(a) - preference(b) ||
      compareNames(b.version ?? '', a.version ?? '') ||
      compareNames(a.path, b.path),
  );
}

/** Role and types of a plugin from what its builds declare: the role most of them name, the types of all, most named first. */
export function kindOf(builds: readonly BuildFacts[]): { role: Role | null; types: TypeId[] } {
  const kinds = byPreference(builds).map(declaredKind);
  const role = mostNamed(kinds.map((kind) => kind.role).filter((one) => one !== null))[0] ?? null;
  const agreeing = kinds.filter((kind) => kind.role === role || kind.role === null);
  return { role, types: mostNamed(agreeing.flatMap((kind) => kind.types)) };
}

function mostNamed<T>(values: readonly T[]): T[] {
  const counts = new Map<T, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([value]) => value);
}

/** The catalogue of all builds found, in order of name. */
export function catalogueOf<B extends BuildFacts>(builds: readonly B[]): Plugin<B>[] {
  return groupBuilds(builds)
    .map((group) => ({ ...group, ...kindOf(group.builds), builds: byPreference(group.builds) }))
    .sort((a, b) => compareNames(a.name, b.name) || compareNames(a.id, b.id));
}
