import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import peggy from 'peggy';
import { readRule } from '../../src/rules/read';
import { printRule } from '../../src/rules/print';
import { KEPT_DRAWERS, namedDrawers } from '../../src/rules/drawer-names';
import { conditionInWords, ofSentence, sentenceOf } from '../../src/rules/in-words';
import { FIELD_NAMES } from '../../src/rules/fields';
import { RULE_LIMITS, termsOf } from '../../src/rules/condition';
import { meets } from '../../src/rules/evaluate';
import { anyCondition, anyFacts } from './random-rules';

const WORLD = { today: '2026-11-25', holds: () => false };

const drawers = namedDrawers([
  { id: 'd1', name: 'Space' },
  { id: 'd2', name: 'A "quoted" one \\' },
  { id: 'd3', name: 'space' },
  { id: 'd4', name: 'Wide\u00a0rooms' },
]);
const printed = (typed: string): string => {
  const read = readRule(typed, drawers);
  return read.ok ? printRule(read.condition, drawers) : `${read.problem.words} → ${read.problem.proposal ?? 'nothing'}`;
};
const problem = (typed: string) => {
  const read = readRule(typed, drawers);
  if (read.ok) throw new Error(`“${typed}” was read`);
  return read.problem;
};

describe('what is typed into the quick field means what a person means', () => {
  it.each([
    ['echo, delay, slap', 'echo OR delay OR slap'],
    ['delay or echo or slap', 'delay OR echo OR slap'],
    ['drum and bass', 'drum AND bass'],
    ['tape echo', 'tape echo'],
    ['hall but not gate', 'hall AND NOT gate'],
    ['hall or plate but not gate', '(hall OR plate) AND NOT gate'],
    ['type:reverb but not plate, room', 'type:reverb AND NOT plate AND NOT room'],
    ['type:reverb but not plate or room', 'type:reverb AND NOT plate AND NOT room'],
    ['type:reverb but not plate and not room', 'type:reverb AND NOT plate AND NOT room'],
    ['type:reverb but not plate and room', 'type:reverb AND NOT (plate AND room)'],
    ['hall, plate but not gate, room but vendor:quill', '(hall OR plate) AND NOT gate AND NOT room AND vendor:quill'],
    ['type:reverb (hall, plate but not gate, room)', 'type:reverb AND (hall OR plate) AND NOT gate AND NOT room'],
    ['hall, plate; room but type:reverb', '(hall OR plate OR room) AND type:reverb'],
    ['echo, delay, not tape', '(echo OR delay) AND NOT tape'],
    ['de-esser', 'de-esser'],
    ['"or"', '"or"'],
  ])('%s', (typed, expected) => expect(printed(typed)).toBe(expected));
});

describe('the text of a rule', () => {
  // AND binds before OR and NOT before both: the usual order of boolean expressions (common practice, as in SQL, ISO/IEC 9075).
  it.each([
    ['a OR b AND NOT c', 'a OR (b AND NOT c)'],
    ['(hall OR plate) NOT vendor:"Tin Lantern" loads:>3', '(hall OR plate) AND NOT vendor:"Tin Lantern" AND loads:>3'],
    ['Type:Reverb@likely or family:"space"', 'type:reverb@likely OR family:space'],
    ['type:"pitch shifter"', 'type:pitch-shifter'],
    ['*oom* "Plate" "tape ech*" vendor:"tape ech*"', '*oom* AND "Plate" AND tape ech AND vendor:"tape ech*"'],
    [
      'arrived:30d loaded:"7 days" arrived:>=2026-01-31 version:<2.10',
      'arrived:30d AND loaded:7d AND arrived:>=2026-01-31 AND version:<2.10',
    ],
    ['drawer:space is:tagged tray:any', 'drawer:"Space" AND is:tagged AND tray:any'],
    // A blank that does not break, as it comes along when a name is pasted.
    ['drawer:"Wide\u00a0rooms"', 'drawer:"Wide\u00a0rooms"'],
  ])('%s', (typed, expected) => {
    expect(printed(typed)).toBe(expected);
    expect(printed(expected)).toBe(expected);
  });

  it('printed and read again is the same rule, also as it is kept and as a sentence', () => {
    fc.assert(
      fc.property(anyCondition(['d1', 'd2', 'd3']), anyFacts('p0'), (condition, facts) => {
        for (const names of [drawers, KEPT_DRAWERS])
          expect(readRule(printRule(condition, names), names)).toEqual({ ok: true, condition });
        const said = ofSentence(sentenceOf(condition));
        expect(said !== null && new Set(termsOf(said))).toEqual(new Set(termsOf(condition)));
        expect(said !== null && meets(said, facts, WORLD)).toBe(meets(condition, facts, WORLD));
        expect(conditionInWords(condition, drawers)).not.toBe('');
      }),
      { seed: 11, numRuns: 1500 },
    );
  });
});

describe('a mistake is shown at its place, with what was expected', () => {
  it.each([
    ['type:revreb', 'type:revreb', 'type:reverb'],
    ['hall tyep:reverb', 'tyep', 'type'],
    ['hall OR drawer:spaec', 'drawer:spaec', 'drawer:"Space"'],
    ['(hall', '', ')'],
    ['hall)', ')', ''],
    ['say "hall', '"hall', '"hall"'],
    ['loaded:2026-02-30', 'loaded:2026-02-30', 'loaded:30d'],
    ['type:reverb@likly', '@likly', '@likely'],
    ['hall OR', '', null],
    ['OR hall', 'O', null],
    ['vendor:', 'vendor:', null],
    ['!!!', '!!!', null],
    ['', '', null],
    ['type:>reverb', 'type:>reverb', null],
    ['loads:many', 'loads:many', 'loads:>0'],
  ])('%s', (typed, place, proposal) => {
    const { at, to, words, proposal: proposed } = problem(typed);
    expect(typed.slice(at, to)).toBe(place);
    expect(proposed).toBe(proposal);
    expect(words).toMatch(/\S\.$/);
  });

  it('the proposal put in its place is read, or leads to the next mistake further on', () => {
    for (const typed of [
      'type:revreb',
      'drawer:spaec',
      '(hall',
      'hall)',
      'say "hall',
      'type:reverb@likly',
      'loads:many',
    ]) {
      const { at, to, proposal } = problem(typed);
      expect(readRule(typed.slice(0, at) + (proposal ?? '') + typed.slice(to), drawers).ok).toBe(true);
    }
  });
});

describe('whatever is typed is answered', () => {
  it('text by chance never throws, and problems lie inside of it', () => {
    const sign = fc.constantFrom(...Array.from('ab"()*:@,<>= \\'), ' OR ', ' NOT ', 'type:', 'echo', '\u3000', '\n');
    fc.assert(
      fc.property(fc.array(sign, { maxLength: 60 }), (signs) => {
        const typed = signs.join('');
        const read = readRule(typed, drawers);
        if (read.ok) return;
        expect(read.problem.at).toBeLessThanOrEqual(read.problem.to);
        expect(read.problem.to).toBeLessThanOrEqual(typed.length);
      }),
      { seed: 12, numRuns: 3000 },
    );
  });

  it('1,000 terms and a nesting of 200 are read; more is refused in words', () => {
    const terms = Array.from({ length: 1000 }, (_, at) => `w${String(at)}`).join(',');
    const read = readRule(terms, drawers);
    expect(read.ok && termsOf(read.condition).length).toBe(1000);
    expect(problem(`${terms},x`).words).toContain('1000');
    const deep = (levels: number): string => '(a OR b AND '.repeat(levels) + 'c' + ')'.repeat(levels);
    expect(readRule(deep(90), drawers).ok).toBe(true);
    for (const typed of [
      deep(250),
      '('.repeat(5000),
      'not '.repeat(2400) + 'a',
      '(not '.repeat(150) + 'a',
      ')'.repeat(9999),
    ])
      expect(problem(typed).words).toMatch(/deep|parenthesis/);
    expect(problem('a '.repeat(6000)).words).toContain(String(RULE_LIMITS.characters));
  });
});

it('everything that docs/rules.md shows as written is read', () => {
  const page = readFileSync(new URL('../../../docs/rules.md', import.meta.url), 'utf8');
  const [minute = '', fields = ''] = ['## In a minute', '## Fields'].map(
    (head) => page.split(head)[1]?.split('\n## ')[0],
  );
  const codes = (cell: string): string[] => [...cell.matchAll(/`([^`]+)`/g)].map(([, code = '']) => code);
  const cells = (part: string, at: number): string[] =>
    part
      .split('\n')
      .filter((line) => line.startsWith('| '))
      .flatMap((line) => codes(line.split('|')[at] ?? ''));
  const written = [...cells(minute, 1), ...cells(fields, 3)].filter((code) => !code.startsWith('@'));
  expect(written.length).toBeGreaterThan(20);
  for (const code of written) expect([code, readRule(code, drawers).ok]).toEqual([code, true]);
  // Every field stands in the table.
  expect(new Set(cells(fields, 1))).toEqual(new Set(FIELD_NAMES));
});

it('the reader is made from the grammar that stands beside it', () => {
  const folder = new URL('../../src/rules/', import.meta.url);
  const source = peggy.generate(readFileSync(new URL('grammar.peggy', folder), 'utf8'), {
    output: 'source',
    format: 'es',
  });
  expect(readFileSync(new URL('grammar.generated.ts', folder), 'utf8')).toContain(source);
});
