/** Why a rule takes an item, or does not, in words. */
import { explain } from '../rules/explain.js';
import { partWords } from '../rules/in-words.js';
import { conditionOf } from '../rules/rule.js';
import { testsItemKind } from '../rules/rule-book.js';
import type { RuleWorld } from '../rules/evaluate.js';
import { namedDrawers, type DrawerNameResolver } from '../rules/drawer-names.js';
import type { Condition } from '../rules/condition.js';
import type { DrawerId, ItemId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { factsIn, type RuleEvaluationInput } from './rule-sources.js';

// Asked for each line that is drawn, and made once for each state of the drawers.
const named = new WeakMap<object, DrawerNameResolver>();

function namesIn(drawers: Arrangement['drawer']): DrawerNameResolver {
  let names = named.get(drawers);
  if (names === undefined) named.set(drawers, (names = namedDrawers([...drawers.values()])));
  return names;
}

/** See Ruled.why. */
export function whyTaken(sources: RuleEvaluationInput, world: RuleWorld, drawer: DrawerId, item: ItemId): string {
  const rule = sources.state.drawer.get(drawer)?.rule ?? null;
  const condition = rule === null ? null : conditionOf(rule);
  return condition === null ? '' : reasonFor(sources, world, condition, item);
}

/** Why a drawer does not have an item, in words: told to leave it out, or what of its rule is not so. Empty when the rule takes it. */
export function whyNot(sources: RuleEvaluationInput, world: RuleWorld, drawer: DrawerId, item: ItemId): string {
  const row = sources.state.drawer.get(drawer);
  const facts = factsIn(sources, item);
  const condition = row?.rule == null ? null : conditionOf(row.rule);
  if (facts === undefined) return 'This computer does not know it.';
  if (facts.nevers.includes(drawer)) return 'It is never in this drawer, by hand.';
  if (condition === null) return 'The drawer has no rule, and it was not put in by hand.';
  if (facts.item !== 'plugin' && !testsItemKind(condition))
    return `The rule takes plugins, and this is a ${facts.item}.`;
  const { holds, because } = explain(condition, facts, world);
  if (holds)
    return row?.most == null ? '' : `The rule takes it, but only the first ${String(row.most)} stand in the drawer.`;
  const names = namesIn(sources.state.drawer);
  const words = (one: (typeof because)[number]): string => {
    const { asks, value } = partWords(one.term, names);
    return `${asks} ${value}`;
  };
  const lacking = because.filter((one) => !one.holds).map(words);
  const leftOut = because.filter((one) => one.holds).map(words);
  return [
    ...(leftOut.length === 0 ? [] : [`Left out by: ${leftOut.join(', ')}.`]),
    ...(lacking.length === 0 ? [] : [`It has none of: ${lacking.join(', ')}.`]),
  ].join(' ');
}

/** Why a condition takes an item, in words; empty when it does not. */
export function reasonFor(sources: RuleEvaluationInput, world: RuleWorld, condition: Condition, item: ItemId): string {
  const facts = factsIn(sources, item);
  if (facts === undefined) return '';
  const { holds, because } = explain(condition, facts, world);
  if (!holds) return '';
  const names = namesIn(sources.state.drawer);
  const reasons = because.filter((one) => one.holds).map(({ term }) => partWords(term, names));
  // What is left out decides as well, but for the reader it is no reason.
  return reasons.length === 0
    ? 'by its rule'
    : reasons.map(({ asks, value }) => (asks === 'word' ? value : `${asks} ${value}`)).join(', ');
}
