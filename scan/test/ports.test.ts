/** VST3 and CLAP plugins are made and asked for their ports, beside what a C program hears from them; VST2 tells its programs. */
import { execFileSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Asker, STANDARD_LIMITS } from '../src/ask/asker';
import { runScan } from '../src/run-scan';
import { buildToy, inside } from './support';

let folder: string;
let at: (name: string) => string;
let program: string;
const binary = `Contents/${process.arch === 'arm64' ? 'aarch64' : 'x86_64'}-linux`;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-ports-'));
  at = inside(folder);
  program = join(folder, 'ask-ports');
  const source = fileURLToPath(new URL('./native/ask-ports.c', import.meta.url));
  execFileSync('gcc', ['-w', '-o', program, source, '-ldl']);
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** What the C program hears: lines of identifier, main in, main out, auxiliary in, takes notes, sends notes. */
function heard(format: string, library: string, place: string) {
  const told = execFileSync(program, [format, library, place], { encoding: 'utf8' }).trim();
  return told.split('\n').map((line) => {
    const [identifier = '', ...numbers] = line.split('\t');
    const [audioInputs, audioOutputs, sidechainInputs, takes, sends] = numbers.map(Number);
    return { identifier, audioInputs, audioOutputs, sidechainInputs, midiInput: takes === 1, midiOutput: sends === 1 };
  });
}

async function scan(seconds = 10) {
  const asker = new Asker({ ...STANDARD_LIMITS, seconds });
  try {
    return await runScan([folder], { mayAsk: () => true, asker });
  } finally {
    asker.close();
  }
}

it('CLAP: main and further ports apart, as the C program hears them (ext/audio-ports.h, ext/note-ports.h)', async () => {
  const path = await buildToy(at('lantern.clap'), 'CLAP');
  const { builds, faults } = await scan();
  expect(builds).toMatchObject(heard('CLAP', path, path));
  expect(builds).toMatchObject([
    { audioInputs: 2, audioOutputs: 2, sidechainInputs: 1, midiInput: true, midiOutput: false },
  ]);
  expect([builds[0]?.sources.ports, faults]).toEqual(['asked', []]);
});

it('VST3: buses of a plugin that wants a host; one that can not be made keeps its name (ivstcomponent.h)', async () => {
  await buildToy(at(`Lamp.vst3/${binary}/Lamp.so`), 'VST3');
  const { builds, faults } = await scan();
  expect(builds).toMatchObject([
    {
      name: 'Lamplight Plate',
      audioInputs: 2,
      audioOutputs: 2,
      sidechainInputs: 1,
      midiInput: true,
      midiOutput: false,
    },
    { name: 'Lamplight Hall', audioInputs: null, audioOutputs: null, sidechainInputs: null, midiInput: null },
  ]);
  expect(faults).toEqual([]);
});

it.each([
  ['crashes', 'PORTS_CRASH', /crashed, SIGSEGV/],
  ['hangs', 'PORTS_HANG', /hung, 1 seconds/],
])('one that %s when it is made costs its ports alone, and the next is asked', async (_what, misdeed, detail) => {
  await buildToy(at('a.clap'), `CLAP ${misdeed}`);
  await buildToy(at(`b.vst3/${binary}/b.so`), `VST3 ${misdeed}`);
  await buildToy(at('c.clap'), 'CLAP');
  const { builds, faults } = await scan(1);
  expect(builds.map((build) => [build.name, build.asked, build.audioInputs])).toEqual([
    ['Lantern', 'asked', null],
    ['Lamplight Plate', 'asked', null],
    ['Lamplight Hall', 'asked', null],
    ['Lantern', 'asked', 2],
  ]);
  expect(faults.map((fault) => `${basename(fault.path)} ${fault.code}`)).toEqual([
    'a.clap ports-untold',
    'b.vst3 ports-untold',
  ]);
  for (const fault of faults) expect(fault.detail).toMatch(detail);
});

it('VST2: the names of its programs, and the product beside the name (opcodes 29 and 48, memory)', async () => {
  await buildToy(at('weathercock.so'), 'VST2');
  const [build] = (await scan()).builds;
  expect(build).toMatchObject({ name: 'Weathercock', presets: 2, sources: { presets: 'asked' } });
  expect(build?.presetList.map((preset) => preset.name)).toEqual(['Northerly', 'Doldrums']);
  expect(build?.others).toContainEqual({ fact: 'name', source: 'asked', value: 'Weathercock of the Puppet Wagon' });
});
