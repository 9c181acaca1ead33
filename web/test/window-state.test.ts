import { markOf } from '@clever-drawer/core/chests/edit';
import { entriesIn } from '@clever-drawer/core/chests/look-up';
import { planIntents } from '@clever-drawer/core/chests/plan-change';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { applyRemoteChange, opened } from '../src/arrangement/window-state';
import { d, PlainServer } from './support';
import { Driven, two, expectAlike, file, nameOf, rename, place, START } from './driven-windows';

describe('two windows', () => {
  it('that file into one drawer at the same moment end alike, and the next move is granted', () => {
    const both = two();
    const { one, other } = both;
    one.make(file('B', 'Echo'));
    other.make(file('B', 'Goose'));
    // Moved on at once, before the server has said which place each got.
    other.make(place('B', 'Goose', null), file('B', 'Hall'));
    other.make(place('B', 'Hall', 'B/Goose'));
    one.reach();
    other.reach();
    both.settle();
    expectAlike(both);
    expect([one.told, other.told]).toEqual([[], []]);
    expect(entriesIn(one.window.state, d('B')).map((entry) => entry.pluginId)).toEqual(['Echo', 'Hall', 'Goose']);
  });

  it('one renames what the other deletes: it is told, and nothing comes back', () => {
    const both = two();
    both.one.make({ kind: 'delete-drawer', id: d('A') });
    both.other.make(rename('A', 'Rooms'));
    both.one.reach();
    both.settle();
    expectAlike(both);
    expect(both.other.told).toEqual([expect.stringContaining('not there any more')]);
    expect(both.other.window.failure).toEqual({ label: 'rename A to Rooms', reason: both.other.told[0] });
  });

  it('a failure in the middle of queued changes takes nothing else along', () => {
    const both = two();
    const { one } = both;
    one.make(rename('A', 'First'));
    one.make(rename('B', 'Lost'));
    one.make(file('B', 'Echo'));
    one.make(rename('B', 'Last'));
    one.reach();
    one.hearAnswer();
    one.reach(true);
    one.hearAnswer();
    both.settle();
    expectAlike(both);
    expect(['A', 'B'].map((id) => one.window.state.drawer.get(id)?.name)).toEqual(['First', 'Last']);
    expect(one.told).toEqual(['Clever Drawer does not answer.']);
  });

  it('events that were missed while the line was down are made up for', () => {
    const both = two();
    both.other.lineDown();
    both.one.make(file('B', 'Echo'));
    both.one.make(rename('B', 'Rooms'));
    for (let turn = 0; turn < 3; turn++) {
      both.one.reach();
      both.one.hearAnswer();
    }
    both.other.make(file('B', 'Goose'));
    both.settle();
    expectAlike(both);
    expect(both.other.window.state.drawer.get('B')?.name).toBe('Rooms');
  });

  it('what another window has changed since it was seen is not overwritten', () => {
    const both = two();
    both.one.make(rename('A', 'Rooms'));
    both.one.reach();
    both.other.make(rename('A', 'Halls'));
    both.settle();
    expectAlike(both);
    expect(both.server.state.drawer.get('A')?.name).toBe('Rooms');
    expect(both.other.told).toHaveLength(1);
  });
});

describe('steps back and forth', () => {
  it('are shown before the server has answered, also for what is still on its way, and name the step by its number', () => {
    const both = two();
    const { one } = both;
    one.make(rename('A', 'Rooms'));
    one.make(rename('A', 'Halls'));
    one.step('undo');
    expect(one.window.state.drawer.get('A')?.name).toBe('Rooms');
    expect(one.window.history.steps.redo?.label).toBe('rename Rooms to Halls');
    one.step('undo');
    one.step('redo');
    expect(one.window.state.drawer.get('A')?.name).toBe('Rooms');
    both.settle();
    expectAlike(both);
    expect(both.server.state.drawer.get('A')?.name).toBe('Rooms');
  });

  it('steps of before the window was opened are taken one by one', () => {
    const both = two();
    both.one.make(rename('A', 'Rooms'));
    both.one.make(rename('B', 'Halls'));
    both.settle();
    const late = new Driven(both.server, 3);
    late.step('undo');
    late.step('undo');
    for (let turn = 0; turn < 4; turn++) {
      late.reach();
      late.hearAnswer();
    }
    expect(['A', 'B'].map((id) => both.server.state.drawer.get(id)?.name)).toEqual(['A', 'B']);
    expect(late.window.state).toEqual(both.server.state);
  });

  it('a step whose change could not be saved is not sent', () => {
    const both = two();
    const { one } = both;
    one.make(rename('A', 'Lost'));
    one.step('undo');
    one.reach(true);
    one.hearAnswer();
    both.settle();
    expectAlike(both);
    expect(one.told).toEqual(['Clever Drawer does not answer.']);
  });

  it('never takes back what another window has done since', () => {
    const both = two();
    both.one.make(rename('A', 'Rooms'));
    both.settle();
    both.one.step('undo');
    both.other.make(rename('B', 'Halls'));
    both.other.reach();
    both.settle();
    expectAlike(both);
    expect(both.server.state.drawer.get('B')?.name).toBe('Halls');
    expect(both.one.told).toEqual(['Another window has gone on since.']);
  });
});

it('what was planned on the very state that is held is not drawn anew when it is answered', () => {
  const both = two();
  both.one.make(file('B', 'Echo'));
  const { state } = both.one.window;
  both.one.reach();
  both.one.hearAnswer();
  expect(both.one.window.state).toBe(state);
});

describe('a window and another computer', () => {
  it('shows what the other changed, keeps its own steps, and notices what it has missed', () => {
    const server = new PlainServer(START, nameOf);
    const window = opened(server.view());
    const plan = planIntents(START, [rename('A', 'Rooms')], nameOf);
    const saved = server.change(0, [rename('A', 'Rooms')], markOf(plan.ok ? plan.change.edits : []));
    expect(saved.edits).toHaveLength(1);
    const elsewhere = { ...saved, computerId: asId<ComputerId>('other') };
    const next = applyRemoteChange(window, elsewhere, nameOf);
    expect(next.state.drawer.get('A')?.name).toBe('Rooms');
    expect([next.held.revision, next.history.steps]).toEqual([saved.revision, window.history.steps]);
    // The same again is known, and one that skips a revision was missed.
    expect(applyRemoteChange(next, elsewhere, nameOf).isBehind).toBe(false);
    expect(applyRemoteChange(window, { ...elsewhere, revision: saved.revision + 1 }, nameOf).isBehind).toBe(true);
  });
});
