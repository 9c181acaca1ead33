import { readFileSync } from 'node:fs';
import type { CDPSession, Page } from '@playwright/test';

/**
 * Keyboard layouts as X11 has them: what each key types alone, with Shift and with AltGr. Read from the xkeyboard-config files that come with Debian's
 * libxkbcommon (package xkb-data), which Chromium itself needs, so that no table of ours says what a German or French key types.
 */
const SYMBOLS = '/usr/share/X11/xkb/symbols';

export type LayoutName = 'us' | 'de' | 'fr';
export const LAYOUTS: readonly LayoutName[] = ['us', 'de', 'fr'];

/** How something is typed: on which key, with what held down. */
interface Typed {
  readonly code: string;
  readonly shift: boolean;
  readonly altGraph: boolean;
}

/** The names of keys in xkeyboard-config, as places (UI Events, "KeyboardEvent code Values"). */
const ROWS: Readonly<Record<string, readonly string[]>> = {
  AE: [
    'Digit1',
    'Digit2',
    'Digit3',
    'Digit4',
    'Digit5',
    'Digit6',
    'Digit7',
    'Digit8',
    'Digit9',
    'Digit0',
    'Minus',
    'Equal',
  ],
  AD: ['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU', 'KeyI', 'KeyO', 'KeyP', 'BracketLeft', 'BracketRight'],
  AC: ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ', 'KeyK', 'KeyL', 'Semicolon', 'Quote'],
  AB: ['KeyZ', 'KeyX', 'KeyC', 'KeyV', 'KeyB', 'KeyN', 'KeyM', 'Comma', 'Period', 'Slash'],
};

function codeOf(name: string): string | undefined {
  if (name === 'BKSL') return 'Backslash';
  if (name === 'LSGT') return 'IntlBackslash';
  const [, row = '', number = ''] = /^(A[BCDE])(\d\d)$/.exec(name) ?? [];
  return ROWS[row]?.[Number(number) - 1];
}

/** The signs that the keys of the table are made of, by the names of X11 (keysymdef.h). */
const SIGNS: Readonly<Record<string, string>> = {
  slash: '/',
  question: '?',
  minus: '-',
  comma: ',',
  plus: '+',
  less: '<',
  greater: '>',
  equal: '=',
  period: '.',
};

const signOf = (symbol: string): string | undefined =>
  SIGNS[symbol] ?? (/^[a-zA-Z0-9]$/.test(symbol) ? symbol : undefined);

/** What is typed how, in a section of a file of symbols and all that it includes; the last one that names a key wins. */
function keysOf(file: string, section: string | null): Map<string, readonly string[]> {
  const text = readFileSync(`${SYMBOLS}/${file}`, 'utf8')
    .replace(/\/\/.*$/gm, '')
    .replace(/\b(type|symbols)\s*\[\w+\]\s*=\s*("[^"]*"\s*,)?/g, '');
  const sections = [...text.matchAll(/((?:\w+\s+)*)xkb_symbols\s+"([^"]+)"\s*\{([\s\S]*?)\n\};/g)];
  const own =
    sections.find(([, flags = '', name]) => (section === null ? flags.includes('default') : name === section)) ??
    sections[0];
  const keys = new Map<string, readonly string[]>();
  for (const [, included, key, symbols = ''] of (own?.[3] ?? '').matchAll(
    /include\s+"([^"]+)"|key\s*<(\w+)>\s*\{[^[}]*\[([^\]]*)\]/g,
  )) {
    if (included !== undefined) {
      const [, of = '', part] = /^(\w+)(?:\(([^)]+)\))?$/.exec(included) ?? [];
      if (of !== '') for (const [name, levels] of keysOf(of, part ?? null)) keys.set(name, levels);
    } else if (key !== undefined)
      keys.set(
        key,
        symbols.split(',').map((one) => one.trim()),
      );
  }
  return keys;
}

const known = new Map<LayoutName, ReadonlyMap<string, Typed>>();

/** How each letter, digit and sign is typed on a layout; the way with the fewest keys held. */
export function typedOn(layout: LayoutName): ReadonlyMap<string, Typed> {
  const before = known.get(layout);
  if (before !== undefined) return before;
  const ways = new Map<string, Typed>();
  // The key beside the left Shift of a keyboard with 105 keys is told for all layouts together (xkeyboard-config, rules: "pc+de").
  const keys = [...keysOf(layout, null), ...keysOf('pc', 'pc105')];
  for (const level of [0, 1, 2])
    for (const [name, levels] of keys) {
      const sign = signOf(levels[level] ?? '');
      const code = codeOf(name);
      if (sign === undefined || code === undefined || ways.has(sign)) continue;
      ways.set(sign, { code, shift: level === 1, altGraph: level === 2 });
    }
  known.set(layout, ways);
  return ways;
}

const MODIFIERS = { Alt: 1, Mod: 2, Shift: 8 } as const;
const SHIFT = MODIFIERS.Shift;

/** The Windows key code, which Chromium wants for keys that type nothing. */
const CODES: Readonly<Record<string, number>> = {
  Enter: 13,
  Escape: 27,
  Space: 32,
  PageUp: 33,
  PageDown: 34,
  End: 35,
  Home: 36,
  ArrowLeft: 37,
  ArrowUp: 38,
  ArrowRight: 39,
  ArrowDown: 40,
  Delete: 46,
  Backspace: 8,
  Tab: 9,
  ContextMenu: 93,
  F10: 121,
};

/** A stroke of the key table as the events that a keyboard of this layout sends for it. */
export function eventOf(stroke: string, layout: LayoutName) {
  const parts = stroke.split(' ');
  const what = parts.pop() ?? '';
  let modifiers = parts.reduce((sum, one) => sum + MODIFIERS[one as keyof typeof MODIFIERS], 0);
  if (CODES[what] !== undefined) {
    const key = what === 'Space' ? ' ' : what;
    return { key, code: what, modifiers, windowsVirtualKeyCode: CODES[what], text: what === 'Enter' ? '\r' : '' };
  }
  const way = typedOn(layout).get(what);
  if (way === undefined) throw new Error(`${what} can't be typed on the layout ${layout}`);
  if (way.shift) modifiers |= SHIFT;
  const key = (modifiers & SHIFT) !== 0 && /^[a-z]$/.test(what) ? what.toUpperCase() : what;
  const held = modifiers & (MODIFIERS.Alt | MODIFIERS.Mod);
  return {
    key,
    code: way.code,
    modifiers,
    windowsVirtualKeyCode: what.toUpperCase().charCodeAt(0),
    text: held === 0 ? key : '',
  };
}

const sessions = new WeakMap<Page, Promise<CDPSession>>();

/** Presses a stroke of the key table as a keyboard of this layout does; `more` changes what the event says (held down, Caps Lock). */
export async function strike(
  page: Page,
  stroke: string,
  layout: LayoutName,
  more: { readonly autoRepeat?: boolean; readonly key?: string; readonly modifiers?: number } = {},
): Promise<void> {
  let session = sessions.get(page);
  if (session === undefined) sessions.set(page, (session = page.context().newCDPSession(page)));
  const event = { ...eventOf(stroke, layout), ...more };
  await (
    await session
  ).send('Input.dispatchKeyEvent', { type: event.text === '' ? 'rawKeyDown' : 'keyDown', ...event });
  await (await session).send('Input.dispatchKeyEvent', { type: 'keyUp', ...event, text: '' });
}
