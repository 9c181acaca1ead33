import type { Stepwise } from '@clever-drawer/core/stepwise';

/** So long nobody else is answered; a request of theirs takes several turns. */
const AT_MOST_MS = 4;

/** Yields to the event loop, so that other requests are answered between two pieces of long work. */
export const yieldToEventLoop = (): Promise<void> => new Promise((done) => setImmediate(done));

/** Runs a stepwise task and yields to the event loop between its steps. */
export async function runCooperatively<T>(work: Stepwise<T>): Promise<T> {
  // What was done before it was called may have taken long: after the first step it is others' turn.
  let began = -Infinity;
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
    if (performance.now() - began < AT_MOST_MS) continue;
    await yieldToEventLoop();
    began = performance.now();
  }
}
