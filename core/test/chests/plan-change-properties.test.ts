import fc from 'fast-check';
import { applyEdits, firstConflict, inverse } from '../../src/chests/edit';
import { ROW_KINDS, type Arrangement } from '../../src/chests/arrangement';
import { entryId } from '../../src/chests/rows/entry';
import { pathTo } from '../../src/chests/look-up';
import { contentsOfDrawers } from '../../src/chests/drawer-contents';
import { ruledOf } from '../../src/chests/ruled';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import { GROUPINGS, groupsOf, type GroupingName } from '../../src/chests/row-groups';
import { asId, type ChestId } from '../../src/ids';
import { PLUGINS, nameOf, chest, d, drawer, start } from './planned';

const other = asId<ChestId>('c2');

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
    fc.record({ kind: kind('never-in'), drawerId: anyDrawer, pluginIds: somePlugins }),
    fc.record({ kind: kind('decide-by-rule'), drawerId: anyDrawer, pluginIds: somePlugins }),
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
    fc.record({
      kind: kind('set-rule'),
      id: anyDrawer,
      rule: fc.constantFrom({ kind: 'written' as const, text: 'plate or eq' }, null),
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
        const contents = (of: Arrangement, items: typeof byId) =>
          contentsOfDrawers(
            of,
            items,
            ruledOf({ state: of, items, traits: new Map(), presets: true, today: '2026-11-25' }),
          );
        expect(contents(state, byId)).toEqual(contents(copy, new Map(byId)));
      }),
      { seed: 20261124, numRuns: 400 },
    );
  });
});
