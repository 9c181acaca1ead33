import { localDay } from '@clever-drawer/core/local-day';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Dragged } from '../src/parts/dragged';
import type { Target } from '../src/sort/drag/drag';
import { effectOf } from '../src/sort/drag/drop-effect';
import { filedInto } from '../src/sort/filing/use-filing';
import { bringBackWish, moveWishes, reorderTrayIntent, toFileQueue, trayWish } from '../src/sort/filing/desk-wishes';
import {
  arrangedFacets,
  catalogueFacets,
  drawerFacet,
  labelOf,
  loadsFacet,
  tagFacet,
  type Places,
} from '../src/sort/ribbons/facets';
import { after, catalogueOf, CHEST, d, drawer, EMPTY, p, plugin } from './support';

const PLUGINS = [
  plugin('Plate'),
  plugin('Echo', { types: ['delay'], vendor: null, arrivedAt: '2026-02-01T00:00:00.000Z' }),
  plugin('Goose', { types: [], role: null, found: false }),
  plugin('Demo', {
    aside: { id: 'Demo', pluginId: p('Demo'), buildId: null, reason: 'faulty', until: null, note: null },
    naming: { id: p('Demo'), nickname: null, stripLabel: null, note: null, tags: ['dark'] },
  }),
];
const CATALOGUE = catalogueOf(PLUGINS);
const nameOf = (id: ItemId): string | undefined => CATALOGUE.byId.get(id)?.name;
const STATE = after(
  EMPTY,
  nameOf,
  { kind: 'make-chest', id: CHEST, name: 'Everyday', slots: null },
  drawer('Space', null, ['Plate', 'Echo']),
  drawer('Inner', 'Space'),
  drawer('Odds'),
  { kind: 'tray-on', tray: 1, pluginIds: [p('Plate'), p('Echo')] },
);

describe('what letting go of a drag would do', () => {
  const plugins = (...ids: string[]): Dragged => ({ pluginIds: ids.map(p), name: ids[0] ?? '' });
  const line = (side: 'above' | 'below', before: string | null): Target => ({
    kind: 'line',
    home: { drawerId: d('Space') },
    lineId: 'Space/Echo',
    side,
    before,
  });
  const words = (dragged: Dragged, target: Target | null, state = STATE): string =>
    effectOf(dragged, target, state).words;

  it('plugins: into a drawer, how many are in there already, and why not', () => {
    const into: Target = { kind: 'into', drawerId: d('Space') };
    expect(words(plugins('Goose'), into)).toBe('→ Space');
    expect(words(plugins('Goose', 'Plate'), into)).toBe('→ Space (1 in there already)');
    expect(effectOf(plugins('Plate'), into, STATE)).toEqual({ words: '– already in Space', intents: [] });
    expect(words(plugins('Goose'), null)).toContain('drop it on a drawer');
    expect(effectOf(plugins('Goose'), { kind: 'chest', chestId: CHEST }, STATE)).toMatchObject({
      words: '→ Everyday, without a drawer',
      intents: [{ kind: 'file-loose', chestId: CHEST, pluginIds: ['Goose'] }],
    });
  });

  it('plugins: between two lines, unless the drawer is kept sorted', () => {
    expect(effectOf(plugins('Goose'), line('above', 'Space/Echo'), STATE).intents[0]).toEqual({
      kind: 'place',
      drawerId: 'Space',
      pluginIds: ['Goose'],
      dividerIds: [],
      before: 'Space/Echo',
    });
    const sorted = after(STATE, nameOf, { kind: 'set-sort', id: d('Space'), sort: 'name' });
    expect(effectOf(plugins('Plate'), line('above', 'Space/Echo'), sorted)).toMatchObject({ intents: [] });
    expect(words(plugins('Plate'), line('above', 'Space/Echo'), sorted)).toContain('is kept sorted (A–Z)');
    expect(effectOf(plugins('Goose'), line('below', null), sorted).intents[0]).toMatchObject({ kind: 'file' });
  });

  it('plugins: onto a tray and in its order', () => {
    expect(words(plugins('Goose'), { kind: 'tray', tray: 1 })).toBe('→ Favourites');
    expect(words(plugins('Plate'), { kind: 'tray', tray: 1 })).toBe('– already on Favourites');
    const onLine: Target = { kind: 'line', home: { tray: 1 }, lineId: '1/Echo', side: 'above', before: '1/Echo' };
    expect(effectOf(plugins('Goose'), onLine, STATE).intents[0]).toMatchObject({
      kind: 'place-on-tray',
      before: 'Echo',
    });
  });

  it('a divider stays in its drawer', () => {
    const divider: Dragged = { pluginIds: [], dividers: { drawerId: d('Odds'), ids: ['v'] }, name: 'divider' };
    for (const target of [
      line('above', null),
      { kind: 'into', drawerId: d('Space') },
      { kind: 'tray', tray: 2 },
    ] as const)
      expect(effectOf(divider, target, STATE)).toEqual({ words: '– a divider stays in its drawer', intents: [] });
    const own: Dragged = { pluginIds: [], dividers: { drawerId: d('Space'), ids: ['v'] }, name: 'divider' };
    expect(effectOf(own, line('below', null), STATE).intents[0]).toMatchObject({ kind: 'place', dividerIds: ['v'] });
  });

  it('a drawer: beside, inside, to the end; never into itself', () => {
    const space: Dragged = { drawerIds: [d('Space')], name: 'Space' };
    expect(words(space, { kind: 'into', drawerId: d('Inner') })).toBe('– not into itself');
    expect(words(space, { kind: 'after', drawerId: d('Odds') })).toBe('→ after Odds');
    expect(effectOf(space, { kind: 'after', drawerId: d('Odds') }, STATE).intents[0]).toMatchObject({ before: null });
    expect(effectOf(space, { kind: 'into', drawerId: d('Odds') }, STATE).intents[0]).toMatchObject({
      parentId: 'Odds',
    });
    const both: Dragged = { drawerIds: [d('Space'), d('Ends')], name: 'Space' };
    expect(effectOf(both, { kind: 'before', drawerId: d('Odds') }, STATE).intents).toMatchObject([
      { id: 'Space', before: 'Odds' },
      { id: 'Ends', before: 'Odds' },
    ]);
    expect(effectOf(both, { kind: 'into', drawerId: d('Odds') }, STATE).intents).toMatchObject([
      { id: 'Space', parentId: 'Odds' },
      { id: 'Ends', parentId: 'Odds' },
    ]);
    expect(words(space, { kind: 'chest', chestId: CHEST })).toBe('→ end of the chest');
    expect(effectOf(space, { kind: 'into', drawerId: d('Space') }, STATE)).toEqual({ words: '', intents: [] });
    expect(effectOf(space, { kind: 'tray', tray: 1 }, STATE).intents).toEqual([]);
  });
});

describe('what the keys come to', () => {
  it('a tray key puts on, and off once all are on', () => {
    expect(trayWish(STATE, 1, [p('Plate'), p('Goose')]).kind).toBe('tray-on');
    expect(trayWish(STATE, 1, [p('Plate'), p('Echo')]).kind).toBe('tray-off');
  });
  it('moving on a tray ends at its ends', () => {
    expect(reorderTrayIntent(STATE, 1, [p('Echo')], 'up')).toMatchObject({ before: 'Plate' });
    expect(reorderTrayIntent(STATE, 1, [p('Plate')], 'up')).toBeNull();
    expect(reorderTrayIntent(STATE, 1, [p('Plate')], 'bottom')).toMatchObject({ before: null });
    expect(reorderTrayIntent(STATE, 1, [p('Goose')], 'top')).toBeNull();
  });
  it('bringing back takes all builds along', () =>
    expect(bringBackWish(CATALOGUE, [p('Demo')])).toEqual({
      kind: 'bring-back',
      pluginIds: ['Demo'],
      builds: [{ id: 'Demo-build', pluginId: 'Demo' }],
    }));
  it('to file: new ones first, then by type; neither what is filed nor what is set aside', () => {
    const places: Places = { has: () => false, of: () => [], isByRule: () => false };
    expect(toFileQueue(CATALOGUE, places, null, CATALOGUE.firstArrival, EMPTY)).toEqual(['Echo', 'Plate', 'Goose']);
    // It stands in another chest: its arrival was asked about.
    expect(toFileQueue(CATALOGUE, places, null, CATALOGUE.firstArrival, STATE)).toEqual(['Plate', 'Echo', 'Goose']);
    expect(toFileQueue(CATALOGUE, { ...places, has: (id) => id === 'Echo' }, null, null, EMPTY)).toEqual([
      'Plate',
      'Goose',
    ]);
  });
});

describe('the questions of the ribbons', () => {
  const places: Places = {
    has: (id) => id === 'Plate',
    of: (id) => (id === 'Plate' ? [d('Space')] : []),
    isByRule: () => false,
  };
  const FILED = Uint8Array.from([1, 0, 0, 0]);
  const values = (facet: { values: readonly string[]; of: readonly (readonly number[])[] }) =>
    facet.of.map((own) => own.map((number) => facet.values[number]));

  it('each plugin has its states; nothing that is set aside is left to file', () => {
    expect(values(arrangedFacets(CATALOGUE, STATE, FILED).state)).toEqual([
      ['filed'],
      ['to-file', 'new'],
      ['to-file', 'not-found'],
      ['aside', 'faulty'],
    ]);
  });
  it('a type stands with its family; what is not known is a value too', () => {
    const { type, vendor, role } = catalogueFacets(CATALOGUE);
    expect(values(type).slice(0, 3)).toEqual([['reverb', 'family:space'], ['delay', 'family:time'], ['unknown']]);
    expect(values(vendor)[1]).toEqual(['unknown']);
    expect(values(role)[2]).toEqual(['unknown']);
  });
  it('trays, drawers and tags', () => {
    expect(values(arrangedFacets(CATALOGUE, STATE, FILED).tray)).toEqual([['1'], ['1'], ['none'], ['none']]);
    expect(values(drawerFacet(CATALOGUE, places))).toEqual([['Space'], ['none'], ['none'], ['none']]);
    expect(values(tagFacet(CATALOGUE))[3]).toEqual(['dark']);
  });
  it.each([
    ['role', 'unknown', 'unknown'],
    ['type', 'family:space', 'space'],
    ['type', 'eq', 'EQ'],
    ['state', 'to-file', 'to file'],
    ['tray', '1', 'Favourites'],
    ['drawer', 'Space', 'Space'],
    ['drawer', 'gone', 'a drawer that is gone'],
    ['vendor', 'Tollgate', 'Tollgate'],
  ] as const)('%s %s is shown as “%s”', (question, value, label) =>
    expect(labelOf(question, value, STATE)).toBe(label),
  );
});

describe('what is moved out of where it was', () => {
  const named = after(STATE, nameOf, { kind: 'name-entry', drawerId: d('Space'), pluginId: p('Plate'), name: 'big' });
  const from = { drawerId: d('Space') };
  const plate: Dragged = { pluginIds: [p('Plate')], name: 'Plate', from };
  const into: Target = { kind: 'into', drawerId: d('Odds') };

  it('by a drag with the key held: filed there with its name, taken out here; without the key it is in both', () => {
    expect(effectOf(plate, into, named)).toMatchObject({ words: '→ Odds too', canMove: true });
    expect(effectOf(plate, into, named).intents.map((one) => one.kind)).toEqual(['file']);
    const moved = effectOf(plate, into, named, true);
    expect([moved.words, moved.intents.map((one) => one.kind)]).toEqual([
      '→ Odds, out of Space',
      ['file', 'name-entry', 'take-out'],
    ]);
    expect(moveWishes(named, [p('Plate')], d('Space'), d('Odds'))).toEqual(moved.intents);
  });

  it('what is there already leaves the place that it comes from', () => {
    const both = after(named, nameOf, { kind: 'file', drawerIds: [d('Odds')], pluginIds: [p('Plate')] });
    expect(effectOf(plate, into, both).words).toBe('– already in Odds');
    expect(effectOf(plate, into, both, true)).toEqual({
      words: '→ Odds, out of Space',
      intents: [{ kind: 'take-out', drawerId: 'Space', pluginIds: ['Plate'] }],
    });
  });

  it('what a rule put there stays there, and the label says so', () => {
    const ruled = after(STATE, nameOf, {
      kind: 'set-rule',
      id: d('Inner'),
      rule: { kind: 'keywords', words: ['goose'] },
    });
    const goose: Dragged = { pluginIds: [p('Goose')], name: 'Goose', from: { drawerId: d('Inner') } };
    const moved = effectOf(goose, into, ruled, true);
    expect([moved.words, moved.intents.map((one) => one.kind)]).toEqual(['→ Odds; a rule keeps it in Inner', ['file']]);
  });

  it('within its own list it is only put elsewhere, and from a tray it goes off it', () => {
    const line: Target = { kind: 'line', home: from, lineId: 'Space/Echo', side: 'below', before: null };
    expect(effectOf(plate, line, named, true)).toEqual(effectOf(plate, line, named));
    const offTray = effectOf({ ...plate, from: { tray: 1 } }, into, named, true);
    expect(offTray.intents.map((one) => one.kind)).toEqual(['file', 'tray-off']);
  });
});

it('a filing is one however it was made, and the order of what stands there already is none', () => {
  expect(filedInto([{ kind: 'file', drawerIds: [d('Odds')], pluginIds: [p('Goose')] }], STATE)).toEqual(['Odds']);
  const place = { kind: 'place', drawerId: d('Space'), dividerIds: [], before: null } as const;
  expect(filedInto([{ ...place, pluginIds: [p('Plate')] }], STATE)).toEqual([]);
  expect(filedInto([{ ...place, pluginIds: [p('Goose')] }], STATE)).toEqual(['Space']);
  expect(filedInto([{ kind: 'tray-on', tray: 2, pluginIds: [p('Goose')] }], STATE)).toEqual([]);
});

describe('how often and how lately plugins were loaded', () => {
  const now = Date.parse('2026-06-01T12:00:00Z');
  const before = (days: number): string => new Date(now - days * 86_400_000).toISOString();
  const asked = (plugins: ReturnType<typeof plugin>[]) => {
    const { values, of } = loadsFacet(catalogueOf(plugins), localDay(new Date(now)));
    return of.map((own) => own.map((value) => values[value]));
  };

  it('tells what was never loaded, lately, and not for long', () => {
    const own = [null, 0, 30, 31, 91, 366].map((days, at) =>
      plugin(String(at), { loads: days === null ? 0 : 1, lastLoad: days === null ? null : before(days) }),
    );
    expect(asked(own)).toEqual([
      ['never'],
      ['most', 'last-30'],
      ['most', 'last-30'],
      ['most'],
      ['most', 'not-90'],
      ['most', 'not-90', 'not-365'],
    ]);
  });

  it('takes twenty as the most loaded', () => {
    const own = Array.from({ length: 30 }, (_, at) => plugin(String(at), { loads: at, lastLoad: before(40) }));
    const most = asked(own).flatMap((values, at) => (values.includes('most') ? [at] : []));
    expect(most).toEqual(Array.from({ length: 20 }, (_, at) => at + 10));
  });
});
