import { FAMILIES, familyOf, TYPE_TREE, type FamilyId, type TypeId } from '@clever-drawer/core/catalogue/type-tree';
import { ROLE_LABELS } from '@clever-drawer/core/catalogue/role';
import { trayName } from '@clever-drawer/core/chests/look-up';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { groupsOf } from '@clever-drawer/core/chests/row-groups';
import { LAST_LOOK } from '@clever-drawer/core/chests/rows/look';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import { asideLabel } from '@clever-drawer/core/chests/rows/aside';
import { folderName } from '@clever-drawer/core/facts/plugin-path';
import { COMPARE_BY } from '@clever-drawer/core/chests/drawer-sort';
import { daysBetween, localDay, type LocalDay } from '@clever-drawer/core/local-day';
import { facetOf, type Facet } from '@clever-drawer/core/search/narrow';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import { isElsewhere } from '../../catalogue/presence';
import type { Question } from '../find/use-sort-view';
import { ENDS_SOON, HAS_ENDED, SOON_DAYS } from './ends';

export const NOT_KNOWN = 'unknown';
export const NONE = 'none';

/** The states that a plugin can be in, in the order of their ribbon. */
export const STATES = [
  'to-file',
  'filed',
  'new',
  'aside',
  'not-found',
  'faulty',
  'several',
  'own',
  'elsewhere',
] as const;
type State = (typeof STATES)[number];
const STATE_LABELS: Readonly<Record<State, string>> = {
  'to-file': 'to file',
  filed: 'filed',
  new: 'new',
  aside: 'set aside',
  'not-found': 'not found',
  faulty: 'faulty',
  several: 'several builds',
  own: 'own entries',
  elsewhere: 'not on this computer',
};

/** What the loads of a plugin say, in the order of their ribbon. Some hold together: what is not loaded for a year isn't for 90 days either. */
export const USES = ['never', 'most', 'last-30', 'not-90', 'not-365'] as const;
type UseValue = (typeof USES)[number];
/** So many are the most loaded ones. */
export const MAX_LOADED = 20;
const USE_LABELS: Readonly<Record<UseValue, string>> = {
  never: 'never',
  most: 'most',
  'last-30': 'lately',
  'not-90': 'not for 90 days',
  'not-365': 'not for a year',
};

/** What a segment of loads says, in full; undefined for a value that is none. */
export const loadsInWords = (value: string): string | undefined =>
  (USE_WORDS as Readonly<Record<string, string>>)[value];
const USE_WORDS: Readonly<Record<UseValue, string>> = {
  never: 'never loaded on this computer',
  most: `the ${String(MAX_LOADED)} that were loaded most`,
  'last-30': 'loaded in the last 30 days',
  'not-90': 'loaded, but not for 90 days',
  'not-365': 'loaded, but not for a year',
};

const FAMILY = 'family:';
/** The value of a filter that stands for a whole family of types. */
export const familyValue = (family: FamilyId): string => FAMILY + family;
/** The family that a value stands for; null when it is none. */
export const familyIn = (value: string): FamilyId | null => {
  const family = value.startsWith(FAMILY) ? value.slice(FAMILY.length) : null;
  return family !== null && family in FAMILIES ? (family as FamilyId) : null;
};
/** Whether a value is a type. */
export const isType = (value: string): value is TypeId => value in TYPE_TREE;

/** The words of a filter's value, as ribbons and chips show it. */
export function labelOf(question: Question, value: string, state: Arrangement): string {
  switch (question) {
    case 'role':
      return value === NOT_KNOWN ? 'unknown' : ((ROLE_LABELS as Readonly<Record<string, string>>)[value] ?? value);
    case 'type': {
      const family = familyIn(value);
      if (family !== null) return FAMILIES[family];
      return value === NOT_KNOWN ? 'unknown' : isType(value) ? TYPE_TREE[value].label : value;
    }
    case 'vendor':
      return value === NOT_KNOWN ? 'unknown' : value;
    case 'loaded':
      return (USE_LABELS as Readonly<Record<string, string>>)[value] ?? value;
    case 'state':
      return (STATE_LABELS as Readonly<Record<string, string>>)[value] ?? value;
    case 'tray':
      return value === NONE ? 'on none' : trayName(state, Number(value));
    case 'drawer':
      return value === NONE ? 'none' : (state.drawer.get(value)?.name ?? 'a drawer that is gone');
    case 'width':
      return value === NOT_KNOWN ? 'unknown' : value === 'more' ? 'more' : value;
    case 'bits':
      return value === NOT_KNOWN ? 'unknown' : `${value} bits`;
    case 'aside':
      return value === ENDS_SOON
        ? `ends in ${String(SOON_DAYS)} days`
        : value === HAS_ENDED
          ? 'ended'
          : asideLabel(value);
    case 'folder':
      return folderName(value);
    case 'format':
    case 'tag':
      return value;
  }
}

/** What the catalogue alone says. */
export interface CatalogueFacets {
  readonly role: Facet;
  readonly type: Facet;
  readonly vendor: Facet;
  readonly format: Facet;
}

/** The values of the questions that the catalogue alone answers. */
export const catalogueFacets = ({ plugins }: ChosenCatalogue): CatalogueFacets => ({
  role: facetOf(plugins.map((plugin) => plugin.role ?? NOT_KNOWN)),
  type: facetOf(plugins.map(typesOf)),
  vendor: facetOf(plugins.map((plugin) => plugin.vendor ?? NOT_KNOWN)),
  format: facetOf(plugins.map(formatsOf)),
});

/** The same list for the same parts: what is worked out of it once serves all who have it. */
export function shared(
  make: (parts: readonly string[]) => readonly string[],
): (parts: readonly string[]) => readonly string[] {
  const made = new Map<string, readonly string[]>();
  return (parts) => {
    const key = parts.length === 1 ? (parts[0] ?? '') : parts.join('\n');
    let list = made.get(key);
    if (list === undefined) made.set(key, (list = make(parts)));
    return list;
  };
}

const withFamilies = shared((types) =>
  types.length === 0
    ? [NOT_KNOWN]
    : [...new Set([...types, ...types.map((type) => familyValue(familyOf(type as TypeId)))])],
);
const typesOf = ({ types }: ChosenItem): readonly string[] => withFamilies(types);

const sameFormats = shared((formats) => [...formats]);
const NO_FORMATS: readonly string[] = [];

/** Formats of the builds that are there, each once. */
export function formatsOf({ builds }: ChosenItem): readonly string[] {
  const formats: string[] = [];
  for (const { found, format } of builds) if (found && !formats.includes(format)) formats.push(format);
  return formats.length === 0 ? NO_FORMATS : sameFormats(formats);
}

/** How often and how lately each plugin was loaded, on a day. */
export function loadsFacet({ plugins }: ChosenCatalogue, today: LocalDay): Facet {
  const most = new Set(
    plugins
      .filter((plugin) => plugin.loads > 0)
      .sort(COMPARE_BY.loads)
      .slice(0, MAX_LOADED),
  );
  const values = ({ lastLoad }: ChosenItem): readonly UseValue[] => {
    if (lastLoad === null) return NEVER;
    const days = daysBetween(localDay(lastLoad), today);
    if (days <= 30) return LATELY;
    return days > 365 ? NOT_FOR_A_YEAR : days > 90 ? NOT_FOR_LONG : NO_USE;
  };
  return facetOf(plugins.map((plugin) => (most.has(plugin) ? ['most', ...values(plugin)] : values(plugin))));
}
const NEVER: readonly UseValue[] = ['never'];
const LATELY: readonly UseValue[] = ['last-30'];
const NOT_FOR_LONG: readonly UseValue[] = ['not-90'];
const NOT_FOR_A_YEAR: readonly UseValue[] = ['not-90', 'not-365'];
const NO_USE: readonly UseValue[] = [];

/** For each plugin by its place in the catalogue: 1 where it stands in a drawer of the chest at hand. */
export type Filed = Uint8Array;
/** It waits to be filed. */
export const TO_FILE = 0;
/** It stands in a drawer of the chest at hand. */
export const FILED = 1;
/** It stands in none, and the chest does not wait for it either. */
export const NOT_WANTED = 2;

/** What the arrangement says. */
export interface ArrangedFacets {
  readonly state: Facet;
  readonly tray: Facet;
}

/** Where plugins stand in the chest at hand: whether anywhere, and in which drawers. */
export interface Places {
  readonly has: (id: ItemId) => boolean;
  readonly of: (id: ItemId) => readonly DrawerId[];
  /** Whether a rule put it somewhere, and no hand. */
  readonly isByRule: (id: ItemId) => boolean;
}

export const NOTHING_ASKED: Facet = { values: [], of: [] };
const NO_TAGS: readonly string[] = [];
/** The tags of each plugin. */
export const tagFacet = ({ plugins }: ChosenCatalogue): Facet =>
  facetOf(plugins.map((plugin) => plugin.naming?.tags ?? NO_TAGS));
/** The drawers that each plugin stands in. */
export const drawerFacet = ({ plugins }: ChosenCatalogue, places: Places): Facet =>
  facetOf(plugins.map((plugin) => (places.has(plugin.id) ? places.of(plugin.id) : NOWHERE)));

const NOWHERE: readonly string[] = [NONE];

/** The values of the questions that the arrangement answers. */
export function arrangedFacets(
  { plugins, firstArrival }: ChosenCatalogue,
  state: Arrangement,
  isFiled: Filed,
): ArrangedFacets {
  const seen = state.look.get(LAST_LOOK)?.at ?? firstArrival;
  const trays = groupsOf(state, 'traysOf');
  return {
    state: facetOf(plugins.map((plugin, number) => statesOf(plugin, isFiled[number] ?? NOT_WANTED, seen))),
    tray: facetOf(plugins.map((plugin) => trays.get(plugin.id)?.map((entry) => String(entry.tray)) ?? NOWHERE)),
  };
}

/** Whether a plugin arrived on this computer after the producer last looked at what is new, and not with the first scan of its folder. */
export const isNew = (plugin: ChosenItem, seen: string | null): boolean =>
  seen !== null && plugin.arrivedAt > seen && !plugin.arrivedWithFolder && !isElsewhere(plugin);

/** The state that a plugin of another computer alone is in. */
export const ELSEWHERE: State = 'elsewhere';

const inStates = new Map<number, readonly State[]>();

/** The same list for all that are in the same states. */
function statesOf(plugin: ChosenItem, filed: number, seen: string | null): readonly State[] {
  let states = 0;
  const add = (state: State): void => void (states |= 1 << STATES.indexOf(state));
  if (isElsewhere(plugin)) add(ELSEWHERE);
  else {
    if (filed === FILED) add('filed');
    else if (filed === TO_FILE && plugin.aside === null) add('to-file');
    if (isNew(plugin, seen)) add('new');
    if (plugin.aside !== null) add('aside');
    if (!plugin.found) add('not-found');
    if (plugin.aside?.reason === 'faulty' || plugin.builds.some((build) => build.failed)) add('faulty');
    if (plugin.builds.length > 1) add('several');
    if (plugin.program !== undefined) add('own');
  }
  let list = inStates.get(states);
  if (list === undefined) inStates.set(states, (list = STATES.filter((_state, bit) => (states & (1 << bit)) !== 0)));
  return list;
}
