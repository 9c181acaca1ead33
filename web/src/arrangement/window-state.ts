/** What a window knows of the arrangement: what the server holds, what is on its way to it, and what that comes to on the screen. */
import equal from 'fast-deep-equal';
import memoizeOne from 'memoize-one';
import type { ArrangementView, SavedChange } from '@clever-drawer/contract/responses';
import { arrangementOf, type Arrangement, type RowKind, type Rows } from '@clever-drawer/core/chests/arrangement';
import {
  applyEdits,
  firstConflict,
  inverse,
  regroups,
  rowKey,
  sameRow,
  type Edit,
} from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { planIntents } from '@clever-drawer/core/chests/plan-change';
import type { NameOf, Plan } from '@clever-drawer/core/chests/plan';
import { back, blind, done, empty, forth, KNOWN, type History, type StepRef } from './history';

/** What the producer wants, on its way to the server. */
export type Act =
  | { readonly kind: 'wish'; readonly intents: readonly Intent[] }
  /** `ref` null: whatever is the next step when its turn comes, because this window can't know it before. */
  | { readonly kind: 'step'; readonly way: 'undo' | 'redo'; readonly ref: StepRef | null }
  /** A change that only the server can work out. */
  | { readonly kind: 'other' };

/** An act that has not been answered. */
export interface Pending {
  readonly id: number;
  readonly act: Act;
  readonly label: string;
  /** The rows that the window saw when it was wished, and that it would change; what the window's own changes made of them is taken over. */
  readonly seen: readonly Edit[];
}

/** What the server holds, as far as it has told. */
interface Held {
  readonly state: Arrangement;
  readonly epoch: string;
  readonly revision: number;
  readonly history: History;
}

/** What an act came to on the state that it met. */
interface Outcome {
  readonly before: Arrangement;
  readonly edits: readonly Edit[];
  readonly after: Arrangement;
}

/** See the head of the file. Treated as immutable. */
export interface WindowState {
  readonly held: Held;
  readonly pending: readonly Pending[];
  readonly outcomes: ReadonlyMap<number, Outcome>;
  /** What the screen shows: what is held, and on it what is on its way. */
  readonly state: Arrangement;
  readonly history: History;
  /** Whether a change of another window was missed, so that everything has to be fetched. */
  readonly isBehind: boolean;
  readonly savedAt: string | null;
  /** What could not be saved, and why; null once something has been. */
  readonly failure: { readonly label: string; readonly reason: string } | null;
}

/** A window that has just learnt everything. */
export function opened(view: ArrangementView): WindowState {
  const held = heldIn(view);
  return {
    held,
    pending: [],
    outcomes: new Map(),
    state: held.state,
    history: held.history,
    isBehind: false,
    savedAt: null,
    failure: null,
  };
}

const heldIn = (view: ArrangementView): Held => ({
  state: arrangementOf(<Kind extends RowKind>(kind: Kind) => view[kind] as readonly Rows[Kind][]),
  epoch: view.epoch,
  revision: view.revision,
  history: empty(view.steps),
});

/** Everything was fetched. An answer that is older than what the window has learnt since is passed over; one of another epoch takes the place of all. */
export function fetched(window: WindowState, view: ArrangementView, nameOf: NameOf): WindowState {
  if (view.epoch !== window.held.epoch) return shown({ ...window, held: heldIn(view), isBehind: false }, nameOf);
  if (view.revision < window.held.revision) return window;
  // The same again: what was worked out from it still holds.
  if (view.revision === window.held.revision) return { ...window, isBehind: false };
  return shown({ ...window, held: heldIn(view), isBehind: false }, nameOf);
}

/** What the producer's wish comes to on what is shown. */
export const planIn = (window: WindowState, intents: readonly Intent[], nameOf: NameOf): Plan =>
  planned(window.state, intents, nameOf);

/** A wish is planned when it is made, to say what it is or why it can't be, and at once again as an act on its way: on the same state it is the same. */
const planned = memoizeOne(
  planIntents,
  ([state, intents], [lastState, lastIntents]) => state === lastState && intents === lastIntents,
);

/** The step that undo or redo would name: null where this window can't know it before its turn comes. */
export const nextStep = (window: WindowState, way: 'undo' | 'redo'): StepRef | null =>
  window.history.isUnknown[way] ? null : window.history.steps[way];

/** An act is on its way, and shown. */
export function wished(window: WindowState, act: Act, id: number, label: string, nameOf: NameOf): WindowState {
  const next = shown({ ...window, pending: [...window.pending, { id, act, label, seen: [] }] }, nameOf);
  const seen = next.outcomes.get(id)?.edits ?? [];
  return { ...next, pending: next.pending.map((one) => (one.id === id ? { ...one, seen } : one)) };
}

/** The server has done an act of this window: what it wrote takes the place of what was planned. */
export function answered(window: WindowState, id: number, saved: SavedChange, nameOf: NameOf): WindowState {
  const outcome = window.outcomes.get(id);
  const known = { ...window, savedAt: saved.savedAt, failure: null };
  const rest = {
    ...known,
    pending: without(window, id, saved.edits, (ref) => ({ ...ref, number: saved.number, pending: null })),
  };
  // What was planned on the very state that is held is what came of it: nothing on the screen changes.
  const isAsPlanned = outcome?.before === window.held.state && equal(outcome.edits, saved.edits);
  return took(rest, saved, isAsPlanned ? outcome : null, nameOf);
}

/** An act could not be done, or was given up (no reason): what was built on it is planned without it. */
export function failed(window: WindowState, id: number, reason: string | null, nameOf: NameOf): WindowState {
  const own = window.pending.find((one) => one.id === id);
  const planned = window.outcomes.get(id)?.edits ?? [];
  const failure = reason === null ? window.failure : { label: own?.label ?? '', reason };
  const pending = without(window, id, inverse(planned), () => null);
  return shown({ ...window, pending, failure, isBehind: true }, nameOf);
}

/** Another window's change. */
export const heard = (window: WindowState, saved: SavedChange, nameOf: NameOf): WindowState =>
  took(window, saved, null, nameOf);

/** Applies a change that was made on another computer. It is no undo step of this computer. */
export function applyRemoteChange(window: WindowState, saved: SavedChange, nameOf: NameOf): WindowState {
  const { held } = window;
  if (saved.revision !== held.revision + 1) return notNext(window, saved, nameOf);
  const state = applyEdits(held.state, saved.edits);
  return shown({ ...window, held: { ...held, state, revision: saved.revision } }, nameOf);
}

/** What to make of a change that does not follow on what is held: known already, by having fetched everything, or one has been missed. */
const notNext = (window: WindowState, { revision }: SavedChange, nameOf: NameOf): WindowState =>
  shown(revision <= window.held.revision ? window : { ...window, isBehind: true }, nameOf);

function took(window: WindowState, saved: SavedChange, planned: Outcome | null, nameOf: NameOf): WindowState {
  const { held } = window;
  if (saved.revision !== held.revision + 1) return notNext(window, saved, nameOf);
  const ref: StepRef = { number: saved.number, pending: null, label: saved.label, window: stepWindow(saved) };
  const move = { made: done, undone: back, redone: forth }[saved.act];
  // The very rows that the state holds, where they are known: what is undone next is compared with them at once.
  const edits = planned?.edits ?? saved.edits;
  const history = move(held.history, { ref, edits: saved.act === 'undone' ? inverse(edits) : edits });
  const state = planned?.after ?? applyEdits(held.state, saved.edits);
  return shown(
    {
      ...window,
      held: {
        ...held,
        state,
        revision: saved.revision,
        history: { ...history, steps: refsOf(saved), isUnknown: KNOWN },
      },
    },
    nameOf,
  );
}

/** The window that made a step, as far as it is told: the next step to undo after it was made, to redo after it was undone. */
function stepWindow({ act, steps, number }: SavedChange): string | null {
  const own = act === 'undone' ? steps.redo : steps.undo;
  return own?.number === number ? own.window : null;
}

const refsOf = ({ steps: { undo, redo } }: Pick<SavedChange, 'steps'>): History['steps'] => ({
  undo: undo && { ...undo, pending: null },
  redo: redo && { ...redo, pending: null },
});

/**
 * The acts that are left when one has been answered. Rows that they saw as the answered one had planned them are taken to be as they are now (`edits`), and
 * steps that name it are named anew, or dropped (null).
 */
function without(
  window: WindowState,
  id: number,
  edits: readonly Edit[],
  rename: (ref: StepRef) => StepRef | null,
): Pending[] {
  if (window.pending.every((one) => one.id === id)) return [];
  const renew = renewing(window.outcomes.get(id)?.edits ?? [], edits);
  return window.pending.flatMap((one): Pending[] => {
    if (one.id === id) return [];
    const seen = one.seen.map(renew);
    if (one.act.kind !== 'step' || one.act.ref?.pending !== id) return [{ ...one, seen }];
    const ref = rename(one.act.ref);
    return ref === null ? [] : [{ ...one, seen, act: { ...one.act, ref } }];
  });
}

/** Takes rows that were seen as one of the window's own acts had planned them to be as that act leaves them now. */
function renewing(planned: readonly Edit[], now: readonly Edit[]): (seen: Edit) => Edit {
  const before = new Map(planned.map((edit) => [rowKey(edit), edit.after]));
  const after = new Map(now.map((edit) => [rowKey(edit), edit.after]));
  return (edit) => {
    const key = rowKey(edit);
    const stands = after.get(key);
    const isOwn = before.has(key) && stands !== undefined && sameRow(edit.before, before.get(key) ?? null);
    return isOwn ? ({ ...edit, before: stands } as Edit) : edit;
  };
}

/** Works out what the screen shows, act by act. What an act came to is kept for as long as it meets the very same state. */
function shown(window: WindowState, nameOf: NameOf): WindowState {
  let { state, history } = window.held;
  const outcomes = new Map<number, Outcome>();
  const pending: Pending[] = [];
  // What an act of this window planned anew is what the acts behind it have seen.
  const renewals: ((seen: Edit) => Edit)[] = [];
  for (const one of window.pending) {
    const { id, act, label } = one;
    const known = window.outcomes.get(id);
    const outcome = known?.before === state ? known : outcomeOf(act, state, history, nameOf);
    outcomes.set(id, outcome);
    pending.push(
      renewals.length === 0 ? one : { ...one, seen: renewals.reduce((seen, renew) => seen.map(renew), one.seen) },
    );
    if (known !== undefined && known !== outcome) renewals.push(renewing(known.edits, outcome.edits));
    if (act.kind === 'wish')
      history = done(history, { ref: { number: null, pending: id, label, window: null }, edits: outcome.edits });
    else if (act.kind === 'step' && act.ref !== null && outcome.edits.length > 0)
      history = (act.way === 'undo' ? back : forth)(history, {
        ref: act.ref,
        edits: act.way === 'undo' ? inverse(outcome.edits) : outcome.edits,
      });
    else history = blind(history);
    state = outcome.after;
  }
  return { ...window, pending, outcomes, state, history };
}

function outcomeOf(act: Act, before: Arrangement, history: History, nameOf: NameOf): Outcome {
  const edits = editsOf(act, before, history, nameOf);
  return { before, edits, after: applyEdits(before, edits) };
}

/** The edits of an act as far as this window can tell; none where it can't. */
function editsOf(act: Act, state: Arrangement, history: History, nameOf: NameOf): readonly Edit[] {
  if (act.kind === 'other') return [];
  if (act.kind === 'wish') {
    const plan = planned(state, act.intents, nameOf);
    return plan.ok ? plan.change.edits : [];
  }
  const last = (act.way === 'undo' ? history.done : history.undone).at(-1);
  if (act.ref === null || last === undefined || !equal(last.ref, act.ref) || regroups(last.edits)) return [];
  const edits = act.way === 'undo' ? inverse(last.edits) : last.edits;
  return firstConflict(state, edits) === undefined ? edits : [];
}
