/** The steps that a window knows, so that a step back is shown before the server has answered. */
import type { Steps } from '@clever-drawer/contract/responses';
import type { Edit } from '@clever-drawer/core/chests/edit';

/** What names a step: its number in the journal; until the server has given it one, the act on its way that makes it. */
export interface StepRef {
  readonly number: number | null;
  readonly pending: number | null;
  readonly label: string;
  /** The window that made it; null for this one's acts on their way, and for scripts. */
  readonly window: string | null;
}

/** A step with what it does. */
export interface KnownStep {
  readonly ref: StepRef;
  readonly edits: readonly Edit[];
}

/** Steps that were done and undone, newest last, and what undo and redo would do next, which is known also where the edits are not. */
export interface History {
  readonly done: readonly KnownStep[];
  readonly undone: readonly KnownStep[];
  readonly steps: { readonly undo: StepRef | null; readonly redo: StepRef | null };
  /** Which of them this window can't know until the server has answered what is on its way. */
  readonly isUnknown: { readonly undo: boolean; readonly redo: boolean };
}

const MAX_STEPS = 50;
/** Both are known. */
export const KNOWN = { undo: false, redo: false };
/** Something is on its way whose outcome only the server knows. */
export const blind = (history: History): History => ({ ...history, isUnknown: { undo: true, redo: true } });

/** Nothing but what the server says is next. */
export const empty = ({ undo, redo }: Steps): History => ({
  done: [],
  undone: [],
  steps: { undo: undo && { ...undo, pending: null }, redo: redo && { ...redo, pending: null } },
  isUnknown: KNOWN,
});

/** After a new step: nothing can be redone. */
export const done = (history: History, step: KnownStep): History => ({
  ...history,
  done: [...history.done, step].slice(-MAX_STEPS),
  undone: [],
  steps: { undo: step.ref, redo: null },
  isUnknown: KNOWN,
});

/** After the last step was undone. */
export function back(history: History, step: KnownStep): History {
  const left = history.done.slice(0, -1);
  return {
    ...history,
    done: left,
    undone: [...history.undone, step].slice(-MAX_STEPS),
    steps: { undo: left.at(-1)?.ref ?? null, redo: step.ref },
    isUnknown: { undo: left.length === 0, redo: false },
  };
}

/** After the last undone step was done again. */
export function forth(history: History, step: KnownStep): History {
  const left = history.undone.slice(0, -1);
  return {
    ...history,
    done: [...history.done, step].slice(-MAX_STEPS),
    undone: left,
    steps: { undo: step.ref, redo: left.at(-1)?.ref ?? null },
    isUnknown: { undo: false, redo: left.length === 0 },
  };
}
