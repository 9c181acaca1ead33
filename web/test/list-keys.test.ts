import {
  lineMoveOf,
  placeAfterMove,
  selectByKey,
  stepIn,
  stepInGrid,
  ticked,
  type LineMove,
  type Pressed,
} from '../src/parts/list-keys';
import type { Selection } from '../src/parts/use-selection';

const pressed = (key: string, more: Partial<Pressed> = {}): Pressed => ({
  key,
  shiftKey: false,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  ...more,
});

describe('walking through a list', () => {
  // The keys of a listbox after the WAI-ARIA Authoring Practices 1.2, "Listbox Pattern, Keyboard Interaction".
  const walk = { at: 4, count: 30 };
  it.each([
    ['ArrowDown', 5],
    ['ArrowUp', 3],
    ['PageDown', 14],
    ['PageUp', 0],
    ['Home', 0],
    ['End', 29],
  ])('%s leads to %i', (key, to) => expect(stepIn(key, walk)).toBe(to));

  it('stays within, pages by what is in sight, and leaves Home and End to a field', () => {
    expect(stepIn('ArrowDown', { at: 29, count: 30 })).toBe(29);
    expect(stepIn('ArrowUp', { at: 0, count: 30 })).toBe(0);
    expect(stepIn('PageDown', { ...walk, page: 3 })).toBe(7);
    expect(stepIn('Home', { ...walk, ends: false })).toBeNull();
    expect(stepIn('End', { ...walk, ends: false })).toBeNull();
    expect(stepIn('x', walk)).toBeNull();
    expect(stepIn('ArrowDown', { at: -1, count: 0 })).toBe(-1);
  });

  it('in a grid goes by rows too', () => {
    expect(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].map((key) => stepInGrid(key, 4))).toEqual([
      -1, 1, -4, 4,
    ]);
    expect(stepInGrid('Enter', 4)).toBeNull();
  });
});

describe('keys that select', () => {
  const done: string[] = [];
  const selection = (at: number): Selection<string> => ({
    ids: new Set(),
    at,
    click: () => undefined,
    moveTo: (index, stretch) => void done.push(`${stretch ? 'stretch' : 'move'} ${String(index)}`),
    toggle: (index) => void done.push(`toggle ${String(index)}`),
    all: () => void done.push('all'),
    none: () => void done.push('none'),
  });
  const press = (event: Pressed, at = 2): [boolean, string | undefined] => {
    done.length = 0;
    return [selectByKey(event, selection(at), { count: 9 }), done[0]];
  };

  it('move, stretch, tick and take all', () => {
    expect(press(pressed('ArrowDown'))).toEqual([true, 'move 3']);
    expect(press(pressed('ArrowUp', { shiftKey: true }))).toEqual([true, 'stretch 1']);
    expect(press(pressed(' '))).toEqual([true, 'toggle 2']);
    expect(press(pressed('a', { ctrlKey: true }))).toEqual([true, 'all']);
    expect(press(pressed('a', { metaKey: true }))).toEqual([true, 'all']);
  });

  it('leave the rest to the list: letters, what is done with Alt, and Space where nothing is stood on', () => {
    expect(press(pressed('a'))).toEqual([false, undefined]);
    expect(press(pressed('ArrowDown', { altKey: true }))).toEqual([false, undefined]);
    expect(press(pressed(' '), -1)).toEqual([false, undefined]);
    expect(press(pressed('Enter'))).toEqual([false, undefined]);
  });

  it('with Alt say where lines go', () => {
    const alt = { altKey: true };
    expect(['ArrowUp', 'ArrowDown', 'Home', 'End'].map((key) => lineMoveOf(pressed(key, alt)))).toEqual([
      'up',
      'down',
      'top',
      'bottom',
    ]);
    expect(lineMoveOf(pressed('ArrowUp'))).toBeNull();
    expect(lineMoveOf(pressed('x', alt))).toBeNull();
  });
});

describe('lines that are moved in their order', () => {
  const LIST = ['a', 'b', 'c', 'd', 'e'];
  /** The list after a move; null when it can't go further. */
  const moved = (which: string, to: LineMove): string | null => {
    const place = placeAfterMove(LIST, (one) => which.includes(one), to);
    if (place === null) return null;
    const rest = LIST.filter((one) => !which.includes(one));
    const at = place.before === null ? rest.length : rest.indexOf(place.before);
    return [...rest.slice(0, at), ...LIST.filter((one) => which.includes(one)), ...rest.slice(at)].join('');
  };

  it.each<[string, LineMove, string | null]>([
    ['c', 'up', 'acbde'],
    ['c', 'down', 'abdce'],
    ['bc', 'up', 'bcade'],
    ['bc', 'down', 'adbce'],
    ['bd', 'top', 'bdace'],
    ['bd', 'bottom', 'acebd'],
    ['a', 'up', null],
    ['e', 'down', null],
    ['de', 'down', null],
    ['x', 'up', null],
  ])('%s %s', (which, to, after) => expect(moved(which, to)).toBe(after));

  it('what lies apart comes together', () => {
    expect(moved('bd', 'up')).toBe('bdace');
    expect(moved('bd', 'down')).toBe('acebd');
  });
});

it('a tick is set and taken off, and the old set stays as it was', () => {
  const one = new Set(['x']);
  expect([[...ticked(one, 'y')], [...ticked(one, 'x')], [...one]]).toEqual([['x', 'y'], [], ['x']]);
});
