import { Finder } from '../../src/search/find-plugins';
import { keywordRule, keywordsOf, matcherOf, ruleInWords } from '../../src/rules/rule';
import { compareNames, fold, wordsOf } from '../../src/text/words';

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

describe('a keyword rule', () => {
  const fits = (words: string, name: string): boolean =>
    matcherOf(keywordRule(words) ?? { kind: 'keywords', words: [] })({ name }) !== null;

  it.each([
    ['eq', 'Copper EQ', true],
    ['eq', 'CopperEQ', true],
    ['eq', 'Equaliser', true],
    ['eq', 'Sequencer', false],
    ['eq', 'Frequency Shifter', false],
    ['comp', 'Buttonquay Compressor', true],
    ['tape echo', 'Goosehitch Tape Echoes', true],
    ['tape echo', 'Tapeworm Echo', false],
    ['echo, slap', 'Whistledell Slapback', true],
    ['höhle', 'Hohle Gasse', true],
  ])('%s fits %s: %s', (words, name, expected) => expect(fits(words, name)).toBe(expected));

  it('takes typed words apart, without doubles', () =>
    expect(keywordsOf(' echo,Echo; tape  echo ,, ')).toEqual(['echo', 'tape echo']));
  it('is no rule without words', () => expect(keywordRule(' , ; ')).toBeNull());
  it('is told in words', () =>
    expect(ruleInWords({ kind: 'keywords', words: ['echo', 'delay', 'slap'] })).toBe(
      'echo, delay or slap in the name',
    ));
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
