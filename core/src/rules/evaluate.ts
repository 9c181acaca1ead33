import { daysBefore, localDay, type LocalDay } from '../local-day.js';
import { familyOf } from '../catalogue/type-tree.js';
import type { ItemId } from '../ids.js';
import type {
  Comparison,
  Condition,
  DayTerm,
  NumberTerm,
  RecentTerm,
  Term,
  ValueTerm,
  WordsTerm,
} from './condition.js';
import { cut, flat, isNumber } from './cut.js';
import { isGradeAtLeast, type Flag, type TextField } from './fields.js';
import type { RuleFacts } from './rule-facts.js';

/** What a rule looks at besides the plugin: the day it is, and what other drawers hold. */
export interface RuleWorld {
  /** YYYY-MM-DD. */
  readonly today: LocalDay;
  /** Whether a drawer holds an item, by hand or by its rule. */
  readonly holds: (drawer: string, item: ItemId) => boolean;
}

/** Whether a plugin meets a condition. Never throws; asks each term once at most. */
export function meets(condition: Condition, facts: RuleFacts, world: RuleWorld): boolean {
  switch (condition.kind) {
    case 'any':
      return condition.of.some((one) => meets(one, facts, world));
    case 'all':
      return condition.of.every((one) => meets(one, facts, world));
    case 'not':
      return !meets(condition.of, facts, world);
    default:
      return meetsTerm(condition, facts, world);
  }
}

/** Whether a plugin is what one term asks. */
export function meetsTerm(term: Term, facts: RuleFacts, world: RuleWorld): boolean {
  switch (term.kind) {
    case 'words':
      return textsOf(facts, term.field).some((text) => hasWords(text, term));
    case 'value':
      return hasValue(facts, term);
    case 'number':
      return hasNumber(facts, term);
    case 'day':
      return hasDay(facts, term);
    case 'recent':
      return wasRecent(facts, term, world.today);
    case 'flag':
      return FLAG_TESTS[term.flag](facts);
    case 'drawer':
      return facts.drawers.includes(term.id) || world.holds(term.id, facts.id);
  }
}

/** The texts that a field of words looks at. */
export function textsOf(facts: RuleFacts, field: TextField): readonly string[] {
  switch (field) {
    case 'name':
      return facts.names;
    case 'vendor':
      return facts.vendor === null ? [] : [facts.vendor];
    case 'tag':
      return facts.tags;
    case 'description':
      return facts.description === null ? [] : [facts.description];
    case 'preset':
      return facts.presets;
    case 'aside':
      return facts.asideAs == null ? [] : [facts.asideAs];
    case 'folder':
      return facts.folders ?? [];
    case 'text':
      return TEXT_FIELDS.flatMap((one) => textsOf(facts, one));
  }
}

/** The fields that "any text" is made of: folders have names that many plugins share. */
export const TEXT_FIELDS = ['name', 'vendor', 'tag', 'description', 'preset'] as const satisfies readonly TextField[];

// Texts are cut once, however many rules look at them; the few words of rules as well.
const MAX_KEPT = 20_000;
const cutTexts = new Map<string, readonly string[]>();
const flatTexts = new Map<string, string>();

function kept<Value>(store: Map<string, Value>, text: string, work: (text: string) => Value): Value {
  let value = store.get(text);
  if (value === undefined) {
    if (store.size >= MAX_KEPT) store.clear();
    store.set(text, (value = work(text)));
  }
  return value;
}

/** The words of a text, cut once. */
export const wordsIn = (text: string): readonly string[] => kept(cutTexts, text, cut);

function hasWords(text: string, { words, match }: WordsTerm): boolean {
  if (match === 'inside') return kept(flatTexts, text, flat).includes(kept(flatTexts, words, flat));
  return placeOfWords(wordsIn(text), wordsIn(words), match) >= 0;
}

/** Where the words stand next to each other among the words of a text; -1 when nowhere. The last may be only begun, but for a number. */
export function placeOfWords(words: readonly string[], parts: readonly string[], match: 'begun' | 'whole'): number {
  const last = parts.length - 1;
  for (let at = 0; at + last < words.length; at++) {
    let index = 0;
    while (index < last && words[at + index] === parts[index]) index++;
    if (index === last && isMet(words[at + last] ?? '', parts[last] ?? '', match)) return at;
  }
  return -1;
}

const isMet = (word: string, part: string, match: 'begun' | 'whole'): boolean =>
  match === 'whole' || isNumber(part) ? word === part : word.startsWith(part);

function hasValue(facts: RuleFacts, { field, value, grade }: ValueTerm): boolean {
  switch (field) {
    case 'role':
      return facts.role === value && (grade === null || isGradeAtLeast(facts.roleGrade, grade));
    case 'type':
      return (
        (facts.types as readonly string[]).includes(value) && (grade === null || isGradeAtLeast(facts.typeGrade, grade))
      );
    case 'family':
      return (
        facts.types.some((type) => familyOf(type) === value) &&
        (grade === null || isGradeAtLeast(facts.typeGrade, grade))
      );
    case 'format':
      return (facts.formats as readonly string[]).includes(value);
    case 'processor':
      return (facts.processors as readonly string[]).includes(value);
    case 'bits':
      return facts.processors.some((one) => (NARROW.has(one) ? '32' : '64') === value);
    case 'width':
      return widthOf(facts) === value;
    case 'tray':
      return value === 'any' ? facts.trays.length > 0 : facts.trays.includes(Number(value));
    case 'item':
      return facts.item === value;
    case 'way':
      return facts.ways.includes(value);
  }
}

const NARROW: ReadonlySet<string> = new Set(['x86', 'arm', 'ppc']);

/** Mono or stereo by the sound that comes out of it. */
const widthOf = ({ outputs }: RuleFacts): string | null => (outputs === 1 ? 'mono' : outputs === 2 ? 'stereo' : null);

const FLAG_TESTS: Readonly<Record<Flag, (facts: RuleFacts) => boolean>> = {
  filed: (facts) => facts.drawers.length > 0,
  aside: (facts) => facts.aside,
  here: (facts) => facts.here,
  tagged: (facts) => facts.tags.length > 0,
  sidechain: (facts) => facts.sidechain === true,
  'notes-in': (facts) => facts.notesIn === true,
  'notes-out': (facts) => facts.notesOut === true,
};

const compares = (difference: number, is: Comparison): boolean =>
  is === '='
    ? difference === 0
    : is === '<'
      ? difference < 0
      : is === '<='
        ? difference <= 0
        : is === '>'
          ? difference > 0
          : difference >= 0;

function hasNumber(facts: RuleFacts, { field, is, value }: NumberTerm): boolean {
  if (field === 'version') return facts.versions.some((version) => compares(compareVersions(version, value), is));
  const own = field === 'presets' ? facts.presets.length : facts[field];
  return own !== null && compares(own - Number(value), is);
}

/** Versions part by part as numbers, what is missing as 0: 2.10 is above 2.9. */
export function compareVersions(a: string, b: string): number {
  const [left, right] = [a, b].map((version) => (version.slice(0, 60).match(/\d+/g) ?? []).map(Number));
  for (let at = 0; at < Math.max(left?.length ?? 0, right?.length ?? 0); at++) {
    const difference = (left?.[at] ?? 0) - (right?.[at] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

const momentOf = (facts: RuleFacts, field: 'arrived' | 'loaded'): string | null =>
  field === 'arrived' ? facts.arrivedAt : facts.lastLoad;

function hasDay(facts: RuleFacts, { field, is, day }: DayTerm): boolean {
  const moment = momentOf(facts, field);
  if (moment === null) return false;
  const own = localDay(moment).slice(0, day.length);
  return compares(own < day ? -1 : own > day ? 1 : 0, is);
}

function wasRecent(facts: RuleFacts, { field, days }: RecentTerm, today: LocalDay): boolean {
  if (field === 'arrived' && facts.arrivedWithFolder === true) return false;
  const own = momentOf(facts, field);
  return own !== null && localDay(own) >= daysBefore(today, days);
}
