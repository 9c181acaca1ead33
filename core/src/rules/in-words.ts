/** Rules as people say them: on fronts, for reasons, for the parts of a sentence. */
import { isTerm, several, type Comparison, type Condition, type Term } from './condition.js';
import type { DrawerNameResolver } from './drawer-names.js';
import { FIELDS, GRADE_LABELS, valueLabel, type Flag } from './fields.js';

/** A part of a rule: what is asked, and the value of it ("type", "reverb"). */
export interface ConditionLabel {
  readonly asks: string;
  readonly value: string;
}

const COMPARED: Readonly<Record<Comparison, string>> = {
  '=': '',
  '<': 'below ',
  '<=': 'at most ',
  '>': 'above ',
  '>=': 'at least ',
};
const BY_DAY: Readonly<Record<Comparison, string>> = {
  '=': 'on ',
  '<': 'before ',
  '<=': 'until ',
  '>': 'after ',
  '>=': 'since ',
};

/** What a plugin has, where others say what it is. */
const HAD: ReadonlySet<Flag> = new Set<Flag>(['sidechain', 'notes-in', 'notes-out']);

/** A term in two parts: "word" and "hall", "type" and "reverb, at least likely". */
export function partWords(term: Term, drawers: DrawerNameResolver): ConditionLabel {
  switch (term.kind) {
    case 'words': {
      const asks = term.field === 'name' ? 'word' : FIELDS[term.field].label;
      return {
        asks,
        value:
          term.match === 'begun'
            ? term.words
            : term.match === 'whole'
              ? `exactly “${term.words}”`
              : `anywhere “${term.words}”`,
      };
    }
    case 'value': {
      const label = term.field === 'tray' && term.value === 'any' ? 'any' : valueLabel(term.field, term.value);
      return {
        asks: FIELDS[term.field].label,
        value: term.grade === null ? label : `${label}, ${GRADE_LABELS[term.grade]}`,
      };
    }
    case 'flag':
      return { asks: HAD.has(term.flag) ? 'has' : 'is', value: valueLabel('is', term.flag) };
    case 'number':
      return { asks: FIELDS[term.field].label, value: COMPARED[term.is] + term.value };
    case 'day':
      return { asks: FIELDS[term.field].label, value: BY_DAY[term.is] + term.day };
    case 'recent':
      return { asks: FIELDS[term.field].label, value: `in the last ${String(term.days)} days` };
    case 'drawer':
      return { asks: 'in drawer', value: drawers.nameOf(term.id) ?? 'one that is gone' };
  }
}

/** A rule as a sentence: what it takes, and what it leaves out. */
export interface Sentence {
  readonly takes: readonly Condition[];
  /** Whether any of them is enough, or all are needed. */
  readonly joined: 'any' | 'all';
  readonly leavesOut: readonly Condition[];
}

/** Parts a rule into what it takes and what it leaves out. The same rule comes out of it again: see ofSentence. */
export function sentenceOf(condition: Condition): Sentence {
  const all = condition.kind === 'all' ? condition.of : [condition];
  const leavesOut = all.flatMap((one): readonly Condition[] => (one.kind === 'not' ? [one.of] : []));
  const rest = all.filter((one) => one.kind !== 'not');
  const [only] = rest;
  if (rest.length === 1 && only?.kind === 'any') return { takes: only.of, joined: 'any', leavesOut };
  return { takes: rest, joined: rest.length > 1 ? 'all' : 'any', leavesOut };
}

/** The rule of a sentence; null when nothing is said. */
export function ofSentence({ takes, joined, leavesOut }: Sentence): Condition | null {
  const taken = takes.length === 0 ? [] : [several(joined, takes)];
  const all = [...taken, ...leavesOut.map((of): Condition => ({ kind: 'not', of }))];
  return all.length === 0 ? null : several('all', all);
}

/** A rule in words, as it stands on a front: "hall or plate in the name, or type reverb; not role tool". */
export function conditionInWords(condition: Condition, drawers: DrawerNameResolver): string {
  const { takes, joined, leavesOut } = sentenceOf(condition);
  const taken = joinedWords(takes, joined, drawers);
  const left = joinedWords(leavesOut, 'any', drawers);
  if (left === '') return taken;
  return taken === '' ? `everything but ${left}` : `${taken}; not ${left}`;
}

function joinedWords(parts: readonly Condition[], joined: 'any' | 'all', drawers: DrawerNameResolver): string {
  const joiner = joined === 'any' ? ' or ' : ' and ';
  const isWord = (one: Condition): boolean => one.kind === 'words' && one.field === 'name';
  const words = parts.filter(isWord).flatMap((one) => (isTerm(one) ? partWords(one, drawers).value : []));
  const named = words.length === 0 ? [] : [`${listed(words, joiner)} in the name`];
  const others = parts.filter((one) => !isWord(one)).map((one) => partInWords(one, drawers));
  const all = [...named, ...others];
  return all.length > 1 && words.length > 1 ? all.join(`,${joiner}`) : listed(all, joiner);
}

function partInWords(one: Condition, drawers: DrawerNameResolver): string {
  if (isTerm(one)) {
    const { asks, value } = partWords(one, drawers);
    return `${asks} ${value}`;
  }
  if (one.kind === 'not') return `not ${partInWords(one.of, drawers)}`;
  return `(${joinedWords(one.of, one.kind, drawers)})`;
}

function listed(parts: readonly string[], joiner: string): string {
  const [last = '', ...rest] = [...parts].reverse();
  return rest.length === 0 ? last : `${rest.reverse().join(', ')}${joiner}${last}`;
}
