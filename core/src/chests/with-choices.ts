import type { BuildFacts } from '../facts/build-facts.js';
import type { Grade } from '../catalogue/kind.js';
import { byPreference, STANDARD_PREFERENCE, type Preference } from '../catalogue/preference.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type { PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { GENERAL_PREFERENCE } from './by-hand.js';

interface Choosable<B> {
  readonly id: PluginId;
  readonly vendor: string | null;
  readonly role: Role | null;
  readonly roleGrade: Grade;
  readonly types: readonly TypeId[];
  readonly typeGrade: Grade;
  readonly builds: readonly B[];
}
type Ranked = Pick<BuildFacts, 'format' | 'architectures' | 'version' | 'path'> & {
  readonly id: string;
  readonly found: boolean;
};

/** The rule by which builds are preferred: the producer's, or the standard one. */
export const preferenceOf = (state: Pick<Arrangement, 'preference'>): Preference =>
  state.preference.get(GENERAL_PREFERENCE) ?? STANDARD_PREFERENCE;

/**
 * Plugins as the producer chose them: role, types and vendor put right by hand win over what was worked out, and builds stand in the order of
 * preference, those that are not found last.
 */
export function withChoices<B extends Ranked, P extends Choosable<B>>(
  plugins: readonly P[],
  state: Pick<Arrangement, 'choice' | 'preference'>,
): P[] {
  const preference = preferenceOf(state);
  return plugins.map((plugin) => {
    const choice = state.choice.get(plugin.id);
    const builds =
      plugin.builds.length < 2 ? plugin.builds : ranked(plugin.builds, preference, choice?.buildId ?? null);
    if (choice === undefined) return { ...plugin, builds };
    return {
      ...plugin,
      builds,
      ...(choice.vendor === null ? {} : { vendor: choice.vendor }),
      ...(choice.role === null ? {} : { role: choice.role, roleGrade: 'chosen' as const }),
      ...(choice.types === null ? {} : { types: choice.types, typeGrade: 'chosen' as const }),
    };
  });
}

function ranked<B extends Ranked>(builds: readonly B[], preference: Preference, chosen: string | null): B[] {
  const place = (build: B): number => (build.found ? 0 : 2) + (build.id === chosen ? 0 : 1);
  return byPreference(builds, preference).sort((a, b) => place(a) - place(b));
}
