import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { applyEdits } from '../../src/chests/edit';
import type { Intent } from '../../src/chests/intent';
import { levelOf } from '../../src/chests/level';
import { drawersIn, entriesIn } from '../../src/chests/look-up';
import { looseDrawer } from '../../src/chests/loose';
import { planChange } from '../../src/chests/plan-change';
import { exportArrangement } from '../../src/exchange/export-arrangement';
import { planImport } from '../../src/exchange/import-arrangement';
import { asId, type ChestId, type DrawerId, type PluginId } from '../../src/ids';

const chest = asId<ChestId>('c');
const [space, loose, other] = ['s', 'l', 'o'].map((id) => asId<DrawerId>(id)) as [DrawerId, DrawerId, DrawerId];
const [plate, hall, gate] = ['Plate', 'Hall', 'Gate'].map((id) => asId<PluginId>(id)) as [PluginId, PluginId, PluginId];

const plan = (state: Arrangement, intent: Intent) => planChange(state, intent, (id) => id);
function after(state: Arrangement, ...intents: Intent[]): Arrangement {
  return intents.reduce((now, intent) => {
    const planned = plan(now, intent);
    if (!planned.ok) throw new Error(planned.refusal);
    return applyEdits(now, planned.change.edits);
  }, state);
}
const drawer = (id: DrawerId, name: string, parentId: DrawerId | null = null): Intent => ({
  kind: 'make-drawer',
  id,
  chestId: chest,
  parentId,
  name,
  rule: null,
  pluginIds: [],
});
const STATE = after(
  emptyArrangement(),
  { kind: 'make-chest', id: chest, name: 'Everyday', slots: null },
  drawer(space, 'Space'),
  { kind: 'file-loose', chestId: chest, id: loose, pluginIds: [plate, hall] },
);
const names = (state: Arrangement): string[] => drawersIn(state, chest, null).map((one) => one.name);

it('stands first in its chest, however that is ordered', () => {
  expect(names(STATE)).toEqual(['Without a drawer', 'Space']);
  const moved = after(STATE, drawer(other, 'Air'), {
    kind: 'move-drawer',
    id: other,
    chestId: chest,
    parentId: null,
    before: loose,
  });
  expect(names(moved)).toEqual(['Without a drawer', 'Air', 'Space']);
  const sorted = after(moved, { kind: 'set-level-sort', chestId: chest, parentId: null, sort: 'name' });
  const level = levelOf(sorted, chest, null, () => ({ size: 0, loads: 0, type: null }));
  expect(level.map((one) => one.drawer.name)).toEqual(['Without a drawer', 'Air', 'Space']);
});

it('a chest has one, and what stands there already is refused', () => {
  const more = after(STATE, { kind: 'file-loose', chestId: chest, id: other, pluginIds: [plate, gate] });
  expect(names(more)).toEqual(['Without a drawer', 'Space']);
  expect(entriesIn(more, loose).map((entry) => entry.pluginId)).toEqual([plate, hall, gate]);
  expect(plan(STATE, { kind: 'file-loose', chestId: chest, id: other, pluginIds: [plate] })).toEqual({
    ok: false,
    refusal: 'It stands in Everyday without a drawer already.',
  });
});

it.each<[string, Intent]>([
  ['renamed', { kind: 'rename-drawer', id: loose, name: 'Odds' }],
  ['moved', { kind: 'move-drawer', id: loose, chestId: chest, parentId: space, before: null }],
  ['copied', { kind: 'copy-drawer', id: loose, newId: other, chestId: chest, parentId: null }],
  ['given a rule', { kind: 'set-rule', id: loose, rule: { kind: 'keywords', words: ['hall'] } }],
  ['split', { kind: 'set-split', id: loose, split: 'vendor' }],
  ['filled with drawers', drawer(other, 'Inner', loose)],
  [
    'filled with drawers that stand elsewhere',
    { kind: 'move-drawer', id: space, chestId: chest, parentId: loose, before: null },
  ],
])('can’t be %s, since it is no drawer', (_, intent) => {
  const refused = plan(STATE, intent);
  expect(refused.ok ? '' : refused.refusal).toContain('drawer');
});

it('is divided up into drawers, and gone when all is taken out at once', () => {
  const divided = after(
    STATE,
    { kind: 'file', drawerIds: [space], pluginIds: [plate] },
    { kind: 'take-out', drawerId: loose, pluginIds: [plate] },
  );
  expect(entriesIn(divided, loose).map((entry) => entry.pluginId)).toEqual([hall]);
  const merged = after(STATE, { kind: 'merge-drawers', intoId: space, ids: [loose] });
  expect([names(merged), entriesIn(merged, space).length]).toEqual([['Space'], 2]);
  const gone = plan(STATE, { kind: 'delete-drawer', id: loose });
  expect(gone.ok && gone.change.label).toBe('take out all that stands in Everyday without a drawer');
});

it('goes along in a document, and fills up what stands loose there', () => {
  const known = [plate, hall, gate].map((id) => ({ id, name: id, vendor: null, builds: [] }));
  const plugins = new Map(known.map((one) => [one.id, one]));
  const document = exportArrangement(STATE, plugins, 'Music room', new Date(0));
  let made = 0;
  const bring = (state: Arrangement): Arrangement =>
    applyEdits(state, planImport(state, document, plugins, () => `new ${String(made++)}`).change.edits);
  const fresh = bring(emptyArrangement());
  const [chestThere] = [...fresh.chest.keys()] as ChestId[];
  const there = chestThere === undefined ? undefined : looseDrawer(fresh, chestThere);
  expect(there === undefined ? [] : entriesIn(fresh, there.id).map((entry) => entry.pluginId)).toEqual([plate, hall]);
  const less = after(STATE, { kind: 'take-out', drawerId: loose, pluginIds: [hall] });
  expect(entriesIn(bring(less), loose)).toHaveLength(2);
});
