import { familyOf, TYPE_TREE, type TypeId } from '../catalogue/type-tree.js';
import type { ItemId } from '../ids.js';
import { bitsFor, countOf, hasBit, join, meet, numbersIn, others, type Bits } from './bits.js';
import { several, termsOf, type Condition, type Term } from './condition.js';
import { ofSentence, sentenceOf, type Sentence } from './in-words.js';
import type { RuleBook } from './rule-book.js';
import { typesNamed } from '../catalogue/type-synonyms.js';
import { singularsOf } from '../text/singulars.js';
import { foldedWords } from '../text/words.js';
import type { RuleFacts } from './rule-facts.js';

/** Plugins of one type that a rule may miss or catch wrongly, and the rule with that put right; null where no short rule would. */
export interface TypeFinding {
  readonly type: TypeId;
  readonly items: readonly ItemId[];
  readonly rule: Condition | null;
}
/** A part of a rule that changes nothing, with the rule without it; `isUnmet` when no plugin has it at all. */
export interface IdleFinding {
  readonly part: Condition;
  readonly isUnmet: boolean;
  readonly rule: Condition | null;
}
/** Another drawer whose rule takes the same, all of it and more, a part of it, or nearly the same. */
export interface AlikeFinding {
  readonly drawer: string;
  readonly how: 'equal' | 'contains' | 'within' | 'near';
  /** What one of them takes and the other does not. */
  readonly different: readonly ItemId[];
}
/** What may be wrong with a rule. How it is found: docs/rules.md. */
export interface Findings {
  readonly missed: readonly TypeFinding[];
  readonly wrong: readonly TypeFinding[];
  readonly idle: readonly IdleFinding[];
  readonly alike: readonly AlikeFinding[];
}

/** A type is what a rule is about when so many of those it takes have it, and such a share of those with a known type. */
const ABOUT = { least: 3, share: 0.2 };
/** Two drawers are nearly the same when what both take is such a share of what either takes. */
const NEAR = 0.9;
const FEWEST_ALIKE = 3;

/** Looks for what a rule misses, catches wrongly and says for nothing, and for drawers that say the same. `drawer` is its own; null for a new one. */
export function findingsOf(book: RuleBook, condition: Condition, drawer: string | null): Findings {
  const { facts } = book.indexed();
  const taken = book.bitsOf(condition);
  const sentence = sentenceOf(condition);
  const left = bitsFor(facts.length);
  for (const one of sentence.leavesOut) join(left, book.bitsOf(one));
  const about = aboutTypes(facts, taken, condition);
  return {
    missed: missedBy(book, facts, sentence, taken, left),
    wrong: wrongIn(facts, sentence, taken, about, condition),
    idle: idleIn(book, facts.length, sentence, taken),
    alike: alikeTo(book, facts, taken, drawer),
  };
}

const isKnown = (facts: RuleFacts): boolean => facts.typeGrade !== 'unknown' && facts.types.length > 0;
const mainType = (facts: RuleFacts | undefined): TypeId | undefined => facts?.types[0];

/** How many of what is taken have each main type, and how many have a known one. */
function countMainTypes(facts: readonly RuleFacts[], taken: Bits): { counts: Map<TypeId, number>; known: number } {
  const counts = new Map<TypeId, number>();
  let known = 0;
  for (const at of numbersIn(taken)) {
    const type = mainType(facts[at]);
    if (type === undefined) continue;
    known++;
    counts.set(type, (counts.get(type) ?? 0) + 1);
  }
  return { counts, known };
}

/** The types that most of what is taken has, and those that the rule names. */
function aboutTypes(facts: readonly RuleFacts[], taken: Bits, condition: Condition): ReadonlySet<TypeId> {
  const { counts, known } = countMainTypes(facts, taken);
  const about = new Set<TypeId>();
  for (const [type, count] of counts) if (count >= ABOUT.least && count >= known * ABOUT.share) about.add(type);
  for (const one of sentenceOf(condition).takes)
    for (const term of termsOf(one))
      if (term.kind === 'value' && term.field === 'type') about.add(term.value as TypeId);
  return about;
}

const named = (parts: readonly Condition[], field: 'type' | 'family'): ReadonlySet<string> =>
  new Set(
    parts.flatMap(termsOf).flatMap((term) => (term.kind === 'value' && term.field === field ? [term.value] : [])),
  );

function grouped(facts: readonly RuleFacts[], numbers: readonly number[]): Map<TypeId, ItemId[]> {
  const groups = new Map<TypeId, ItemId[]>();
  for (const at of numbers) {
    const type = mainType(facts[at]);
    const id = facts[at]?.id;
    if (type === undefined || id === undefined) continue;
    const own = groups.get(type);
    if (own === undefined) groups.set(type, [id]);
    else own.push(id);
  }
  return groups;
}

const largestFirst = (a: TypeFinding, b: TypeFinding): number =>
  b.items.length - a.items.length || (TYPE_TREE[a.type].label < TYPE_TREE[b.type].label ? -1 : 1);

/** How many of a type may be missed for what the rule takes of it: more is another rule's business, as fifty filters are for a rule about wahs. */
const MISSED_PER_TAKEN = { named: 2, shared: 1 };
/** Without being named a type is what a rule is about when so many of those it takes have it, and such a share of those with a known type. */
const CLEARLY_ABOUT = { least: 3, share: 0.6 };
/** Types that say no more than the kind: what has one of them in common has little in common. */
const BROAD: ReadonlySet<TypeId> = new Set<TypeId>([
  ...(['dynamics', 'modulation', 'pitch', 'spatial', 'spectral', 'analyser'] as const),
  ...(['utility', 'control-signal', 'test-generator'] as const),
]);

/** The types that the words and fields of a rule name: by their label, which leaves no doubt, or by another word. */
function typesNamedBy(takes: readonly Condition[]): {
  readonly label: ReadonlySet<TypeId>;
  readonly other: ReadonlySet<TypeId>;
} {
  const label = new Set<TypeId>();
  const other = new Set<TypeId>();
  for (const term of takes.flatMap(termsOf)) {
    if (term.kind !== 'words' || (term.field !== 'name' && term.field !== 'text')) continue;
    const words = foldedWords(term.words).join(' ');
    for (const type of typesNamed(words))
      ([words, ...singularsOf(words)].includes(foldedWords(TYPE_TREE[type].label).join(' ')) ? label : other).add(type);
  }
  return { label, other };
}

function missedBy(
  book: RuleBook,
  facts: readonly RuleFacts[],
  sentence: Sentence,
  taken: Bits,
  left: Bits,
): TypeFinding[] {
  const asked = named(sentence.takes, 'type');
  const byWords = typesNamedBy(sentence.takes);
  const { counts, known } = countMainTypes(facts, taken);
  /** How many of a type may be missed at most; 0 when the rule is not about it. */
  const mostMissed = (type: TypeId, count: number): number => {
    if (byWords.label.has(type)) return Infinity;
    if (byWords.other.has(type)) return count * MISSED_PER_TAKEN.named;
    const isClear = count >= CLEARLY_ABOUT.least && count >= known * CLEARLY_ABOUT.share && !BROAD.has(type);
    return isClear ? count * MISSED_PER_TAKEN.shared : 0;
  };
  const missed = [...counts].flatMap(([type, count]): TypeFinding[] => {
    if (asked.has(type)) return [];
    const term: Term = { kind: 'value', field: 'type', value: type, grade: null };
    const bits = book.bitsOf(term).slice();
    meet(bits, others(taken, facts.length));
    meet(bits, others(left, facts.length));
    // Only what has it as its main type, and surely: when in doubt nothing is said.
    const items = numbersIn(bits).flatMap((at) => {
      const own = facts[at];
      return own === undefined || own.aside || mainType(own) !== type ? [] : [own.id];
    });
    if (items.length === 0 || items.length > mostMissed(type, count)) return [];
    return [{ type, items, rule: withTaken(sentence, term) }];
  });
  return missed.sort(largestFirst);
}

/** The rule that takes one thing more. */
export function withTaken({ takes, joined, leavesOut }: Sentence, part: Condition): Condition | null {
  const before = joined === 'all' && takes.length > 1 ? [several('all', takes)] : takes;
  return ofSentence({ takes: [...before, part], joined: 'any', leavesOut });
}
/** The rule that leaves one thing more out. */
export const withExclusion = (sentence: Sentence, part: Condition): Condition | null =>
  ofSentence({ ...sentence, leavesOut: [...sentence.leavesOut, part] });

function wrongIn(
  facts: readonly RuleFacts[],
  sentence: Sentence,
  taken: Bits,
  about: ReadonlySet<TypeId>,
  condition: Condition,
): TypeFinding[] {
  if (about.size === 0 || !namesType(sentence.takes)) return [];
  const families = new Set<string>([...about].map(familyOf));
  for (const family of named([condition], 'family')) families.add(family);
  // Of what its words alone catch: whoever asks for a role or vendor, or looks into a drawer, wants whatever that has.
  if (!sentence.takes.every((part) => termsOf(part).every(isAboutKind))) return [];
  const isStrange = (one: RuleFacts): boolean =>
    isKnown(one) && one.types.every((type) => !families.has(familyOf(type)));
  const strange = numbersIn(taken).filter((at) => facts[at] !== undefined && isStrange(facts[at]));
  return [...grouped(facts, strange)]
    .map(([type, items]): TypeFinding => {
      const all = numbersIn(taken).filter((at) => facts[at]?.types.includes(type));
      // Left out by its type only where that takes nothing else along.
      const isClean = all.every((at) => facts[at] !== undefined && isStrange(facts[at]));
      const term: Term = { kind: 'value', field: 'type', value: type, grade: null };
      return { type, items, rule: isClean ? withExclusion(sentence, term) : null };
    })
    .sort(largestFirst);
}

/** Whether a rule names any type, in a word or a field: one that does not ("midi", "stereo") may want whatever has the word. */
function namesType(takes: readonly Condition[]): boolean {
  const { label, other } = typesNamedBy(takes);
  return label.size + other.size + named(takes, 'type').size + named(takes, 'family').size > 0;
}

const isAboutKind = (term: Term): boolean =>
  (term.kind === 'words' && term.field !== 'vendor') ||
  (term.kind === 'value' && (term.field === 'type' || term.field === 'family'));

function idleIn(book: RuleBook, size: number, sentence: Sentence, taken: Bits): IdleFinding[] {
  const { takes, joined, leavesOut } = sentence;
  const found: IdleFinding[] = [];
  const without = (parts: readonly Condition[], at: number): Condition[] => parts.filter((_, index) => index !== at);
  const answers = takes.map((part) => book.bitsOf(part));
  const isUnmet = (bits: Bits | undefined): boolean => bits === undefined || countOf(bits) === 0;
  takes.forEach((part, at) => {
    const rule = ofSentence({ ...sentence, takes: without(takes, at) });
    if (isUnmet(answers[at])) found.push({ part, isUnmet: true, rule: takes.length > 1 ? rule : null });
    else if (takes.length > 1 && rule !== null && isEqual(book.bitsOf(rule), taken))
      found.push({ part, isUnmet: false, rule });
  });
  if (joined === 'any' || takes.length > 0)
    leavesOut.forEach((part, at) => {
      const bits = book.bitsOf(part);
      const rule = ofSentence({ ...sentence, leavesOut: without(leavesOut, at) });
      if (rule !== null && isEqual(book.bitsOf(rule), taken)) found.push({ part, isUnmet: isUnmet(bits), rule });
    });
  return size === 0 ? [] : found;
}

const isEqual = (a: Bits, b: Bits): boolean => a.every((word, at) => word === (b[at] ?? 0));

function alikeTo(book: RuleBook, facts: readonly RuleFacts[], taken: Bits, drawer: string | null): AlikeFinding[] {
  const own = countOf(taken);
  if (own < FEWEST_ALIKE) return [];
  const found: AlikeFinding[] = [];
  for (const [other, result] of book.resultsByDrawer()) {
    if (other === drawer) continue;
    const both = taken.slice();
    meet(both, result);
    const [shared, theirs] = [countOf(both), countOf(result)];
    if (theirs < FEWEST_ALIKE || shared === 0) continue;
    const how =
      shared === own && shared === theirs
        ? 'equal'
        : shared / (own + theirs - shared) >= NEAR
          ? 'near'
          : shared === theirs
            ? 'contains'
            : shared === own
              ? 'within'
              : null;
    if (how === null) continue;
    const different = numbersIn(taken)
      .filter((at) => !hasBit(result, at))
      .concat(numbersIn(result).filter((at) => !hasBit(taken, at)));
    found.push({ drawer: other, how, different: different.flatMap((at) => facts[at]?.id ?? []) });
  }
  return found;
}
