import fc from 'fast-check';
import { clicked, movedTo, nothing, placeIn, stillListed, toggled, type Selected } from '../src/parts/selection';

const LIST = ['a', 'b', 'c', 'd', 'e'];
const SORTED = ['e', 'd', 'c', 'b', 'a'];
const ids = (selected: Selected<string>): string => [...selected.ids].sort().join('');
const alone = { add: false, stretch: false };
const shift = { add: false, stretch: true };

describe('a selection', () => {
  it('is what was clicked, from there to where Shift is held, and what Ctrl adds or takes off', () => {
    const one = clicked(LIST, nothing<string>(), 1, alone);
    expect(ids(one)).toBe('b');
    const four = clicked(LIST, one, 4, shift);
    expect(ids(four)).toBe('bcde');
    // From where it began, whatever was stretched to before.
    expect(ids(clicked(LIST, four, 0, shift))).toBe('ab');
    const less = clicked(LIST, four, 2, { add: true, stretch: false });
    expect(ids(less)).toBe('bde');
    expect(ids(toggled(LIST, less, 2))).toBe('bcde');
  });

  it('is stretched by steps of the keyboard, which stay within the list', () => {
    const end = movedTo(LIST, movedTo(LIST, nothing<string>(), 3, false), 99, true);
    expect([ids(end), placeIn(LIST, end.at)]).toEqual(['de', 4]);
    const begin = movedTo(LIST, end, -7, false);
    expect([ids(begin), placeIn(LIST, begin.at)]).toEqual(['a', 0]);
  });

  it('after sorting, keyboard and stretch go along with what they stood on', () => {
    const one = clicked(LIST, nothing<string>(), 1, alone);
    expect(placeIn(SORTED, one.at)).toBe(3);
    // "b" is the fourth now: the stretch goes from there to the second, "d".
    expect(ids(clicked(SORTED, one, 1, shift))).toBe('bcd');
    expect(ids(movedTo(SORTED, one, 4, true))).toBe('ab');
  });

  it('holds what is listed alone; where what was stood on is filtered away, its place stays', () => {
    const one = clicked(LIST, clicked(LIST, nothing<string>(), 2, alone), 4, shift);
    const less = ['a', 'b', 'd'];
    expect([...stillListed(less, one.ids)]).toEqual(['d']);
    expect(placeIn(less, one.at)).toBe(2);
    expect(placeIn([], one.at)).toBe(-1);
    expect(ids(clicked(less, one, 0, shift))).toBe('abd');
  });

  it('in an empty list comes to nothing', () => {
    const none = movedTo([], nothing<string>(), 3, false);
    expect([ids(none), placeIn([], none.at)]).toEqual(['', -1]);
    expect(placeIn(LIST, nothing<string>().at)).toBe(-1);
  });

  it('never holds what is not listed, whatever is done in whatever order of the list (seeded)', () => {
    const order = fc.shuffledSubarray(LIST);
    const place = fc.nat(4);
    const act = fc.oneof(
      fc.tuple(place, fc.boolean(), fc.boolean()).map(
        ([index, add, stretch]) =>
          (list: string[], old: Selected<string>) =>
            index < list.length ? clicked(list, old, index, { add, stretch }) : old,
      ),
      fc.tuple(fc.integer({ min: -3, max: 9 }), fc.boolean()).map(
        ([index, stretch]) =>
          (list: string[], old: Selected<string>) =>
            movedTo(list, old, index, stretch),
      ),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(order, act), { maxLength: 30 }), (acts) => {
        let selected = nothing<string>();
        for (const [list, on] of acts) {
          selected = on(list, selected);
          const shown = stillListed(list, selected.ids);
          expect([...shown].every((id) => list.includes(id))).toBe(true);
          const at = placeIn(list, selected.at);
          expect(at).toBeLessThan(Math.max(list.length, 1));
        }
      }),
      { seed: 20261125, numRuns: 300 },
    );
  });
});
