import type { Condition, Term, WordsTerm } from './condition.js';
import { isTerm } from './condition.js';
import type { DrawerNameResolver } from './drawer-names.js';

/** A rule as text, in one form only: read again it is the same rule. A drawer that is gone keeps its id. */
export function printRule(condition: Condition, drawers: DrawerNameResolver): string {
  if (isTerm(condition)) return printTerm(condition, drawers);
  if (condition.kind === 'not') return `NOT ${inner(condition.of, drawers)}`;
  return condition.of.map((one) => inner(one, drawers)).join(condition.kind === 'any' ? ' OR ' : ' AND ');
}

/** In parentheses when it is several. */
const inner = (condition: Condition, drawers: DrawerNameResolver): string =>
  condition.kind === 'any' || condition.kind === 'all'
    ? `(${printRule(condition, drawers)})`
    : printRule(condition, drawers);

function printTerm(term: Term, drawers: DrawerNameResolver): string {
  switch (term.kind) {
    case 'words':
      return printWords(term);
    case 'value':
      return `${term.field}:${term.value}${term.grade === null ? '' : `@${term.grade}`}`;
    case 'flag':
      return `is:${term.flag}`;
    case 'number':
      return `${term.field}:${term.is === '=' ? '' : term.is}${term.value}`;
    case 'day':
      return `${term.field}:${term.is === '=' ? '' : term.is}${term.day}`;
    case 'recent':
      return `${term.field}:${String(term.days)}d`;
    case 'drawer':
      return `drawer:${quote(drawers.nameOf(term.id) ?? `#${term.id}`)}`;
  }
}

// Of the signs of the grammar none, and no word that joins.
const PLAIN = /^[^\s(),;:"*@<>=\\]+$/;
const JOINS = /^(?:or|and|but|not)$/i;

function printWords({ field, words, match }: WordsTerm): string {
  const parts = words.split(' ');
  const isPlain = parts.every((part) => PLAIN.test(part) && !JOINS.test(part));
  const front = field === 'name' ? '' : `${field}:`;
  if (match === 'begun')
    return front + (isPlain && (parts.length === 1 || front === '') ? words : quote(words, '', '*'));
  if (match === 'inside') return front + (isPlain && parts.length === 1 ? `*${words}*` : quote(words, '*', '*'));
  return front + quote(words);
}

/** A text in quotes, whatever is in it; `before` and `after` are signs of the grammar within the quotes. */
export function quote(text: string, before = '', after = ''): string {
  return `"${before}${text.replace(/["\\]/g, '\\$&')}${after}"`;
}
