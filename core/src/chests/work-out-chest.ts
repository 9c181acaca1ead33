import type { ChestId, DrawerId, PluginId } from '../ids.js';
import { compareNames } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import {
  byType,
  byVendor,
  chestGroup,
  GROUPS,
  UNKNOWN,
  type ChestBasis,
  type Group,
  type InnerBasis,
  type Sorted,
} from './chest-groups.js';
import type { Chest } from './rows/chest.js';
import type { Change } from './edit.js';
import { followingDrawers } from './following-drawers.js';
import type { DrawerPlan } from './lay-out-drawers.js';
import { layOutDrawers } from './lay-out-drawers.js';
import { removeDrawer } from './drawer-rows.js';
import { chestsOf, drawersIn } from './look-up.js';
import { keysBefore } from './order-keys.js';
import { newChest } from './plan-chest.js';

/** How a chest is to be worked out. */
export interface WorkOut {
  readonly by: ChestBasis;
  /** The most plugins of a drawer, above which inner drawers appear; null for no limit. */
  readonly most: number | null;
  readonly inner: InnerBasis;
  /** Whether its drawers fill themselves by rules, so that what arrives appears in them and what is gone leaves; what was filed or left out by hand stays so. */
  readonly follows?: boolean;
}

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

/**
 * The change that starts a chest again: what its drawers hold, their names, order and rules go, and they are worked out anew. The chest keeps its name,
 * purpose and place. Plugins, and all other chests, stay as they are.
 */
export function startChestAgain(
  state: Arrangement,
  plugins: readonly Sorted[],
  chest: Chest,
  wish: WorkOut,
  newDrawerId: () => DrawerId,
): Change {
  const gone = drawersIn(state, chest.id, null).flatMap((drawer) => removeDrawer(state, drawer));
  // The first place is free again, so the new drawers are laid out as in a chest that is empty.
  const drawers = layOutDrawers(planDrawers(plugins, wish), chest.id, null, newDrawerId);
  return { label: `start the chest ${chest.name} again`, edits: [...gone, ...drawers] };
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
  const all = rest.length === 0 ? groups : [...groups, chestGroup(UNKNOWN[by], rest)];
  return all.map((one) => drawerOf(one, most, inner));
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
  const all = rest.length === 0 ? groups : [...groups, chestGroup(UNKNOWN[by], rest)];
  return all.length > 1 ? all : byLetters(plugins, most);
}

const MAX_LETTERS = 14;

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
      for (let letters = 2; letters <= MAX_LETTERS; letters++) {
        name = `${beginning(first, letters)}–${beginning(last, letters)}`;
        if (!taken.has(name) && (own.length === 1 || beginning(first, letters) !== beginning(last, letters))) break;
      }
      for (let number = 2, plain = name; taken.has(name); number++) name = `${plain} (${String(number)})`;
      taken.add(name);
      return chestGroup(name, own);
    });
}

const beginning = (plugin: Sorted | undefined, letters: number): string =>
  Array.from(plugin?.name ?? '')
    .slice(0, letters)
    .join('');
