import { useId, useState, type KeyboardEvent } from 'react';
import Form from 'react-bootstrap/Form';
import {
  COMPARISONS,
  isTerm,
  type Comparison,
  type Condition,
  type Match,
  type Term,
} from '@clever-drawer/core/rules/condition';
import type { DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import {
  ASKED_GRADES,
  FIELD_NAMES,
  FIELDS,
  GRADE_LABELS,
  isField,
  type MinimumGrade,
  type Field,
} from '@clever-drawer/core/rules/fields';
import { printRule, quote } from '@clever-drawer/core/rules/print';
import { readRule } from '@clever-drawer/core/rules/read';
import { takeKey } from '../../keys/use-keys';
import { PlainButton } from '../../parts/plain-button';
import { RuleProblem } from './rule-problem';
import styles from './rule.module.css';

interface Props {
  /** Null for a new part. */
  readonly part: Condition | null;
  readonly drawers: DrawerNameResolver;
  /** What is proposed for a field of words: vendors, tags. */
  readonly proposed: (field: Field) => readonly string[];
  readonly done: (part: Condition) => void;
  /** Makes several of it, joined in the other way: "and" within "or". Null for a new part. */
  readonly divide: (() => void) | null;
  readonly joiner: string;
  readonly remove: (() => void) | null;
  readonly close: () => void;
}

/** Several things together have no field of their own: they are written as text. */
const AS_TEXT = 'as text';
type Asked = Field | typeof AS_TEXT;

interface Filled {
  readonly asked: Asked;
  readonly value: string;
  readonly match: Match;
  readonly is: Comparison | 'in the last';
  readonly grade: MinimumGrade | '';
}

/** One part of a rule, changed in place: what is asked, and what it must be. Enter saves, Esc leaves it as it was. */
export function PartForm({ part, drawers, proposed, done, divide, joiner, remove, close }: Props) {
  const [filled, setFilled] = useState<Filled>(() => filledWith(part, drawers));
  const [tried, setTried] = useState(false);
  const id = useId();
  const set = (more: Partial<Filled>): void => setFilled((old) => ({ ...old, ...more }));
  const written = writtenAs(filled);
  const read = readRule(written, drawers);
  const submit = (): void => {
    setTried(true);
    if (read.ok) done(read.condition);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    // Its buttons have their own Enter.
    const save = event.target instanceof HTMLButtonElement ? null : submit;
    takeKey('rule', event, { save, propose: null, drop: close });
  };
  const spec = filled.asked === AS_TEXT ? null : FIELDS[filled.asked];
  return (
    <div
      className={styles.part}
      role="group"
      aria-label={part === null ? 'New part' : 'Change this part'}
      onKeyDown={onKeyDown}
    >
      <Form.Select
        size="sm"
        aria-label="What is asked"
        value={filled.asked}
        onChange={(event) => set({ ...EMPTY, asked: event.target.value as Asked, value: firstOf(event.target.value) })}
      >
        {FIELD_NAMES.map((field) => (
          <option key={field} value={field}>
            {field === 'name' ? 'word in the name' : FIELDS[field].label}
          </option>
        ))}
        <option value={AS_TEXT}>several, as text</option>
      </Form.Select>
      {spec?.kind === 'text' && (
        <Form.Select
          size="sm"
          aria-label="How it is met"
          value={filled.match}
          onChange={(event) => set({ match: event.target.value as Match })}
        >
          <option value="begun">begins a word</option>
          <option value="whole">whole words</option>
          <option value="inside">anywhere inside</option>
        </Form.Select>
      )}
      {(spec?.kind === 'number' || spec?.kind === 'date') && (
        <Form.Select
          size="sm"
          aria-label="How it compares"
          value={filled.is}
          onChange={(event) => set({ is: event.target.value as Filled['is'] })}
        >
          {spec.kind === 'date' && <option value="in the last">in the last (days)</option>}
          {COMPARISONS.map((one) => (
            <option key={one} value={one}>
              {(spec.kind === 'date' ? DAY_WORDS : NUMBER_WORDS)[one]}
            </option>
          ))}
        </Form.Select>
      )}
      {spec?.kind === 'value' || spec?.kind === 'flag' ? (
        <Form.Select
          size="sm"
          aria-label="What it must be"
          autoFocus
          value={filled.value}
          onChange={(event) => set({ value: event.target.value })}
        >
          {spec.values.map((one) => (
            <option key={one.value} value={one.value}>
              {one.label}
            </option>
          ))}
        </Form.Select>
      ) : (
        <Form.Control
          size="sm"
          aria-label="What it must be"
          autoFocus
          autoComplete="off"
          spellCheck={false}
          list={`${id}-list`}
          type={spec?.kind === 'date' && filled.is !== 'in the last' ? 'date' : 'text'}
          inputMode={spec?.kind === 'number' || filled.is === 'in the last' ? 'numeric' : undefined}
          value={filled.value}
          isInvalid={tried && !read.ok}
          onChange={(event) => set({ value: event.target.value })}
          onFocus={(event) => event.target.type === 'text' && event.target.select()}
        />
      )}
      <datalist id={`${id}-list`}>
        {(spec?.kind === 'drawer' ? drawers.all : filled.asked === AS_TEXT ? [] : proposed(filled.asked)).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      {spec?.kind === 'value' && spec.graded && (
        <Form.Select
          size="sm"
          aria-label="How sure"
          value={filled.grade}
          onChange={(event) => set({ grade: event.target.value as MinimumGrade | '' })}
        >
          <option value="">however sure</option>
          {ASKED_GRADES.map((grade) => (
            <option key={grade} value={grade}>
              {GRADE_LABELS[grade]}
            </option>
          ))}
        </Form.Select>
      )}
      <PlainButton onClick={submit}>Save</PlainButton>
      {divide !== null && (
        <PlainButton title={`${joiner} something else: both become one part`} onClick={divide}>
          {joiner} …<span className="visually-hidden">, something else in one part with it</span>
        </PlainButton>
      )}
      {remove !== null && <PlainButton onClick={remove}>Take out</PlainButton>}
      <PlainButton onClick={close}>Cancel</PlainButton>
      {tried && !read.ok && (
        <RuleProblem
          id={`${id}-problem`}
          typed={written}
          problem={{ ...read.problem, proposal: null }}
          take={() => undefined}
        />
      )}
    </div>
  );
}

const EMPTY: Filled = { asked: 'name', value: '', match: 'begun', is: '>=', grade: '' };
const NUMBER_WORDS: Readonly<Record<Comparison, string>> = {
  '=': 'is',
  '<': 'below',
  '<=': 'at most',
  '>': 'above',
  '>=': 'at least',
};
const DAY_WORDS: Readonly<Record<Comparison, string>> = {
  '=': 'on',
  '<': 'before',
  '<=': 'until',
  '>': 'after',
  '>=': 'since',
};

function firstOf(asked: string): string {
  if (!isField(asked)) return '';
  const spec = FIELDS[asked];
  return spec.kind === 'value' || spec.kind === 'flag' ? (spec.values[0]?.value ?? '') : '';
}

function filledWith(part: Condition | null, drawers: DrawerNameResolver): Filled {
  if (part === null) return EMPTY;
  if (!isTerm(part)) return { ...EMPTY, asked: AS_TEXT, value: printRule(part, drawers) };
  return { ...EMPTY, ...ofTerm(part, drawers) };
}

function ofTerm(term: Term, drawers: DrawerNameResolver): Partial<Filled> {
  switch (term.kind) {
    case 'words':
      return { asked: term.field, value: term.words, match: term.match };
    case 'value':
      return { asked: term.field, value: term.value, grade: term.grade ?? '' };
    case 'number':
      return { asked: term.field, is: term.is, value: term.value };
    case 'day':
      return { asked: term.field, is: term.is, value: term.day };
    case 'recent':
      return { asked: term.field, is: 'in the last', value: String(term.days) };
    case 'flag':
      return { asked: 'is', value: term.flag };
    case 'drawer':
      return { asked: 'drawer', value: drawers.nameOf(term.id) ?? '' };
  }
}

/** The part as text, which is then read as any rule is. */
function writtenAs({ asked, value, match, is, grade }: Filled): string {
  if (asked === AS_TEXT) return value;
  const spec = FIELDS[asked];
  const text = value.trim();
  if (text === '') return `${asked}:`;
  switch (spec.kind) {
    case 'text':
      return `${asked}:${match === 'whole' ? quote(text) : match === 'begun' ? quote(text, '', '*') : quote(text, '*', '*')}`;
    case 'value':
    case 'flag':
      return `${asked}:${text}${grade === '' ? '' : `@${grade}`}`;
    case 'number':
      return `${asked}:${is === 'in the last' ? '' : is}${quote(text)}`;
    case 'date':
      return is === 'in the last' ? `${asked}:${quote(text, '', 'd')}` : `${asked}:${is}${quote(text)}`;
    case 'drawer':
      return `${asked}:${quote(text)}`;
  }
}
