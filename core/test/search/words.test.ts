import { Finder } from '../../src/search/find-plugins';
import { namedDrawers } from '../../src/rules/drawer-names';
import { conditionOf, ruleAsText, ruleInWords, typedRule, type Rule } from '../../src/rules/rule';
import { compareNames, fold, wordsOf } from '../../src/text/words';

const NAMES = namedDrawers([]);

describe('words of a name', () => {
  it.each([
    ['CopperEQ mk2', ['copper', 'eq', 'mk2']],
    ['TX-73', ['tx', '73']],
    ['EQCurve', ['eq', 'curve']],
    ['Überhall', ['uberhall']],
    ['洞窟のこだま', ['洞窟のこだま'.normalize('NFKD').replace(/\p{M}/gu, '')]],
    ['🐛', []],
  ])('%s', (name, words) => expect(wordsOf(name)).toEqual(words));

  it('sorts numbers as numbers', () =>
    expect(['Plate 10', 'Plate 2', 'plate'].sort(compareNames)).toEqual(['plate', 'Plate 2', 'Plate 10']));
  it('folds ß', () => expect(fold('Groß')).toBe('gross'));
});

describe('a rule of keywords as it was kept before there was a language for rules', () => {
  it('asks the same as its words typed, and is told in words', () => {
    const kept: Rule = { kind: 'keywords', words: ['echo', 'tape delay', 'slap'] };
    const typed = typedRule('echo, tape delay; slap', NAMES);
    expect(conditionOf(kept)).toEqual(typed.ok ? typed.condition : typed.problem);
    expect(ruleInWords(kept, NAMES)).toBe('echo, tape delay or slap in the name');
    expect(ruleAsText(kept, NAMES)).toBe('echo OR tape delay OR slap');
  });
  it('is no rule without words', () => expect(typedRule(' , ; ', NAMES).ok).toBe(false));
  it('that can’t be read says so', () =>
    expect(ruleInWords({ kind: 'written', text: 'colour:red' }, NAMES)).toBe('a rule that can’t be read'));
});

describe('finding by typing', () => {
  const finder = new Finder(
    [
      ['Copper EQ', 'Tollgate Sound'],
      ['Sequencer', 'Stiltwalker'],
      ['TX-73', 'Copperhat'],
      ['Vestry Plate', 'Tollgate Sound'],
      ['Plate', 'Lintel DSP'],
      ['Placer', 'Fernweir'],
    ].map(([name = '', more = '']) => ({ name, more })),
  );
  const found = (typed: string): string[] => finder.find(typed).map((one) => one.name);

  it('finds words and beginnings of words, in any order', () => expect(found('pl ves')).toEqual(['Vestry Plate']));
  it('keyword eq finds "Copper EQ" and not "Sequencer"', () => expect(found('eq')).toEqual(['Copper EQ']));
  it('finds model numbers without punctuation', () => expect(found('tx73')).toEqual(['TX-73']));
  it('finds vendor plus word', () => expect(found('tollgate plate')).toEqual(['Vestry Plate']));
  it('puts the whole name before its beginning, and that before a later word', () =>
    expect(found('plate')).toEqual(['Plate', 'Vestry Plate']));
  it('finds everything for an empty text, nothing for nonsense', () => {
    expect(found(' ')).toHaveLength(6);
    expect(found('zzz')).toEqual([]);
  });
});
