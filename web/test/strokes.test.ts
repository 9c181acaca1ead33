import { KEY_PLACES, KEYS, type KeyBinding } from '../src/keys/key-table';
import { isComposing, isStroke, strokeInWords, type Pressed } from '../src/keys/strokes';

const pressed = (key: string, more: Partial<Pressed> & { readonly altGraph?: boolean } = {}): Pressed => ({
  key,
  code: '',
  shiftKey: false,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  repeat: false,
  isComposing: false,
  getModifierState: (name) => name === 'AltGraph' && more.altGraph === true,
  ...more,
});

describe('strokes', () => {
  it('are letters by what is typed, wherever the key lies and whatever Caps Lock says', () => {
    expect(isStroke('Mod z', pressed('z', { code: 'KeyY', ctrlKey: true }))).toBe(true);
    expect(isStroke('Mod z', pressed('y', { code: 'KeyZ', ctrlKey: true }))).toBe(false);
    expect(isStroke('f', pressed('F'))).toBe(true);
    expect(isStroke('Shift f', pressed('f', { shiftKey: true }))).toBe(true);
    expect(isStroke('f', pressed('F', { shiftKey: true }))).toBe(false);
    expect(isStroke('f', pressed('f', { ctrlKey: true }))).toBe(false);
  });

  it('are signs however a layout has them typed: behind Shift, behind AltGr, on the number pad', () => {
    expect(isStroke('/', pressed('/', { code: 'Digit7', shiftKey: true }))).toBe(true);
    expect(isStroke('?', pressed('?', { code: 'KeyM', shiftKey: true }))).toBe(true);
    expect(isStroke('1', pressed('1', { code: 'Digit1', shiftKey: true }))).toBe(true);
    expect(isStroke('1', pressed('1', { code: 'Numpad1' }))).toBe(true);
    expect(isStroke('1', pressed('&', { code: 'Digit1' }))).toBe(false);
    // AltGr is told as Ctrl and Alt together by Windows (UI Events, "Keyboard Events and key values").
    expect(isStroke('/', pressed('/', { altGraph: true, ctrlKey: true, altKey: true }))).toBe(true);
    expect(isStroke('1', pressed('1', { ctrlKey: true }))).toBe(false);
    expect(isStroke('Alt 1', pressed('1', { altKey: true }))).toBe(true);
  });

  it('go by the place of a letter only where no Latin letter is typed: other scripts, and Option on macOS', () => {
    expect(isStroke('Mod z', pressed('я', { code: 'KeyZ', ctrlKey: true }))).toBe(true);
    expect(isStroke('f', pressed('а', { code: 'KeyF' }))).toBe(true);
    expect(isStroke('Alt i', pressed('Dead', { code: 'KeyI', altKey: true }))).toBe(true);
    expect(isStroke('Alt s', pressed('ß', { code: 'KeyS', altKey: true }))).toBe(true);
    expect(isStroke('o', pressed('ö', { code: 'Semicolon' }))).toBe(false);
  });

  it('take ⌘ for Ctrl, and Backspace for Delete', () => {
    expect(isStroke('Mod z', pressed('z', { metaKey: true }))).toBe(true);
    expect(isStroke('Delete', pressed('Backspace'))).toBe(true);
    expect(isStroke('Backspace', pressed('Delete'))).toBe(false);
  });

  it('leave an input method alone', () => {
    expect(isComposing(pressed('Enter', { isComposing: true }))).toBe(true);
    expect(isComposing(pressed('Process'))).toBe(true);
    expect(isComposing(pressed('Enter'))).toBe(false);
  });

  it('stand in words as on the keys of the computer at hand', () => {
    expect(strokeInWords('Mod Shift z', false)).toBe('Ctrl Shift Z');
    expect(strokeInWords('Mod Shift z', true)).toBe('⌘ ⇧ Z');
    expect(strokeInWords('Alt ArrowUp', true)).toBe('⌥ ↑');
    expect(strokeInWords('Delete', true)).toBe('⌫');
    expect(strokeInWords('-', false)).toBe('-');
  });
});

describe('the key table', () => {
  const places = Object.entries<Readonly<Record<string, KeyBinding>>>(KEYS);

  it('has no stroke twice in one place', () => {
    for (const [place, keys] of places) {
      const strokes = Object.values(keys).flatMap((entry) => entry.strokes);
      expect([place, strokes.filter((one, at) => strokes.indexOf(one) !== at)]).toEqual([place, []]);
    }
  });

  it('has a name for each place, and none for others', () => {
    expect(Object.keys(KEY_PLACES).sort()).toEqual(Object.keys(KEYS).sort());
  });

  // What browsers and systems take for themselves: Alt with letters, digits and arrows, and the F keys. Common practice.
  it('has nothing that only a key does which a browser or the system may take', () => {
    const isOthers = (stroke: string): boolean => /^Alt |F\d+$|^ContextMenu$/.test(stroke);
    for (const [place, keys] of places)
      for (const [name, entry] of Object.entries(keys))
        expect([place, name, entry.strokes.every(isOthers)]).toEqual([place, name, false]);
  });
});
