/** What listens to keys: what the key table names, and nothing else. */
import { useEffect, useLayoutEffect, useRef, type KeyboardEvent as ReactKey } from 'react';
import { KEYS, type KeyBinding, type KeyOf, type KeyPlace } from './key-table';
import { isComposing, isMac, isStroke, type Stroke } from './strokes';

/**
 * What is done for every key of a place, told which of its strokes it was where there are several; null where there is nothing to do it to. False: it
 * was not for this one, and others may have it.
 */
export type KeyHandlers<P extends KeyPlace> = Readonly<Record<KeyOf<P>, ((stroke?: Stroke) => unknown) | null>>;

/**
 * Does what a key does in a place; returns whether it was such a key. What is held down does once what does not repeat, and is no one else's key
 * then either; while an input method composes, keys are its own.
 */
export function keyPressed<P extends KeyPlace>(place: P, event: KeyboardEvent, handlers: KeyHandlers<P>): boolean {
  if (isComposing(event)) return false;
  for (const [name, entry] of Object.entries<KeyBinding>(KEYS[place])) {
    const handler = handlers[name as KeyOf<P>];
    const stroke = handler === null ? undefined : entry.strokes.find((one) => isStroke(one, event));
    if (handler === null || stroke === undefined) continue;
    if (event.repeat && entry.repeats !== true) return true;
    if (handler(stroke) !== false) return true;
  }
  return false;
}

/** The same for what has the focus: the key is nobody else's then. */
export function takeKey<P extends KeyPlace>(place: P, event: ReactKey, handlers: KeyHandlers<P>): boolean {
  if (!keyPressed(place, event.nativeEvent, handlers)) return false;
  event.preventDefault();
  event.stopPropagation();
  return true;
}

/** The keys of a place that hold wherever the focus is on the page, but in boxes and menus, and in fields only with Alt. */
export function useKeys<P extends KeyPlace>(place: P, handlers: KeyHandlers<P>): void {
  const latest = useRef(handlers);
  useLayoutEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    // Looked at before anyone acts: the key that closes a box must not go on to the page that is bare then.
    let othersOwn: KeyboardEvent | null = null;
    const look = (event: KeyboardEvent): void => {
      if (isOthers(event)) othersOwn = event;
    };
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event === othersOwn) return;
      if (keyPressed(place, event, latest.current)) event.preventDefault();
    };
    document.addEventListener('keydown', look, { capture: true });
    document.addEventListener('keydown', onKeyDown);
    return () => {
      document.removeEventListener('keydown', look, { capture: true });
      document.removeEventListener('keydown', onKeyDown);
    };
  }, [place]);
}

/** Whether keys belong to a box, a menu or a field in front of the page. */
function isOthers(event: KeyboardEvent): boolean {
  if (document.querySelector('[role="dialog"], .dropdown-menu.show') !== null) return true;
  // On macOS Option types signs in fields.
  return isField(event.target) && (!event.altKey || isMac());
}

const WRITTEN_IN =
  'input:not([type=checkbox], [type=radio], [type=file], [type=button]), textarea, select, [contenteditable=true]';

/** Whether what is typed there is text. */
export const isField = (target: EventTarget | null): boolean => target instanceof Element && target.matches(WRITTEN_IN);
