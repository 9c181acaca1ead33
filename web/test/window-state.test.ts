import fc from 'fast-check';
import type { SavedChange } from '@clever-drawer/contract/responses';
import { markOf } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { entriesIn } from '@clever-drawer/core/chests/look-up';
import {
  answered,
  failed,
  fetched,
  heard,
  nextStep,
  opened,
  planIn,
  wished,
  type WindowState,
} from '../src/arrangement/window-state';
import { after, CHEST, d, drawer, EMPTY, p, PlainServer, Refused } from './support';

const NAMES = new Map(['Plate', 'Echo', 'Goose', 'Hall'].map((name) => [p(name), name]));
const nameOf = (id: ReturnType<typeof p>): string | undefined => NAMES.get(id);
const START = after(
  EMPTY,
  nameOf,
  { kind: 'make-chest', id: CHEST, name: 'Everyday', slots: null },
  drawer('A', null, ['Plate']),
  drawer('B'),
  drawer('A1', 'A'),
);

/** A window on a line to the server, in which every step that time takes is taken by the test. */
class Driven {
  window: WindowState;
  private readonly inbox: SavedChange[] = [];
  private isDown = false;
  private ids = 0;
  private answer: { readonly id: number; readonly saved: SavedChange | Error } | null = null;
  readonly told: string[] = [];

  constructor(
    private readonly server: PlainServer,
    private readonly number: number,
  ) {
    this.window = opened(server.view());
  }

  make(...intents: Intent[]): void {
    const plan = planIn(this.window, intents, nameOf);
    if (plan.ok) this.window = wished(this.window, { kind: 'wish', intents }, ++this.ids, plan.change.label, nameOf);
    else this.told.push(plan.refusal);
  }

  step(way: 'undo' | 'redo'): void {
    const ref = nextStep(this.window, way);
    this.window = wished(this.window, { kind: 'step', way, ref }, ++this.ids, way, nameOf);
  }

  /** The first act on its way reaches the server, or does not (`lost`). */
  reach(lost = false): void {
    const [first] = this.window.pending;
    if (first === undefined || this.answer !== null) return;
    const { id, act, seen } = first;
    try {
      if (lost) throw new Refused('Clever Drawer does not answer.');
      if (act.kind === 'other') return;
      const saved =
        act.kind === 'wish'
          ? this.server.change(this.number, act.intents, markOf(seen))
          : this.server.step(
              this.number,
              act.way,
              (act.ref ?? this.window.held.history.steps[act.way])?.number ?? undefined,
            );
      this.answer = { id, saved };
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      this.answer = { id, saved: error };
    }
  }

  /** Its answer comes back. */
  hearAnswer(): void {
    if (this.answer === null) return;
    const { id, saved } = this.answer;
    this.answer = null;
    if (saved instanceof Error) {
      this.told.push(saved.message);
      this.window = failed(this.window, id, saved.message, nameOf);
    } else this.window = answered(this.window, id, saved, nameOf);
    this.catchUp();
  }

  tell(saved: SavedChange): void {
    if (!this.isDown) this.inbox.push(saved);
  }

  /** The next change of the other window is heard. */
  listen(): void {
    const saved = this.inbox.shift();
    if (saved === undefined) return;
    this.window = heard(this.window, saved, nameOf);
    this.catchUp();
  }

  lineDown(): void {
    this.isDown = true;
    this.inbox.length = 0;
  }

  lineUp(): void {
    if (!this.isDown) return;
    this.isDown = false;
    this.catchUp(this.server.revision);
  }

  /** Everything is fetched when something was missed; never between an act and its answer. */
  private catchUp(told = 0): void {
    if (this.answer !== null) return;
    if (this.window.isBehind || this.window.held.revision < told)
      this.window = fetched(this.window, this.server.view(), nameOf);
  }

  get isQuiet(): boolean {
    return this.window.pending.length === 0 && this.inbox.length === 0 && this.answer === null && !this.isDown;
  }

  settle(): void {
    this.lineUp();
    this.reach();
    this.hearAnswer();
    this.listen();
    this.catchUp(this.inbox.length === 0 ? this.server.revision : 0);
  }
}

function two(): { server: PlainServer; one: Driven; other: Driven; settle: () => void } {
  const server = new PlainServer(START, nameOf);
  const [one, other] = [new Driven(server, 1), new Driven(server, 2)];
  server.tell = (window, saved) => (window === 1 ? other : one).tell(saved);
  const settle = (): void => {
    for (let turn = 0; turn < 1000 && !(one.isQuiet && other.isQuiet); turn++) {
      one.settle();
      other.settle();
    }
    one.settle();
    other.settle();
  };
  return { server, one, other, settle };
}

function expectAlike({ server, one, other }: ReturnType<typeof two>): void {
  for (const { window } of [one, other]) {
    expect(window.state).toEqual(server.state);
    expect(window.held.revision).toBe(server.revision);
    const { undo, redo } = server.steps;
    const named = (step: typeof undo) => step && { ...step, pending: null };
    expect(window.history.steps).toEqual({ undo: named(undo), redo: named(redo) });
  }
}

const file = (id: string, ...plugins: string[]): Intent => ({
  kind: 'file',
  drawerIds: [d(id)],
  pluginIds: plugins.map(p),
});
const rename = (id: string, name: string): Intent => ({ kind: 'rename-drawer', id: d(id), name });
const place = (id: string, what: string, before: string | null): Intent => ({
  kind: 'place',
  drawerId: d(id),
  pluginIds: [p(what)],
  dividerIds: [],
  before,
});

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

describe('any interleaving', () => {
  const id = fc.constantFrom('A', 'B', 'A1', 'N');
  const plugins = fc.subarray(['Plate', 'Echo', 'Goose', 'Hall'], { minLength: 1 });
  const line = fc.option(fc.tuple(id, fc.constantFrom('Plate', 'Echo')).map(([one, what]) => `${one}/${what}`));
  const intent: fc.Arbitrary<Intent> = fc.oneof(
    { weight: 3, arbitrary: fc.tuple(id, plugins).map(([one, all]) => file(one, ...all)) },
    { weight: 3, arbitrary: fc.tuple(id, fc.constantFrom('Plate', 'Hall'), line).map((all) => place(...all)) },
    fc.tuple(id, fc.constantFrom('x', 'y')).map(([one, name]) => rename(one, name)),
    fc.tuple(id, plugins).map(([one, all]): Intent => ({ kind: 'take-out', drawerId: d(one), pluginIds: all.map(p) })),
    id.map((one): Intent => ({ kind: 'delete-drawer', id: d(one) })),
    fc.tuple(id, fc.option(id)).map(([one, parent]) => drawer(one, parent)),
    fc.tuple(id, fc.option(id)).map(([one, parent]): Intent => ({
      kind: 'move-drawer',
      id: d(one),
      chestId: CHEST,
      parentId: parent === null ? null : d(parent),
      before: null,
    })),
    fc
      .tuple(fc.constantFrom(1, 2), plugins)
      .map(([tray, all]): Intent => ({ kind: 'tray-on', tray, pluginIds: all.map(p) })),
    fc.constant<Intent>({ kind: 'swap-trays', tray: 1, with: 2 }),
  );
  const act = fc.oneof(
    { weight: 4, arbitrary: fc.array(intent, { minLength: 1, maxLength: 3 }).map((all) => ['make', all] as const) },
    { weight: 2, arbitrary: fc.constantFrom(['undo'] as const, ['redo'] as const) },
    { weight: 4, arbitrary: fc.constantFrom(['reach'] as const, ['hearAnswer'] as const, ['listen'] as const) },
    fc.constantFrom(['lineDown'] as const, ['lineUp'] as const, ['lost'] as const),
  );

  it('of the wishes, steps, failures and reconnections of two windows ends with both and the server equal (seeded)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), act), { maxLength: 60 }), (acts) => {
        const both = two();
        for (const [isOther, [what, intents]] of acts) {
          const window = isOther ? both.other : both.one;
          if (what === 'make') window.make(...intents);
          else if (what === 'undo' || what === 'redo') window.step(what);
          else if (what === 'lost') window.reach(true);
          else window[what]();
        }
        both.settle();
        expectAlike(both);
      }),
      { seed: 20261125, numRuns: 600 },
    );
  });
});
