/** Two windows on a plain server, driven step by step: what is sent, reached, answered and heard happens when the test says so. */
import type { SavedChange } from '@clever-drawer/contract/responses';
import { markOf } from '@clever-drawer/core/chests/edit';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Intent } from '@clever-drawer/core/chests/intent';
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

export const NAMES = new Map<ItemId, string>(['Plate', 'Echo', 'Goose', 'Hall'].map((name) => [p(name), name]));
export const nameOf = (id: ItemId): string | undefined => NAMES.get(id);
export const START = after(
  EMPTY,
  nameOf,
  { kind: 'make-chest', id: CHEST, name: 'Everyday', slots: null },
  drawer('A', null, ['Plate']),
  drawer('B'),
  drawer('A1', 'A'),
);
/** A window on a line to the server, in which every step that time takes is taken by the test. */
export class Driven {
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
export function two(): { server: PlainServer; one: Driven; other: Driven; settle: () => void } {
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
export function expectAlike({ server, one, other }: ReturnType<typeof two>): void {
  for (const { window } of [one, other]) {
    expect(window.state).toEqual(server.state);
    expect(window.held.revision).toBe(server.revision);
    const { undo, redo } = server.steps;
    const named = (step: typeof undo) => step && { ...step, pending: null };
    expect(window.history.steps).toEqual({ undo: named(undo), redo: named(redo) });
  }
}
export const file = (id: string, ...plugins: string[]): Intent => ({
  kind: 'file',
  drawerIds: [d(id)],
  pluginIds: plugins.map(p),
});
export const rename = (id: string, name: string): Intent => ({ kind: 'rename-drawer', id: d(id), name });
export const place = (id: string, what: string, before: string | null): Intent => ({
  kind: 'place',
  drawerId: d(id),
  pluginIds: [p(what)],
  dividerIds: [],
  before,
});
