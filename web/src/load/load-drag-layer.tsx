import { DndContext, DragOverlay, pointerWithin, type DndContextProps } from '@dnd-kit/core';
import clsx from 'clsx';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { besidePointer, openMenuAtRest, usePointerSensors } from '../parts/pointer-drag';
import { AimContext } from './load-aim';
import { loadDropEffect, type LoadDragged, type LoadTarget } from './load-drag';
import type { LaneActions } from './lane-menu';
import type { SlotActions } from './slot-button';
import { DRAG_COPIES } from '../keys/key-table';
import { isMac, strokeInWords } from '../keys/strokes';
import labels from '../parts/drag-label.module.css';

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly onSlots: SlotActions;
  readonly onLanes: LaneActions;
  readonly children: ReactNode;
}

const copyKey = (): string => strokeInWords(isMac() ? DRAG_COPIES.onMac : DRAG_COPIES.stroke, isMac());

/** Whether Ctrl (Alt on macOS) is held: then a copy of what is in a slot goes. `now` is read when something is dropped. */
function useCopies(isDragging: boolean) {
  const now = useRef(false);
  const [isHeld, setHeld] = useState(false);
  useEffect(() => {
    if (!isDragging) return undefined;
    const hold = (event: KeyboardEvent | PointerEvent): void => {
      now.current = event.ctrlKey || event.altKey;
      setHeld(now.current);
    };
    const names = ['pointermove', 'keydown', 'keyup'] as const;
    for (const name of names) window.addEventListener(name, hold, { capture: true });
    return () => {
      for (const name of names) window.removeEventListener(name, hold, { capture: true });
    };
  }, [isDragging]);
  return { now, isHeld: isDragging && isHeld };
}

/** Around lanes and drawers: follows what is dragged, says beside the pointer what letting go would do, and does it. By mouse and by finger. */
export function LoadDragLayer({ state, catalogue, onSlots, onLanes, children }: Props) {
  const [dragged, setDragged] = useState<LoadDragged | null>(null);
  const [target, setTarget] = useState<LoadTarget | null>(null);
  const copies = useCopies(dragged !== null);
  const sensors = usePointerSensors();
  const effect = dragged === null ? null : loadDropEffect(dragged, target, state, catalogue);
  const end = (): void => {
    setDragged(null);
    setTarget(null);
  };
  const carryOut = (what: LoadDragged, over: LoadTarget | null): void => {
    const { fits, to, refusal } = loadDropEffect(what, over, state, catalogue);
    if (over === null || to === null || !fits) {
      if (refusal !== null) toast.warning(refusal);
      return;
    }
    if ('slotId' in what) {
      if ('lane' in to) onLanes.putInNewSlot(what.slotId, to.lane, to.kind, copies.now.current);
      else onSlots.put(what.slotId, to, copies.now.current);
    } else if ('lane' in to) onLanes.dropHere(to.lane, what.item, what.buildId);
    else onSlots.loadHere(what.item, to, what.buildId);
  };
  const handlers: Pick<DndContextProps, 'onDragStart' | 'onDragOver' | 'onDragEnd' | 'onDragCancel'> = {
    onDragStart: ({ active }) => {
      copies.now.current = false;
      setDragged(active.data.current as LoadDragged);
    },
    onDragOver: ({ over }) => setTarget((over?.data.current as LoadTarget | undefined) ?? null),
    onDragCancel: end,
    onDragEnd: ({ active, over, activatorEvent, delta }) => {
      end();
      if (openMenuAtRest(activatorEvent, delta)) return;
      carryOut(active.data.current as LoadDragged, (over?.data.current as LoadTarget | undefined) ?? null);
    },
  };
  return (
    <DndContext sensors={sensors} collisionDetection={pointerWithin} {...handlers}>
      <AimContext value={effect?.fits === true ? target : null}>{children}</AimContext>
      <DragOverlay dropAnimation={null} modifiers={[besidePointer]} className={labels.dragOverlay}>
        {dragged !== null && effect !== null && (
          <div className={clsx(labels.dragLabel, !effect.fits && labels.refused)}>
            {dragged.name} <span>{effect.words}</span>
            {effect.fits && 'slotId' in dragged && (
              <span className="quiet"> · {copies.isHeld ? 'a copy' : `${copyKey()} makes a copy`}</span>
            )}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}
