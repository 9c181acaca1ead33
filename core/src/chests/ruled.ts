import type { DrawerId, ItemId } from '../ids.js';
import { RuleBook } from '../rules/rule-book.js';
import type { RuleFacts } from '../rules/rule-facts.js';
import { runToCompletion, eachStepwise, type Stepwise } from '../stepwise.js';
import { factsIn, ruleChange, type RuleEvaluationInput } from './rule-sources.js';
import { whyTaken } from './why-ruled.js';

/** What rules take, drawer by drawer. The same list as long as it is the same. */
export interface Ruled {
  readonly taken: (drawer: DrawerId) => readonly ItemId[];
  /** Why a rule takes an item, in words: "type reverb, word hall". Empty when it does not. */
  readonly why: (drawer: DrawerId, item: ItemId) => string;
}

const NOTHING: readonly never[] = [];
/** Before anything was asked. */
export const NOTHING_RULED: Ruled = { taken: () => NOTHING, why: () => '' };

/** Asks all rules of all items at once. */
export const ruledOf = (sources: RuleEvaluationInput): Ruled => runToCompletion(evaluateRulesStepwise(sources));

/** The same step by step. */
export function* evaluateRulesStepwise(sources: RuleEvaluationInput): Stepwise<Ruled> {
  const book = new RuleBook();
  const { ids, ...change } = ruleChange(null, sources);
  yield;
  const facts: RuleFacts[] = [];
  yield* eachStepwise(ids, (id) => {
    const own = factsIn(sources, id);
    if (own !== undefined) facts.push(own);
  });
  yield* book.changeStepwise({ ...change, facts });
  const lists = new Map<DrawerId, readonly ItemId[]>();
  return {
    taken: (drawer) => {
      let list = lists.get(drawer);
      if (list === undefined) lists.set(drawer, (list = book.taken(drawer)));
      return list;
    },
    why: (drawer, item) => whyTaken(sources, book.world, drawer, item),
  };
}
