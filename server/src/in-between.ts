import type { Stepwise } from '@clever-drawer/core/stepwise';

/** So long nobody else is answered; a request of theirs takes several turns. */
const AT_MOST_MS = 4;

/** Does long work step by step, and lets others be answered in between. */
export async function inBetween<T>(work: Stepwise<T>): Promise<T> {
  let began = performance.now();
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
    if (performance.now() - began < AT_MOST_MS) continue;
    await new Promise((done) => setImmediate(done));
    began = performance.now();
  }
}
