import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { CHEST_STARTING_POINTS, isBasis, STARTS, workedOut } from '../src/sort/chest/new-chest';
import { CHEST } from './support';

const CHESTS: readonly Chest[] = [{ id: CHEST, name: 'Everyday', order: 'a0', slots: null, selection: false }];
const most = (typed: string): number | null =>
  workedOut('type', { most: typed, inner: 'letters', without: '', follows: false }, CHESTS).most;

describe('how a new chest begins', () => {
  it('each beginning has its words, and all but an empty one, a copy and one by rules are worked out', () => {
    expect(CHEST_STARTING_POINTS).toEqual(Object.keys(STARTS));
    expect(CHEST_STARTING_POINTS.filter((one) => !isBasis(one))).toEqual(['empty', 'copy', 'structure', 'rules']);
  });

  it.each([
    ['40', 40],
    ['', null],
    ['  ', null],
    ['1', 2],
    ['-5', 2],
    ['3.6', 4],
    ['many', 2],
    ['999999999', 100_000],
    ['1e9999', 100_000],
  ])('a largest size of “%s” is %p', (typed, expected) => expect(most(typed)).toBe(expected));

  it('leaves out what stands in a chest that there is', () => {
    const without = (id: string) =>
      workedOut('vendor', { most: '', inner: 'type', follows: false, without: id }, CHESTS);
    expect(without('c')).toEqual({
      kind: 'worked-out',
      by: 'vendor',
      most: null,
      inner: 'type',
      follows: false,
      without: 'c',
    });
    expect(without('gone')).toMatchObject({ without: null });
  });
});
