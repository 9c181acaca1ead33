/** Asks the rules of all clever drawers in a thread of its own, so that nothing on the screen waits for it. */
import { expose, transfer } from 'comlink';
import { RuleBook, type RuleChange } from '@clever-drawer/core/rules/rule-book';
import type { RuleFacts } from '@clever-drawer/core/rules/rule-facts';

/** What a drawer's rule takes, as numbers of items in the order in which they were first told of. */
export type Answer = readonly [drawer: string, numbers: Uint32Array];

let book = new RuleBook();
let told: RuleFacts[] = [];

const asker = {
  /** Begins with nothing known. */
  reset(): void {
    book = new RuleBook();
    told = [];
  },
  /** Takes facts in, to be asked with the next change: many come in several parts. */
  tell(facts: readonly RuleFacts[]): void {
    told.push(...facts);
  },
  /** Takes a change in; the drawers whose rules take something else now. */
  change(change: Omit<RuleChange, 'facts'>): readonly Answer[] {
    const changed = book.change({ ...change, facts: told });
    told = [];
    const answers = changed.map((drawer): Answer => [drawer, book.numbersTaken(drawer)]);
    return transfer(
      answers,
      answers.map(([, numbers]) => numbers.buffer as ArrayBuffer),
    );
  },
};
/** What the worker does when it is asked. */
export type Asker = typeof asker;

expose(asker);
