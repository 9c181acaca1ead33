import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import { trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import { DRAWER_SORT_LABELS } from '@clever-drawer/core/chests/drawer-sort';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { looseDrawer } from '@clever-drawer/core/chests/loose';
import { levelSort } from '@clever-drawer/core/chests/level';
import { LEVEL_SORT_LABELS } from '@clever-drawer/core/chests/level-sort';
import { drawersIn, itemOnTray, pathTo, trayName } from '@clever-drawer/core/chests/look-up';
import { asId, type ChestId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import { homeKey, type Dragged, type LineHome } from '../../parts/dragged';
import { fileLoose } from '../../boxes/file-loose';
import { leaveWishes } from '../filing/desk-wishes';
import type { Target } from './drag';

/** What letting go would do, in words for the label of the drag; without intents it can't be done, and the words say why. */
export interface Effect {
  readonly words: string;
  readonly intents: readonly Intent[];
  /** With a key held down it would move instead. */
  readonly canMove?: boolean;
}

const does = (words: string, ...intents: readonly Intent[]): Effect => ({ words, intents });

const NOWHERE: Effect = { words: '– drop it on a drawer or a tray', intents: [] };

/**
 * What a drag would do if it ended at a target. `moves`: the key is held down with which what is dragged from a drawer or tray leaves it; otherwise it
 * is there and here.
 */
export function effectOf(dragged: Dragged, target: Target | null, state: Arrangement, moves = false): Effect {
  if (target === null) return NOWHERE;
  if ('drawerIds' in dragged) return drawersEffect(dragged.drawerIds, target, state);
  const stays = pluginEffect(dragged, target, state);
  const { from, pluginIds } = dragged;
  const to = homeOf(target);
  if (from === undefined || to === null || homeKey(from) === homeKey(to)) return stays;
  const isThere =
    stays.intents.length === 0 && pluginIds.length > 0 && pluginIds.every((id) => standsIn(to, id, state));
  if (stays.intents.length === 0 && !isThere) return stays;
  if (!moves) return isThere ? stays : { ...stays, words: `${stays.words} too`, canMove: true };
  const out = leaveWishes(state, pluginIds, from, 'drawerId' in to ? to.drawerId : null);
  // What a rule put there stays, and what is there already has nothing to come for then.
  if (out.length === 0) return { ...stays, words: `${stays.words}; a rule keeps it in ${nameOf(from, state)}` };
  return does(
    `${isThere ? `→ ${nameOf(to, state)}` : stays.words}, out of ${nameOf(from, state)}`,
    ...stays.intents,
    ...out,
  );
}

/** The drawer or tray that a target for plugins belongs to. */
function homeOf(target: Target): LineHome | null {
  if (target.kind === 'line') return target.home;
  if (target.kind === 'tray') return { tray: target.tray };
  return target.kind === 'into' ? { drawerId: target.drawerId } : null;
}

const standsIn = (home: LineHome, id: ItemId, state: Arrangement): boolean =>
  'tray' in home ? state.trayEntry.has(trayEntryId(home.tray, id)) : state.entry.has(entryId(home.drawerId, id));

const nameOf = (home: LineHome, state: Arrangement): string =>
  'tray' in home ? trayName(state, home.tray) : (state.drawer.get(home.drawerId)?.name ?? '');

function pluginEffect(dragged: Extract<Dragged, { pluginIds: unknown }>, target: Target, state: Arrangement): Effect {
  const { pluginIds, dividers } = dragged;
  switch (target.kind) {
    case 'new':
      return pluginIds.length === 0
        ? { words: '– a divider stays in its drawer', intents: [] }
        : does('→ a new drawer', {
            kind: 'make-drawer',
            id: asId<DrawerId>(crypto.randomUUID()),
            chestId: target.chestId,
            parentId: null,
            name: nameForDropped(state, target.chestId),
            rule: null,
            pluginIds,
          });
    case 'into':
      return intoDrawer(pluginIds, target.drawerId, state);
    case 'chest':
      return intoChest(pluginIds, target.chestId, state);
    case 'tray':
      return ontoTray(pluginIds, target.tray, state);
    case 'line': {
      const { home, before } = target;
      if ('tray' in home) {
        const neighbour = itemOnTray(state, before);
        return does(`→ ${trayName(state, home.tray)}, here`, {
          kind: 'place-on-tray',
          tray: home.tray,
          pluginIds,
          before: neighbour,
        });
      }
      const drawer = state.drawer.get(home.drawerId);
      if (drawer === undefined) return NOWHERE;
      if (drawer.sort !== null) {
        const into = intoDrawer(pluginIds, drawer.id, state);
        const order = DRAWER_SORT_LABELS[drawer.sort];
        return into.intents.length === 0
          ? { words: `– ${drawer.name} is kept sorted (${order}); turn that off to order by hand`, intents: [] }
          : does(`${into.words}, in its order (${order})`, ...into.intents);
      }
      const own = dividers?.drawerId === drawer.id ? dividers.ids : [];
      if (pluginIds.length + own.length === 0) return { words: '– a divider stays in its drawer', intents: [] };
      return does(`→ ${drawer.name}, here`, {
        kind: 'place',
        drawerId: drawer.id,
        pluginIds,
        dividerIds: own,
        before,
      });
    }
    default:
      return NOWHERE;
  }
}

/** A name that no drawer of the chest has yet: "New drawer", "New drawer 2" … */
function nameForDropped(state: Arrangement, chestId: ChestId): string {
  const taken = new Set(drawersIn(state, chestId, null).map((one) => one.name));
  for (let number = 1; ; number++) {
    const name = number === 1 ? 'New drawer' : `New drawer ${String(number)}`;
    if (!taken.has(name)) return name;
  }
}

function intoDrawer(pluginIds: readonly ItemId[], drawerId: DrawerId, state: Arrangement): Effect {
  const name = state.drawer.get(drawerId)?.name ?? '';
  if (pluginIds.length === 0) return { words: '– a divider stays in its drawer', intents: [] };
  const present = pluginIds.filter((id) => state.entry.has(entryId(drawerId, id))).length;
  if (present === pluginIds.length) return { words: `– already in ${name}`, intents: [] };
  return does(`→ ${name}${present === 0 ? '' : ` (${String(present)} in there already)`}`, {
    kind: 'file',
    drawerIds: [drawerId],
    pluginIds,
  });
}

/** Into the chest itself, without a drawer. */
function intoChest(pluginIds: readonly ItemId[], chestId: ChestId, state: Arrangement): Effect {
  const loose = looseDrawer(state, chestId);
  if (loose !== undefined) return intoDrawer(pluginIds, loose.id, state);
  const name = state.chest.get(chestId)?.name ?? '';
  if (pluginIds.length === 0) return { words: '– a divider stays in its drawer', intents: [] };
  return does(`→ ${name}, without a drawer`, fileLoose(chestId, pluginIds));
}

function ontoTray(pluginIds: readonly ItemId[], tray: number, state: Arrangement): Effect {
  const name = trayName(state, tray);
  if (pluginIds.length === 0) return { words: '– a divider stays in its drawer', intents: [] };
  if (pluginIds.every((id) => state.trayEntry.has(trayEntryId(tray, id))))
    return { words: `– already on ${name}`, intents: [] };
  return does(`→ ${name}`, { kind: 'tray-on', tray, pluginIds });
}

function drawersEffect(ids: readonly DrawerId[], target: Target, state: Arrangement): Effect {
  const [first] = ids;
  const drawer = first === undefined ? undefined : state.drawer.get(first);
  if (drawer === undefined || target.kind === 'tray' || target.kind === 'line' || target.kind === 'new') return NOWHERE;
  const moved = (words: string, spot: Spot, before: DrawerId | null): Effect =>
    does(words, ...ids.map((id): Intent => ({ kind: 'move-drawer', id, ...spot, before })));
  if (target.kind === 'chest') return moved('→ end of the chest', { chestId: drawer.chestId, parentId: null }, null);
  const neighbour = state.drawer.get(target.drawerId);
  if (neighbour === undefined || ids.includes(neighbour.id)) return { words: '', intents: [] };
  if (pathTo(state, neighbour.id).some((one) => ids.includes(one.id)))
    return { words: '– not into itself', intents: [] };
  const { chestId, parentId } = neighbour;
  if (target.kind === 'into') return moved(`→ inside ${neighbour.name}`, { chestId, parentId: neighbour.id }, null);
  const sort = levelSort(state, chestId, parentId);
  if (sort !== null && ids.every((id) => state.drawer.get(id)?.parentId === parentId))
    return {
      words: `– these drawers are kept sorted (${LEVEL_SORT_LABELS[sort]}); choose “by hand” under Order to move them`,
      intents: [],
    };
  const siblings = drawersIn(state, chestId, parentId);
  const from = siblings.indexOf(neighbour) + (target.kind === 'before' ? 0 : 1);
  const before = siblings.slice(from).find((one) => !ids.includes(one.id))?.id ?? null;
  return moved(`→ ${target.kind} ${neighbour.name}`, { chestId, parentId }, before);
}

/** A level that drawers go into. */
interface Spot {
  readonly chestId: ChestId;
  readonly parentId: DrawerId | null;
}
