/** Keystrokes by what is typed (`KeyboardEvent.key`), never by where a key lies: the same letter on every keyboard layout. */

/** The part of a keyboard event that is looked at. */
export interface Pressed {
  readonly key: string;
  readonly code: string;
  readonly shiftKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
  readonly repeat: boolean;
  readonly isComposing: boolean;
  getModifierState(key: string): boolean;
}

/**
 * A keystroke as the key table writes it: modifiers, then what is typed, parted by blanks ("Mod Shift z", "Alt ArrowUp", "?", "Space"). Mod is Ctrl
 * or ⌘. Signs and digits stand for themselves, however a layout has them typed.
 */
export type Stroke = string;

const SPACE = 'Space';

/** The letter, sign or named key of an event; letters in lower case, whatever Caps Lock says. */
function typed({ key, code, altKey }: Pressed): string {
  if (key === ' ') return SPACE;
  if (/^[a-z]$/i.test(key)) return key.toLowerCase();
  // A layout of another script, and Option on macOS, type no Latin letter at all: there the place of the key is all that is left to go by.
  const isForeign = /^\p{L}$/u.test(key) && !/^\p{Script=Latin}$/u.test(key);
  const isByOption = altKey && /^[^!-~]$/u.test(key);
  const [, letter = key] = key === 'Dead' || isForeign || isByOption ? (/^Key([A-Z])$/.exec(code) ?? []) : [];
  return letter.length === 1 ? letter.toLowerCase() : letter;
}

const isSign = (key: string): boolean => key.length === 1 && !/^[a-z]$/.test(key);

/** Whether an event is this stroke. Held keys and input methods are not looked at here. */
export function isStroke(stroke: Stroke, event: Pressed): boolean {
  const parts = stroke.split(' ');
  const key = parts.pop() ?? '';
  const wants = (modifier: string): boolean => parts.includes(modifier);
  const its = typed(event);
  // The key that deletes on macOS is Backspace.
  if (its !== key && !(key === 'Delete' && its === 'Backspace')) return false;
  // A sign behind Shift or AltGr is typed by just that: only what the stroke asks for beyond it counts.
  if (isSign(key)) {
    if (event.getModifierState('AltGraph')) return !wants('Mod') && !wants('Alt');
    return (event.ctrlKey || event.metaKey) === wants('Mod') && event.altKey === wants('Alt');
  }
  return (
    (event.ctrlKey || event.metaKey) === wants('Mod') &&
    event.altKey === wants('Alt') &&
    event.shiftKey === wants('Shift')
  );
}

/** Whether an input method is still composing what is typed: its keys are its own, Enter too. */
export const isComposing = ({ isComposing, key }: Pressed): boolean => isComposing || key === 'Process';

const NAMES: Readonly<Record<string, string>> = {
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Escape: 'Esc',
  PageUp: 'Page ↑',
  PageDown: 'Page ↓',
  ContextMenu: 'Menu',
};
const ON_MAC: Readonly<Record<string, string>> = { Mod: '⌘', Alt: '⌥', Shift: '⇧', Delete: '⌫' };

/** A stroke as it is written on keys: "Ctrl Shift Z", on macOS "⌘ ⇧ Z". */
export const strokeInWords = (stroke: Stroke, isMac: boolean): string =>
  stroke
    .split(' ')
    .map((part) => {
      if (isMac && ON_MAC[part] !== undefined) return ON_MAC[part];
      return part === 'Mod' ? 'Ctrl' : (NAMES[part] ?? (part.length === 1 ? part.toUpperCase() : part));
    })
    .join(' ');

/** Whether this is a Mac, whose keys carry other signs. */
export const isMac = (): boolean => /^(Mac|iPhone|iPad)/.test(navigator.platform);
