/** What is wrong with a rule, in words: what was expected at a place, and what may have been meant. */
import { isWithinTwoEdits } from '../text/two-edits.js';
import { FIELDS, type Field } from './fields.js';
import { SyntaxError as GrammarError } from './grammar.generated.js';

/** What is wrong with a rule: from which character to which, in words, and what could be written there instead. */
export interface RuleProblem {
  readonly at: number;
  readonly to: number;
  readonly words: string;
  readonly proposal: string | null;
}
const MAX_NAMED = 8;

/** What may be written after a field. */
export function expected(name: Field): string {
  const spec = FIELDS[name];
  switch (spec.kind) {
    case 'text':
      return 'words';
    case 'value':
    case 'flag': {
      const values = spec.values.map((one) => one.value);
      const more = values.length > MAX_NAMED ? ` … (${String(values.length)} in all)` : '';
      return `one of ${values.slice(0, MAX_NAMED).join(', ')}${more}`;
    }
    case 'number':
      return name === 'version' ? 'a version such as 2.1 or >=2' : 'a number such as 3, >3 or <=3';
    case 'date':
      return 'a day such as >=2026-01-31, or a time such as 30d (in the last 30 days)';
    case 'drawer':
      return 'the name of a drawer';
  }
}

/** Something that could be written there; null where anything could. */
export function exampleOf(name: Field): string | null {
  const spec = FIELDS[name];
  if (spec.kind === 'number') return `${name}:${name === 'version' ? '>=2' : '>0'}`;
  if (spec.kind === 'date') return `${name}:30d`;
  const [first] = spec.kind === 'value' || spec.kind === 'flag' ? spec.values : [];
  return first === undefined ? null : `${name}:${first.value}`;
}

const SHORTEST_SLIP = 4;

/** The word that may be meant: begun by what was typed, or two slips of the hand away. */
export const nearest = (typed: string, words: readonly string[]): string | undefined =>
  words.find((word) => typed.length > 1 && word.startsWith(typed)) ??
  words.find((word) => typed.length >= SHORTEST_SLIP && isWithinTwoEdits(typed, word));

/** What the grammar could not read. */
export function problemOf(error: unknown, typed: string): RuleProblem {
  if (!(error instanceof GrammarError))
    return { at: 0, to: typed.length, words: 'This rule can’t be read. Write it in a simpler way.', proposal: null };
  const { location } = error as unknown as { location: { start: { offset: number }; end: { offset: number } } };
  const at = location.start.offset;
  const sign = typed[at];
  const open = count(typed.slice(0, at), '(') - count(typed.slice(0, at), ')');
  const here = (words: string, proposal: string | null = null): RuleProblem => ({
    at,
    to: Math.max(location.end.offset, at),
    words,
    proposal,
  });
  if (count(typed.replace(/\\./g, '  '), '"') % 2 === 1) {
    const from = typed.lastIndexOf('"');
    return { at: from, to: typed.length, words: 'This quote is not closed.', proposal: `${typed.slice(from)}"` };
  }
  if (sign === undefined && open > 0) {
    const isEmpty = /[(,]\s*$|\b(?:or|and|but|not)\s*$/i.test(typed);
    return isEmpty ? here('Here a word or a field is missing.') : here('A closing parenthesis is missing.', ')');
  }
  if (sign === ')' && open <= 0) return here('This parenthesis was not opened.', '');
  if (sign === undefined) return here('Here a word or a field is missing: the rule ends after a joining word.');
  if (sign === '"') return here('Two texts in quotes need a blank or OR between them.', ' "');
  if (sign === ':')
    return here('In front of the colon stands the name of a field; put a word with a colon into quotes.');
  const [joiner] = /^(?:or|and|but|,)/i.exec(typed.slice(at)) ?? [];
  if (joiner !== undefined) return here(`In front of “${joiner}” a word or a field is missing.`);
  return here(`Here a word, a field or a parenthesis is expected, and not “${sign}”.`);
}

const count = (text: string, sign: string): number => text.split(sign).length - 1;
