/** What is not sure is left apart, and proposed: vendors that may be one, plugins that may be one. */
import { findPossibleDuplicates, type Comparable } from '../../src/catalogue/possibly-same';
import { lessonOf, type Pupil } from '../../src/catalogue/lesson';
import { asId, type PluginId } from '../../src/ids';
import { proposeVendors, type ListedVendor } from '../../src/identity/propose-vendors';

const id = (text: string): PluginId => asId<PluginId>(text);

describe('vendors that may be one', () => {
  const vendor = (name: string, plugins = 1, facts: Partial<ListedVendor> = {}): ListedVendor => ({
    name,
    plugins,
    written: [name],
    byHand: false,
    ...facts,
  });
  const proposed = (...vendors: ListedVendor[]): string[] =>
    proposeVendors(vendors).map(({ name, of, reason }) => `${name} → ${of}: ${reason}`);

  it.each<[ListedVendor[], string[]]>([
    [
      [vendor('Copperhat', 9), vendor('Copperhat Records')],
      ['Copperhat Records → Copperhat: they differ in “Records” alone'],
    ],
    [
      [vendor('Dave Rook'), vendor('David Rook', 4)],
      ['Dave Rook → David Rook: the same surname, and first names that begin alike'],
    ],
    [[vendor('Copperhat', 4), vendor('Coperhat')], ['Coperhat → Copperhat: one letter apart']],
    [
      [
        vendor('cuckoo', 4, { written: ['cuckoo <ada@rook.example>'] }),
        vendor('Ada Rook', 1, { written: ['Ada Rook (ada@rook.example)'] }),
      ],
      ['Ada Rook → cuckoo: both give ada@rook.example'],
    ],
    // An address beside several persons may be anybody's.
    [
      [
        vendor('Bo Wren', 4, { written: ['Bo Wren, Ada Rook <ada@rook.example>'] }),
        vendor('Ada Rook', 1, { written: ['Ada Rook <ada@rook.example>'] }),
      ],
      [],
    ],
    // What many share tells nothing of two; what the producer said by hand is settled; short names are one letter apart by chance.
    [[vendor('Rook Audio'), vendor('Rook Sound'), vendor('Rook Music')], []],
    [[vendor('Copperhat', 4), vendor('Copperhat Records', 1, { byHand: true })], []],
    [[vendor('Rook'), vendor('Book')], []],
    [[vendor('Ada Rook'), vendor('Bo Rook'), vendor('Tollgate')], []],
  ])('%j', (vendors, expected) => expect(proposed(...vendors)).toEqual(expected));
});

describe('plugins that may be one', () => {
  const plugin = (key: string, name: string, vendor: string | null, calledToo: string[] = []): Comparable => ({
    id: id(key),
    name,
    vendor,
    calledToo,
  });
  const pairs = (...plugins: Comparable[]): string[] =>
    plugins.flatMap((one) =>
      findPossibleDuplicates(one, plugins).map(
        ({ other, reason }) => `${one.id} ${other}: ${reason.split(',')[0] ?? ''}`,
      ),
    );

  it('share a name and a vendor, or a name that only one vendor has', () => {
    expect(
      pairs(plugin('a', 'Plate (urn:a)', 'Copperhat', ['Plate']), plugin('b', 'Plate (urn:b)', 'Copperhat', ['Plate'])),
    ).toEqual(['a b: the same name by the same vendor', 'b a: the same name by the same vendor']);
    expect(pairs(plugin('a', 'Plate', 'Copperhat'), plugin('b', 'Plate', null))).toHaveLength(2);
    expect(pairs(plugin('a', 'Plate', 'Copperhat'), plugin('b', 'Sheet', 'Copperhat', ['PLATE']))).toHaveLength(2);
  });

  it('are not those of two vendors, nor one without vendor beside several', () => {
    expect(pairs(plugin('a', 'Plate', 'Copperhat'), plugin('b', 'Plate', 'Lintel'))).toEqual([]);
    expect(
      pairs(plugin('a', 'Plate', 'Copperhat'), plugin('b', 'Plate', 'Lintel'), plugin('c', 'Plate', null)),
    ).toEqual([]);
    expect(pairs(plugin('a', 'Plate 2', 'Copperhat'), plugin('b', 'Plate', 'Copperhat'))).toEqual([]);
  });
});

describe('what a correction teaches', () => {
  const pupil = (name: string, vendor: string | null = 'Copperhat', facts: Partial<Pupil> = {}): Pupil => ({
    id: id(`${vendor ?? ''} ${name}`),
    name,
    vendor,
    types: ['channel-strip'],
    corrected: false,
    ...facts,
  });
  const strip = pupil('Vestry Strip');

  it('the others of the maker that say the same word and were taken for the same thing, but those that were corrected', () => {
    const others = [
      pupil('Tin Strip'),
      pupil('Brass Strip'),
      pupil('Oak Strip', 'Copperhat', { corrected: true }),
      pupil('Silver Strip', 'Copperhat', { types: ['eq'] }),
      pupil('Vestry Hall'),
      pupil('Strip', 'Lintel'),
    ];
    expect(lessonOf(strip, 'eq', [strip, ...others])).toEqual({
      word: 'strip',
      vendor: 'Copperhat',
      pluginIds: [id('Copperhat Tin Strip'), id('Copperhat Brass Strip')],
    });
  });

  it('a trade word tells of other makers where its own has no more; another word does not', () => {
    expect(lessonOf(strip, 'eq', [strip, pupil('Strip', 'Lintel'), pupil('Vestry', 'Lintel')])?.pluginIds).toEqual([
      id('Lintel Strip'),
    ]);
    expect(lessonOf(strip, 'eq', [strip, pupil('Vestry', 'Lintel')])).toBeNull();
  });

  it('nothing where the type was right', () => {
    expect(lessonOf(strip, 'channel-strip', [strip, pupil('Tin Strip')])).toBeNull();
  });
});
