import { withAnswer, type Answer } from '../../src/facts/asked';
import { overlay, unknownFacts } from '../../src/facts/build-facts';
import { readAuPreset, readVst3Preset } from '../../src/facts/read-preset';
import { readVst3 } from '../../src/facts/read-vst3';
import { describeFault } from '../../src/facts/fault-texts';
import { FAULT_CODES } from '../../src/facts/fault';
import { build } from '../builds';
import { MACH_O, MemoryPlace } from '../memory-place';

const ID = '00112233445566778899AABBCCDDEEFF';

describe('presets on disk', () => {
  // VST3 preset file format: "VST3", version 1, class id as 32 characters (memory of the published document).
  const header = (id: string) => new TextEncoder().encode(`VST3\u0001\0\0\0${id}`);

  it('a .vstpreset names its class', async () => {
    const place = new MemoryPlace('/presets/Narrator.vstpreset', { '': header(ID.toLowerCase()) });
    expect(await readVst3Preset(place)).toEqual({
      builds: [],
      faults: [],
      presets: [{ appliesTo: ID, key: '/presets/Narrator.vstpreset', name: 'Narrator', bank: null }],
    });
  });

  it.each([
    ['truncated-header.vstpreset', header(ID).slice(0, 20)],
    ['wrong-magic.vstpreset', new TextEncoder().encode(`VST2\u0001\0\0\0${ID}`)],
    ['no-class.vstpreset', header('Z'.repeat(32))],
  ])('%s is a fault', async (name, bytes) => {
    const { faults } = await readVst3Preset(new MemoryPlace(`/presets/${name}`, { '': bytes }));
    expect(faults.map((fault) => fault.code)).toEqual(['preset-broken']);
  });

  const plist = (keys: string): string => `<?xml version="1.0"?><plist version="1.0"><dict>${keys}</dict></plist>`;
  const CODES =
    '<key>type</key><integer>1635083896</integer><key>subtype</key><integer>1886151027</integer><key>manufacturer</key><integer>1131767924</integer>';

  it('an .aupreset names type, subtype and manufacturer as numbers of four characters (memory)', async () => {
    const place = new MemoryPlace('/presets/x.aupreset', {
      '': plist(`${CODES}<key>name</key><string>Giant</string>`),
    });
    expect((await readAuPreset(place)).presets).toEqual([
      { appliesTo: 'aufx/plas/Cuht', key: '/presets/x.aupreset', name: 'Giant', bank: null },
    ]);
  });

  it.each([
    ['no-codes.aupreset', plist('<key>name</key><string>Giant</string>')],
    ['no-plist.aupreset', 'nothing of the kind'],
  ])('%s is a fault', async (name, text) => {
    const { faults } = await readAuPreset(new MemoryPlace(`/presets/${name}`, { '': text }));
    expect(faults.map((fault) => fault.code)).toEqual(['preset-broken']);
  });
});

it('pictures of a VST3 class are those named by its id, the plain one first (memory of the published document)', async () => {
  const place = new MemoryPlace('/p/Lamp.vst3', {
    'Contents/MacOS/Lamp': MACH_O,
    'Contents/Resources/moduleinfo.json': `{"Classes": [{"CID": "${ID}", "Category": "Audio Module Class", "Name": "Lamp"}]}`,
    [`Contents/Resources/Snapshots/${ID}_snapshot_2.0x.png`]: 'p',
    [`Contents/Resources/Snapshots/${ID}_snapshot.png`]: 'p',
    'Contents/Resources/Snapshots/00000000000000000000000000000000_snapshot.png': 'p',
  });
  const [lamp] = (await readVst3(place)).builds;
  expect(lamp?.pictures).toEqual([
    `/p/Lamp.vst3/Contents/Resources/Snapshots/${ID}_snapshot.png`,
    `/p/Lamp.vst3/Contents/Resources/Snapshots/${ID}_snapshot_2.0x.png`,
  ]);
  expect(lamp?.sources.pictures).toBe('picture files');
});

describe('what several sources say', () => {
  it('the better one wins, and the other is kept beside it; a file name is not', () => {
    let facts = unknownFacts('VST3', '/p/lamp_x64.vst3', 'lamp_x64');
    facts = overlay(facts, { name: 'Lamp', vendor: 'COPPERHAT' }, 'version resource');
    facts = overlay(facts, { name: 'Lamp', vendor: 'Copperhat', declaredTypes: ['Fx'] }, 'manifest');
    expect(facts).toMatchObject({
      name: 'Lamp',
      vendor: 'Copperhat',
      sources: { name: 'manifest', vendor: 'manifest', types: 'manifest' },
      others: [{ fact: 'vendor', source: 'version resource', value: 'COPPERHAT' }],
    });
  });
});

describe('an answer of a plugin', () => {
  const reading = { builds: [build({ name: 'lamp', format: 'VST2' })], faults: [], askable: [] };
  const answer = (rest: object): Answer => ({ state: 'asked', plugins: [], printed: null, fault: null, ...rest });

  it('makes a build of each plugin that it names, and none of a plain library', () => {
    const plugins = [
      { identifier: '1', name: 'Lamp' },
      { identifier: '2', name: 'Lantern' },
    ];
    expect(withAnswer(reading, answer({ plugins })).builds.map((one) => [one.name, one.identifier, one.asked])).toEqual(
      [
        ['Lamp', '1', 'asked'],
        ['Lantern', '2', 'asked'],
      ],
    );
    expect(withAnswer(reading, answer({}))).toEqual({ builds: [], faults: [] });
  });

  it('that failed leaves what the file tells, with the fault', () => {
    const fault = { code: 'asked-hung', path: '/lamp.so', detail: '10 seconds' } as const;
    const after = withAnswer(reading, answer({ state: 'failed', fault, printed: 'licence?' }));
    expect(after.builds).toMatchObject([{ name: 'lamp', asked: 'failed', printed: 'licence?' }]);
    expect(after.faults).toEqual([fault]);
  });

  it('every fault has words and a remedy', () => {
    for (const code of FAULT_CODES) {
      const { message, remedy } = describeFault({ code, path: '/x', detail: 'd' });
      expect([message.endsWith('.'), remedy.endsWith('.')]).toEqual([true, true]);
    }
  });
});
