import type { DndContextProps } from '@dnd-kit/core';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Changes } from '../shared/use-changes';
import { targetOf, type Dragged, type Target } from './drag';
import { effectOf } from './drop-effect';

interface Drop {
  readonly dragged: Dragged | null;
  readonly target: Target | null;
  readonly handlers: Pick<DndContextProps, 'onDragStart' | 'onDragMove' | 'onDragOver' | 'onDragEnd' | 'onDragCancel'>;
}

/** Follows a drag, and carries out what it ends in; one that comes to nothing over a target says why. */
export function useDrop(state: Arrangement, changes: Changes): Drop {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const [target, setTarget] = useState<Target | null>(null);
  const end = (): void => {
    setDragged(null);
    setTarget(null);
  };
  const aim = (next: Target | null): void =>
    // Most moves stay over the same target: nothing is drawn anew for them.
    setTarget((old) => (JSON.stringify(old) === JSON.stringify(next) ? old : next));
  return {
    dragged,
    target,
    handlers: {
      onDragStart: ({ active }) => setDragged(active.data.current as Dragged),
      onDragMove: (event) => aim(targetOf(event)),
      // The move that reaches a front still tells the place before it; this one follows with the front itself.
      onDragOver: (event) => aim(targetOf(event)),
      onDragCancel: end,
      onDragEnd: (event) => {
        const at = targetOf(event);
        end();
        if (at === null) return;
        const { intent, words } = effectOf(event.active.data.current as Dragged, at, state);
        if (intent !== null) void changes.make(intent);
        else if (words !== '' && at.kind !== 'chest') toast.warning(`Not done ${words}.`);
      },
    },
  };
}
