import { build as buildXml, buildBinary } from 'plist';
import { readAu, componentVersion } from '../../src/facts/read-au';
import { readBinaryFile } from '../../src/facts/read-binary-file';
import { readLv2 } from '../../src/facts/read-lv2';
import { parsePlist } from '../../src/facts/read-plist';
import { readVst3 } from '../../src/facts/read-vst3';
import { readerFor } from '../../src/facts/readers';
import { Graph } from '../../src/facts/turtle';
import { MACH_O, MemoryPlace } from '../memory-place';

const codes = (reading: { faults: readonly { code: string }[] }): string[] => reading.faults.map((fault) => fault.code);

describe('Turtle', () => {
  // W3C RDF 1.1 Turtle, section 2.6, "unlabeled blank nodes", with its comment.
  const KNOWS = `@prefix foaf: <http://xmlns.com/foaf/0.1/> .

# Someone knows someone else, who has the name "Bob".
[] foaf:knows [ foaf:name "Bob" ] .`;
  // W3C RDF 1.1 Turtle, section 2.4, the example of base and prefixes, shortened to what differs.
  const RELATIVE = `@base <http://one.example/> .
<subject2> <predicate2> <object2> .
@prefix p: <http://two.example/> .
p:subject3 p:predicate3 p:object3 .
@prefix p: <path/> .
p:subject4 p:predicate4 "fünf"@de, "five" .`;

  it('resolves bases and prefixes as the specification does', () => {
    const graph = new Graph();
    expect(graph.add(RELATIVE, 'bundle:///x.ttl', 'x.ttl')).toBeNull();
    expect(graph.nodes('http://one.example/subject2', 'http://one.example/predicate2')).toEqual([
      'http://one.example/object2',
    ]);
    expect(graph.nodes('http://two.example/subject3', 'http://two.example/predicate3')).toEqual([
      'http://two.example/object3',
    ]);
    expect(graph.text('http://one.example/path/subject4', 'http://one.example/path/predicate4')).toBe('five');
  });

  it('says in which line a text breaks off', () => {
    const fault = new Graph().add(KNOWS.slice(0, -6), 'bundle:///x.ttl', '/b.lv2/x.ttl');
    expect(fault).toMatchObject({ code: 'turtle-broken', path: '/b.lv2/x.ttl', line: 4 });
  });
});

describe('property lists', () => {
  // The example of Apple's plist(5) manual page, shortened; the DTD is PropertyList-1.0.
  const XML = `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd">
<plist version="1.0">
<dict>
  <key>Year Of Birth</key><integer>1965</integer>
  <key>Pets Names</key><array/>
  <key>Picture</key><data>PEKBpYGlmYFCPA==</data>
  <key>City of Birth</key><string>Springfield</string>
  <key>Kids Names</key><array><string>John</string><string>Kyra</string></array>
</dict>
</plist>`;

  it('reads the example of the manual page, as XML and in the binary form', () => {
    const read = parsePlist(new TextEncoder().encode(XML), 'Info.plist');
    if (!read.ok) throw new Error('not read');
    expect(read.value['Year Of Birth']).toBe(1965);
    expect(read.value['Kids Names']).toEqual(['John', 'Kyra']);
    expect(parsePlist(buildBinary(read.value as never), 'Info.plist')).toEqual({ ok: true, value: read.value });
  });

  it.each([
    ['cut off', new TextEncoder().encode(XML.slice(0, 300))],
    ['no property list', new TextEncoder().encode('hello')],
    ['a binary one that ends early', buildBinary({ a: 'b' }).subarray(0, 20)],
    ['one whose top is an array', new TextEncoder().encode(buildXml(['a']))],
  ])('%s is a fault and no exception', (_what, bytes) => {
    expect(parsePlist(bytes, 'Info.plist')).toMatchObject({ ok: false, fault: { code: 'plist-broken' } });
  });
});

describe('AU', () => {
  const component = (components: unknown) => ({
    'Contents/Info.plist': buildXml({
      CFBundleName: 'Bundle',
      CFBundleExecutable: 'bin',
      AudioComponents: components,
    } as never),
    'Contents/MacOS/bin': MACH_O,
  });

  it('reads vendor, name, identifier and version of each component', async () => {
    const entry = {
      type: 'aumu',
      subtype: 'EQ  ',
      manufacturer: 'Toll',
      name: 'Tollgate Sound: Toy: Two',
      version: 0x00020301,
    };
    const reading = await readAu(new MemoryPlace('/p/Toy.component', component([entry])));
    expect(reading.builds).toMatchObject([
      {
        format: 'AU',
        identifier: 'aumu/EQ  /Toll',
        vendor: 'Tollgate Sound',
        name: 'Toy: Two',
        version: '2.3.1',
        declaredTypes: ['aumu'],
        midiInput: true,
        architectures: ['x86-64'],
      },
    ]);
  });

  it('knows an older component without AudioComponents by its bundle', async () => {
    const reading = await readAu(new MemoryPlace('/p/Old.component', component([])));
    expect(reading.builds).toMatchObject([{ name: 'Bundle', identifier: null, sources: { name: 'bundle plist' } }]);
  });

  it('reports an empty component and goes on', async () => {
    expect(codes(await readAu(new MemoryPlace('/p/Empty.component', {})))).toEqual(['bundle-without-manifest']);
  });

  it('writes the version as three numbers', () => {
    // Audio Component Services: 0xMMMMmmDD.
    expect(componentVersion(0x00010203)).toBe('1.2.3');
    expect(componentVersion('1.0')).toBeNull();
  });
});

describe('VST3', () => {
  const INFO = `{
    // comments and trailing commas are allowed
    "Name": "Toy", "Version": "1.0",
    "Factory Info": { "Vendor": "Gorse & Daughter", },
    "Compatibility": [{ "New": "AAAAAAAABBBBBBBBCCCCCCCCDDDDDDDD", "Old": ["00000000000000000000000000000001"] }],
    "Classes": [
      { "CID": "AAAAAAAABBBBBBBBCCCCCCCCDDDDDDDD", "Category": "Audio Module Class", "Name": "Toy Piano", "Version": "1.2.3", "Sub Categories": ["Instrument", "Piano"], },
      { "CID": "EEEEEEEEBBBBBBBBCCCCCCCCDDDDDDDD", "Category": "Component Controller Class", "Name": "Toy Piano" },
    ],
  }`;

  it('reads moduleinfo.json with its comments and commas', async () => {
    const place = new MemoryPlace('/p/Toy.vst3', {
      'Contents/Resources/moduleinfo.json': INFO,
      'Contents/MacOS/Toy': MACH_O,
    });
    const reading = await readVst3(place);
    expect(reading.faults).toEqual([]);
    expect(reading.builds).toMatchObject([
      {
        identifier: 'AAAAAAAABBBBBBBBCCCCCCCCDDDDDDDD',
        name: 'Toy Piano',
        vendor: 'Gorse & Daughter',
        version: '1.2.3',
        declaredTypes: ['Instrument', 'Piano'],
        replaces: ['00000000000000000000000000000001'],
        audioInputs: null,
      },
    ]);
  });

  it('keeps the file name when moduleinfo.json is broken, and says in which line', async () => {
    const place = new MemoryPlace('/p/Toy.vst3', {
      'Contents/moduleinfo.json': '{\n "Name": ]',
      'Contents/MacOS/Toy': MACH_O,
    });
    const reading = await readVst3(place);
    expect(reading.faults).toMatchObject([{ code: 'json-broken', line: 2 }]);
    expect(reading.builds).toMatchObject([{ name: 'Toy', identifier: null }]);
  });

  it.each([
    ['empty folder', {}, ['bundle-without-manifest']],
    ['no binary', { 'Contents/Resources/moduleinfo.json': INFO }, ['binary-missing']],
    ['empty binary', { 'Contents/x86_64-linux/Toy.so': new Uint8Array(0) }, ['binary-empty']],
    ['junk binary', { 'Contents/x86_64-win/Toy.vst3': new Uint8Array(5000).fill(7) }, ['binary-unrecognised']],
  ])('a bundle with %s is a fault and no build', async (_what, files, expected) => {
    const reading = await readVst3(new MemoryPlace('/p/Toy.vst3', files));
    expect(codes(reading)).toEqual(expected);
    expect(reading.builds).toEqual([]);
  });
});

describe('LV2', () => {
  const PREFIXES =
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n';

  it('takes the untagged name, else the English one, else the first', async () => {
    const named = async (names: string): Promise<string | undefined> => {
      const manifest = `${PREFIXES}<urn:a> a lv2:Plugin ; doap:name ${names} .`;
      return (await readLv2(new MemoryPlace('/p/a.lv2', { 'manifest.ttl': manifest }))).builds[0]?.name;
    };
    expect(await named('"Laterne"@de, "Lantern"')).toBe('Lantern');
    expect(await named('"Laterne"@de, "Lantern"@en-gb')).toBe('Lantern');
    expect(await named('"Laterne"@de, "Lanterne"@fr')).toBe('Laterne');
  });

  it('reports a missing binary and keeps the plugin', async () => {
    const manifest = `${PREFIXES}<urn:a> a lv2:Plugin ; lv2:binary <a.so> ; doap:name "A" .`;
    const reading = await readLv2(new MemoryPlace('/p/missing-binary.lv2', { 'manifest.ttl': manifest }));
    expect(codes(reading)).toEqual(['binary-missing']);
    expect(reading.builds).toHaveLength(1);
  });

  it('leaves a plugin with a truncated description out, and reports the file', async () => {
    const manifest = `${PREFIXES}<urn:a> a lv2:Plugin ; rdfs:seeAlso <a.ttl> . <urn:b> a lv2:Plugin ; doap:name "B" .`;
    const reading = await readLv2(
      new MemoryPlace('/p/truncated.lv2', { 'manifest.ttl': manifest, 'a.ttl': `${PREFIXES}<urn:a> doap:na` }),
    );
    expect(reading.faults).toMatchObject([{ code: 'turtle-broken', path: '/p/truncated.lv2/a.ttl' }]);
    expect(reading.builds.map((build) => build.name)).toEqual(['B']);
  });

  it('does not leave the bundle for a file outside of it', async () => {
    const manifest = `${PREFIXES}<urn:a> a lv2:Plugin ; rdfs:seeAlso <../secret.ttl> , <http://x.example/y.ttl> ; doap:name "A" .`;
    const reading = await readLv2(new MemoryPlace('/p/a.lv2', { 'manifest.ttl': manifest }));
    expect(reading.builds).toHaveLength(reading.faults.length === 0 ? 1 : 0);
    expect(reading.faults.every((fault) => fault.path.startsWith('/p/a.lv2/'))).toBe(true);
  });
});

describe('which reader takes what', () => {
  it.each([
    ['Plate.VST3', false, true],
    ['Plate.vst3', true, true],
    ['.vst3', true, false],
    ['lv2', true, false],
    ['._Plate.vst3', false, false],
    ['Plate.vst', false, false],
    ['Plate.txt', false, false],
  ])('%s (folder: %s): %s', (name, isFolder, taken) => {
    expect(readerFor(name, isFolder) !== undefined).toBe(taken);
  });

  it('a library without a plugin entry is neither plugin nor fault', async () => {
    const reading = await readBinaryFile(new MemoryPlace('/p/helper.dylib', { '': MACH_O }), null);
    expect(reading).toMatchObject({ builds: [], faults: [] });
  });
});

describe('an LV2 bundle with a hash in the name of a file', () => {
  const P =
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> . @prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> . @prefix doap: <http://usefulinc.com/ns/doap#> .\n';
  const manifest = (file: string): string => `${P}<urn:x> a lv2:Plugin ; rdfs:seeAlso <${file}> .`;

  it('is read as liblilv does: the file if it is there, a fragment otherwise', async () => {
    const named = `${P}<urn:x> doap:name "Comp" .`;
    const bundles: Record<string, string>[] = [
      { 'manifest.ttl': manifest('x#stereo.ttl'), 'x#stereo.ttl': named },
      { 'manifest.ttl': manifest('x.ttl#stereo'), 'x.ttl': named },
    ];
    for (const files of bundles) {
      expect((await readLv2(new MemoryPlace('/b/x.lv2', files))).builds.map((one) => one.name)).toEqual(['Comp']);
    }
  });
});
