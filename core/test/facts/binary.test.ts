/** Headers of program files, built here field by field after their specifications. */
import { readBinary } from '../../src/facts/binary/read-binary';
import { readBinaryFile } from '../../src/facts/read-binary-file';
import { readMacBundle } from '../../src/facts/read-mac-bundle';
import { MACH_O, MemoryPlace } from '../memory-place';

const at = (bytes: Uint8Array) => (offset: number, length: number) =>
  Promise.resolve(bytes.subarray(offset, offset + length));

/**
 * An ELF file as the loader sees it: one segment of the whole file, and a dynamic one that leads to symbols, names and the hash table that counts them.
 * It has no sections. System V ABI, chapter 5.
 */
function elf(wanted: {
  wide: boolean;
  little: boolean;
  machine: number;
  defined: string[];
  asked?: string[];
  interpreter?: boolean;
}): Uint8Array {
  const { wide, little, machine, defined, asked = [], interpreter = false } = wanted;
  const bytes = new Uint8Array(4096);
  const view = new DataView(bytes.buffer);
  bytes.set([0x7f, 0x45, 0x4c, 0x46, wide ? 2 : 1, little ? 1 : 2, 1]);
  const u16 = (offset: number, value: number): void => view.setUint16(offset, value, little);
  const u32 = (offset: number, value: number): void => view.setUint32(offset, value, little);
  const word = (offset: number, value: number): void => {
    if (wide) view.setBigUint64(offset, BigInt(value), little);
    else u32(offset, value);
  };
  // Addresses in memory are not offsets in the file.
  const base = 0x10000;
  const [segments, dynamic, hash, symbols, strings] = [512, 1024, 1536, 2048, 3072];
  const [segmentSize, symbolSize, tagSize] = wide ? [56, 24, 16] : [32, 16, 8];
  u16(18, machine);
  word(wide ? 32 : 28, segments);
  u16(wide ? 54 : 42, segmentSize);
  u16(wide ? 56 : 44, interpreter ? 3 : 2);
  const segment = (index: number, kind: number, offset: number, size: number): void => {
    const start = segments + index * segmentSize;
    u32(start, kind);
    word(start + (wide ? 8 : 4), offset);
    word(start + (wide ? 16 : 8), base + offset);
    word(start + (wide ? 32 : 16), size);
  };
  segment(0, 1, 0, bytes.length);
  segment(1, 2, dynamic, 5 * tagSize);
  if (interpreter) segment(2, 3, 16, 16);
  let name = 1;
  const all = [...defined, ...asked];
  all.forEach((symbol, index) => {
    const start = symbols + (index + 1) * symbolSize;
    u32(start, name);
    u16(start + (wide ? 6 : 14), index < defined.length ? 1 : 0);
    bytes.set(new TextEncoder().encode(symbol), strings + name);
    name += symbol.length + 1;
  });
  const tags: [number, number][] = [
    [4, base + hash],
    [5, base + strings],
    [6, base + symbols],
    [10, name],
  ];
  tags.forEach(([tag, value], index) => {
    word(dynamic + index * tagSize, tag);
    word(dynamic + index * tagSize + tagSize / 2, value);
  });
  u32(hash, 1);
  u32(hash + 4, all.length + 1);
  return bytes;
}

describe('ELF', () => {
  it.each([
    ['x86-64', { wide: true, little: true, machine: 0x3e }],
    ['x86', { wide: false, little: true, machine: 0x03 }],
    ['arm64', { wide: true, little: true, machine: 0xb7 }],
    ['ppc', { wide: false, little: false, machine: 0x14 }],
  ])('%s: the architecture, and what it exports but not what it asks for', async (architecture, header) => {
    const file = elf({ ...header, defined: ['VSTPluginMain', 'init'], asked: ['ladspa_descriptor'] });
    const read = await readBinary(at(file));
    expect(read?.architectures).toEqual([architecture]);
    expect([...(read?.exports ?? [])]).toEqual(['VSTPluginMain', 'init']);
  });

  it('a header that is cut off anywhere never throws', async () => {
    const file = elf({ wide: true, little: true, machine: 0x3e, defined: ['clap_entry'] });
    for (let length = 0; length < file.length; length += 53)
      await expect(readBinary(at(file.subarray(0, length)))).resolves.toBeDefined();
  });

  it.each([
    ['VSTPluginMain', 'VST2'],
    ['ladspa_descriptor', 'LADSPA'],
    ['clap_entry', 'CLAP'],
    ['GetPluginFactory', 'VST3'],
    ['ACFRegisterPlugin', 'AAX'],
  ])('the entry %s tells %s', async (entry, format) => {
    const file = elf({ wide: true, little: true, machine: 0x3e, defined: ['a', entry] });
    const { builds } = await readBinaryFile(new MemoryPlace('/p/toy.so', { '': file }), null);
    expect(builds).toMatchObject([{ format, name: 'toy', architectures: ['x86-64'], sources: { name: 'file name' } }]);
  });

  it.each(['lv2_descriptor', 'nothing_known'])('a library with only %s is no plugin', async (entry) => {
    // An LV2 library belongs to its bundle.
    const file = elf({ wide: true, little: true, machine: 0x3e, defined: [entry] });
    expect(await readBinaryFile(new MemoryPlace('/p/toy.so', { '': file }), null)).toEqual({ builds: [], faults: [] });
  });

  it('a library with only "main" may be a VST2 plugin, a program with one is none (common practice)', async () => {
    const read = (path: string, interpreter: boolean) => {
      const file = elf({ wide: true, little: true, machine: 0x3e, defined: ['main'], interpreter });
      return readBinaryFile(new MemoryPlace(path, { '': file }), null);
    };
    expect(await read('/p/toy.so', false)).toMatchObject({
      builds: [{ format: 'VST2', name: 'toy' }],
      unsure: { keptUnasked: false },
      askable: [{ path: '/p/toy.so', kind: 'elf' }],
    });
    for (const folder of ['vst', '.vst', 'lxvst', 'VSTPlugins', 'vst2'])
      expect(await read(`/home/ada/${folder}/copper/toy.so`, false)).toMatchObject({ unsure: { keptUnasked: true } });
    expect(await read('/p/toy.so', true)).toEqual({ builds: [], faults: [] });
  });
});

describe('what is no program', () => {
  it.each([
    ['a Java class, which begins like a universal program', [0xca, 0xfe, 0xba, 0xbe, 0, 0, 0, 65]],
    ['zeros', []],
    ['text', [...new TextEncoder().encode('#!/bin/sh\necho hello\n')]],
  ])('%s', async (_what, start) => {
    const bytes = new Uint8Array(200);
    bytes.set(start);
    expect(await readBinary(at(bytes))).toBeNull();
  });
});

describe('macOS bundles', () => {
  const plist = (text: string): string => `<?xml version="1.0"?><plist version="1.0"><dict>${text}</dict></plist>`;

  it('take the name from the plist and the processor from the program it names', async () => {
    const place = new MemoryPlace('/p/Toy.vst', {
      'Contents/Info.plist': plist(
        '<key>CFBundleName</key><string>Toy Box</string><key>CFBundleExecutable</key><string>bin</string>',
      ),
      'Contents/MacOS/bin': MACH_O,
      'Contents/MacOS/another': 'not this one',
    });
    expect(await readMacBundle(place, 'VST2')).toMatchObject({
      faults: [],
      builds: [{ format: 'VST2', name: 'Toy Box', architectures: ['x86-64'], identifier: null, version: null }],
    });
  });

  it('do without a plist, by file name', async () => {
    const reading = await readMacBundle(new MemoryPlace('/p/Toy.clap', { 'Contents/MacOS/Toy': MACH_O }), 'CLAP');
    expect(reading).toMatchObject({ faults: [], builds: [{ name: 'Toy', sources: { name: 'file name' } }] });
  });

  it('with a broken plist keep the file name and say so', async () => {
    const files = { 'Contents/Info.plist': '<plist>\n<dict>\n</key></plist>', 'Contents/MacOS/Toy': MACH_O };
    const reading = await readMacBundle(new MemoryPlace('/p/Toy.vst', files), 'VST2');
    expect(reading).toMatchObject({ faults: [{ code: 'plist-broken', line: 2 }], builds: [{ name: 'Toy' }] });
  });

  it('without a program are a fault and no build', async () => {
    const reading = await readMacBundle(new MemoryPlace('/p/Toy.vst', { 'Contents/Info.plist': plist('') }), 'VST2');
    expect(reading).toMatchObject({ faults: [{ code: 'binary-missing' }], builds: [] });
  });
});
