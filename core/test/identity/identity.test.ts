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
  it.each([
    // Several persons: the first one, whose plugin it is thought of as. A firm of two names is one vendor.
    ['Ada Rook, Bo Wren', 'Ada Rook'],
    ['Ada Rook and Bo Wren', 'Ada Rook'],
    ['Ada Rook, cuckoo', 'Ada Rook'],
    ['Rook & Daughters', 'Rook & Daughters'],
    ['Copperhat, Inc.', 'Copperhat, Inc.'],
    ['cuckoo aka. Ada Rook', 'cuckoo'],
    // A brand, and who had a hand in it.
    ['Copperhat ( plugin by Ada Rook, ported by Bo Wren)', 'Copperhat'],
    ['Ada Rook (LADSPA example plugins)', 'Ada Rook'],
    ['Ada Rook, adapted by Bo Wren', 'Ada Rook'],
    ['Copperhat LV2', 'Copperhat'],
    ['LV2', 'LV2'],
    // Addresses written for people.
    ['Ada At Copper Hat dot Com', 'Copper Hat'],
    ['Ada Rook <ada@rook.example>, Bo Wren <bo@wren.example>', 'Ada Rook'],
    ['https://www.copperhat.example/plugins', 'copperhat.example'],
  ])('%s is shown as %s', (written, shown) => expect(shownVendor(written)).toBe(shown));

  it('have one key however they are written', () => {
    expect(vendorKey('Rook & Daughters')).toBe(vendorKey('Rook and Daughters'));
    expect(vendorKey('Copperhat, Inc.')).toBe(vendorKey('Copperhat'));
    expect(vendorKey('Ada Rook, Bo Wren')).toBe(vendorKey('Ada Rook'));
    expect(vendorKey('Ada Rook')).not.toBe(vendorKey('Bo Wren'));
    expect(shownVendor('Ada Rook (ada at rook dot example)')).not.toContain('<');
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

describe('the name that a list shows', () => {
  const ports = (audioInputs: number, audioOutputs: number) => ({ audioInputs, audioOutputs });

  it.each([
    // Decoration, format words, the maker's own name in front or behind.
    [':: Copperhat :: Plate', 'Copperhat', 'Plate'],
    ['Copperhat Plate', 'Copperhat Sound', 'Plate'],
    ['Plate by Copperhat', 'Copperhat', 'Plate'],
    ['Plate_of_Brass', 'Copperhat', 'Plate of Brass'],
    ['LV2 Plate', 'Copperhat', 'Plate'],
    ['Copperhat - Plate', 'Copperhat', 'Plate'],
    // A number or a letter alone is no name.
    ['Copperhat 2', 'Copperhat', 'Copperhat 2'],
    ['Copperhats', 'Copperhat', 'Copperhats'],
    // A tagline behind a dash, and credits.
    ['Eq10 - Ten bands for the road', 'Copperhat', 'Eq10'],
    ['Plate (by Ada Rook)', 'Copperhat', 'Plate'],
    ['Filter invented by R. Rook', 'Copperhat', 'Filter invented by R. Rook'],
  ])('%s by %s is shown as %s', (name, vendor, shown) => {
    expect(groupBuilds([build({ name, vendor, path: '/a' })])[0]?.name).toBe(shown);
  });

  // Common practice: how makers write channels and port rates, wherever in the name.
  it.each<[string, { audioInputs: number; audioOutputs: number }, string, string | null]>([
    ['Mono Plate', ports(1, 1), 'Plate', 'mono'],
    ['Plate Stereo Deluxe', ports(2, 2), 'Plate Deluxe', 'stereo'],
    ['PlateX2', ports(2, 2), 'Plate', 'x2'],
    ['Plate x8', ports(8, 8), 'Plate', 'x8'],
    ['Plate 1x2', ports(1, 2), 'Plate', '1 in, 2 out'],
    ['Plate (mono in)', ports(1, 2), 'Plate', 'mono in'],
    ['Plate (sum L+R in)', ports(2, 2), 'Plate', 'sum l+r in'],
    ['Plate LeftRight', ports(2, 2), 'Plate', 'left/right'],
    ['Plate MidSide x8', ports(2, 2), 'Plate x8', 'mid/side'],
    ['Plate Mono=>Stereo', ports(1, 2), 'Plate', 'mono to stereo'],
    ['Plate Mono =>', ports(1, 2), 'Plate', 'mono to stereo'],
    ['plate_st', ports(2, 2), 'plate', 'stereo'],
    ['Oscillator (FARA)', ports(2, 1), 'Oscillator', 'fara'],
    ['Oscillator (Freq:audio, Amp:control)', ports(1, 1), 'Oscillator', 'freq:audio, amp:control'],
    ['Power (AR Controls)', ports(2, 1), 'Power', 'ar controls'],
    // Words that the ports deny, that are bound to others, or that are all of the name, stay.
    ['Stereo Plate', ports(1, 1), 'Stereo Plate', null],
    ['Plate x8', ports(2, 2), 'Plate x8', null],
    ['Stereo to MS', ports(2, 2), 'Stereo to MS', null],
    ['Mono & Stereo', ports(2, 2), 'Mono & Stereo', null],
    ['Stereo', ports(2, 2), 'Stereo', null],
    ['Plate (VU)', ports(2, 2), 'Plate (VU)', null],
  ])('%s with %j is %s, %s', (name, counts, shown, channels) => {
    expect(productName(name, null, counts)).toMatchObject({ shown, channels });
  });

  const lv2 = (name: string, facts: Partial<Parameters<typeof build>[0]> = {}) =>
    build({ name, vendor: 'Copperhat', format: 'LV2', identifier: `urn:${name}`, path: `/${name}`, ...facts });
  const names = (...builds: Parameters<typeof groupBuilds>[0]): string[] =>
    groupBuilds(builds)
      .map((group) => `${group.name}: ${String(group.builds.length)}`)
      .sort();

  it('a channel word goes where a variant shares the name, and stays where none does', () => {
    expect(names(lv2('Stereo Plate', ports(2, 2)), lv2('Mono Plate', ports(1, 1)))).toEqual(['Plate: 2']);
    expect(names(lv2('Stereo Plate', ports(2, 2)))).toEqual(['Stereo Plate: 1']);
    expect(names(lv2('Fade (FARA)', ports(3, 1)), lv2('Fade (FCRC)', ports(1, 1)), lv2('Fade', ports(1, 1)))).toEqual([
      'Fade: 3',
    ]);
  });

  it('variants are one also where a tagline says so', () => {
    const both = names(lv2('Eq10 - Ten bands', ports(1, 1)), lv2('Eq10X2 - Stereo ten bands', ports(2, 2)));
    expect(both).toEqual(['Eq10: 2']);
  });

  it('a version with a sidechain keeps a line of its own, next to the one without', () => {
    expect(names(lv2('Gate', ports(2, 2)), lv2('Sidechain Gate', ports(4, 2)))).toEqual([
      'Gate Sidechain: 1',
      'Gate: 1',
    ]);
    expect(names(lv2('Sidechain Gate', ports(4, 2)))).toEqual(['Sidechain Gate: 1']);
  });

  it('rows that would read the same get what tells them apart', () => {
    expect(names(lv2('Filter - High Pass'), lv2('Filter - Low Pass'))).toEqual([
      'Filter - High Pass: 1',
      'Filter - Low Pass: 1',
    ]);
    const twin = (identifier: string) => lv2('Plate', { identifier, path: `/${identifier}` });
    expect(names(twin('urn:a'), twin('urn:b'))).toEqual(['Plate (urn:a): 1', 'Plate (urn:b): 1']);
  });

  it('a name that was cut is completed from what the plugin says further of itself, then from the longer name of its kin', () => {
    const long = 'Copper Plate for Travelling Puppet Shows';
    const cut = build({ name: long.slice(0, 31), vendor: 'V', format: 'VST2', path: '/1' });
    const others = [{ fact: 'name', source: 'asked', value: long }] as const;
    expect(groupBuilds([{ ...cut, others }])[0]?.name).toBe(long);
    expect(names(cut, build({ name: long, vendor: 'V', path: '/2' }))).toEqual([`${long}: 2`]);
    // A cut behind a word leaves a blank, which is trimmed away; several variants of one plugin are no doubt.
    const word = 'Copper Plate of the Tollgates';
    const kin = ['Mono', 'Stereo'].map((channels, at) =>
      build({
        name: `${word} ABC ${channels}`,
        vendor: 'V',
        format: 'LV2',
        identifier: channels,
        path: `/${channels}`,
        ...ports(at + 1, at + 1),
      }),
    );
    const short = build({
      name: `${word} A`,
      vendor: 'V',
      format: 'VST2',
      identifier: 'X',
      path: '/x',
      ...ports(2, 2),
    });
    expect(names(...kin, short)).toEqual([`${word} ABC: 3`]);
  });

  it('a build without vendor joins another format only, and takes the vendor of the others in its bundle', () => {
    const anonymous = (facts: Partial<Parameters<typeof build>[0]>) =>
      build({ name: 'Plate', vendor: null, path: '/x', ...facts });
    expect(names(lv2('Plate'), anonymous({ format: 'VST2' }))).toEqual(['Plate: 2']);
    expect(names(lv2('Plate'), anonymous({ format: 'LV2', identifier: 'urn:other' }))).toHaveLength(2);
    const [first] = groupBuilds([
      anonymous({ name: 'Hall', format: 'LV2', path: '/b' }),
      lv2('Plate', { path: '/b' }),
    ]).filter((one) => one.name === 'Hall');
    expect(first?.vendor).toBe('Copperhat');
  });

  it('a brand is who it is by, also for the builds that name only the person behind it', () => {
    const others = [{ fact: 'vendor', source: 'manifest', value: 'Ada Rook' }] as const;
    const builds = [
      lv2('Plate', { others }),
      build({ name: 'Plate', vendor: 'Ada Rook', format: 'VST3', path: '/1' }),
      build({ name: 'Hall', vendor: 'Ada Rook', format: 'VST3', path: '/2' }),
      lv2('Copperhat Vestry', { others }),
      build({ name: 'Copperhat Vestry', vendor: 'Ada Rook', format: 'VST2', path: '/3' }),
    ];
    expect(groupBuilds(builds).map(({ name, vendor, builds: own }) => [name, vendor, own.length])).toEqual(
      expect.arrayContaining([
        ['Plate', 'Copperhat', 2],
        ['Hall', 'Ada Rook', 1],
        ['Vestry', 'Copperhat', 2],
      ]),
    );
  });

  it('an LV2 plugin that replaces a LADSPA number is that plugin, one to one and with a word in common (LV2 convention)', () => {
    const ladspa = (name: string, id: string) =>
      build({ name, vendor: 'Ada Rook', format: 'LADSPA', identifier: `${id}/x`, path: `/${name}` });
    const port = (name: string, replaces: string[]) => lv2(name, { replaces, vendor: 'Bo Wren' });
    expect(names(ladspa('Brass Gate (4310)', '4310'), port('Brass Gate', ['urn:ladspa:4310']))).toHaveLength(1);
    expect(names(ladspa('Tin Whistle', '4310'), port('Brass Gate', ['urn:ladspa:4310']))).toHaveLength(2);
    expect(
      names(ladspa('Brass Gate', '1'), ladspa('Brass Door', '1'), port('Brass Lock', ['urn:ladspa:1'])),
    ).toHaveLength(3);
    expect(
      names(ladspa('Brass Gate', '1'), port('Brass Lock', ['urn:ladspa:1']), port('Brass Bolt', ['urn:ladspa:1'])),
    ).toHaveLength(3);
  });
});
