import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import { trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import { DRAWER_SORT_LABELS } from '@clever-drawer/core/chests/drawer-sort';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { drawersIn, itemOnTray, pathTo, trayName } from '@clever-drawer/core/chests/look-up';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import { homeKey, type Dragged, type LineHome } from '../../parts/dragged';
import { namesTakenAlong } from '../filing/desk-wishes';
import type { Target } from './drag';

/** What letting go would do, in words for the label of the drag; without intents it can't be done, and the words say why. */
export interface Effect {
  readonly words: string;
  readonly intents: readonly Intent[];
}

const does = (words: string, ...intents: readonly Intent[]): Effect => ({ words, intents });

const NOWHERE: Effect = { words: '– drop it on a drawer or a tray', intents: [] };

/**
 * What a drag would do if it ended at a target. `moves`: a key is held down with which what is dragged from a drawer or tray leaves it; otherwise it
 * is there and here.
 */
export function effectOf(dragged: Dragged, target: Target | null, state: Arrangement, moves = false): Effect {
  if (target === null) return NOWHERE;
  if ('drawerId' in dragged) return drawerEffect(dragged.drawerId, target, state);
  const stays = pluginEffect(dragged, target, state);
  const { from } = dragged;
  if (from === undefined || isHome(from, target)) return stays;
  if (!moves) return stays.intents.length === 0 ? stays : { ...stays, words: `${stays.words} too (${MOVES}: move)` };
  const out = outOf(from, dragged.pluginIds, state);
  // What is there already can still leave the place that it is dragged from.
  if (stays.intents.length === 0 && !isThere(dragged.pluginIds, target, state)) return stays;
  if (stays.intents.length === 0 && out.length === 0) return stays;
  const names = 'drawerId' in from ? namesKept(state, dragged.pluginIds, from.drawerId, target) : [];
  const where = 'drawerId' in from ? (state.drawer.get(from.drawerId)?.name ?? '') : trayName(state, from.tray);
  const words = stays.intents.length === 0 ? `→ ${nameOfTarget(target, state)}` : stays.words;
  return does(`${words}, out of ${where}`, ...stays.intents, ...names, ...out);
}

/** The key that makes a drag move what it takes along. */
const MOVES = 'Shift';

const isHome = (from: LineHome, target: Target): boolean =>
  target.kind === 'line'
    ? homeKey(target.home) === homeKey(from)
    : target.kind === 'into'
      ? 'drawerId' in from && from.drawerId === target.drawerId
      : target.kind === 'tray' && 'tray' in from && from.tray === target.tray;

function isThere(ids: readonly ItemId[], target: Target, state: Arrangement): boolean {
  if (ids.length === 0) return false;
  if (target.kind === 'into') return ids.every((id) => state.entry.has(entryId(target.drawerId, id)));
  return target.kind === 'tray' && ids.every((id) => state.trayEntry.has(trayEntryId(target.tray, id)));
}

function nameOfTarget(target: Target, state: Arrangement): string {
  if (target.kind === 'tray') return trayName(state, target.tray);
  return target.kind === 'into' ? (state.drawer.get(target.drawerId)?.name ?? '') : '';
}

function outOf(from: LineHome, pluginIds: readonly ItemId[], state: Arrangement): readonly Intent[] {
  if ('tray' in from) return [{ kind: 'tray-off', tray: from.tray, pluginIds }];
  const own = pluginIds.filter((id) => state.entry.has(entryId(from.drawerId, id)));
  return own.length === 0 ? [] : [{ kind: 'take-out', drawerId: from.drawerId, pluginIds: own }];
}

function namesKept(state: Arrangement, ids: readonly ItemId[], from: DrawerId, target: Target): readonly Intent[] {
  const to =
    target.kind === 'into'
      ? target.drawerId
      : target.kind === 'line' && 'drawerId' in target.home
        ? target.home.drawerId
        : null;
  return to === null ? [] : namesTakenAlong(state, ids, from, to);
}

function pluginEffect(dragged: Extract<Dragged, { pluginIds: unknown }>, target: Target, state: Arrangement): Effect {
  const { pluginIds, dividers } = dragged;
  switch (target.kind) {
    case 'into':
      return intoDrawer(pluginIds, target.drawerId, state);
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

function ontoTray(pluginIds: readonly ItemId[], tray: number, state: Arrangement): Effect {
  const name = trayName(state, tray);
  if (pluginIds.length === 0) return { words: '– a divider stays in its drawer', intents: [] };
  if (pluginIds.every((id) => state.trayEntry.has(trayEntryId(tray, id))))
    return { words: `– already on ${name}`, intents: [] };
  return does(`→ ${name}`, { kind: 'tray-on', tray, pluginIds });
}

function drawerEffect(id: DrawerId, target: Target, state: Arrangement): Effect {
  const drawer = state.drawer.get(id);
  if (drawer === undefined || target.kind === 'tray' || target.kind === 'line') return NOWHERE;
  const { chestId } = drawer;
  if (target.kind === 'chest')
    return does('→ end of the chest', { kind: 'move-drawer', id, chestId, parentId: null, before: null });
  const neighbour = state.drawer.get(target.drawerId);
  if (neighbour === undefined || neighbour.id === id) return { words: '', intents: [] };
  if (pathTo(state, neighbour.id).some((one) => one.id === id)) return { words: '– not into itself', intents: [] };
  if (target.kind === 'into')
    return does(`→ inside ${neighbour.name}`, {
      kind: 'move-drawer',
      id,
      chestId: neighbour.chestId,
      parentId: neighbour.id,
      before: null,
    });
  const before = target.kind === 'before' ? neighbour.id : nextAfter(state, neighbour.id);
  return does(`→ ${target.kind} ${neighbour.name}`, {
    kind: 'move-drawer',
    id,
    chestId: neighbour.chestId,
    parentId: neighbour.parentId,
    before: before === id ? nextAfter(state, id) : before,
  });
}

function nextAfter(state: Arrangement, id: DrawerId): DrawerId | null {
  const drawer = state.drawer.get(id);
  if (drawer === undefined) return null;
  const siblings = drawersIn(state, drawer.chestId, drawer.parentId);
  const next = siblings[siblings.findIndex((one) => one.id === id) + 1];
  return next === undefined ? null : asId<DrawerId>(next.id);
}
