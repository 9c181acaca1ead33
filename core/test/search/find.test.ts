import fc from 'fast-check';
import { Finder } from '../../src/search/find-plugins';
import type { TypeId } from '../../src/catalogue/type-tree';
import { SearchIndex } from '../../src/search/search-index';
import { searchTextOfPlugin, type SearchablePlugin } from '../../src/search/search-text';
import { facetOf, narrow } from '../../src/search/narrow';
import { slipOf } from '../../src/text/one-edit';
import { isWithinTwoEdits } from '../../src/text/two-edits';
import { foldedWords, wordsOf } from '../../src/text/words';

const studio = [
  ['Copper Plate', 'Tollgate Sound'],
  ['Copper Shelf EQ', 'Tollgate Sound'],
  ['Sequencer', 'Stiltwalker'],
  ['TX-73', 'Copperhat'],
  ['Poly TX-81 Lead', 'Copperhat'],
  ['Vestry Plate', 'Nightjar Works'],
  ['Marrow Compressor', 'Marrow & Pine'],
  ['Bellowsmantle Panner', 'Plumbago'],
  ['Überhall', 'Pebbledash'],
].map(([name = '', more = '']) => ({ name, more }));
const finder = new Finder([...studio, { name: 'the dark room', names: ['Vestry Hall'], more: 'Nightjar Works' }]);
const found = (typed: string): string[] => finder.find(typed).map((one) => one.name);

describe('what people type finds what they mean', () => {
  it.each([
    ['several words in any order', 'plate copper', 'Copper Plate'],
    ['beginnings of words', 'cop pla', 'Copper Plate'],
    ['a model number without its dash', 'tx73', 'TX-73'],
    ['a model number inside a longer name', 'tx81', 'Poly TX-81 Lead'],
    ['initials', 'cse', 'Copper Shelf EQ'],
    ['a letter wrong', 'veztry', 'Vestry Plate'],
    ['a letter left out', 'vesry', 'Vestry Plate'],
    ['a letter too many', 'vesttry', 'Vestry Plate'],
    ['two letters swapped', 'vetsry', 'Vestry Plate'],
    ['vendor plus word', 'nightjar plate', 'Vestry Plate'],
    ["the vendor's initials plus a word", 'nw plate', 'Vestry Plate'],
    ['the words joined', 'copperplate', 'Copper Plate'],
    ['a piece from inside a word', 'mantle', 'Bellowsmantle Panner'],
    ['a piece across words', 'perpla', 'Copper Plate'],
    ['consonants alone', 'cmprssr', 'Marrow Compressor'],
    ['without the accent', 'uberhall', 'Überhall'],
    ['the nickname', 'dark room', 'the dark room'],
    ['the given name behind a nickname', 'vestry hall', 'the dark room'],
    ['with a word that fits nothing', 'that big copper plate', 'Copper Plate'],
  ])('%s: %s', (_how, typed, name) => expect(found(typed)[0]).toBe(name));

  it('the best match first: the whole name before a beginning, a word before a piece of one', () => {
    expect(found('plate').slice(0, 2)).toEqual(['Copper Plate', 'Vestry Plate']);
    expect(found('eq')[0]).toBe('Copper Shelf EQ');
  });
  it('all in the given order for nothing typed, none for what fits nowhere', () => {
    expect(found(' - ')).toHaveLength(10);
    expect(found('zzzzqqq')).toEqual([]);
  });
});

describe('what people type in ways of their own', () => {
  const more = [
    ['EchoBox Verb', 'Tollgate Sound'],
    ['Verbena Box', 'Lintel'],
    ['Copper Shelf Compressor', 'Copperhat'],
    ['Marsh Low Pass Ladder', 'Plumbago'],
    ['Bellowsmantle Spectrograph', 'Plumbago'],
    ['Thunder 240', 'Pebbledash'],
    ['TallowPanner', 'Nightjar Works'],
  ].map(([name = '', vendor = '']) => ({ name, more: vendor }));
  const finder = new Finder([...studio, ...more]);
  const found = (typed: string, sure = false): string[] => finder.find(typed, sure).map((one) => one.name);

  it.each([
    ['a name of joined capitals as one word of several', 'verb echobox', 'EchoBox Verb'],
    ['beginnings of two words together', 'copla', 'Copper Plate'],
    ['beginnings of two words together, and another', 'mallo ladder', 'Marsh Low Pass Ladder'],
    ['beginnings of two words together, and another', 'coshe comp', 'Copper Shelf Compressor'],
    ['initials of some words and the whole of another', 'marsh lp ladder', 'Marsh Low Pass Ladder'],
    ['two slips in a long word', 'bellowmsantel spectrograph', 'Bellowsmantle Spectrograph'],
    ['a slip in a word joined with its number', 'thumder240', 'Thunder 240'],
    ["a slip in the vendor's name beside a right word", 'spectrograph plumbgao', 'Bellowsmantle Spectrograph'],
    ['consonants of a name of joined capitals', 'tllwpnnr', 'TallowPanner'],
    ['a word that fits nothing beside one that fits', 'wonderful vestry', 'Vestry Plate'],
    ['two words that fit nothing beside one that fits', 'that wonderful sequencer', 'Sequencer'],
  ])('%s: %s', (_how, typed, name) => expect(found(typed)[0]).toBe(name));

  it('what fits all words comes before what fits some, and what was typed right is not mixed with what might be meant', () => {
    expect(found('copper plate')).toEqual(['Copper Plate']);
    expect(found('copper wonderful')).toEqual(expect.arrayContaining(['Copper Plate', 'Copper Shelf EQ']));
    expect(found('verb')).toEqual(['EchoBox Verb', 'Verbena Box']);
    // Where Enter acts on the first result, nothing is found that was maybe meant.
    expect(found('copla', true)).toEqual([]);
    expect(found('wonderful vestry', true)).toEqual([]);
  });
});

/** The distance by its textbook table (optimal string alignment), to hold the quick ways to. */
function distance(a: string, b: string): number {
  const d = Array.from({ length: a.length + 1 }, (_, i) =>
    Array.from({ length: b.length + 1 }, (_x, j) => (i === 0 ? j : j === 0 ? i : 0)),
  );
  const at = (i: number, j: number): number => d[i]?.[j] ?? 0;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) best = Math.min(best, at(i - 2, j - 2) + 1);
      (d[i] ?? [])[j] = best;
    }
  return at(a.length, b.length);
}

describe('two slips of the hand in a long word', () => {
  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), minLength: 1, maxLength: 9 });

  it('are told exactly where the textbook distance is at most two', () => {
    fc.assert(
      fc.property(word, word, (typed, target) => {
        expect(isWithinTwoEdits(typed, target)).toBe(distance(typed, target) <= 2);
      }),
      { seed: 20261130, numRuns: 5000 },
    );
  });
});

describe('one slip of the hand (Damerau 1964: one letter wrong, missing, too many, or two swapped)', () => {
  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), minLength: 1, maxLength: 6 });

  it('is told exactly where the textbook distance is at most one', () => {
    fc.assert(
      fc.property(word, word, (typed, target) => {
        const beginnings = Array.from({ length: target.length }, (_, at) => target.slice(0, at));
        const expected =
          distance(typed, target) <= 1
            ? 'whole'
            : beginnings.some((one) => distance(typed, one) <= 1)
              ? 'beginning'
              : null;
        const slip = slipOf(typed, target);
        // What is both counts as either: "ab" is "abc" with a letter left out, and its beginning.
        if (slip === 'beginning' && expected === 'whole') expect(target.startsWith(typed)).toBe(true);
        else if (slip === null && expected === 'beginning')
          expect(beginnings.some((one) => one.length < typed.length && distance(typed, one) <= 1)).toBe(true);
        else expect(slip).toBe(expected);
      }),
      { seed: 20261125, numRuns: 3000 },
    );
  });
});

it('words of ASCII names are cut alike by the quick way and by the one for any script', () => {
  fc.assert(
    fc.property(fc.string({ unit: fc.constantFrom(...'aZbQ3 9-_&é'.split('')), maxLength: 14 }), (name) => {
      expect(wordsOf(name)).toEqual(foldedWords(name));
    }),
    { seed: 20261126, numRuns: 2000 },
  );
});

describe('narrowing by several questions', () => {
  const roles = facetOf([['effect'], ['effect'], ['instrument'], [], ['effect']]);
  const formats = facetOf([['VST3', 'AU'], ['AU'], ['VST3'], ['AU'], ['LV2']]);
  const all = [0, 1, 2, 3, 4];
  const count = (facet: typeof roles, counts: readonly number[] | undefined) =>
    Object.fromEntries(facet.values.map((value, at) => [value, counts?.[at]]));

  it('counts of each question follow the other questions, not its own', () => {
    const { passing, counts } = narrow(all, [roles, formats], [['effect'], ['AU']]);
    expect([...passing]).toEqual([0, 1]);
    expect(count(roles, counts[0])).toEqual({ effect: 2, instrument: 0 });
    expect(count(formats, counts[1])).toEqual({ VST3: 1, AU: 2, LV2: 1 });
  });

  it('equals filtering plainly, for any questions (one pass against many)', () => {
    const values = ['a', 'b', 'c', 'd'];
    const items = fc.array(fc.tuple(fc.subarray(values), fc.subarray(values), fc.subarray(values)), { maxLength: 30 });
    const wanted = fc.tuple(fc.subarray(values), fc.subarray(values), fc.subarray(values));
    fc.assert(
      fc.property(items, wanted, (rows, asked) => {
        const facets = [0, 1, 2].map((at) => facetOf(rows.map((row) => row[at] ?? [])));
        const passes = (row: readonly string[][], but: number): boolean =>
          asked.every((own, at) => at === but || own.length === 0 || own.some((value) => row[at]?.includes(value)));
        const { passing, counts } = narrow(
          rows.map((_, at) => at),
          facets,
          asked,
        );
        expect([...passing]).toEqual(rows.flatMap((row, at) => (passes(row, -1) ? [at] : [])));
        facets.forEach((facet, at) =>
          facet.values.forEach((value, number) =>
            expect(counts[at]?.[number]).toBe(rows.filter((row) => passes(row, at) && row[at]?.includes(value)).length),
          ),
        );
      }),
      { seed: 20261127, numRuns: 300 },
    );
  });
});

describe('whatever a catalogue holds', () => {
  const letters = 'abcdefghijklmnopqrstuvwxyz'.split('');
  const word = fc.string({ unit: fc.constantFrom(...letters), minLength: 3, maxLength: 9 });
  const names = fc.uniqueArray(
    fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' ')),
    { minLength: 1, maxLength: 40 },
  );

  it('a name typed whole is first, its words in any order and their beginnings find it', () => {
    fc.assert(
      fc.property(names, fc.nat(), (all, pick) => {
        const wanted = all[pick % all.length] ?? '';
        const own = new Finder(all.map((name) => ({ name, more: '' })));
        const found = (typed: string): string[] => own.find(typed).map((one) => one.name);
        // Joined, two names may be the same: "ab c" and "a bc".
        expect(found(wanted)[0]?.replace(/ /g, '')).toBe(wanted.replace(/ /g, ''));
        expect(found(wanted.split(' ').reverse().join(' '))).toContain(wanted);
        expect(
          found(
            wanted
              .split(' ')
              .map((one) => one.slice(0, 3))
              .join(' '),
          ),
        ).toContain(wanted);
        expect(found(wanted.toUpperCase())).toEqual(found(wanted));
      }),
      { seed: 20261128, numRuns: 300 },
    );
  });

  it('nothing is told twice, and the sure results are among all of them', () => {
    fc.assert(
      fc.property(names, word, (all, typed) => {
        const own = new Finder(all.map((name) => ({ name, more: '' })));
        const found = own.find(typed).map((one) => one.name);
        expect(new Set(found).size).toBe(found.length);
        for (const one of own.find(typed, true)) expect(found).toContain(one.name);
      }),
      { seed: 20261129, numRuns: 300 },
    );
  });
});

describe('everyday words, plurals, numbers and other languages', () => {
  const plugin = (name: string, vendor: string, type: TypeId, more: Partial<SearchablePlugin> = {}) => ({
    name,
    text: searchTextOfPlugin({ names: [name], vendor, types: [type], more: [], paths: [], description: null, ...more }),
  });
  const plugins = [
    plugin('Delay Stereo', 'Tollgate Sound', 'delay'),
    plugin('Puddle Echo', 'Lintel', 'delay'),
    plugin('Delay Simple', 'Plumbago', 'delay'),
    plugin('Compressor Sidechain', 'Tollgate Sound', 'compressor'),
    plugin('Compressor', 'Tollgate Sound', 'compressor'),
    plugin('Compressor', 'Lintel', 'compressor'),
    plugin('Whirligig', 'Lintel', 'rotary'),
    plugin('Thistle', 'Plumbago', 'distortion'),
    plugin('Marsh Band EQ 8', 'Plumbago', 'eq'),
    plugin('KB303', 'Lintel', 'synth'),
    plugin('Bellows Low Pass', 'Lintel', 'filter'),
    plugin('Meridian', 'Lintel', 'stereo-imager', { description: 'Makes the puppets’ choir wider than the barn' }),
    plugin('Vestry', 'Plumbago', 'reverb', { paths: ['/usr/lib/lv2/belfry/quillworks-vestry.lv2'] }),
  ];
  const index = new SearchIndex(plugins.map(({ text }) => text));
  const names = (typed: string): string[] => Array.from(index.find(typed), (at) => plugins[at]?.name ?? '');

  it('the plural of a type finds what the singular finds', () => {
    for (const [one, many] of [
      ['delay', 'delays'],
      ['compressor', 'compressors'],
      ['eq', 'eqs'],
      ['reverb', 'reverbs'],
    ] as const)
      expect([many, names(many).sort()]).toEqual([many, names(one).sort()]);
  });

  it('what crosses a border of words comes behind the type', () => {
    expect(names('delays').at(-1)).not.toBe('Delay Simple');
    expect(new Set(names('delays'))).toEqual(new Set(['Delay Stereo', 'Delay Simple', 'Puddle Echo']));
  });

  it('the name of a folder finds what is in it, and counts only where every word is met', () => {
    expect(names('belfry')).toEqual(['Vestry']);
    expect(names('belfry vestry')).toEqual(['Vestry']);
    expect(names('belfry unheard')).toEqual([]);
    expect(names('thistle belfry unheard')).toEqual(['Thistle']);
    // A file or a description goes on to be found beside a word that fits nothing.
    expect(names('quillworks unheard')).toEqual(['Vestry']);
  });

  it('an exact name with its vendor comes first, before longer names', () => {
    const [first] = index.find('tollgate compressor');
    expect(plugins[first ?? -1]).toBe(plugins[4]);
    const [other] = index.find('lintel compressor');
    expect(plugins[other ?? -1]).toBe(plugins[5]);
  });

  it.each([
    ['leslie', 'Whirligig'],
    ['overdrive', 'Thistle'],
    ['verzerrer', 'Thistle'],
    ['distorsión', 'Thistle'],
    ['widener', 'Meridian'],
    ['equaliser', 'Marsh Band EQ 8'],
    ['eight band equalizer', 'Marsh Band EQ 8'],
    ['kb three oh three', 'KB303'],
    ['lpf', 'Bellows Low Pass'],
    ['tiefpass', 'Bellows Low Pass'],
    ['verb', 'Vestry'],
    ['puppets choir', 'Meridian'],
    ['quillworks reverb', 'Vestry'],
    ['lintelpuddleecho', 'Puddle Echo'],
    ['bellowslp', 'Bellows Low Pass'],
  ])('“%s” finds %s', (typed, name) => expect(names(typed)[0]).toBe(name));
});
