import { applyEdits, inverse } from '../../src/chests/edit';
import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { drawersIn, entriesIn } from '../../src/chests/look-up';
import { contentsOfDrawers } from '../../src/chests/drawer-contents';
import type { Intent } from '../../src/chests/intent';
import { ruledOf } from '../../src/chests/ruled';
import { planChange } from '../../src/chests/plan-change';
import { workOutChest } from '../../src/chests/work-out-chest';
import { asId, type ItemId, type LaneId, type PluginId, type SessionId, type SlotId } from '../../src/ids';
import { PLUGINS, nameOf, chest, d, after, refusal, drawer, start } from './planned';

const order = (state: Arrangement, parent: string | null = null): string[] =>
  drawersIn(state, chest, parent === null ? null : d(parent)).map((one) => one.name);

const ids = (...names: string[]): PluginId[] => names.map((name) => asId<PluginId>(name));

describe('filing', () => {
  const filed = after(start, {
    kind: 'file',
    drawerIds: [d('A'), d('B')],
    pluginIds: ids('Copper EQ', 'Vestry Plate'),
  });

  it('puts plugins into several drawers, once in each, in the order given', () => {
    expect(entriesIn(filed, d('A')).map((entry) => entry.pluginId)).toEqual(['Copper EQ', 'Vestry Plate']);
    expect(entriesIn(filed, d('B'))).toHaveLength(2);
    expect(refusal(filed, { kind: 'file', drawerIds: [d('A')], pluginIds: ids('Copper EQ') })).toBe(
      'It stands in A already.',
    );
  });

  it('taking out of one drawer touches no other', () => {
    const out = after(filed, { kind: 'take-out', drawerId: d('A'), pluginIds: ids('Copper EQ') });
    expect(entriesIn(out, d('A')).map((entry) => entry.pluginId)).toEqual(['Vestry Plate']);
    expect(entriesIn(out, d('B'))).toHaveLength(2);
  });

  it('says why a plugin that a rule put there stays', () => {
    const clever = after(start, drawer('EQs', null, ['eq']));
    expect(refusal(clever, { kind: 'take-out', drawerId: d('EQs'), pluginIds: ids('Copper EQ') })).toContain(
      'was not put into EQs by hand',
    );
  });

  it('is named in words', () => {
    const plan = planChange(
      start,
      { kind: 'file', drawerIds: [d('A')], pluginIds: ids('Copper EQ', 'Twice Told') },
      nameOf,
    );
    expect(plan).toMatchObject({ ok: true, change: { label: 'file 2 plugins into A' } });
  });
});

describe('drawers', () => {
  it('are moved in front of another, to the end, and into one another', () => {
    expect(
      order(after(start, { kind: 'move-drawer', id: d('C'), chestId: chest, parentId: null, before: d('A') })),
    ).toEqual(['C', 'A', 'B']);
    expect(
      order(after(start, { kind: 'move-drawer', id: d('A'), chestId: chest, parentId: null, before: null })),
    ).toEqual(['B', 'C', 'A']);
    expect(
      order(after(start, { kind: 'move-drawer', id: d('B'), chestId: chest, parentId: d('A'), before: d('A1') }), 'A'),
    ).toEqual(['B', 'A1']);
  });

  it('never go inside themselves', () => {
    expect(refusal(start, { kind: 'move-drawer', id: d('A'), chestId: chest, parentId: d('A1'), before: null })).toBe(
      "A can't be put inside itself.",
    );
  });

  it('are deleted with what is inside them, and come back whole', () => {
    const filled = after(start, { kind: 'file', drawerIds: [d('A1')], pluginIds: ids('Twice Told') });
    const plan = planChange(filled, { kind: 'delete-drawer', id: d('A') }, nameOf);
    if (!plan.ok) throw new Error(plan.refusal);
    const gone = applyEdits(filled, plan.change.edits);
    expect([gone.drawer.size, gone.entry.size]).toEqual([2, 0]);
    expect(applyEdits(gone, inverse(plan.change.edits))).toEqual(filled);
  });

  it('the last chest stays', () => expect(refusal(start, { kind: 'delete-chest', id: chest })).toContain('only chest'));
});

describe('a clever drawer', () => {
  it('holds what was put in by hand first, then what its keywords fit, each once', () => {
    const state = after(start, drawer('Echoes', null, ['slap', 'twice']), {
      kind: 'file',
      drawerIds: [d('Echoes')],
      pluginIds: ids('Vestry Plate', 'Twice Told'),
    });
    const items = new Map<ItemId, (typeof PLUGINS)[number]>(PLUGINS.map((plugin) => [plugin.id, plugin]));
    const ruled = ruledOf({ state, items, traits: new Map(), presets: true, today: '2026-11-25' });
    const inside = contentsOfDrawers(state, items, ruled).get('Echoes');
    expect(ruled.why(d('Echoes'), asId('Slapboard'))).toBe('slap');
    expect(inside?.map((content) => [content.plugin.name, content.by])).toEqual([
      ['Vestry Plate', 'hand'],
      ['Twice Told', 'hand'],
      ['Slapboard', 'rule'],
    ]);
  });
});

describe('a rule that takes so many at most', () => {
  it('takes the first in the order of the drawer, and what is in it by hand is not counted', () => {
    const items = new Map(
      PLUGINS.map((plugin, loads) => [plugin.id as ItemId, { ...plugin, loads, arrivedAt: '' }] as const),
    );
    const held = (...more: Intent[]): (string | undefined)[] => {
      const state = after(start, drawer('Few', null, ['copper', 'vestry', 'twice', 'slap']), ...more);
      const ruled = ruledOf({ state, items, traits: new Map(), presets: false, today: '2026-11-25' });
      return (
        contentsOfDrawers(state, items, ruled)
          .get('Few')
          ?.map(({ plugin }) => plugin.name) ?? []
      );
    };
    const most: Intent = { kind: 'set-most', id: d('Few'), most: 2 };
    expect(held()).toHaveLength(4);
    expect(held(most)).toEqual(['Copper EQ', 'Slapboard']);
    expect(held(most, { kind: 'set-sort', id: d('Few'), sort: 'loads' })).toEqual(['Slapboard', 'Twice Told']);
    expect(held(most, { kind: 'file', drawerIds: [d('Few')], pluginIds: ids('Slapboard') })).toEqual([
      'Slapboard',
      'Copper EQ',
      'Twice Told',
    ]);
    expect(refusal(after(start, drawer('Few', null, ['slap']), most), most)).toBe('Nothing to change.');
  });
});

describe('a practice session', () => {
  const session = after(start, {
    kind: 'make-session',
    id: asId<SessionId>('s'),
    name: 'Scene',
    lanes: [{ id: asId<LaneId>('l'), kind: 'instrument', name: 'Piano', inserts: 2 }],
  });

  it('gives an instrument track a slot for notes and one for the instrument before its inserts', () => {
    expect([...session.slot.values()].map((slot) => slot.kind)).toEqual([
      'midi-effect',
      'instrument',
      'insert',
      'insert',
    ]);
  });

  it('loads, replaces and clears', () => {
    const slotId = asId<SlotId>('l/3');
    const loaded = after(
      session,
      { kind: 'load', slotId, pluginId: asId<PluginId>('Copper EQ'), buildId: null },
      { kind: 'load', slotId, pluginId: asId<PluginId>('Vestry Plate'), buildId: null },
    );
    expect(loaded.slot.get('l/3')?.pluginId).toBe('Vestry Plate');
    expect(after(loaded, { kind: 'clear-slot', slotId }).slot.get('l/3')?.pluginId).toBeNull();
  });
});

describe('a chest worked out from the catalogue', () => {
  const plugins = [
    { ...PLUGINS[0], vendor: 'B', types: ['eq'], formats: ['VST3', 'AU'] },
    { ...PLUGINS[1], vendor: 'A', types: ['reverb', 'delay'], formats: ['VST3'] },
    { ...PLUGINS[2], vendor: null, types: ['chorus'], formats: ['AU'] },
    { ...PLUGINS[4], vendor: 'A', types: ['flanger'], formats: ['AU'] },
    { ...PLUGINS[3], vendor: 'A', types: [], formats: [] },
  ] as never[];
  const worked = (by: 'type' | 'vendor' | 'format'): Arrangement => {
    let number = 0;
    return applyEdits(
      emptyArrangement(),
      workOutChest(
        emptyArrangement(),
        plugins,
        { id: chest, name: 'x', by, slots: null, most: null, inner: 'letters' },
        () => d(String(number++)),
      ).edits,
    );
  };

  it('by type: a drawer per type, families of several types around them, every plugin somewhere', () => {
    expect(order(worked('type'))).toEqual(['EQ', 'reverb', 'delay', 'modulation', 'type unknown']);
    expect(new Set([...worked('type').entry.values()].map((entry) => entry.pluginId)).size).toBe(5);
  });
  it('by vendor, in order of name', () => expect(order(worked('vendor'))).toEqual(['A', 'B', 'vendor unknown']));
  it('by format', () => expect(order(worked('format'))).toEqual(['VST3', 'AU', 'no build found']));
});

describe('out of everything', () => {
  it('takes plugins out of every drawer and tray in one step, and leaves what a rule put there', () => {
    const placed = after(
      after(start, drawer('EQs', null, ['eq'])),
      { kind: 'file', drawerIds: [d('A'), d('B')], pluginIds: ids('Copper EQ', 'Vestry Plate') },
      { kind: 'tray-on', tray: 2, pluginIds: ids('Copper EQ') },
    );
    const plan = planChange(placed, { kind: 'take-out-everywhere', pluginIds: ids('Copper EQ') }, nameOf);
    if (!plan.ok) throw new Error(plan.refusal);
    expect(plan.change.label).toBe('take Copper EQ out of 3 places in drawers and on trays');
    const out = applyEdits(placed, plan.change.edits);
    expect(entriesIn(out, d('A')).map((entry) => entry.pluginId)).toEqual(['Vestry Plate']);
    expect(out.trayEntry.size).toBe(0);
    expect(applyEdits(out, inverse(plan.change.edits))).toEqual(placed);
    expect(refusal(out, { kind: 'take-out-everywhere', pluginIds: ids('Copper EQ') })).toContain('into no drawer');
  });
});
