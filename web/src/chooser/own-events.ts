import type { KeyboardEvent, MouseEvent } from 'react';

/** Whether a key types a letter or sign. A blank presses buttons, and is typed in the line alone. */
export const isTyping = ({ key, ctrlKey, metaKey, altKey }: globalThis.KeyboardEvent): boolean =>
  key.length === 1 && key !== ' ' && !ctrlKey && !metaKey && !altKey;

/** Boxes in front of it are its children, and not within it. */
export const isWithin = ({ currentTarget, target }: KeyboardEvent | MouseEvent): boolean =>
  currentTarget.contains(target as Element);

/** Whether something stands in a menu. */
export const isInMenu = (target: EventTarget): boolean =>
  target instanceof Element && target.closest('.dropdown-menu') !== null;

/** Keys that do nothing by themselves. */
export const MODIFIERS = new Set(['Shift', 'Control', 'Alt', 'Meta', 'AltGraph']);
