import type { ItemId } from '../ids.js';
import { bitsFor, countOf, hasBit, join, meet, numbersIn, setBit, type Bits } from './bits.js';
import { several, termsOf, type Condition, type Term } from './condition.js';
import { cut, isNumber } from './cut.js';
import { familyOf } from '../catalogue/type-tree.js';
import type { RuleBook } from './rule-book.js';
import type { RuleFacts } from './rule-facts.js';

/** A rule that would take some examples: what it would take besides, and which of them it would not take. */
export interface ProposedRule {
  readonly condition: Condition;
  readonly adds: readonly ItemId[];
  readonly lacks: readonly ItemId[];
}

const MAX_PROPOSED = 5;
const MAX_TERMS = 6;
const MAX_CANDIDATES = 240;
/** A rule is proposed when it takes so many of the examples at least, and adds no more than so many times as many. */
const WORTH = { covered: 0.8, added: 1 };

interface Candidate {
  readonly condition: Condition;
  readonly bits: Bits;
  readonly covered: number;
  readonly added: number;
}

/**
 * Rules that cover examples and little else, the shortest first: from the types, families, makers, tags, formats and words that the examples share, alone, two
 * together, or several of which any is enough. Empty when nothing short says what they have in common.
 */
export function rulesFromExamples(book: RuleBook, examples: readonly ItemId[]): ProposedRule[] {
  const { facts, numberOf } = book.indexed();
  const wanted = bitsFor(facts.length);
  for (const id of examples) {
    const at = numberOf(id);
    if (at !== undefined) setBit(wanted, at);
  }
  const total = countOf(wanted);
  if (total === 0) return [];
  const measured = (condition: Condition): Candidate => {
    const bits = book.bitsOf(condition);
    const both = bits.slice();
    meet(both, wanted);
    const covered = countOf(both);
    return { condition, bits, covered, added: countOf(bits) - covered };
  };
  const single = candidateTerms(numbersIn(wanted).flatMap((at) => facts[at] ?? []))
    .map(measured)
    .filter((one) => one.covered > 0);
  const whole = single.filter((one) => one.covered === total).sort((a, b) => a.added - b.added);
  const found = [
    ...whole,
    ...pairsOf(whole.slice(0, MAX_TERMS)).map(([a, b]) => measured(several('all', [a.condition, b.condition]))),
    ...joined(single, wanted, facts.length).map(measured),
  ];
  const seen = new Set<string>();
  return found
    .filter((one) => one.covered >= total * WORTH.covered && one.added <= Math.max(one.covered * WORTH.added, 2))
    .filter((one) => {
      const key = numbersIn(one.bits).join();
      return !seen.has(key) && seen.add(key);
    })
    .sort(
      (a, b) => termsOf(a.condition).length - termsOf(b.condition).length || b.covered - a.covered || a.added - b.added,
    )
    .slice(0, MAX_PROPOSED)
    .map(({ condition, bits }) => ({
      condition,
      adds: numbersIn(bits).flatMap((at) => (hasBit(wanted, at) ? [] : (facts[at]?.id ?? []))),
      lacks: numbersIn(wanted).flatMap((at) => (hasBit(bits, at) ? [] : (facts[at]?.id ?? []))),
    }));
}

/** What several of the examples have, the most frequent first. */
function candidateTerms(examples: readonly RuleFacts[]): Term[] {
  const counts = new Map<string, { readonly term: Term; count: number }>();
  const note = (term: Term): void => {
    const key = Object.values(term).join('\u0000');
    const known = counts.get(key);
    if (known === undefined) counts.set(key, { term, count: 1 });
    else known.count++;
  };
  const value = (field: 'type' | 'family' | 'role' | 'format', of: string): Term => ({
    kind: 'value',
    field,
    value: of,
    grade: null,
  });
  for (const one of examples) {
    for (const type of one.types) note(value('type', type));
    for (const family of new Set(one.types.map(familyOf))) note(value('family', family));
    if (one.role !== null) note(value('role', one.role));
    for (const format of one.formats) note(value('format', format));
    if (one.vendor !== null) note({ kind: 'words', field: 'vendor', words: one.vendor, match: 'whole' });
    for (const tag of one.tags) note({ kind: 'words', field: 'tag', words: tag, match: 'whole' });
    for (const word of new Set(one.names.flatMap(cut)))
      if (word.length > 1 && !isNumber(word)) note({ kind: 'words', field: 'name', words: word, match: 'begun' });
  }
  const fewest = examples.length < 4 ? 1 : 2;
  return [...counts.values()]
    .filter((one) => one.count >= fewest)
    .sort((a, b) => b.count - a.count)
    .slice(0, MAX_CANDIDATES)
    .map((one) => one.term);
}

const pairsOf = <T>(list: readonly T[]): (readonly [T, T])[] =>
  list.flatMap((a, at) => list.slice(at + 1).map((b) => [a, b] as const));

/** Several of which any is enough, each chosen because it covers most of what is left for what it adds; after each further one a rule. */
function joined(single: readonly Candidate[], wanted: Bits, size: number): Condition[] {
  const rules: Condition[] = [];
  const chosen: Condition[] = [];
  const covered = bitsFor(size);
  while (chosen.length < MAX_TERMS) {
    let best: { readonly candidate: Candidate; readonly gain: number } | null = null;
    for (const candidate of single) {
      const fresh = candidate.bits.map((word, at) => word & ~(covered[at] ?? 0));
      const count = countOf(fresh);
      meet(fresh, wanted);
      const gain = countOf(fresh) - (count - countOf(fresh));
      if (gain > 0 && (best === null || gain > best.gain)) best = { candidate, gain };
    }
    if (best === null) break;
    join(covered, best.candidate.bits);
    chosen.push(best.candidate.condition);
    rules.push(several('any', [...chosen]));
  }
  return rules;
}
