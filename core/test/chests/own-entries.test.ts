import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { applyEdits, inverse } from '../../src/chests/edit';
import type { Intent } from '../../src/chests/intent';
import { isOwnEntry, ownEntryIdOf, ownPlugins, programsOf, withOwnPlugins } from '../../src/chests/own-entries';
import { planChange } from '../../src/chests/plan-change';
import { itemParts } from '../../src/chests/item';
import type { OwnEntry } from '../../src/chests/rows/own-entry';
import { withChoices } from '../../src/chests/with-choices';
import { exportArrangement } from '../../src/exchange/export-arrangement';
import { planImport } from '../../src/exchange/import-arrangement';
import { asId, type ChestId, type DrawerId } from '../../src/ids';

const entry = (number: number, name: string, program = 'Marquee Desk'): OwnEntry => ({
  id: ownEntryIdOf(`00000000-0000-4000-8000-00000000000${String(number)}`),
  name,
  maker: null,
  program,
  role: 'audio-effect',
  types: ['reverb'],
  width: null,
  addedAt: '2026-12-01T12:00:00.000Z',
  file: null,
});
const stage = entry(1, 'Stage Reverb');
const cave = entry(2, 'Cave');
const chestId = asId<ChestId>('c');
const drawerId = asId<DrawerId>('d');

const planned = (state: Arrangement, intent: Intent) => planChange(state, intent, (id) => state.ownEntry.get(id)?.name);
function after(state: Arrangement, ...intents: Intent[]): Arrangement {
  return intents.reduce((now, intent) => {
    const plan = planned(now, intent);
    if (!plan.ok) throw new Error(plan.refusal);
    return applyEdits(now, plan.change.edits);
  }, state);
}
const refusal = (state: Arrangement, intent: Intent): string => {
  const plan = planned(state, intent);
  return plan.ok ? '' : plan.refusal;
};

const filed = after(
  emptyArrangement(),
  { kind: 'add-own-entries', entries: [stage, cave] },
  { kind: 'make-chest', id: chestId, name: 'Everyday', slots: null },
  { kind: 'make-drawer', id: drawerId, chestId, parentId: null, name: 'Space', rule: null, pluginIds: [stage.id] },
  { kind: 'tray-on', tray: 1, pluginIds: [stage.id] },
  { kind: 'name-plugins', pluginIds: [stage.id], naming: { nickname: 'the stage' } },
  { kind: 'set-aside', pluginIds: [cave.id], builds: [], reason: 'not-for-me', until: null },
);

it('is known by its id, which holds no preset', () => {
  expect(isOwnEntry(stage.id)).toBe(true);
  expect(isOwnEntry('tollgatesound/own')).toBe(false);
  expect(itemParts(stage.id)).toEqual({ pluginId: stage.id, preset: null });
});

it('is a plugin that is always there, under the words of the producer', () => {
  const [first, second] = withChoices<never, ReturnType<typeof ownPlugins>[number]>(ownPlugins(filed), filed);
  expect(first).toMatchObject({ name: 'the stage', givenName: 'Stage Reverb', found: true, vendor: 'Marquee Desk' });
  expect(second?.aside).toMatchObject({ reason: 'not-for-me' });
});

it('stays the very same plugin until its row or its loads change', () => {
  const [first] = ownPlugins(filed);
  expect(ownPlugins(filed)[0]).toBe(first);
  expect(ownPlugins(filed, { loadsOf: () => ({ loads: 2, lastLoad: null }) })[0]).not.toBe(first);
});

it('two entries of one program can’t have one name, whatever its capitals', () => {
  expect(refusal(filed, { kind: 'add-own-entries', entries: [entry(3, 'STAGE reverb')] })).toBe(
    'Marquee Desk has an own entry called STAGE reverb already.',
  );
  const other = after(filed, { kind: 'add-own-entries', entries: [entry(3, 'Stage Reverb', 'Other Desk')] });
  expect(programsOf(other)).toEqual(['Marquee Desk', 'Other Desk']);
  const { id: _id, addedAt: _at, ...fields } = stage;
  expect(refusal(filed, { ...fields, kind: 'change-own-entry', id: cave.id })).toContain('called Stage Reverb already');
});

it('is deleted with every place and word, and comes back with them', () => {
  const plan = planned(filed, { kind: 'delete-own-entries', ids: [stage.id, cave.id] });
  if (!plan.ok) throw new Error(plan.refusal);
  const { label, edits } = plan.change;
  expect(label).toBe('delete 2 own entries');
  const gone = applyEdits(filed, edits);
  for (const kind of ['ownEntry', 'entry', 'trayEntry', 'naming', 'aside'] as const)
    expect([kind, gone[kind].size]).toEqual([kind, 0]);
  expect(applyEdits(gone, inverse(edits))).toEqual(filed);
});

it('stands among plugins in order of name', () => {
  const plugins = ['Anvil', 'Bell', 'Zither'].map((name) => ({ name }));
  const names = withOwnPlugins(plugins, [{ name: 'Stage' }, { name: 'cave' }]).map((one) => one.name);
  expect(names).toEqual(['Anvil', 'Bell', 'cave', 'Stage', 'Zither']);
});

describe('in documents', () => {
  const document = exportArrangement(filed, new Map(), 'Music room', new Date('2026-12-01'));

  it('goes out with its places and comes in as it was', () => {
    let number = 0;
    const plan = planImport(emptyArrangement(), document, new Map(), () => `new-${String(++number)}`);
    const state = applyEdits(emptyArrangement(), plan.change.edits);
    expect(state.ownEntry).toEqual(filed.ownEntry);
    expect([...state.entry.values()].map((row) => row.pluginId)).toEqual([stage.id]);
    expect([...state.trayEntry.values()].map((row) => row.pluginId)).toEqual([stage.id]);
    expect(state.naming.get(stage.id)?.nickname).toBe('the stage');
    expect(state.aside.get(cave.id)?.reason).toBe('not-for-me');
    expect(plan.missing).toEqual([]);
  });

  it('is taken for one of the same name and program that is there', () => {
    const own = { ...stage, id: ownEntryIdOf('00000000-0000-4000-8000-000000000009') };
    const there = after(emptyArrangement(), { kind: 'add-own-entries', entries: [own] });
    let number = 0;
    const plan = planImport(there, document, new Map(), () => `new-${String(++number)}`);
    const state = applyEdits(there, plan.change.edits);
    expect(state.ownEntry.size).toBe(2);
    expect([...state.entry.values()].map((row) => row.pluginId)).toEqual([own.id]);
  });
});
