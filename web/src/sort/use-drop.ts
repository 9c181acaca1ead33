import type { DndContextProps, DragEndEvent, DragMoveEvent } from '@dnd-kit/core';
import { useState } from 'react';
import { drawersIn, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { DrawerId } from '@clever-drawer/core/ids';
import type { Changes } from '../shared/use-changes';
import { targetOf, type Dragged, type Target } from './drag';

interface Drop {
  readonly dragged: Dragged | null;
  readonly target: Target | null;
  readonly handlers: Pick<DndContextProps, 'onDragStart' | 'onDragMove' | 'onDragOver' | 'onDragEnd' | 'onDragCancel'>;
}

/** Follows a drag, and carries out what it ends in. */
export function useDrop(state: Arrangement, changes: Changes): Drop {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const [target, setTarget] = useState<Target | null>(null);
  const end = (): void => {
    setDragged(null);
    setTarget(null);
  };
  return {
    dragged,
    target,
    handlers: {
      onDragStart: ({ active }) => setDragged(active.data.current as Dragged),
      onDragMove: (event: DragMoveEvent) => setTarget(targetOf(event)),
      // The move that reaches a front still tells the place before it; this one follows with the front itself.
      onDragOver: (event) => setTarget(targetOf(event)),
      onDragCancel: end,
      onDragEnd: (event: DragEndEvent) => {
        const at = targetOf(event);
        end();
        if (at !== null) dropOn(state, changes, event.active.data.current as Dragged, at);
      },
    },
  };
}

function dropOn(state: Arrangement, changes: Changes, dragged: Dragged, target: Target): void {
  if (!('drawerId' in dragged)) {
    // Between the fronts nothing takes plugins: the label says so while they are dragged.
    if (target.kind !== 'chest')
      void changes.make({ kind: 'file', drawerIds: [target.drawerId], pluginIds: dragged.pluginIds });
    return;
  }
  const id = dragged.drawerId;
  if (target.kind === 'chest') {
    void changes.make({ kind: 'move-drawer', id, parentId: null, before: null });
    return;
  }
  if (target.drawerId === id) return;
  if (target.kind === 'into') {
    void changes.make({ kind: 'move-drawer', id, parentId: target.drawerId, before: null });
    return;
  }
  const neighbour = state.drawer.get(target.drawerId);
  if (neighbour === undefined) return;
  const before = target.kind === 'before' ? neighbour.id : nextAfter(state, neighbour.id);
  void changes.make({
    kind: 'move-drawer',
    id,
    parentId: neighbour.parentId,
    before: before === id ? nextAfter(state, id) : before,
  });
}

function nextAfter(state: Arrangement, id: DrawerId): DrawerId | null {
  const drawer = state.drawer.get(id);
  if (drawer === undefined) return null;
  const siblings = drawersIn(state, drawer.chestId, drawer.parentId);
  return siblings[siblings.findIndex((one) => one.id === id) + 1]?.id ?? null;
}
