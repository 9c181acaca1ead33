/** Asks the rules of all clever drawers in a thread of its own, so that nothing on the screen waits for it. */
import { expose, transfer } from 'comlink';
import { numbersIn } from '@clever-drawer/core/rules/bits';
import type { Condition } from '@clever-drawer/core/rules/condition';
import { findingsOf, type Findings } from '@clever-drawer/core/rules/findings';
import { rulesFromExamples, type ProposedRule } from '@clever-drawer/core/rules/from-examples';
import { RuleBook, type RuleChange } from '@clever-drawer/core/rules/rule-book';
import type { ItemId } from '@clever-drawer/core/ids';
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
  /** Looks at a rule that a drawer does not have yet. */
  look(drawer: string, condition: Condition): Look {
    return {
      numbers: Uint32Array.from(numbersIn(book.tried(drawer, condition))),
      findings: findingsOf(book, condition, drawer),
    };
  },
  /** Rules that take some examples and little else. */
  propose(examples: readonly ItemId[]): readonly ProposedRule[] {
    return rulesFromExamples(book, examples);
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
/** What a rule would take, by numbers, and what may be wrong with it. */
export interface Look {
  readonly numbers: Uint32Array;
  readonly findings: Findings;
}
/** What the worker does when it is asked. */
export type Asker = typeof asker;

expose(asker);
