import { several, type Condition } from './condition.js';
import { KEPT_DRAWERS, type DrawerNameResolver } from './drawer-names.js';
import { conditionInWords } from './in-words.js';
import { printRule } from './print.js';
import { readRule } from './read.js';
import type { RuleProblem } from './read-problems.js';

/** The rule of a clever drawer as text (see docs/rules.md); other drawers stand in it by their ids. */
export interface WrittenRule {
  readonly kind: 'written';
  readonly text: string;
}
/** A rule as it was kept before there was a language for it: any of these words in the name. Never empty. */
export interface KeywordRule {
  readonly kind: 'keywords';
  readonly words: readonly string[];
}
/** What fills a clever drawer. */
export type Rule = WrittenRule | KeywordRule;

/** A condition as it is kept. */
export const ruleOf = (condition: Condition): WrittenRule => ({
  kind: 'written',
  text: printRule(condition, KEPT_DRAWERS),
});

/** What was typed as a rule, or what is wrong with it. */
export type TypedRule =
  | { readonly ok: true; readonly condition: Condition; readonly rule: WrittenRule }
  | { readonly ok: false; readonly problem: RuleProblem };

/** Reads what was typed as a rule. */
export function typedRule(typed: string, drawers: DrawerNameResolver): TypedRule {
  const read = readRule(typed, drawers);
  return read.ok ? { ...read, rule: ruleOf(read.condition) } : read;
}

const known = new WeakMap<Rule, Condition | null>();

/** What a kept rule asks; null when it can't be read, as one that a later version wrote. */
export function conditionOf(rule: Rule): Condition | null {
  let condition = known.get(rule);
  if (condition === undefined) {
    condition = rule.kind === 'keywords' ? ofKeywords(rule) : ofText(rule);
    known.set(rule, condition);
  }
  return condition;
}

function ofText({ text }: WrittenRule): Condition | null {
  const read = readRule(text, KEPT_DRAWERS);
  return read.ok ? read.condition : null;
}

const ofKeywords = ({ words }: KeywordRule): Condition =>
  several(
    'any',
    words.map((word) => ({ kind: 'words', field: 'name', words: word, match: 'begun' })),
  );

/** The rule as text, with drawers by their names. */
export function ruleAsText(rule: Rule, drawers: DrawerNameResolver): string {
  const condition = conditionOf(rule);
  return condition === null && rule.kind === 'written'
    ? rule.text
    : condition === null
      ? ''
      : printRule(condition, drawers);
}

/** The rule in words, as it stands under a drawer's label: "eq or filter in the name". */
export function ruleInWords(rule: Rule, drawers: DrawerNameResolver): string {
  const condition = conditionOf(rule);
  return condition === null ? 'a rule that can’t be read' : conditionInWords(condition, drawers);
}
