import type { Condition, Term } from './condition.js';
import { isTerm } from './condition.js';
import { meets, meetsTerm, type RuleWorld } from './evaluate.js';
import type { RuleFacts } from './rule-facts.js';

/** Why a plugin meets a condition or not: the terms that decide, each with whether it holds. */
export interface Explanation {
  readonly holds: boolean;
  readonly because: readonly { readonly term: Term; readonly holds: boolean }[];
}

/**
 * Why a plugin meets a condition or not. Were all the terms told the other way round, the result would be the other one: of what is met by any, all
 * that are met are told; of what needs all, when it fails, all that fail. Never throws.
 */
export function explain(condition: Condition, facts: RuleFacts, world: RuleWorld): Explanation {
  const holds = meets(condition, facts, world);
  const seen = new Set<string>();
  const because = reasons(condition, facts, world).filter(({ term }) => {
    const key = Object.values(term).join('\u0000');
    return !seen.has(key) && seen.add(key);
  });
  return { holds, because };
}

function reasons(condition: Condition, facts: RuleFacts, world: RuleWorld): Explanation['because'] {
  if (isTerm(condition)) return [{ term: condition, holds: meetsTerm(condition, facts, world) }];
  if (condition.kind === 'not') return reasons(condition.of, facts, world);
  const holds = meets(condition, facts, world);
  return condition.of.filter((one) => meets(one, facts, world) === holds).flatMap((one) => reasons(one, facts, world));
}
