import { findingsOf } from '../../src/rules/findings';
import { rulesFromExamples } from '../../src/rules/from-examples';
import { KEPT_DRAWERS } from '../../src/rules/drawer-names';
import { printRule } from '../../src/rules/print';
import { readRule } from '../../src/rules/read';
import { RuleBook } from '../../src/rules/rule-book';
import { STARTER_RULES } from '../../src/rules/starter-rules';
import type { Condition } from '../../src/rules/condition';
import type { TypeId } from '../../src/catalogue/type-tree';
import { asId, type ItemId } from '../../src/ids';
import { plugin } from './random-rules';

const rule = (typed: string): Condition => {
  const read = readRule(typed, KEPT_DRAWERS);
  if (!read.ok) throw new Error(read.problem.words);
  return read.condition;
};
const text = (condition: Condition | null): string | null =>
  condition === null ? null : printRule(condition, KEPT_DRAWERS);
const named = (name: string, type: TypeId | null, vendor = 'Tollgate Sound') =>
  plugin({
    id: asId<ItemId>(name),
    names: [name],
    vendor,
    types: type === null ? [] : [type],
    typeGrade: type === null ? 'unknown' : 'declared',
  });
const book = (...rules: (readonly [string, string])[]): RuleBook => {
  const made = new RuleBook();
  made.change({
    facts: [
      named('Vestry Hall', 'reverb'),
      named('Copper Plate', 'reverb'),
      named('Barn Plate', 'reverb', 'Copperhat'),
      named('Hollow Stone', 'reverb', 'Copperhat'),
      named('Plateyard Gate', 'gate'),
      named('Puddle Delay', 'delay'),
      named('Twice Told', 'delay'),
      named('Slow Delay', 'delay'),
      named('Delay Compensator', 'utility'),
      named('Hall of Cards', null),
    ],
    rules: rules.map(([drawer, typed]) => [drawer, rule(typed)] as const),
    today: '2026-11-25',
  });
  return made;
};

describe('what a rule misses and catches wrongly', () => {
  it('a reverb that is called otherwise is missed, and the rule that takes it is proposed', () => {
    const { missed } = findingsOf(book(), rule('hall or plate'), null);
    expect(missed.map(({ type, items, rule: next }) => [type, items, text(next)])).toEqual([
      ['reverb', ['Hollow Stone'], 'hall OR plate OR type:reverb'],
    ]);
  });
  it('"delay" catches a delay compensator; leaving its type out is proposed', () => {
    const { wrong } = findingsOf(book(), rule('delay, twice'), null);
    expect(wrong.map(({ type, items, rule: next }) => [type, items, text(next)])).toEqual([
      ['utility', ['Delay Compensator'], '(delay OR twice) AND NOT type:utility'],
    ]);
  });
  it('what was left out on purpose is not missed, and what is asked by its type is not wrong', () => {
    const findings = findingsOf(book(), rule('type:reverb OR type:gate but not stone'), null);
    expect([findings.missed, findings.wrong]).toEqual([[], []]);
  });
  it('parts that change nothing are named, and those that nothing has', () => {
    const { idle } = findingsOf(book(), rule('type:reverb OR vestry OR cave but not vendor:nobody'), null);
    expect(idle.map(({ part, isUnmet, rule: next }) => [text(part), isUnmet, text(next)])).toEqual([
      ['vestry', false, '(type:reverb OR cave) AND NOT vendor:nobody'],
      ['cave', true, '(type:reverb OR vestry) AND NOT vendor:nobody'],
      ['vendor:nobody', true, 'type:reverb OR vestry OR cave'],
    ]);
  });
  it('drawers that take the same, more, less or nearly the same are named, but not its own', () => {
    const { alike } = findingsOf(
      book(
        ['same', 'type:reverb'],
        ['more', 'type:reverb OR type:gate'],
        ['less', 'type:reverb NOT stone'],
        ['own', 'type:reverb'],
        ['other', 'type:delay'],
      ),
      rule('type:reverb'),
      'own',
    );
    expect(alike).toEqual([
      { drawer: 'same', how: 'equal', different: [] },
      { drawer: 'more', how: 'within', different: ['Plateyard Gate'] },
      { drawer: 'less', how: 'contains', different: ['Hollow Stone'] },
    ]);
  });
});

describe('rules from examples', () => {
  const proposed = (...examples: string[]) =>
    rulesFromExamples(
      book(),
      examples.map((one) => asId<ItemId>(one)),
    ).map(({ condition, adds, lacks }) => [text(condition), adds, lacks]);

  it('what all share comes first, the shortest and closest', () =>
    expect(proposed('Vestry Hall', 'Copper Plate', 'Barn Plate', 'Hollow Stone')[0]).toEqual(['type:reverb', [], []]));
  it('two things together where one alone takes too much', () =>
    expect(proposed('Barn Plate', 'Hollow Stone')).toContainEqual(['vendor:"Copperhat"', [], []]));
  it('says what each would add and lack', () =>
    expect(proposed('Vestry Hall', 'Copper Plate', 'Barn Plate')[0]).toEqual(['type:reverb', ['Hollow Stone'], []]));
  it('nothing from nothing', () => expect(proposed('not there')).toEqual([]));
});

it('every starter rule is read', () => {
  for (const { text: typed } of STARTER_RULES) expect(text(rule(typed))).toBe(typed);
  expect(new Set(STARTER_RULES.map((one) => one.name)).size).toBe(STARTER_RULES.length);
});
