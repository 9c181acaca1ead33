import { groupBuilds } from '../../src/identity/group-builds';
import { productName } from '../../src/identity/product-name';
import { vendorKey, shownVendor } from '../../src/identity/vendor-name';
import { build } from '../builds';

describe('vendor names', () => {
  // Common practice: the spellings that one vendor's files carry.
  it.each([
    'Copperhat',
    'COPPERHAT',
    'Copperhat Ltd.',
    'Copperhat VST',
    'copperhat, Inc.',
    'Copperhat <info@copperhat.example>',
    'Copperhat (www.copperhat.example)',
  ])('%s is Copperhat', (spelling) => expect(vendorKey(spelling)).toBe('copperhat'));

  it('knows both spellings of a German umlaut', () =>
    expect(vendorKey('Zinnober & Söhne')).toBe(vendorKey('Zinnober & Soehne GmbH')));

  it('keeps a name that is nothing but a format word', () => expect(vendorKey('AU')).toBe('au'));
  it('is nothing when only an address is left', () => expect(vendorKey('bench@puppetwagon.example')).toBeNull());
  it('shows the name without addresses', () =>
    expect(shownVendor('Ösling Klangbau <a@b.example>')).toBe('Ösling Klangbau'));
});

describe('product names', () => {
  it.each([
    ['Plate (Stereo)', 'Plate', 'stereo'],
    ['Plate - Mono', 'Plate', 'mono'],
    ['Plate_x64', 'Plate', null],
    ['Plate x86', 'Plate', null],
    ['Plate 64 bit', 'Plate', null],
    ['Plate (64-bit)', 'Plate', null],
    ['Plate VST3', 'Plate', null],
    ['Plate 2', 'Plate 2', null],
    ['MS to Stereo', 'MS to Stereo', null],
    ['Stereo to MS', 'Stereo to MS', null],
    ['Stereo', 'Stereo', null],
    ['8-Bit', '8-Bit', null],
    ['Mono & Stereo', 'Mono & Stereo', null],
  ])('%s is shown as %s (%s)', (given, shown, channels) => {
    expect(productName(given, null)).toMatchObject({ shown, channels });
  });

  it("takes the vendor's name off the beginning, at a word end only", () => {
    expect(productName('Lintel Plate', 'Lintel').key).toBe(productName('Plate', 'Lintel').key);
    expect(productName('Lintels', 'Lintel').key).toBe('lintels');
    expect(productName('Lintel', 'Lintel').key).toBe('lintel');
  });
});

describe('which builds are one plugin', () => {
  const groups = (...builds: Parameters<typeof groupBuilds>[0]): string[][] =>
    groupBuilds(builds).map((group) => group.builds.map((one) => one.path));

  it('three formats and two spellings of the vendor are one plugin', () => {
    const found = groupBuilds([
      build({ name: 'Copper Plate', vendor: 'Copperhat', format: 'VST3', path: '/a' }),
      build({ name: 'CopperPlate_x64', vendor: 'COPPERHAT Ltd.', format: 'VST2', path: '/b' }),
      build({ name: 'Copper Plate', vendor: null, format: 'CLAP', path: '/c' }),
    ]);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ id: 'copperhat/copperplate', name: 'Copper Plate', vendor: 'Copperhat' });
  });

  it('the same name by two vendors is two plugins, and a build without vendor joins neither', () => {
    const names = ['Copperhat', 'Tollgate', null].map((vendor, index) =>
      build({ name: 'Plate', vendor, format: 'VST2', path: `/${String(index)}` }),
    );
    expect(groups(...names)).toHaveLength(3);
  });

  it('two identifiers of one format and channel count are two plugins, whatever the order of the files', () => {
    const one = build({ name: 'Twin', vendor: 'V', identifier: 'A'.repeat(32), path: '/1' });
    const two = build({ name: 'Twin', vendor: 'V', identifier: 'B'.repeat(32), path: '/2' });
    const ids = (...builds: Parameters<typeof groupBuilds>[0]) =>
      new Map(groupBuilds(builds).map((group) => [group.builds[0]?.path, group.id]));
    expect(ids(one, two)).toEqual(ids(two, one));
    expect(ids(one, two).size).toBe(2);
  });

  it('mono and stereo builds, and one that replaces the other, are one plugin', () => {
    const lv2 = { vendor: 'V', format: 'LV2' } as const;
    expect(
      groups(
        build({ ...lv2, name: 'Scope (Mono)', identifier: 'urn:m', path: '/m' }),
        build({ ...lv2, name: 'Scope (Stereo)', identifier: 'urn:s', path: '/s' }),
      ),
    ).toHaveLength(1);
    expect(
      groups(
        build({ ...lv2, name: 'Scope', identifier: 'urn:2', replaces: ['urn:1'], path: '/2' }),
        build({ ...lv2, name: 'Scope', identifier: 'urn:1', path: '/1' }),
      ),
    ).toHaveLength(1);
  });

  it('no path is part of an id', () => {
    const at = (path: string) => groupBuilds([build({ name: 'Plate', vendor: 'V', path })])[0]?.id;
    expect(at('/one/Plate.vst3')).toBe(at('/two/Plate.vst3'));
  });
});
