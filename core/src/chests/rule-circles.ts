import type { DrawerId } from '../ids.js';
import { termsOf, type Condition } from '../rules/condition.js';
import { circleOf } from '../rules/rule-order.js';
import { conditionOf, type Rule } from '../rules/rule.js';
import type { Arrangement } from './arrangement.js';

/** Why a rule can't stand: it would look at a drawer whose own rule looks back at this one. Null when there is no such circle. */
export function circleWords(
  state: Pick<Arrangement, 'drawer'>,
  id: DrawerId,
  name: string,
  rule: Rule | null,
): string | null {
  const condition = rule === null ? null : conditionOf(rule);
  if (condition === null || !termsOf(condition).some((term) => term.kind === 'drawer')) return null;
  const rules = new Map<string, Condition>();
  for (const other of state.drawer.values()) {
    const own = other.rule === null ? null : conditionOf(other.rule);
    if (own !== null) rules.set(other.id, own);
  }
  const circle = circleOf(rules, id, condition);
  if (circle === null) return null;
  const names = circle.map((one) => (one === id ? name : (state.drawer.get(one)?.name ?? 'a drawer')));
  return `These rules would go in a circle: ${names.join(' → ')}. Let one of them look at something else.`;
}
