import type { BuildFacts } from '../facts/build-facts.js';
import type { Grade } from '../catalogue/evidence.js';
import { byPreference, STANDARD_PREFERENCE, type Preference } from '../catalogue/preference.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type { ItemId, PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { GENERAL_PREFERENCE } from './rows/preference.js';
import type { PresetOf } from './item.js';
import type { Choice } from './rows/choice.js';
import type { PreferredBuild } from './rows/preferred-build.js';
import type { Naming } from './rows/naming.js';
import type { Aside } from './rows/aside.js';

interface Choosable<B> {
  readonly id: PluginId;
  readonly name: string;
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

/** What the producer's own words and choices add to a plugin. `name` is the nickname where there is one. */
export interface Chosen {
  readonly givenName: string;
  readonly naming: Naming | null;
  /** Why the whole plugin is set aside; null when it is in the menus. */
  readonly aside: Aside | null;
  /** Null for a plugin itself. */
  readonly preset: PresetOf | null;
  /** What a chain is made of, in order; absent for anything else. */
  readonly chain?: readonly ItemId[];
}

/** The kinds of rows that make a plugin what the producer says it is. */
export type ChoosingRows = Pick<Arrangement, 'choice' | 'preference' | 'preferredBuild' | 'naming' | 'aside'>;

/** The rule by which builds are preferred: the producer's, or the standard one. */
export const preferenceOf = (state: Pick<Arrangement, 'preference'>): Preference =>
  state.preference.get(GENERAL_PREFERENCE) ?? STANDARD_PREFERENCE;

// A plugin that the producer said nothing new of stays the very same object, so that what was worked out from it still holds.
interface Remembered {
  readonly of: readonly unknown[];
  readonly plugin: unknown;
}
const remembered = new WeakMap<object, Remembered>();

/**
 * Plugins as the producer chose them: role, types, vendor and nickname win over what was worked out, and builds stand in the order of preference,
 * those that are set aside or not found last. A plugin counts as set aside when it is itself, or when all its builds that are there are.
 */
export function withChoices<B extends Ranked, P extends Choosable<B>>(
  plugins: readonly P[],
  state: ChoosingRows,
): (P & Chosen)[] {
  const preference = preferenceOf(state);
  return plugins.map((plugin) => {
    const choice = state.choice.get(plugin.id);
    const preferred = state.preferredBuild.get(plugin.id);
    const naming = state.naming.get(plugin.id) ?? null;
    const aside = state.aside.get(plugin.id) ?? null;
    const asideBuilds = state.aside.size === 0 ? [] : plugin.builds.map((build) => state.aside.get(build.id));
    const of = [preference, choice, preferred, naming, aside, ...asideBuilds];
    const known = remembered.get(plugin);
    if (known?.of.length === of.length && known.of.every((one, at) => one === of[at]))
      return known.plugin as P & Chosen;
    const chosen = choose<B, P>(plugin, { preference, choice, preferred, naming, aside, asideBuilds });
    remembered.set(plugin, { of, plugin: chosen });
    return chosen;
  });
}

interface Words {
  readonly preference: Preference;
  readonly choice: Choice | undefined;
  readonly preferred: PreferredBuild | undefined;
  readonly naming: Naming | null;
  readonly aside: Aside | null;
  readonly asideBuilds: readonly (Aside | undefined)[];
}

function choose<B extends Ranked, P extends Choosable<B>>(plugin: P, words: Words): P & Chosen {
  const { preference, choice, preferred, naming, aside, asideBuilds } = words;
  const away = new Set(asideBuilds.filter((one) => one !== undefined).map((one) => one.id));
  const builds = ranked(plugin.builds, preference, preferred?.buildId ?? null, away);
  const there = builds.filter((build) => build.found);
  const [first] = there;
  const allAway = there.length > 0 && there.every((build) => away.has(build.id));
  const buildAside = allAway ? (asideBuilds.find((one) => one?.id === first?.id) ?? null) : null;
  return {
    ...plugin,
    givenName: plugin.name,
    name: naming?.nickname ?? plugin.name,
    naming,
    aside: aside ?? buildAside,
    builds,
    preset: null,
    ...(choice?.vendor == null ? {} : { vendor: choice.vendor }),
    ...(choice?.role == null ? {} : { role: choice.role, roleGrade: 'chosen' as const }),
    ...(choice?.types == null ? {} : { types: choice.types, typeGrade: 'chosen' as const }),
  };
}

function ranked<B extends Ranked>(
  builds: readonly B[],
  preference: Preference,
  chosen: string | null,
  away: ReadonlySet<string>,
): readonly B[] {
  if (builds.length < 2) return builds;
  const place = (build: B): number =>
    (build.found ? 0 : 4) + (away.has(build.id) ? 2 : 0) + (build.id === chosen ? 0 : 1);
  return byPreference(builds, preference).sort((a, b) => place(a) - place(b));
}
