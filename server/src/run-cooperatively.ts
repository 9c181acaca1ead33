import type { Stepwise } from '@clever-drawer/core/stepwise';

/** So long nobody else is answered; a request of theirs takes several turns. */
const AT_MOST_MS = 4;

/** Lets others be answered between two pieces of work that take long together. */
export const othersTurn = (): Promise<void> => new Promise((done) => setImmediate(done));

/** Does long work step by step, and lets others be answered in between. */
export async function inBetween<T>(work: Stepwise<T>): Promise<T> {
  // What was done before it was called may have taken long: after the first step it is others' turn.
  let began = -Infinity;
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
    if (performance.now() - began < AT_MOST_MS) continue;
    await othersTurn();
    began = performance.now();
  }
}
