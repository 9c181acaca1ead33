import type { DndContextProps } from '@dnd-kit/core';
import isSame from 'fast-deep-equal';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Changes } from '../../arrangement/changes';
import type { Dragged } from '../../parts/dragged';
import { targetAt, type Point, type Target } from './drag';
import { effectOf } from './drop-effect';

interface Drop {
  readonly dragged: Dragged | null;
  readonly target: Target | null;
  readonly handlers: Pick<DndContextProps, 'onDragStart' | 'onDragMove' | 'onDragEnd' | 'onDragCancel'>;
}

/** Follows a drag, and carries out what it ends in; one that comes to nothing over a target says why. */
export function useDrop(state: Arrangement, changes: Changes): Drop {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const [target, setTarget] = useState<Target | null>(null);
  const pointer = useRef<Point | null>(null);
  useEffect(() => {
    if (dragged === null) return undefined;
    const follow = (event: PointerEvent): void => {
      pointer.current = { x: event.clientX, y: event.clientY };
    };
    window.addEventListener('pointermove', follow, { capture: true });
    return () => window.removeEventListener('pointermove', follow, { capture: true });
  }, [dragged]);
  const end = (): void => {
    setDragged(null);
    setTarget(null);
  };
  return {
    dragged,
    target,
    handlers: {
      onDragStart: ({ active, activatorEvent }) => {
        if (activatorEvent instanceof PointerEvent)
          pointer.current = { x: activatorEvent.clientX, y: activatorEvent.clientY };
        setDragged(active.data.current as Dragged);
      },
      // Told of moves of the pointer, and of what scrolls away under it.
      onDragMove: ({ active }) => {
        if (pointer.current === null) return;
        const next = targetAt(pointer.current, active.data.current as Dragged);
        // Most moves stay over the same target: nothing is drawn anew for them.
        setTarget((old) => (isSame(old, next) ? old : next));
      },
      onDragCancel: end,
      onDragEnd: ({ active }) => {
        const what = active.data.current as Dragged;
        const at = pointer.current === null ? null : targetAt(pointer.current, what);
        end();
        if (at === null) return;
        const { intent, words } = effectOf(what, at, state);
        if (intent !== null) void changes.make(intent);
        else if (words !== '' && at.kind !== 'chest') toast.warning(`Not done ${words}.`);
      },
    },
  };
}
