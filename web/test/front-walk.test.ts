import { entriesShown } from '../src/sort/chest/chest-look';
import { nextFront } from '../src/parts/front-walk';

const box = (left: number, top: number, width = 100, height = 80) => ({
  left,
  top,
  right: left + width,
  bottom: top + height,
});

describe('arrows over fronts', () => {
  // Three in a line, then an open one over the whole width, then two.
  const fronts = [box(0, 0), box(110, 0), box(220, 0), box(0, 90, 320, 300), box(0, 400), box(110, 400)];
  it.each([
    [0, 'right', 1],
    [2, 'right', 3],
    [5, 'right', -1],
    [3, 'left', 2],
    [0, 'left', -1],
    [1, 'down', 3],
    [3, 'down', 5],
    [5, 'up', 3],
    [3, 'up', 1],
    [0, 'up', -1],
    [9, 'down', -1],
  ] as const)('from %i %s is %i', (at, way, to) => expect(nextFront(fronts, at, way)).toBe(to));
});

describe('how many entries closed fronts show', () => {
  const small = { size: 'small', show: 'room' } as const;
  it('none where there is no room, the fewest where there is width alone, more where there is height too', () => {
    expect(entriesShown(small, { width: 520, height: 600 }, 10)).toBe(0);
    expect(entriesShown(small, { width: 980, height: 300 }, 40)).toBe(3);
    expect(entriesShown(small, { width: 980, height: 800 }, 10)).toBeGreaterThan(5);
    expect(entriesShown(small, { width: 3000, height: 3000 }, 1)).toBeLessThanOrEqual(14);
    expect(entriesShown(small, {}, 3)).toBe(0);
  });
  it('as the chest wishes', () => {
    expect(entriesShown({ size: 'large', show: 'always' }, { width: 300, height: 2000 }, 10)).toBe(8);
    expect(entriesShown({ size: 'large', show: 'never' }, { width: 2000, height: 2000 }, 10)).toBe(0);
  });
});
