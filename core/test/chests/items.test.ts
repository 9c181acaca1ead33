/** Presets stand in drawers, on trays and in slots as plugins do, under an identity without a path. */
import fc from 'fast-check';
import { bankAndName, presetKey } from '../../src/catalogue/plugin-presets';
import { emptyArrangement } from '../../src/chests/arrangement';
import { contentsOf } from '../../src/chests/drawer-contents';
import { ruledOf } from '../../src/chests/ruled';
import { itemId, itemNames, itemParts, pluginsOfItems } from '../../src/chests/item';
import { takeOver } from '../../src/chests/join-plugins';
import { applyEdits } from '../../src/chests/edit';
import { arrangedPresets, itemsById } from '../../src/chests/preset-item';
import { group } from '../../src/chests/row-groups';
import { asId, type LaneId, type PluginId, type SessionId, type SlotId } from '../../src/ids';
import { afterWith, c, d, p, saidWith } from './support';

const names = itemNames((id) => ({ plate: 'Copper Plate', echo: 'Echo' })[id as string]);
const after = afterWith(names);
const said = saidWith(names);
const HALL = itemId({ pluginId: p('plate'), preset: presetKey({ bank: 'Rooms', name: 'Vocal Hall' }) });
const START = after(
  emptyArrangement(),
  { kind: 'make-chest', id: c('c'), name: 'Everyday', slots: null },
  { kind: 'make-drawer', id: d('S'), chestId: c('c'), parentId: null, name: 'Space', rule: null, pluginIds: [] },
);
const chosen = (id: string, name: string) => ({
  id: asId<PluginId>(id),
  name,
  givenName: name,
  naming: null,
  aside: null,
  preset: null,
  found: true,
  loads: 3,
});
const PLUGINS = [chosen('plate', 'Copper Plate'), chosen('echo', 'Echo')];

describe('what names an item', () => {
  it('is taken apart into what it was made of, whatever bank and name are (seeded)', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.option(fc.string({ unit: 'grapheme', minLength: 1 })),
        fc.string({ unit: 'grapheme' }),
        (id, bank, name) => {
          const pluginId = asId<PluginId>(id.replaceAll('¶', ''));
          const preset = presetKey({ bank, name });
          expect(itemParts(itemId({ pluginId, preset }))).toEqual({ pluginId, preset });
          expect(itemParts(itemId({ pluginId, preset: null }))).toEqual({ pluginId, preset: null });
          expect(bankAndName(preset)).toEqual({ bank, name });
        },
      ),
      { seed: 4310, numRuns: 500 },
    );
  });

  it('tells its name, and whose it is; of a plugin that is not there nothing is known', () => {
    expect(names(HALL)).toBe('Copper Plate: Vocal Hall');
    expect(names(itemId({ pluginId: p('gone'), preset: presetKey({ bank: null, name: 'x' }) }))).toBeUndefined();
    expect(pluginsOfItems([HALL, p('plate'), p('echo')])).toEqual(['plate', 'echo']);
    // A key that somebody wrote by hand does no harm.
    expect(bankAndName(asId('%E0%A4%A/%zz'))).toEqual({ bank: '%E0%A4%A', name: '%zz' });
  });
});

describe('a preset', () => {
  it('is filed, put on a tray, named, ordered and taken out like a plugin, and apart from it', () => {
    const file = { kind: 'file' as const, drawerIds: [d('S')], pluginIds: [p('plate'), HALL] };
    expect(said(START, file)).toBe('file 1 plugin and 1 preset into Space');
    expect(said(START, { ...file, pluginIds: [HALL] })).toBe('file Copper Plate: Vocal Hall into Space');
    const filed = after(START, file);
    expect(said(filed, { ...file, pluginIds: [HALL] })).toBe('It stands in Space already.');
    const first = after(filed, {
      kind: 'place',
      drawerId: d('S'),
      pluginIds: [HALL],
      dividerIds: [],
      before: 'S/plate',
    });
    expect(group(first, 'entriesIn', 'S').map((row) => itemId(row))).toEqual([HALL, 'plate']);
    const state = after(
      first,
      { kind: 'name-entry', drawerId: d('S'), pluginId: HALL, name: 'the cave' },
      { kind: 'name-plugins', pluginIds: [HALL], naming: { nickname: 'cave', addTags: ['dark'] } },
      { kind: 'tray-on', tray: 2, pluginIds: [HALL, p('echo')] },
      { kind: 'place-on-tray', tray: 2, pluginIds: [p('echo')], before: HALL },
    );
    expect(group(state, 'onTray', '2').map((row) => itemId(row))).toEqual(['echo', HALL]);
    expect(group(state, 'traysOf', 'plate')).toEqual([]);
    expect(group(state, 'entriesOf', HALL)).toHaveLength(1);
    expect([...arrangedPresets(state)]).toEqual([HALL]);
    const out = after(state, { kind: 'take-out', drawerId: d('S'), pluginIds: [p('plate')] });
    expect(group(out, 'entriesIn', 'S').map((row) => row.name)).toEqual(['the cave']);
  });

  it('is loaded into a slot, which knows it', () => {
    const lane = { id: asId<LaneId>('l'), kind: 'audio' as const, name: 'Goose', inserts: 1 };
    const session = after(START, { kind: 'make-session', id: asId<SessionId>('s'), name: 'Scene', lanes: [lane] });
    const load = { kind: 'load' as const, slotId: asId<SlotId>('l/1'), pluginId: HALL, buildId: null };
    expect(said(session, load)).toBe('load Copper Plate: Vocal Hall into Goose');
    const loaded = after(session, load);
    expect(loaded.slot.get('l/1')).toMatchObject({ pluginId: 'plate', preset: 'Rooms/Vocal Hall' });
    expect(said(loaded, { kind: 'clear-slot', slotId: load.slotId })).toBe('clear Copper Plate: Vocal Hall from Goose');
    expect(after(loaded, { kind: 'clear-slot', slotId: load.slotId }).slot.get('l/1')).toMatchObject({
      pluginId: null,
      preset: null,
    });
  });

  it('is shown under its own words, and keeps its place where it is not there; no rule for plugins takes it', () => {
    const state = after(
      START,
      { kind: 'file', drawerIds: [d('S')], pluginIds: [HALL] },
      { kind: 'name-plugins', pluginIds: [HALL], naming: { nickname: 'cave' } },
      { kind: 'set-rule', id: d('S'), rule: { kind: 'keywords', words: ['plate', 'cave'] } },
    );
    const items = (present: ReadonlySet<typeof HALL>) =>
      itemsById(PLUGINS, present, arrangedPresets(state), state.naming);
    const drawer = state.drawer.get('S');
    if (drawer === undefined) throw new Error('no drawer');
    const here = items(new Set([HALL]));
    const ruled = ruledOf({ state, items: here, traits: new Map(), presets: true, today: '2026-11-25' });
    const shown = contentsOf(state, here, drawer, ruled).plugins;
    expect(shown.map(({ plugin, name, by }) => [plugin.id, name, by])).toEqual([
      [HALL, 'cave', 'hand'],
      ['plate', 'Copper Plate', 'rule'],
    ]);
    expect(items(new Set()).get(HALL)).toMatchObject({
      found: false,
      givenName: 'Copper Plate: Vocal Hall',
      preset: { bank: 'Rooms', name: 'Vocal Hall' },
    });
    // Its plugin is on no computer at all: there is nothing to show.
    expect(itemsById([], new Set(), [HALL], state.naming).has(HALL)).toBe(false);
  });

  it('goes along when its plugin is joined to another, with its places and words', () => {
    const state = after(
      START,
      { kind: 'file', drawerIds: [d('S')], pluginIds: [HALL] },
      { kind: 'tray-on', tray: 1, pluginIds: [HALL] },
      { kind: 'name-plugins', pluginIds: [HALL], naming: { nickname: 'cave' } },
    );
    const joined = applyEdits(
      state,
      takeOver(state, [p('plate')], p('echo'), () => []),
    );
    const there = itemId({ ...itemParts(HALL), pluginId: p('echo') });
    expect([[...joined.entry.keys()], [...joined.trayEntry.keys()], [...joined.naming.keys()]]).toEqual([
      [`S/${there}`],
      [`1/${there}`],
      [there],
    ]);
  });
});
