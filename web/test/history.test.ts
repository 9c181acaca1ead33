import { back, blind, done, empty, forth, type History, type KnownStep } from '../src/arrangement/history';

const step = (number: number): KnownStep => ({
  ref: { number, pending: null, window: null, label: `step ${String(number)}` },
  edits: [],
});
const next = ({ steps }: History): (string | null)[] => [steps.undo?.label ?? null, steps.redo?.label ?? null];
const NONE = empty({ undo: null, redo: null });

describe('the steps that a window knows', () => {
  it('go back and forth one by one', () => {
    const two = done(done(NONE, step(1)), step(2));
    expect(next(two)).toEqual(['step 2', null]);
    const one = back(two, step(2));
    expect(next(one)).toEqual(['step 1', 'step 2']);
    expect(next(forth(one, step(2)))).toEqual(['step 2', null]);
    // A new step ends what could be redone.
    expect(next(done(one, step(3)))).toEqual(['step 3', null]);
  });

  it('what the server says is next is known by name, and what lies behind it is not', () => {
    const opened = empty({
      undo: { number: 9, label: 'step 9', window: null },
      redo: { number: 10, label: 'step 10', window: null },
    });
    expect(next(opened)).toEqual(['step 9', 'step 10']);
    expect(opened.isUnknown).toEqual({ undo: false, redo: false });
    const gone = back(opened, step(9));
    expect(next(gone)).toEqual([null, 'step 9']);
    expect(gone.isUnknown).toEqual({ undo: true, redo: false });
    expect(forth(gone, step(9)).isUnknown.redo).toBe(true);
  });

  it('while something is on its way whose outcome only the server knows, neither is known', () => {
    expect(blind(done(NONE, step(1))).isUnknown).toEqual({ undo: true, redo: true });
  });

  it('are no more than fifty: the server knows the rest', () => {
    let history = NONE;
    for (let number = 1; number <= 80; number++) history = done(history, step(number));
    expect([history.done.length, history.done[0]?.ref.number]).toEqual([50, 31]);
    for (let number = 80; number > 30; number--) history = back(history, step(number));
    expect([history.undone.length, history.isUnknown.undo]).toEqual([50, true]);
  });
});
