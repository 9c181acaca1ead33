import { cut, flat } from './cut.js';
import {
  depthOf,
  RULE_LIMITS,
  several,
  termsOf,
  type Comparison,
  type Condition,
  type Match,
  type Term,
} from './condition.js';
import {
  ASKED_GRADES,
  FIELD_NAMES,
  FIELDS,
  isField,
  type MinimumGrade,
  type Field,
  type FieldValue,
  type Flag,
  type TextField,
} from './fields.js';
import { typesNamed } from '../catalogue/type-synonyms.js';
import { parse } from './grammar.generated.js';
import { exampleOf, expected, nearest, problemOf, type RuleProblem } from './read-problems.js';
import { quote } from './print.js';
import { trimmedDrawer, type DrawerNameResolver } from './drawer-names.js';

/** A rule that was read, or what is wrong with it. */
export type ReadRule =
  { readonly ok: true; readonly condition: Condition } | { readonly ok: false; readonly problem: RuleProblem };

type Raw =
  | { is: 'list'; takes: Raw[]; tails: { leavesOut: boolean; of: Raw[] }[] }
  | { is: 'any' | 'all'; of: Raw[] }
  | { is: 'not' | 'group'; of: Raw }
  | { is: 'words'; text: string; quoted: boolean; at: number; to: number }
  | RawAsk;
interface RawAsk {
  is: 'ask';
  name: string;
  sign: Comparison | null;
  value: string;
  quoted: boolean;
  grade: string | null;
  at: number;
  to: number;
}

class Wrong extends Error {
  constructor(readonly problem: RuleProblem) {
    super(problem.words);
  }
}

const wrong = (at: number, to: number, words: string, proposal: string | null = null): never => {
  throw new Wrong({ at, to, words, proposal });
};

/**
 * Reads a rule as it is typed, in the quick field and in the text alike: words next to each other stand together, commas, OR and AND join, NOT, "but not"
 * and a comma before NOT leave out. The grammar stands in grammar.peggy. `drawers` finds drawers by what they are called. Never throws; takes a time
 * in proportion to the length.
 */
export function readRule(typed: string, drawers: DrawerNameResolver): ReadRule {
  try {
    const { characters, terms, depth } = RULE_LIMITS;
    if (typed.length > characters)
      wrong(
        characters,
        typed.length,
        `A rule has ${String(characters)} characters at most; put part of it into a drawer of its own.`,
      );
    checkNesting(typed);
    const text = typed.replace(/\s/g, ' ');
    if (text.trim() === '')
      wrong(0, typed.length, 'Write a word that the plugins have, or a field such as type:reverb.');
    const condition = meant((parse as (text: string) => unknown)(text) as Raw, drawers);
    if (termsOf(condition).length > terms)
      wrong(0, typed.length, `A rule asks ${String(terms)} things at most; put part of it into a drawer of its own.`);
    if (depthOf(condition) > depth) wrong(0, typed.length, TOO_DEEP);
    return { ok: true, condition };
  } catch (error) {
    if (error instanceof Wrong) return { ok: false, problem: error.problem };
    return { ok: false, problem: problemOf(error, typed) };
  }
}

const TOO_DEEP = `Parentheses stand in each other ${String(RULE_LIMITS.depth)} deep at most; put part of the rule into a drawer of its own.`;

const TOKENS = /[()]|"(?:\\.|[^"\\])*"?|[^\s()"]+/g;

/** The reader calls itself for each parenthesis and each NOT: how deep that goes is known before it begins. */
function checkNesting(typed: string): void {
  const open: number[] = [];
  let [depth, nots] = [0, 0];
  for (const { 0: token, index } of typed.matchAll(TOKENS)) {
    if (token === '(') {
      open.push(nots + 1);
      depth += nots + 1;
    } else if (token === ')') depth -= open.pop() ?? 0;
    nots = token.toLowerCase() === 'not' ? nots + 1 : 0;
    if (depth + nots > RULE_LIMITS.depth) wrong(index, typed.length, TOO_DEEP);
  }
}

function meant(raw: Raw, drawers: DrawerNameResolver): Condition {
  switch (raw.is) {
    case 'group':
      return meant(raw.of, drawers);
    case 'not':
      return { kind: 'not', of: meant(raw.of, drawers) };
    case 'any':
    case 'all':
      return several(
        raw.is,
        raw.of.map((one) => meant(one, drawers)),
      );
    case 'list':
      return ofList(raw.takes, raw.tails, drawers);
    case 'words':
      return wordsTerm('name', raw.text, raw.quoted, raw);
    case 'ask':
      return asked(raw, drawers);
  }
}

/** "echo, delay, not tape": any of those, but none of these. What "but" brings must hold besides; "but not" leaves out all that follows it. */
function ofList(
  takes: readonly Raw[],
  tails: readonly { leavesOut: boolean; of: Raw[] }[],
  drawers: DrawerNameResolver,
): Condition {
  const taken: Condition[] = [];
  const besides: Condition[] = [];
  for (const one of takes) {
    const condition = meant(one, drawers);
    (condition.kind === 'not' ? besides : taken).push(condition);
  }
  for (const { leavesOut, of } of tails) {
    if (leavesOut) for (const one of of.flatMap(excluded)) besides.push({ kind: 'not', of: meant(one, drawers) });
    else
      besides.push(
        several(
          'any',
          of.map((one) => meant(one, drawers)),
        ),
      );
  }
  return several('all', [...(taken.length === 0 ? [] : [several('any', taken)]), ...besides]);
}

/** What "but not" leaves out, one by one: "but not plate, room", "but not plate or room" and "but not plate and not room" say the same. */
function excluded(raw: Raw): Raw[] {
  if (raw.is === 'any') return raw.of.flatMap(excluded);
  if (raw.is === 'not') return [raw.of];
  return raw.is === 'all' && raw.of.some((one) => one.is === 'not') ? raw.of.flatMap(excluded) : [raw];
}

/** Which way words are to be met: by the stars around them, and whether they stand in quotes. */
function wordsTerm(field: TextField, text: string, quoted: boolean, { at, to }: { at: number; to: number }): Term {
  const begins = text.startsWith('*');
  const ends = text.endsWith('*') && text.length > 1;
  // Stars and backslashes are signs of the grammar, and of no plugin's name.
  const words = unescaped(text, quoted).replace(/[*\\]/g, ' ');
  const match: Match = begins ? 'inside' : ends || !quoted ? 'begun' : 'whole';
  const said = words.replace(/ +/g, ' ').trim();
  if (match === 'inside' ? flat(said) === '' : cut(said).length === 0)
    wrong(at, to, 'Write a word with at least one letter or digit here.');
  return { kind: 'words', field, words: said, match };
}

function asked(raw: RawAsk, drawers: DrawerNameResolver): Term {
  const { name, at, to } = raw;
  if (!isField(name)) {
    const near = nearest(name, FIELD_NAMES);
    return wrong(
      at,
      at + name.length,
      `A rule can't ask for “${name}”. It can ask for: ${FIELD_NAMES.join(', ')}.`,
      near ?? null,
    );
  }
  if (raw.value === '') return wrong(at, to, `Write ${expected(name)} after “${name}:”.`, exampleOf(name));
  if (raw.grade !== null && !isGraded(name))
    return wrong(to - raw.grade.length - 1, to, `How sure it must be can be asked of role, type and family only.`);
  if (raw.sign !== null && FIELDS[name].kind !== 'number' && FIELDS[name].kind !== 'date')
    return wrong(at, to, `“${raw.sign}” compares numbers and days; after “${name}:” write ${expected(name)}.`);
  return termOf(name, raw, drawers);
}

const isGraded = (name: Field): boolean => {
  const spec = FIELDS[name];
  return spec.kind === 'value' && spec.graded;
};

function termOf(name: Field, raw: RawAsk, drawers: DrawerNameResolver): Term {
  const { at, to } = raw;
  const spec = FIELDS[name];
  const value = unescaped(raw.value, raw.quoted);
  switch (spec.kind) {
    case 'text':
      return wordsTerm(name as TextField, raw.value, raw.quoted, raw);
    case 'value': {
      const tray = name === 'tray' ? drawers.trayOf(value) : null;
      const meantValue = tray === null ? known(name, value, spec.values, raw) : String(tray);
      return { kind: 'value', field: name as never, value: meantValue, grade: gradeOf(raw) };
    }
    case 'flag':
      return { kind: 'flag', flag: known(name, value, spec.values, raw) as Flag };
    case 'number': {
      const pattern = name === 'version' ? /^\d{1,9}(\.\d{1,9}){0,5}$/ : /^\d{1,9}$/;
      if (!pattern.test(value)) return wrong(at, to, `After “${name}:” write ${expected(name)}.`, exampleOf(name));
      return { kind: 'number', field: name as never, is: raw.sign ?? '=', value };
    }
    case 'date': {
      const [, days] = /^(\d{1,5}) ?d(?:ays?)?$/i.exec(value) ?? [];
      if (days !== undefined && raw.sign === null) return { kind: 'recent', field: name as never, days: Number(days) };
      if (!isDay(value)) return wrong(at, to, `After “${name}:” write ${expected(name)}.`, exampleOf(name));
      return { kind: 'day', field: name as never, is: raw.sign ?? '=', day: value };
    }
    case 'drawer': {
      const id = drawers.find(value);
      if (id !== null) return { kind: 'drawer', id };
      const near = nearest(flat(value), drawers.all.map(flat));
      const proposal = near === undefined ? null : (drawers.all.find((one) => flat(one) === near) ?? null);
      return wrong(
        at,
        to,
        `No drawer is called “${trimmedDrawer(value)}”.`,
        proposal === null ? null : `drawer:${quote(proposal)}`,
      );
    }
  }
}

const unescaped = (text: string, quoted: boolean): string => (quoted ? text.replace(/\\(.)/g, '$1') : text);

function known(name: Field, value: string, values: readonly FieldValue[], { at, to }: RawAsk): string {
  const wanted = flat(value).replace(/[ _]/g, '-');
  const found = values.find((one) => flat(one.value) === wanted || flat(one.label).replace(/ /g, '-') === wanted);
  if (found !== undefined) return found.value;
  const near =
    (name === 'type' ? typesNamed(value)[0] : undefined) ??
    nearest(
      wanted,
      values.map((one) => flat(one.value)),
    ) ??
    (name === 'type'
      ? values.find((one) => flat(one.value).replace(/-/g, '').startsWith(wanted.replace(/-/g, '')))?.value
      : undefined);
  const meantValue = near === undefined ? undefined : values.find((one) => flat(one.value) === near);
  return wrong(
    at,
    to,
    `There is no ${FIELDS[name].label} “${value}”. Write ${expected(name)}.`,
    meantValue === undefined ? null : `${name}:${meantValue.value}`,
  );
}

function gradeOf({ grade, to }: RawAsk): MinimumGrade | null {
  if (grade === null) return null;
  const found = ASKED_GRADES.find((one) => one === grade);
  const near = nearest(grade, ASKED_GRADES);
  return (
    found ??
    wrong(
      to - grade.length - 1,
      to,
      `After @ stands how sure it must be: ${ASKED_GRADES.join(', ')}.`,
      near === undefined ? null : `@${near}`,
    )
  );
}

function isDay(value: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(value)) return false;
  const time = Date.parse(`${value}T00:00:00Z`);
  return !Number.isNaN(time) && new Date(time).toISOString().startsWith(value);
}
