import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import { trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import { DRAWER_SORT_LABELS } from '@clever-drawer/core/chests/drawer-sort';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { drawersIn, itemOnTray, pathTo, trayName } from '@clever-drawer/core/chests/look-up';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { Dragged } from '../../parts/dragged';
import type { Target } from './drag';

/** What letting go would do, in words for the label of the drag; the intent is null when it can't be done, and the words say why. */
export interface Effect {
  readonly words: string;
  readonly intent: Intent | null;
}

const NOWHERE: Effect = { words: '– drop it on a drawer or a tray', intent: null };

/** What a drag would do if it ended at a target. */
export function effectOf(dragged: Dragged, target: Target | null, state: Arrangement): Effect {
  if (target === null) return NOWHERE;
  return 'drawerId' in dragged ? drawerEffect(dragged.drawerId, target, state) : pluginEffect(dragged, target, state);
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
        return {
          words: `→ ${trayName(state, home.tray)}, here`,
          intent: { kind: 'place-on-tray', tray: home.tray, pluginIds, before: neighbour },
        };
      }
      const drawer = state.drawer.get(home.drawerId);
      if (drawer === undefined) return NOWHERE;
      if (drawer.sort !== null) {
        const into = intoDrawer(pluginIds, drawer.id, state);
        const order = DRAWER_SORT_LABELS[drawer.sort];
        return into.intent === null
          ? { words: `– ${drawer.name} keeps itself in order (${order}); turn that off to order by hand`, intent: null }
          : { words: `${into.words}, in its order (${order})`, intent: into.intent };
      }
      const own = dividers?.drawerId === drawer.id ? dividers.ids : [];
      if (pluginIds.length + own.length === 0) return { words: '– a divider stays in its drawer', intent: null };
      return {
        words: `→ ${drawer.name}, here`,
        intent: { kind: 'place', drawerId: drawer.id, pluginIds, dividerIds: own, before },
      };
    }
    default:
      return NOWHERE;
  }
}

function intoDrawer(pluginIds: readonly ItemId[], drawerId: DrawerId, state: Arrangement): Effect {
  const name = state.drawer.get(drawerId)?.name ?? '';
  if (pluginIds.length === 0) return { words: '– a divider stays in its drawer', intent: null };
  const present = pluginIds.filter((id) => state.entry.has(entryId(drawerId, id))).length;
  if (present === pluginIds.length) return { words: `– in ${name} already`, intent: null };
  return {
    words: `→ ${name}${present === 0 ? '' : ` (${String(present)} in there already)`}`,
    intent: { kind: 'file', drawerIds: [drawerId], pluginIds },
  };
}

function ontoTray(pluginIds: readonly ItemId[], tray: number, state: Arrangement): Effect {
  const name = trayName(state, tray);
  if (pluginIds.length === 0) return { words: '– a divider stays in its drawer', intent: null };
  if (pluginIds.every((id) => state.trayEntry.has(trayEntryId(tray, id))))
    return { words: `– on ${name} already`, intent: null };
  return { words: `→ ${name}`, intent: { kind: 'tray-on', tray, pluginIds } };
}

function drawerEffect(id: DrawerId, target: Target, state: Arrangement): Effect {
  const drawer = state.drawer.get(id);
  if (drawer === undefined || target.kind === 'tray' || target.kind === 'line') return NOWHERE;
  const { chestId } = drawer;
  if (target.kind === 'chest')
    return {
      words: '→ end of the chest',
      intent: { kind: 'move-drawer', id, chestId, parentId: null, before: null },
    };
  const neighbour = state.drawer.get(target.drawerId);
  if (neighbour === undefined || neighbour.id === id) return { words: '', intent: null };
  if (pathTo(state, neighbour.id).some((one) => one.id === id)) return { words: '– not into itself', intent: null };
  if (target.kind === 'into')
    return {
      words: `→ inside ${neighbour.name}`,
      intent: { kind: 'move-drawer', id, chestId: neighbour.chestId, parentId: neighbour.id, before: null },
    };
  const before = target.kind === 'before' ? neighbour.id : nextAfter(state, neighbour.id);
  return {
    words: `→ ${target.kind} ${neighbour.name}`,
    intent: {
      kind: 'move-drawer',
      id,
      chestId: neighbour.chestId,
      parentId: neighbour.parentId,
      before: before === id ? nextAfter(state, id) : before,
    },
  };
}

function nextAfter(state: Arrangement, id: DrawerId): DrawerId | null {
  const drawer = state.drawer.get(id);
  if (drawer === undefined) return null;
  const siblings = drawersIn(state, drawer.chestId, drawer.parentId);
  const next = siblings[siblings.findIndex((one) => one.id === id) + 1];
  return next === undefined ? null : asId<DrawerId>(next.id);
}
