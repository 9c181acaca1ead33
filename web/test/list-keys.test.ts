import { placeAfterMove, selectionHandlers, stepHandlers, ticked, type LineMove } from '../src/parts/list-keys';
import { nothing } from '../src/parts/selection';
import type { Selection } from '../src/parts/use-selection';

describe('walking through a list', () => {
  // The keys of a listbox after the WAI-ARIA Authoring Practices 1.2, "Listbox Pattern, Keyboard Interaction".
  const walked = (key: keyof ReturnType<typeof stepHandlers>, at: number, count = 30, page?: number): number => {
    let place = NaN;
    stepHandlers(at, { count, ...(page === undefined ? {} : { page }) }, (to) => (place = to))[key]();
    return place;
  };
  it.each([
    ['down', 5],
    ['up', 3],
    ['pageDown', 14],
    ['pageUp', 0],
    ['first', 0],
    ['last', 29],
  ] as const)('%s leads to %i', (key, to) => expect(walked(key, 4)).toBe(to));

  it('stays within, and pages by what is in sight', () => {
    expect(walked('down', 29)).toBe(29);
    expect(walked('up', 0)).toBe(0);
    expect(walked('pageDown', 4, 30, 3)).toBe(7);
    expect(walked('down', -1, 0)).toBe(-1);
  });
});

describe('keys that select', () => {
  const done: string[] = [];
  const selection = (at: number): Selection<string> => ({
    ids: new Set(),
    at,
    now: () => ({ ids: new Set(), at, id: undefined }),
    click: () => undefined,
    moveTo: (index, stretch) => void done.push(`${stretch ? 'stretch' : 'move'} ${String(index)}`),
    walkTo: (index) => void done.push(`walk ${String(index)}`),
    toggle: (index) => void done.push(`toggle ${String(index)}`),
    all: () => void done.push('all'),
    none: () => void done.push('none'),
    invert: () => void done.push('invert'),
    select: () => void done.push('select'),
    keep: () => nothing(),
  });
  const press = (key: keyof ReturnType<typeof selectionHandlers>, at = 2): [boolean, string | undefined] => {
    done.length = 0;
    const answer = selectionHandlers(selection(at), { count: 9 })[key]?.();
    return [answer !== false, done[0]];
  };

  it('move, stretch, walk, tick and take all', () => {
    expect(press('down')).toEqual([true, 'move 3']);
    expect(press('extendUp')).toEqual([true, 'stretch 1']);
    expect(press('extendLast')).toEqual([true, 'stretch 8']);
    expect(press('walkDown')).toEqual([true, 'walk 3']);
    expect(press('tick')).toEqual([true, 'toggle 2']);
    expect(press('all')).toEqual([true, 'all']);
  });

  it('leave Space to others where nothing is stood on', () => {
    expect(press('tick', -1)).toEqual([false, undefined]);
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
