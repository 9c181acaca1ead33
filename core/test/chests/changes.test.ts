import fc from 'fast-check';
import { applyEdits, firstConflict, inverse } from '../../src/chests/edit';
import { emptyArrangement, ROW_KINDS, type Arrangement } from '../../src/chests/arrangement';
import { entryId } from '../../src/chests/rows/entry';
import { drawersIn, entriesIn, pathTo } from '../../src/chests/look-up';
import { contentsOfDrawers } from '../../src/chests/drawer-contents';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import { GROUPINGS, groupsOf, type GroupingName } from '../../src/chests/row-groups';
import { workOutChest } from '../../src/chests/work-out-chest';
import {
  asId,
  type ChestId,
  type DrawerId,
  type LaneId,
  type PluginId,
  type SessionId,
  type SlotId,
} from '../../src/ids';

const PLUGINS = ['Copper EQ', 'Vestry Plate', 'Twice Told', 'Sequencer', 'Slapboard'].map((name) => ({
  id: asId<PluginId>(name),
  name,
}));
const nameOf = (id: PluginId): string | undefined => PLUGINS.find((plugin) => plugin.id === id)?.name;
const chest = asId<ChestId>('c');
const other = asId<ChestId>('c2');
const d = (name: string): DrawerId => asId<DrawerId>(name);

function after(state: Arrangement, ...intents: Intent[]): Arrangement {
  return intents.reduce((now, intent) => {
    const plan = planChange(now, intent, nameOf);
    if (!plan.ok) throw new Error(plan.refusal);
    return applyEdits(now, plan.change.edits);
  }, state);
}
const refusal = (state: Arrangement, intent: Intent): string => {
  const plan = planChange(state, intent, nameOf);
  return plan.ok ? 'granted' : plan.refusal;
};
const drawer = (id: string, parent: string | null = null, words: readonly string[] = []): Intent => ({
  kind: 'make-drawer',
  id: d(id),
  chestId: chest,
  parentId: parent === null ? null : d(parent),
  name: id,
  rule: words.length === 0 ? null : { kind: 'keywords', words },
  pluginIds: [],
});
const start = after(
  emptyArrangement(),
  { kind: 'make-chest', id: chest, name: 'Everyday', slots: null },
  drawer('A'),
  drawer('B'),
  drawer('C'),
  drawer('A1', 'A'),
);
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

  it('says why a plugin that a keyword put there stays', () => {
    const clever = after(start, drawer('EQs', null, ['eq']));
    expect(refusal(clever, { kind: 'take-out', drawerId: d('EQs'), pluginIds: ids('Copper EQ') })).toContain(
      'by its keyword “eq”',
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
    const inside = contentsOfDrawers(state, new Map(PLUGINS.map((plugin) => [plugin.id, plugin]))).get('Echoes');
    expect(inside?.map((content) => [content.plugin.name, content.by])).toEqual([
      ['Vestry Plate', 'hand'],
      ['Twice Told', 'hand'],
      ['Slapboard', 'rule'],
    ]);
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
    expect(order(worked('type'))).toEqual(['EQ', 'reverb', 'delay', 'modulation', 'type not known']);
    expect(new Set([...worked('type').entry.values()].map((entry) => entry.pluginId)).size).toBe(5);
  });
  it('by vendor, in order of name', () => expect(order(worked('vendor'))).toEqual(['A', 'B', 'vendor not known']));
  it('by format', () => expect(order(worked('format'))).toEqual(['VST3', 'AU', 'no build found']));
});

describe('any sequence of wishes', () => {
  const names = ['A', 'B', 'C', 'A1', 'X', 'Y'];
  const anyDrawer = fc.constantFrom(...names).map(d);
  const anyChest = fc.constantFrom(chest, other);
  const onePlugin = fc.constantFrom(...PLUGINS.map((plugin) => plugin.id));
  const somePlugins = fc.subarray(
    PLUGINS.map((plugin) => plugin.id),
    { minLength: 1 },
  );
  const anyDivider = fc.constantFrom('v1', 'v2');
  const anyLine = fc.oneof(
    fc.tuple(anyDrawer, onePlugin).map(([drawerId, id]) => entryId(drawerId, id)),
    anyDivider,
  );
  const kind = <K extends Intent['kind']>(value: K) => fc.constant(value);
  const tray = fc.constantFrom(1, 2, 9);
  const intent = fc.oneof(
    fc.record({
      kind: kind('file'),
      drawerIds: fc.array(anyDrawer, { minLength: 1, maxLength: 3 }),
      pluginIds: somePlugins,
    }),
    fc.record({
      kind: kind('place'),
      drawerId: anyDrawer,
      pluginIds: somePlugins,
      dividerIds: fc.subarray(['v1', 'v2']),
      before: fc.option(anyLine),
    }),
    fc.record({ kind: kind('take-out'), drawerId: anyDrawer, pluginIds: somePlugins }),
    fc.record({
      kind: kind('add-divider'),
      id: anyDivider,
      drawerId: anyDrawer,
      label: fc.constant(''),
      before: fc.option(anyLine),
    }),
    fc.record({ kind: kind('label-divider'), id: anyDivider, label: fc.constantFrom('', 'long tails') }),
    fc.record({ kind: kind('remove-divider'), id: anyDivider }),
    fc.record({
      kind: kind('name-entry'),
      drawerId: anyDrawer,
      pluginId: onePlugin,
      name: fc.option(fc.constant('Own')),
    }),
    fc.record({
      kind: kind('move-drawer'),
      id: anyDrawer,
      chestId: anyChest,
      parentId: fc.option(anyDrawer),
      before: fc.option(anyDrawer),
    }),
    fc.record({
      kind: kind('copy-drawer'),
      id: anyDrawer,
      newId: anyDrawer,
      chestId: anyChest,
      parentId: fc.option(anyDrawer),
    }),
    fc.record({ kind: kind('set-sort'), id: anyDrawer, sort: fc.constantFrom('name' as const, null) }),
    fc.record({ kind: kind('delete-drawer'), id: anyDrawer }),
    fc.tuple(anyDrawer, fc.option(anyDrawer)).map(([id, parent]) => drawer(id, parent)),
    fc.record({
      kind: kind('make-chest'),
      id: fc.constant(other),
      name: fc.constant('Mix day'),
      slots: fc.constant(null),
    }),
    fc.record({
      kind: kind('copy-chest'),
      id: fc.constant(chest),
      newId: fc.constant(other),
      name: fc.constant('Copy'),
    }),
    fc.record({ kind: kind('move-chest'), id: anyChest, before: fc.option(anyChest) }),
    fc.record({ kind: kind('delete-chest'), id: anyChest }),
    fc.record({ kind: kind('tray-on'), tray, pluginIds: somePlugins }),
    fc.record({ kind: kind('tray-off'), tray, pluginIds: somePlugins }),
    fc.record({ kind: kind('place-on-tray'), tray, pluginIds: somePlugins, before: fc.option(onePlugin) }),
    fc.record({
      kind: kind('clear-trays'),
      trays: fc.subarray([1, 2, 9], { minLength: 1 }),
      pluginIds: fc.option(somePlugins),
    }),
    fc.record({ kind: kind('name-tray'), tray, name: fc.option(fc.constant('Goose')) }),
    fc.record({ kind: kind('swap-trays'), tray, with: tray }),
    fc.record({
      kind: kind('name-plugins'),
      pluginIds: somePlugins,
      naming: fc.record(
        {
          nickname: fc.option(fc.constant('the big one')),
          addTags: fc.constant(['dark']),
          removeTags: fc.constant(['Dark']),
        },
        { requiredKeys: [] },
      ),
    }),
    fc.record({
      kind: kind('set-aside'),
      pluginIds: somePlugins,
      builds: fc.constant([]),
      reason: fc.constant('demo' as const),
      until: fc.option(fc.constant('2026-12-01')),
    }),
    fc.record({ kind: kind('bring-back'), pluginIds: somePlugins, builds: fc.constant([]) }),
  ) as fc.Arbitrary<Intent>;

  it('keeps the arrangement whole, undo brings back exactly what was, and what is remembered equals what is worked out anew', () => {
    fc.assert(
      fc.property(fc.array(intent, { maxLength: 60 }), (intents) => {
        let state = start;
        for (const wish of intents) {
          const plan = planChange(state, wish, nameOf);
          if (!plan.ok) continue;
          expect(firstConflict(state, plan.change.edits)).toBeUndefined();
          // Each row is edited once: otherwise the inverse would not hold together.
          expect(new Set(plan.change.edits.map((edit) => `${edit.of} ${edit.id}`)).size).toBe(plan.change.edits.length);
          const next = applyEdits(state, plan.change.edits);
          expect(applyEdits(next, inverse(plan.change.edits))).toEqual(state);
          state = next;
        }
        // No drawer hangs in the air, in itself or in another chest than its parent; no entry without its drawer; none twice.
        for (const one of state.drawer.values()) {
          expect(pathTo(state, one.id)[0]?.parentId).toBeNull();
          expect(state.chest.has(one.chestId)).toBe(true);
          if (one.parentId !== null) expect(state.drawer.get(one.parentId)?.chestId).toBe(one.chestId);
        }
        for (const entry of state.entry.values()) expect(state.drawer.has(entry.drawerId)).toBe(true);
        for (const divider of state.divider.values()) expect(state.drawer.has(divider.drawerId)).toBe(true);
        const places = [...state.entry.values()].map((entry) => `${entry.drawerId}|${entry.pluginId}`);
        expect(new Set(places).size).toBe(places.length);
        expect(state.chest.size).toBeGreaterThan(0);
        expect(Object.keys(state)).toEqual([...ROW_KINDS]);
        // A copy shares no map with the state, so nothing is remembered of it.
        const copy = Object.fromEntries(ROW_KINDS.map((one) => [one, new Map<string, unknown>(state[one])])) as never;
        for (const name of Object.keys(GROUPINGS) as GroupingName[]) {
          expect(new Map(groupsOf(state, name))).toEqual(new Map(groupsOf(copy, name)));
        }
        const byId = new Map(PLUGINS.map((plugin) => [plugin.id, plugin]));
        expect(contentsOfDrawers(state, byId)).toEqual(contentsOfDrawers(copy, new Map(byId)));
      }),
      { seed: 20261124, numRuns: 400 },
    );
  });
});
