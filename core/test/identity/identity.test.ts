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

describe('vendors that are people, and addresses', () => {
  it('are the same in any order', () => {
    expect(vendorKey('Ada Rook, Bo Wren')).toBe(vendorKey('Bo Wren & Ada Rook'));
    expect(vendorKey('Rook & Daughters')).toBe(vendorKey('Rook and Daughters'));
    expect(vendorKey('Copperhat, Inc.')).toBe(vendorKey('Copperhat'));
    expect(vendorKey('Ada Rook')).not.toBe(vendorKey('Bo Wren'));
  });
  it('lose personal mail addresses, also those written for people', () => {
    expect(shownVendor('Ada Rook (ada at rook dot example)')).not.toContain('<');
    expect(shownVendor('Ada Rook <ada@rook.example>, Bo Wren <bo@wren.example>')).toBe('Ada Rook, Bo Wren');
    expect(shownVendor('https://www.copperhat.example/plugins')).toBe('copperhat.example');
  });
});

describe('builds that belong together by more than their name', () => {
  const count = (...builds: Parameters<typeof groupBuilds>[0]): number => groupBuilds(builds).length;
  const plate = (facts: Partial<Parameters<typeof build>[0]>) =>
    build({ name: 'Plate', vendor: 'Copper Hat', ...facts });

  it('the same identifier under a new name, and an identifier that a build says it replaces', () => {
    expect(
      count(
        plate({ format: 'LV2', identifier: 'urn:p', path: '/1' }),
        plate({ name: 'Copper Sheet', format: 'LV2', identifier: 'urn:p', path: '/2' }),
      ),
    ).toBe(1);
    expect(
      count(
        plate({ format: 'LV2', identifier: 'urn:p', path: '/1' }),
        plate({ name: 'Sheet', format: 'LV2', identifier: 'urn:q', replaces: ['urn:p'], path: '/2' }),
      ),
    ).toBe(1);
  });

  it('a VST2 id that two makers gave is no reason', () => {
    expect(
      count(
        plate({ format: 'VST2', identifier: '41424344', path: '/1' }),
        plate({ name: 'Hall', vendor: 'Lintel', format: 'VST2', identifier: '41424344', path: '/2' }),
      ),
    ).toBe(2);
  });

  it('a name cut at 31 bytes (VST2: a field of 32, memory) is completed by the one longer name', () => {
    const long = 'Copper Plate for Travelling Puppet Shows';
    const cut = plate({ name: long.slice(0, 31), format: 'VST2', path: '/1' });
    expect(count(cut, plate({ name: long, format: 'VST3', path: '/2' }))).toBe(1);
    expect(count(cut, plate({ name: long, path: '/2' }), plate({ name: `${long} 2`, path: '/3' }))).toBe(3);
    expect(count(plate({ name: long.slice(0, 30), path: '/1' }), plate({ name: long, path: '/2' }))).toBe(2);
  });

  it("the vendor's initials in front of the name", () => {
    expect(count(plate({ name: 'CH Plate', format: 'VST2', path: '/1' }), plate({ path: '/2' }))).toBe(1);
    const copperhat = { vendor: 'Copperhat' };
    expect(
      count(plate({ ...copperhat, name: 'CH Plate', format: 'VST2', path: '/1' }), plate({ ...copperhat, path: '/2' })),
    ).toBe(1);
    // Letters of the vendor alone, with no such plugin elsewhere, may be a name.
    expect(groupBuilds([plate({ ...copperhat, name: 'CP Lead', path: '/1' })])[0]?.id).toBe('copperhat/cplead');
    expect(groupBuilds([plate({ vendor: 'Equinox', name: 'EQ One', path: '/1' })])[0]?.id).toBe('equinox/eqone');
  });

  it('channel words in brackets are variants; without brackets a letter is a name', () => {
    expect(productName('Plate (m)', null)).toMatchObject({ shown: 'Plate', channels: 'mono' });
    expect(productName('Plate (m->s)', null)).toMatchObject({ shown: 'Plate', channels: 'mono to stereo' });
    expect(productName('Model M', null)).toMatchObject({ shown: 'Model M', channels: null });
  });

  it("a vendor by the producer's word: joined to another, or kept apart", () => {
    const builds = [
      plate({ vendor: 'Copperhat', path: '/1' }),
      plate({ vendor: 'CH Audio', format: 'VST2', path: '/2' }),
      plate({ vendor: 'Copperhat VST', format: 'CLAP', path: '/3' }),
    ];
    expect(
      groupBuilds(builds)
        .map((group) => group.vendor)
        .sort(),
    ).toEqual(['CH Audio', 'Copperhat']);
    const joined = groupBuilds(builds, new Map([['CH Audio', { key: 'copperhat', name: 'Copperhat' }]]));
    expect(joined.map((group) => group.vendor)).toEqual(['Copperhat']);
    const apart = groupBuilds(builds, new Map([['Copperhat VST', { key: '=copperhatvst', name: 'Copperhat VST' }]]));
    expect(apart.map((group) => group.vendor).sort()).toEqual(['CH Audio', 'Copperhat', 'Copperhat VST']);
  });
});
