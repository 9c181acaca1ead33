import { useEffect, useLayoutEffect, useRef } from 'react';

const FIELDS = 'input:not([type="hidden"], :disabled), select:not(:disabled), textarea:not(:disabled)';
/** A box that only asks: Cancel, which does no harm. */
const FIRST_BUTTON = '.modal-footer button';

/**
 * Gives the keyboard to the first field of the box that it stands last in, or to the one that asked for it, also where the menu that opened the box
 * takes it back a moment later.
 */
export function FieldFocus() {
  const own = useRef<HTMLSpanElement>(null);
  const field = useRef<HTMLElement | null>(null);
  useLayoutEffect(() => {
    const box = own.current?.closest('[role="dialog"]');
    const { activeElement } = document;
    const hasFocus = activeElement instanceof HTMLElement && box?.contains(activeElement) === true;
    field.current =
      hasFocus && activeElement !== box
        ? activeElement
        : (box?.querySelector<HTMLElement>(FIELDS) ?? box?.querySelector<HTMLElement>(FIRST_BUTTON) ?? null);
  }, []);
  useEffect(() => {
    const focusField = (): void => {
      const box = own.current?.closest('[role="dialog"]');
      const isWithin = box?.contains(document.activeElement) === true && document.activeElement !== box;
      if (isWithin || field.current === null) return;
      field.current.focus();
      if (field.current instanceof HTMLInputElement) field.current.select();
    };
    // Menus give the keyboard back within a frame, the box takes it for itself in the next.
    let frame = requestAnimationFrame(() => {
      focusField();
      frame = requestAnimationFrame(focusField);
    });
    return () => cancelAnimationFrame(frame);
  }, []);
  return <span ref={own} hidden />;
}
