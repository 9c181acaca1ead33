/** What a rule asks, as a tree: the form that is evaluated, printed, put into words and changed part by part. */
import type { MinimumGrade, DateField, Flag, NumberField, TextField, ValueField } from './fields.js';

/** How words are met: as whole words, the last one perhaps only begun; as whole words; or anywhere inside. */
export const MATCHES = ['begun', 'whole', 'inside'] as const;
/** How words are met. */
export type Match = (typeof MATCHES)[number];

/** Words next to each other in a text of the plugin. */
export interface WordsTerm {
  readonly kind: 'words';
  readonly field: TextField;
  readonly words: string;
  readonly match: Match;
}
/** A field has a value, as sure as that at least; null for however sure. */
export interface ValueTerm {
  readonly kind: 'value';
  readonly field: ValueField;
  readonly value: string;
  readonly grade: MinimumGrade | null;
}
/** The ways in which numbers and days compare. */
export const COMPARISONS = ['=', '<', '<=', '>', '>='] as const;
/** A way in which numbers and days compare. */
export type Comparison = (typeof COMPARISONS)[number];
/** A number compares so with another: versions part by part, others as they are. */
export interface NumberTerm {
  readonly kind: 'number';
  readonly field: NumberField;
  readonly is: Comparison;
  readonly value: string;
}
/** A day (YYYY-MM-DD) compares so with another. */
export interface DayTerm {
  readonly kind: 'day';
  readonly field: DateField;
  readonly is: Comparison;
  readonly day: string;
}
/** It was in the last so many days. */
export interface RecentTerm {
  readonly kind: 'recent';
  readonly field: DateField;
  readonly days: number;
}
/** A plugin is something. */
export interface FlagTerm {
  readonly kind: 'flag';
  readonly flag: Flag;
}
/** It stands in a drawer, by its id. */
export interface DrawerTerm {
  readonly kind: 'drawer';
  readonly id: string;
}
/** One thing that is asked. */
export type Term = WordsTerm | ValueTerm | NumberTerm | DayTerm | RecentTerm | FlagTerm | DrawerTerm;
/** Several conditions of which any is enough, or all are needed. Never empty. */
export interface Several {
  readonly kind: 'any' | 'all';
  readonly of: readonly Condition[];
}
/** A condition that must not hold. */
export interface Not {
  readonly kind: 'not';
  readonly of: Condition;
}
/** What a rule asks. */
export type Condition = Several | Not | Term;

/** The most characters of a rule, the most things it may ask, and how deep it may go. */
export const RULE_LIMITS = { characters: 10_000, terms: 1000, depth: 200 } as const;

/** Whether a condition is one thing that is asked. */
export const isTerm = (one: Condition): one is Term => one.kind !== 'any' && one.kind !== 'all' && one.kind !== 'not';

/** All that is asked, in order. */
export function termsOf(condition: Condition): Term[] {
  if (isTerm(condition)) return [condition];
  return condition.kind === 'not' ? termsOf(condition.of) : condition.of.flatMap(termsOf);
}

/** The same condition with other terms. */
export function withTerms(condition: Condition, change: (term: Term) => Term): Condition {
  if (isTerm(condition)) return change(condition);
  if (condition.kind === 'not') return { kind: 'not', of: withTerms(condition.of, change) };
  return { kind: condition.kind, of: condition.of.map((one) => withTerms(one, change)) };
}

/** How deep a condition goes: 1 for a term alone. */
export function depthOf(condition: Condition): number {
  if (isTerm(condition)) return 1;
  if (condition.kind === 'not') return 1 + depthOf(condition.of);
  return 1 + condition.of.reduce((deepest, one) => Math.max(deepest, depthOf(one)), 0);
}

/** Several conditions as one: lists within a list of the same kind join it, one alone stands for itself. */
export function several(kind: 'any' | 'all', of: readonly Condition[]): Condition {
  const flat = of.flatMap((one) => (one.kind === kind ? one.of : [one]));
  const [only] = flat;
  return flat.length === 1 && only !== undefined ? only : { kind, of: flat };
}
