import { TRADE_PHRASES, tradeWordsIn } from '../../src/catalogue/trade-words';
import { SYNTH_ENGINES } from '../../src/catalogue/synth-engine';
import { TYPE_IDS, TYPE_TREE } from '../../src/catalogue/type-tree';
import { wordsOf } from '../../src/text/words';

const plain = (text: string): string => text.replace(/[*]/g, '').replace('[sz]', 's');

describe('trade words', () => {
  it.each([...new Set(TRADE_PHRASES.map((phrase) => phrase.type))])(
    'every word of %s is found in a name made of it',
    (type) => {
      expect(TYPE_IDS).toContain(type);
      for (const phrase of TRADE_PHRASES.filter((one) => one.type === type)) {
        // One text may name two types ("sidechain"): the one that is tried first is met.
        const namesakes = TRADE_PHRASES.filter((one) => one.text === phrase.text).map((one) => one.type);
        const met = tradeWordsIn(wordsOf(`Tattermoor ${plain(phrase.text)}`)).map((one) => one.type);
        expect(met.some((one) => namesakes.includes(one))).toBe(true);
      }
    },
  );

  it('phrases of several words are also found joined, and with a number behind them', () => {
    for (const phrase of TRADE_PHRASES.filter((one) => one.words.length > 1)) {
      const text = plain(phrase.text).replaceAll(' ', '');
      expect(tradeWordsIn([text]).length + tradeWordsIn([`${text}2`]).length).toBeGreaterThan(0);
    }
  });

  it('almost every type that is no catch-all can be told by a word', () => {
    const told = new Set(TRADE_PHRASES.map((phrase) => phrase.type));
    const untold = TYPE_IDS.filter((type) => !told.has(type));
    // "pitch" stands for plugins that name no more than the kind; how a synth makes its sound is told by more than its name.
    expect(untold).toEqual(['pitch', ...SYNTH_ENGINES]);
  });

  it('no word of one role stands surely for two types', () => {
    const strong = TRADE_PHRASES.filter((phrase) => phrase.grade === 'strong');
    const twice = strong.filter((one) => strong.some((other) => other !== one && other.text === one.text));
    expect(twice.map((one) => `${one.text}: ${TYPE_TREE[one.type].label}`)).toEqual([]);
  });

  it.each([
    'Tattermoor',
    'Cinderwold',
    'Pepperquay',
    'Lampshank',
    'Velvetyard',
    'Mondlicht',
    'Žluťoučký kůň',
    '洞窟',
    '',
  ])('an invented word says nothing: %s', (name) => expect(tradeWordsIn(wordsOf(name))).toEqual([]));
});
