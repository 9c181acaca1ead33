/** The formula of docs/load.md: frequency and recency with a half-life, weighed by how like the places are. */
import fc from 'fast-check';
import { asId, type ItemId } from '../../src/ids';
import { firstChoices, MAX_CHOICES } from '../../src/menu/first-choices';
import { ranked } from '../../src/menu/rank';
import { FIELDS } from '../../src/rules/fields';
import { HALF_LIFE_DAYS, LOAD_WAYS, recentOf, usualAt, weightOfAge, type Spot, type Use } from '../../src/menu/use';

const DAY = 86_400_000;
const NOW = Date.parse('2026-11-26T12:00:00Z');
const item = (name: string) => asId<ItemId>(name);
const SPOT: Spot = { slot: 'insert', laneKind: 'audio', lane: 'Goose', before: null };
const use = (name: string, days: number, spot: Partial<Spot> = {}): Use => ({
  ...SPOT,
  ...spot,
  item: item(name),
  at: NOW - days * DAY,
});
const noType = () => undefined;
const usual = (uses: readonly Use[], spot: Spot = SPOT) => usualAt(uses, spot, NOW, noType).map((one) => one.item);

describe('what is usual at a place', () => {
  it('a load counts half after its half-life, and never grows', () => {
    expect(weightOfAge(0)).toBe(1);
    expect(weightOfAge(HALF_LIFE_DAYS * DAY)).toBeCloseTo(0.5);
    expect(weightOfAge(-DAY)).toBe(1);
    const age = fc.double({ min: 0, max: 5000, noNaN: true });
    fc.assert(
      fc.property(age, age, (a, b) => a > b || weightOfAge(a * DAY) >= weightOfAge(b * DAY)),
      { seed: 13 },
    );
  });

  it('often and lately wins over once, and over often long ago', () => {
    const uses = [use('Once', 0), ...[1, 2, 3].map((day) => use('Often', day)), ...Array(6).fill(use('Long ago', 90))];
    expect(usual(uses)).toEqual(['Often', 'Once', 'Long ago']);
  });

  it('what was loaded in this lane goes before what was loaded elsewhere, and slots of another kind say nothing', () => {
    const uses = [
      use('Elsewhere', 0, { lane: 'Narrator' }),
      use('Here', 1),
      use('Toy Piano', 0, { slot: 'instrument' }),
    ];
    expect(usual(uses)).toEqual(['Here', 'Elsewhere']);
  });

  it('what stands before it decides: the same plugin most, one of its type a little', () => {
    const before = (name: string) => ({ lane: null, before: item(name) });
    const uses = [use('After an EQ', 0, before('Copper EQ')), use('After a gate', 0, before('Hatch Gate'))];
    expect(usual(uses, { ...SPOT, lane: null, before: item('Hatch Gate') })[0]).toBe('After a gate');
    const typeOf = (id: ItemId) => (id === 'Hatch Gate' ? ('gate' as const) : ('eq' as const));
    const other = { ...SPOT, lane: null, before: item('Tilt EQ') };
    expect(usualAt(uses, other, NOW, typeOf)[0]?.item).toBe('After an EQ');
  });

  it('what stands in the lane already is rarely wanted twice', () => {
    const uses = [1, 2, 3, 4].map((day) => use('Tilt EQ', day)).concat([use('Plate', 1), use('Plate', 2)]);
    const present = new Set([item('Tilt EQ')]);
    expect(usualAt(uses, SPOT, NOW, noType, present).map((one) => one.item)).toEqual(['Plate', 'Tilt EQ']);
  });

  it('of what was loaded last each stands once, newest first', () => {
    expect(recentOf([use('A', 3), use('B', 1), use('A', 0), use('C', 2)])).toEqual(['A', 'B', 'C']);
  });
});

describe('the first choices', () => {
  const choices = (uses: readonly Use[], favourites: string[], fits: (id: ItemId) => boolean = () => true) =>
    firstChoices(uses, SPOT, favourites.map(item), { now: NOW, fits, typeOf: noType });

  it('a habit takes two loads; what was loaded once is recent', () => {
    const { usual, recent } = choices([use('Twice', 1), use('Twice', 2), use('Once', 0)], []);
    expect([usual, recent]).toEqual([['Twice'], ['Once']]);
  });

  it('are nine at most, each once, and nothing that does not fit', () => {
    const names = fc.constantFrom('A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J', 'K', 'L');
    fc.assert(
      fc.property(fc.array(fc.tuple(names, fc.nat(60))), fc.uniqueArray(names), names, (loads, favourites, away) => {
        const uses = loads.map(([name, days]) => use(name, days));
        const first = choices(uses, favourites, (id) => id !== away);
        const all = [...first.usual, ...first.recent, ...first.favourites];
        expect(all.length).toBeLessThanOrEqual(MAX_CHOICES);
        expect(new Set(all).size).toBe(all.length);
        expect(all).not.toContain(away);
      }),
      { seed: 13 },
    );
  });
});

it('a rule can ask for each way by which something is loaded', () => {
  const { way } = FIELDS;
  expect('values' in way ? way.values.map((one) => one.value) : []).toEqual(LOAD_WAYS);
});

describe('what was found, ranked by use', () => {
  const found = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'].map((id) => ({ id: item(id) }));
  const scored = (usual: Record<string, number>) =>
    new Map(Object.entries(usual).map(([id, score]) => [item(id), score]));
  const order = (tray: string[], usual: Record<string, number>, steered: string[] = []) =>
    ranked(found, {
      isOnTray: (id) => tray.includes(id),
      isSteered: (id) => steered.includes(id),
      usual: scored(usual),
    })
      .map((one) => one.id)
      .join('');

  it('nothing used: best match first', () => expect(order([], {})).toBe('ABCDEFGH'));
  it('on a tray: three places up', () => expect(order(['E'], {})).toBe('ABECDFGH'));
  it('what takes the sidechain that is fed there: twelve places up', () =>
    expect(order([], {}, ['H'])).toBe('HABCDEFG'));
  it('the most usual one: six places up, another by its share', () => {
    expect(order([], { G: 10 })[0]).toBe('A');
    expect(order([], { G: 10 })[1]).toBe('G');
    expect(order([], { G: 10, H: 5 }).indexOf('H')).toBeLessThan(7);
  });

  it('loses nothing and adds nothing', () => {
    const many = Array.from({ length: 60 }, (_, at) => ({ id: item(String(at)) }));
    const scores = fc.dictionary(fc.nat(59).map(String), fc.double({ min: 0, max: 9, noNaN: true }));
    fc.assert(
      fc.property(scores, (usual) => {
        const to = ranked(many, { isOnTray: () => false, isSteered: () => false, usual: scored(usual) });
        expect([...to].sort((a, b) => Number(a.id) - Number(b.id))).toEqual(many);
        expect(to.slice(24)).toEqual(many.slice(24));
      }),
      { seed: 13 },
    );
  });
});
