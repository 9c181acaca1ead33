/** Long work in steps: whoever has it done may do something else in between. */
export type Stepwise<T> = Generator<undefined, T, undefined>;

/** Runs a stepwise task to completion without yielding. */
export function runToCompletion<T>(work: Stepwise<T>): T {
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}

/** A step is of so many lines, rows or the like: a millisecond or a few. */
export const ITEMS_PER_STEP = 500;

/** The entries of a list with their places; a step ends after some of them. `tell` gets each. */
export function* eachStepwise<T>(list: readonly T[], tell: (one: T, at: number) => void): Stepwise<void> {
  for (let at = 0; at < list.length; at++) {
    tell(list[at] as T, at);
    if (at % ITEMS_PER_STEP === ITEMS_PER_STEP - 1) yield;
  }
}

/** The first entry of a list that fits; a step ends after some of them. Undefined for none. */
export function* findStepwise<T>(list: readonly T[], fits: (one: T) => boolean): Stepwise<T | undefined> {
  for (let at = 0; at < list.length; at++) {
    const one = list[at] as T;
    if (fits(one)) return one;
    if (at % ITEMS_PER_STEP === ITEMS_PER_STEP - 1) yield;
  }
  return undefined;
}
