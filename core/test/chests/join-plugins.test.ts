import { applyEdits, inverse } from '../../src/chests/edit';
import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import { asId, type BuildId, type BuildKey, type ChestId, type DrawerId, type PluginId } from '../../src/ids';
import { afterWith } from './support';

const p = (id: string): PluginId => asId<PluginId>(id);
const b = (id: string): BuildId => asId<BuildId>(id);
const k = (text: string): BuildKey => asId<BuildKey>(text);
const d = (id: string): DrawerId => asId<DrawerId>(id);
const CHEST = asId<ChestId>('c');

const nameOf = (id: string): string => id.toUpperCase();
const after = afterWith(nameOf);

const drawer = (id: string, ...pluginIds: string[]): Intent => ({
  kind: 'make-drawer',
  id: d(id),
  chestId: CHEST,
  parentId: null,
  name: id,
  rule: null,
  pluginIds: pluginIds.map(p),
});
const words = (id: string, naming: Extract<Intent, { kind: 'name-plugins' }>['naming']): Intent => ({
  kind: 'name-plugins',
  pluginIds: [p(id)],
  naming,
});
const aside = (pluginIds: string[], builds: { id: BuildId; pluginId: PluginId }[] = []): Intent => ({
  kind: 'set-aside',
  pluginIds: pluginIds.map(p),
  builds,
  reason: 'demo',
  until: null,
});
const JOIN: Intent = {
  kind: 'join-plugins',
  intoId: p('stays'),
  pluginIds: [p('one'), p('two')],
  builds: [
    { id: b('one-vst3'), key: k('VST3 one'), pluginId: p('one') },
    { id: b('one-clap'), key: k('CLAP one'), pluginId: p('one') },
    { id: b('two-vst3'), key: k('VST3 two'), pluginId: p('two') },
  ],
};
const START = after(
  emptyArrangement(),
  { kind: 'make-chest', id: CHEST, name: 'Everyday', slots: null },
  drawer('A', 'stays', 'one'),
  drawer('B', 'two', 'one'),
);

/** What came of joining, after it was seen that undo brings back what was. */
function joined(...before: Intent[]): Arrangement {
  const state = after(START, ...before);
  const plan = planChange(state, JOIN, nameOf);
  if (!plan.ok) throw new Error(plan.refusal);
  const next = applyEdits(state, plan.change.edits);
  expect(applyEdits(next, inverse(plan.change.edits))).toEqual(state);
  return next;
}

describe('the plugin that others are joined to takes over', () => {
  it('what the rules of drawers never take, unless it is there by hand', () => {
    const state = joined(
      drawer('C'),
      ...['A', 'C'].map((id): Intent => ({ kind: 'set-rule', id: d(id), rule: { kind: 'written', text: 'two' } })),
      { kind: 'never-in', drawerId: d('A'), pluginIds: [p('two')] },
      { kind: 'never-in', drawerId: d('C'), pluginIds: [p('two')] },
    );
    expect([...state.neverIn.values()].map((row) => row.id)).toEqual(['C/stays']);
  });
  it('their places, once each, with the names that they had there', () => {
    const state = joined({ kind: 'name-entry', drawerId: d('A'), pluginId: p('one'), name: 'cave' });
    expect([...state.entry.values()].map((one) => [one.id, one.name])).toEqual([
      ['A/stays', 'cave'],
      ['B/stays', null],
    ]);
  });

  it('their places on trays', () => {
    const state = joined(
      { kind: 'tray-on', tray: 1, pluginIds: [p('stays'), p('one')] },
      {
        kind: 'tray-on',
        tray: 2,
        pluginIds: [p('two')],
      },
    );
    expect([...state.trayEntry.keys()].sort()).toEqual(['1/stays', '2/stays']);
  });

  it('their words: nothing is lost, and what is its own wins', () => {
    const state = joined(
      words('stays', { nickname: 'plate', addTags: ['dark'], note: 'mine' }),
      words('one', { nickname: 'goose', stripLabel: 'GOOSE', addTags: ['Dark', 'wide'], note: 'loud' }),
      words('two', { stripLabel: 'TWO', note: 'mine' }),
    );
    expect([...state.naming.values()]).toEqual([
      {
        id: 'stays',
        nickname: 'plate',
        stripLabel: 'GOOSE',
        note: expect.stringContaining('loud') as string,
        tags: ['dark', 'wide', 'goose'],
      },
    ]);
    expect(state.naming.get('stays')?.note?.split('\n')).toEqual(['mine', 'loud', 'strip label also TWO']);
  });

  it('a picture, when it has none; its own stays, and so does the one that finds no room', () => {
    const face = (id: string, picture: string): Intent => ({ kind: 'show-face', pluginId: p(id), picture });
    const shown = (state: Arrangement) => [...state.face.values()].map((one) => [one.id, one.picture]);
    expect(shown(joined(face('two', 'x')))).toEqual([['stays', 'x']]);
    expect(shown(joined(face('stays', 'own'), face('one', 'x')))).toEqual([
      ['stays', 'own'],
      ['one', 'x'],
    ]);
  });

  it('corrections that it has none of', () => {
    const right = (id: string, one: Extract<Intent, { kind: 'put-right' }>['right']): Intent => ({
      kind: 'put-right',
      pluginIds: [p(id)],
      right: one,
    });
    const state = joined(
      right('stays', { role: 'tool' }),
      right('one', { vendor: 'Tollgate' }),
      right('two', { role: 'instrument' }),
    );
    expect(state.choice.get('stays')).toMatchObject({ role: 'tool', vendor: 'Tollgate' });
    // One that can't be taken over waits for the day on which they are parted.
    expect(state.choice.get('two')).toMatchObject({ role: 'instrument' });
    expect(state.choice.has('one')).toBe(false);
  });

  it('reasons for setting aside, with the builds that they were meant for', () => {
    const state = joined(aside(['one']), aside([], [{ id: b('two-vst3'), pluginId: p('two') }]));
    expect([...state.aside.values()].map((one) => [one.id, one.pluginId, one.buildId, one.reason]).sort()).toEqual([
      ['one-clap', 'stays', 'one-clap', 'demo'],
      ['one-vst3', 'stays', 'one-vst3', 'demo'],
      ['two-vst3', 'stays', 'two-vst3', 'demo'],
    ]);
  });
});
