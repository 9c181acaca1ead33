import type { DndContextProps } from '@dnd-kit/core';
import isSame from 'fast-deep-equal';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Changes } from '../../arrangement/changes';
import type { Dragged } from '../../parts/dragged';
import { openMenuAtRest, pointOf, type Point } from '../../parts/pointer-drag';
import { targetAt, type Target } from './drag';
import { edgeScroller } from './edge-scroll';
import { effectOf } from './drop-effect';

interface Drop {
  readonly dragged: Dragged | null;
  readonly target: Target | null;
  /** Whether the key is held down that moves what is dragged out of where it was. */
  readonly moves: boolean;
  readonly handlers: Pick<DndContextProps, 'onDragStart' | 'onDragMove' | 'onDragEnd' | 'onDragCancel'>;
}

/** Follows a drag, and carries out what it ends in; one that comes to nothing over a target says why. */
export function useDrop(state: Arrangement, changes: Changes): Drop {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const [target, setTarget] = useState<Target | null>(null);
  const pointer = useRef<Point | null>(null);
  const [moves, setMoves] = useState(false);
  const isMoving = useRef(false);
  const aim = (what: Dragged): void => {
    if (pointer.current === null) return;
    const next = targetAt(pointer.current, what);
    // Most moves stay over the same target: nothing is drawn anew for them.
    setTarget((old) => (isSame(old, next) ? old : next));
  };
  useEffect(() => {
    if (dragged === null) return undefined;
    const scroller = edgeScroller(() => aim(dragged));
    const hold = (event: UIEvent): void => {
      const { shiftKey = false } = event as Partial<KeyboardEvent>;
      isMoving.current = shiftKey;
      setMoves(shiftKey);
    };
    const follow = (event: UIEvent): void => {
      hold(event);
      pointer.current = pointOf(event) ?? pointer.current;
      if (pointer.current !== null) scroller.follow(pointer.current);
    };
    const EVENTS = { pointermove: follow, touchmove: follow, keydown: hold, keyup: hold } as const;
    for (const [name, listener] of Object.entries(EVENTS))
      window.addEventListener(name, listener as EventListener, { capture: true });
    return () => {
      scroller.stop();
      for (const [name, listener] of Object.entries(EVENTS))
        window.removeEventListener(name, listener as EventListener, { capture: true });
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
    handlers: {
      onDragStart: ({ active, activatorEvent }) => {
        pointer.current = pointOf(activatorEvent);
        isMoving.current = false;
        setMoves(false);
        setDragged(active.data.current as Dragged);
      },
      // Told of moves of the pointer, and of what scrolls away under it.
      onDragMove: ({ active }) => aim(active.data.current as Dragged),
      onDragCancel: end,
      onDragEnd: ({ active, activatorEvent, delta }) => {
        if (openMenuAtRest(activatorEvent, delta)) {
          end();
          return;
        }
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
