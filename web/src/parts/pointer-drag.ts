import {
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Modifier,
  type SensorDescriptor,
  type SensorOptions,
} from '@dnd-kit/core';

/** A point of the window. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

const BESIDE_PX = { x: 16, y: 20 };

/** Puts the label of a drag beside the pointer, wherever on a wide row the drag began, so that it covers no front's card. */
export const besidePointer: Modifier = ({ transform, activatorEvent, activeNodeRect }) => {
  const began = pointOf(activatorEvent);
  if (activeNodeRect === null || began === null) return transform;
  return {
    ...transform,
    x: transform.x + began.x - activeNodeRect.left + BESIDE_PX.x,
    y: transform.y + began.y - activeNodeRect.top + BESIDE_PX.y,
  };
};

/** Where an event of the mouse or of a finger is; null for one that is nowhere. */
export function pointOf(event: Event | null): Point | null {
  if (event instanceof MouseEvent) return { x: event.clientX, y: event.clientY };
  const [finger] = typeof TouchEvent !== 'undefined' && event instanceof TouchEvent ? event.touches : [];
  return finger === undefined ? null : { x: finger.clientX, y: finger.clientY };
}

// Objects for good: others with every keystroke would draw every front anew.
const MOUSE_STARTS = { activationConstraint: { distance: 5 } };
/** A finger scrolls; one that rests drags. */
const TOUCH_STARTS = { activationConstraint: { delay: 350, tolerance: 8 } };

/** How a drag begins, by mouse and by finger. */
export const usePointerSensors = (): SensorDescriptor<SensorOptions>[] =>
  useSensors(useSensor(MouseSensor, MOUSE_STARTS), useSensor(TouchSensor, TOUCH_STARTS));

const STILL_PX = 10;

/** A finger that rested and did not move asked for the menu of what it rested on: opens it; false for any other drag. */
export function openMenuAtRest(event: Event | null, delta: Point): boolean {
  const at = pointOf(event);
  const isTouch = typeof TouchEvent !== 'undefined' && event instanceof TouchEvent;
  if (!isTouch || at === null || Math.abs(delta.x) > STILL_PX || Math.abs(delta.y) > STILL_PX) return false;
  const target = document.elementFromPoint(at.x, at.y);
  target?.dispatchEvent(
    new MouseEvent('contextmenu', { bubbles: true, cancelable: true, clientX: at.x, clientY: at.y }),
  );
  return true;
}
