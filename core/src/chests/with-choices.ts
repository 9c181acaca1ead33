import type { BuildFacts } from '../facts/build-facts.js';
import type { Grade } from '../catalogue/evidence.js';
import { preferenceOrder, STANDARD_PREFERENCE, type Preference } from '../catalogue/preference.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type { ItemId, PluginId } from '../ids.js';
import { runToCompletion, eachStepwise, type Stepwise } from '../stepwise.js';
import type { Arrangement } from './arrangement.js';
import { asidesOf } from './asides.js';
import { GENERAL_PREFERENCE } from './rows/preference.js';
import type { PresetOf } from './item.js';
import type { Choice } from './rows/choice.js';
import type { LaneWidth } from './rows/lane.js';
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
  /** The music program that an own entry belongs to; absent for anything else. */
  readonly program?: string;
  /** The width of an own entry; absent for anything else. */
  readonly width?: LaneWidth | null;
  /** The file that an own entry is; absent or null for anything else. */
  readonly file?: string | null;
}

/** The kinds of rows that make a plugin what the producer says it is. */
export type ChoosingRows = Pick<
  Arrangement,
  'choice' | 'preference' | 'preferredBuild' | 'naming' | 'aside' | 'asideHere'
>;

/** The rule by which builds are preferred: the producer's, or the standard one. */
export const preferenceOf = (state: Pick<Arrangement, 'preference'>): Preference =>
  state.preference.get(GENERAL_PREFERENCE) ?? STANDARD_PREFERENCE;

// A plugin that the producer said nothing new of stays the very same object, so that what was worked out from it still holds.
interface Remembered {
  readonly words: Words;
  readonly plugin: unknown;
}
const remembered = new WeakMap<object, Remembered>();

/**
 * Plugins as the producer chose them: role, types, vendor and nickname win over what was worked out, and builds stand in the order of preference,
 * those that are set aside or not found last. A plugin counts as set aside when it is itself, or when all its builds that are there are.
 */
export const withChoices = <B extends Ranked, P extends Choosable<B>>(
  plugins: readonly P[],
  state: ChoosingRows,
): (P & Chosen)[] => runToCompletion(withChoicesStepwise<B, P>(plugins, state));

/** The same step by step. */
export function* withChoicesStepwise<B extends Ranked, P extends Choosable<B>>(
  plugins: readonly P[],
  state: ChoosingRows,
): Stepwise<(P & Chosen)[]> {
  const preference = preferenceOf(state);
  const asides = asidesOf(state);
  const all: (P & Chosen)[] = [];
  yield* eachStepwise(plugins, (plugin) => {
    const words: Words = {
      preference,
      choice: state.choice.get(plugin.id),
      preferred: state.preferredBuild.get(plugin.id),
      naming: state.naming.get(plugin.id) ?? null,
      aside: asides.get(plugin.id) ?? null,
      asideBuilds: asides.size === 0 ? NONE : plugin.builds.map((build) => asides.get(build.id)),
    };
    const known = remembered.get(plugin);
    if (known !== undefined && isSame(known.words, words)) {
      all.push(known.plugin as P & Chosen);
      return;
    }
    const chosen = choose<B, P>(plugin, words);
    remembered.set(plugin, { words, plugin: chosen });
    all.push(chosen);
  });
  return all;
}

const NONE: readonly never[] = [];

const isSame = (one: Words, other: Words): boolean =>
  one.preference === other.preference &&
  one.choice === other.choice &&
  one.preferred === other.preferred &&
  one.naming === other.naming &&
  one.aside === other.aside &&
  (one.asideBuilds === other.asideBuilds ||
    (one.asideBuilds.length === other.asideBuilds.length &&
      one.asideBuilds.every((aside, at) => aside === other.asideBuilds[at])));

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
  const away = asideBuilds.length === 0 ? NOBODY : new Set(asideBuilds.flatMap((one) => one?.id ?? []));
  const builds = ranked(plugin.builds, preference, preferred?.buildId ?? null, away);
  return {
    ...plugin,
    givenName: plugin.name,
    name: naming?.nickname ?? plugin.name,
    naming,
    aside: aside ?? (away.size === 0 ? null : asideOf(builds, asideBuilds)),
    builds,
    preset: null,
    vendor: choice?.vendor ?? plugin.vendor,
    role: choice?.role ?? plugin.role,
    roleGrade: choice?.role == null ? plugin.roleGrade : 'chosen',
    types: choice?.types ?? plugin.types,
    typeGrade: choice?.types == null ? plugin.typeGrade : 'chosen',
  };
}

const NOBODY: ReadonlySet<string> = new Set();

/** Why a plugin is set aside by its builds: when all that are there are, as the preferred one is. */
function asideOf(builds: readonly Ranked[], asides: Words['asideBuilds']): Aside | null {
  const there = builds.filter((build) => build.found);
  const ofThem = there.map((build) => asides.find((aside) => aside?.id === build.id));
  return ofThem.every((aside) => aside !== undefined) ? (ofThem[0] ?? null) : null;
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
  const inOrder = preferenceOrder(preference);
  const order = (a: B, b: B): number => place(a) - place(b) || inOrder(a, b);
  // Most stand in it as they come.
  return builds.every((build, at) => at === 0 || order(builds[at - 1] as B, build) <= 0)
    ? builds
    : [...builds].sort(order);
}
