import type { DndContextProps } from '@dnd-kit/core';
import isSame from 'fast-deep-equal';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Changes } from '../../arrangement/changes';
import type { Dragged } from '../../parts/dragged';
import { isAtEdge, pointOf, targetAt, type Point, type Target } from './drag';
import { effectOf } from './drop-effect';

interface Drop {
  readonly dragged: Dragged | null;
  readonly target: Target | null;
  /** Whether the key is held down that moves what is dragged out of where it was. */
  readonly moves: boolean;
  /** Whether the chest scrolls: the pointer has rested at its edge. */
  readonly scrolls: boolean;
  readonly handlers: Pick<DndContextProps, 'onDragStart' | 'onDragMove' | 'onDragEnd' | 'onDragCancel'>;
}

/** So long the pointer rests at the edge before the chest scrolls: what is only passed over on the way to a target stays where it is. */
const REST_MS = 450;

/** Follows a drag, and carries out what it ends in; one that comes to nothing over a target says why. */
export function useDrop(state: Arrangement, changes: Changes): Drop {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const [target, setTarget] = useState<Target | null>(null);
  const pointer = useRef<Point | null>(null);
  const [moves, setMoves] = useState(false);
  const [scrolls, setScrolls] = useState(false);
  const isMoving = useRef(false);
  useEffect(() => {
    if (dragged === null) return undefined;
    let rest: ReturnType<typeof setTimeout> | undefined;
    const hold = (event: PointerEvent | KeyboardEvent): void => {
      isMoving.current = event.shiftKey;
      setMoves(event.shiftKey);
    };
    const follow = (event: PointerEvent): void => {
      hold(event);
      pointer.current = { x: event.clientX, y: event.clientY };
      if (!isAtEdge(pointer.current)) {
        clearTimeout(rest);
        rest = undefined;
        setScrolls(false);
      } else rest ??= setTimeout(() => setScrolls(true), REST_MS);
    };
    window.addEventListener('pointermove', follow, { capture: true });
    window.addEventListener('keydown', hold, { capture: true });
    window.addEventListener('keyup', hold, { capture: true });
    return () => {
      clearTimeout(rest);
      setScrolls(false);
      window.removeEventListener('pointermove', follow, { capture: true });
      window.removeEventListener('keydown', hold, { capture: true });
      window.removeEventListener('keyup', hold, { capture: true });
    };
  }, [dragged]);
  const end = (): void => {
    setDragged(null);
    setTarget(null);
  };
  return {
    dragged,
    target,
    moves,
    scrolls,
    handlers: {
      onDragStart: ({ active, activatorEvent }) => {
        pointer.current = pointOf(activatorEvent);
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
        const { intents, words } = effectOf(what, at, state, isMoving.current);
        if (intents.length > 0) void changes.make(...intents);
        else if (words !== '' && at.kind !== 'chest') toast.warning(asSentence(words));
      },
    },
  };
}

/** "– already in Space" as it is said on its own: "Already in Space." */
const asSentence = (words: string): string => words.replace(/^– (.)/, (_, first: string) => first.toUpperCase()) + '.';
