import type { Format } from '../facts/format.js';
import { FORMATS } from '../facts/format.js';
import type { Plugin } from '../catalogue/plugin.js';
import { ROLE_LABELS, ROLES } from '../catalogue/role.js';
import type { FamilyId } from '../catalogue/type-tree.js';
import { FAMILIES, familyOf, TYPE_IDS, TYPE_TREE, type TypeId } from '../catalogue/type-tree.js';
import type { ChestId, DrawerId, PluginId } from '../ids.js';
import { addTo } from '../lists-by-key.js';
import { compareNames } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { Chest } from './rows/chest.js';
import type { DrawerSplit } from './drawer-split.js';
import type { Change } from './edit.js';
import type { DrawerPlan } from './lay-out-drawers.js';
import { layOutDrawers } from './lay-out-drawers.js';
import { chestsOf } from './look-up.js';
import { keysBefore } from './order-keys.js';
import { newChest } from './plan-chest.js';

/** By what a chest can be worked out from the catalogue. */
export const CHEST_BASES = ['type', 'vendor', 'format', 'role-and-type'] as const;
/** By what a chest is worked out. */
export type ChestBasis = (typeof CHEST_BASES)[number];

/** By what the inner drawers of a drawer that is too full are made. */
export const INNER_BASES = ['type', 'vendor', 'letters'] as const;
/** By what a drawer that grows too large is divided. */
export type InnerBasis = (typeof INNER_BASES)[number];

/** How a chest is to be worked out. */
export interface WorkOut {
  readonly by: ChestBasis;
  /** The most plugins of a drawer, above which inner drawers appear; null for no limit. */
  readonly most: number | null;
  readonly inner: InnerBasis;
  /** Whether its drawers fill themselves by rules, so that what arrives appears in them and what is gone leaves; what was filed or left out by hand stays so. */
  readonly follows?: boolean;
}

/** What working out a chest looks at. */
export type Sorted = Pick<Plugin, 'id' | 'name' | 'vendor' | 'types' | 'role'> & {
  readonly formats: readonly Format[];
};

const UNKNOWN: Readonly<Record<ChestBasis, string>> = {
  type: 'type unknown',
  vendor: 'vendor unknown',
  format: 'no build found',
  'role-and-type': 'role unknown',
};

/** The change that makes a chest out of the catalogue. */
export function workOutChest(
  state: Arrangement,
  plugins: readonly Sorted[],
  wish: Pick<Chest, 'name' | 'slots'> & Partial<Pick<Chest, 'selection'>> & { readonly id: ChestId } & WorkOut,
  newDrawerId: () => DrawerId,
): Change {
  const { id, name, slots, selection = false } = wish;
  const [order = ''] = keysBefore(chestsOf(state), null, 1);
  const drawers = layOutDrawers(planDrawers(plugins, wish), id, null, newDrawerId);
  return {
    label: `create the chest ${name}`,
    edits: [
      { of: 'chest', id, before: null, after: { ...newChest({ id, name, order, slots }), selection } },
      ...drawers,
    ],
  };
}

/** The drawers that a worked-out chest would have, each plugin by name; every plugin stands in at least one. */
export function planDrawers(plugins: readonly Sorted[], { by, most, inner, follows = false }: WorkOut): DrawerPlan[] {
  const sorted = [...plugins].sort((a, b) => compareNames(a.name, b.name));
  if (follows) return followingDrawers(sorted, by, most, inner);
  const groups = GROUPS[by](sorted);
  const placed = new Set(
    groups.flatMap(function ids(group): PluginId[] {
      return [...group.plugins.map((one) => one.id), ...group.inner.flatMap(ids)];
    }),
  );
  const rest = sorted.filter((plugin) => !placed.has(plugin.id));
  const all = rest.length === 0 ? groups : [...groups, group(UNKNOWN[by], rest)];
  return all.map((one) => drawerOf(one, most, inner));
}

/** The drawers of a chest that follows: one by rule for each group there is now, and a last one for what none of these takes, also later. */
function followingDrawers(
  sorted: readonly Sorted[],
  by: ChestBasis,
  most: number | null,
  inner: InnerBasis,
): DrawerPlan[] {
  const drawerBy = (name: string, text: string, split: DrawerSplit | null = null): DrawerPlan => ({
    name,
    rule: { kind: 'written', text },
    sort: null,
    split,
    lines: [],
    inner: [],
  });
  const rest = (name: string, texts: readonly string[]): DrawerPlan[] =>
    texts.length === 0 ? [] : [drawerBy(name, `NOT (${texts.join(' OR ')})`)];
  if (by === 'vendor' || by === 'role-and-type') {
    const split = by === 'vendor' ? 'vendor' : 'type';
    return [
      ...ROLES.map((role) => drawerBy(ROLE_LABELS[role], `role:${role}`, split)),
      ...rest(
        'role unknown',
        ROLES.map((role) => `role:${role}`),
      ),
    ];
  }
  const innerSplit = inner === 'letters' ? 'letter' : inner;
  const ruled = (name: string, text: string, held: number): DrawerPlan =>
    drawerBy(name, text, most !== null && held > most ? innerSplit : null);
  if (by === 'format') {
    const there = FORMATS.filter((format) => sorted.some((one) => one.formats.includes(format)));
    return [
      ...there.map((format) =>
        ruled(format, `format:${format}`, sorted.filter((one) => one.formats.includes(format)).length),
      ),
      ...rest(
        'other formats',
        there.map((format) => `format:${format}`),
      ),
    ];
  }
  const there = TYPE_IDS.filter((type) => sorted.some((one) => one.types.includes(type)));
  const ofType = (type: TypeId): DrawerPlan =>
    ruled(TYPE_TREE[type].label, `type:${type}`, sorted.filter((one) => one.types.includes(type)).length);
  const families = (Object.keys(FAMILIES) as FamilyId[]).flatMap((family): DrawerPlan[] => {
    const own = there.filter((type) => familyOf(type) === family).map(ofType);
    return own.length <= 1 ? own : [{ name: FAMILIES[family], rule: null, sort: null, lines: [], inner: own }];
  });
  return [
    ...families,
    ...rest(
      'other types',
      there.map((type) => `type:${type}`),
    ),
  ];
}

interface Group {
  readonly name: string;
  readonly plugins: readonly Sorted[];
  readonly inner: readonly Group[];
}
const group = (name: string, plugins: readonly Sorted[], inner: readonly Group[] = []): Group => ({
  name,
  plugins,
  inner,
});

const GROUPS: Readonly<Record<ChestBasis, (sorted: readonly Sorted[]) => Group[]>> = {
  type: byFamily,
  vendor: byVendor,
  format: (sorted) =>
    FORMATS.map((format) =>
      group(
        format,
        sorted.filter((one) => one.formats.includes(format)),
      ),
    ).filter((one) => one.plugins.length > 0),
  'role-and-type': (sorted) =>
    ROLES.map((role) => {
      const own = sorted.filter((plugin) => plugin.role === role);
      const untyped = own.filter((plugin) => plugin.types.length === 0);
      return group(ROLE_LABELS[role], untyped, byType(own));
    }).filter((one) => one.plugins.length > 0 || one.inner.length > 0),
};

function byType(plugins: readonly Sorted[]): Group[] {
  return TYPE_IDS.map((type) =>
    group(
      TYPE_TREE[type].label,
      plugins.filter((one) => one.types.includes(type)),
    ),
  ).filter((one) => one.plugins.length > 0);
}

function byFamily(plugins: readonly Sorted[]): Group[] {
  return (Object.keys(FAMILIES) as FamilyId[]).flatMap((family): Group[] => {
    const types = TYPE_IDS.filter((type) => familyOf(type) === family);
    const own = types
      .map((type) =>
        group(
          TYPE_TREE[type].label,
          plugins.filter((one) => one.types.includes(type)),
        ),
      )
      .filter((one) => one.plugins.length > 0);
    // A family of one type needs no drawer around its only drawer.
    return own.length <= 1 ? own : [group(FAMILIES[family], [], own)];
  });
}

function byVendor(plugins: readonly Sorted[]): Group[] {
  const vendors = new Map<string, Sorted[]>();
  for (const plugin of plugins) if (plugin.vendor !== null) addTo(vendors, plugin.vendor, plugin);
  return [...vendors].sort(([a], [b]) => compareNames(a, b)).map(([name, own]) => group(name, own));
}

function drawerOf({ name, plugins, inner }: Group, most: number | null, by: InnerBasis): DrawerPlan {
  const tooFull = most !== null && plugins.length > most;
  const parts = tooFull ? partsOf(plugins, most, by) : [];
  return {
    name,
    rule: null,
    sort: null,
    lines: tooFull ? [] : plugins.map((plugin) => ({ pluginId: plugin.id, preset: null, name: null })),
    inner: [...parts, ...inner].map((one) => drawerOf(one, most, by)),
  };
}

/** The parts of what is too much for one drawer: by main type or vendor where that parts it, by letters otherwise. */
function partsOf(plugins: readonly Sorted[], most: number, by: InnerBasis): Group[] {
  if (by === 'letters') return byLetters(plugins, most);
  const groups =
    by === 'vendor'
      ? byVendor(plugins)
      : byType(plugins.map((plugin) => ({ ...plugin, types: plugin.types.slice(0, 1) })));
  const placed = new Set(groups.flatMap((one) => one.plugins.map((plugin) => plugin.id)));
  const rest = plugins.filter((plugin) => !placed.has(plugin.id));
  const all = rest.length === 0 ? groups : [...groups, group(UNKNOWN[by], rest)];
  return all.length > 1 ? all : byLetters(plugins, most);
}

const MOST_LETTERS = 14;

/** Even stretches of the alphabet, named after their first and last letters. */
function byLetters(plugins: readonly Sorted[], most: number): Group[] {
  const parts = Math.ceil(plugins.length / most);
  const size = Math.ceil(plugins.length / parts);
  const taken = new Set<string>();
  return Array.from({ length: parts }, (_, at) => plugins.slice(at * size, (at + 1) * size))
    .filter((own) => own.length > 0)
    .map((own) => {
      const [first, last] = [own[0], own.at(-1)];
      let name = '';
      // As few letters as tell both ends, and this stretch from the others, apart.
      for (let letters = 2; letters <= MOST_LETTERS; letters++) {
        name = `${beginning(first, letters)}–${beginning(last, letters)}`;
        if (!taken.has(name) && (own.length === 1 || beginning(first, letters) !== beginning(last, letters))) break;
      }
      for (let number = 2, plain = name; taken.has(name); number++) name = `${plain} (${String(number)})`;
      taken.add(name);
      return group(name, own);
    });
}

const beginning = (plugin: Sorted | undefined, letters: number): string =>
  Array.from(plugin?.name ?? '')
    .slice(0, letters)
    .join('');
