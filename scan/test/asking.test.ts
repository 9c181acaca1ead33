/** Plugins that say nothing from outside are loaded and asked; whatever they do, it stays in the process that asked them. */
import { execFileSync, spawn } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { Asker, STANDARD_LIMITS } from '../src/ask/asker';
import type { AskLimits } from '../src/ask/asking-process';
import { runScan, type ScanOptions } from '../src/run-scan';
import { buildToy, inside } from './support';

let folder: string;
let at: (name: string) => string;
const scan = (options: ScanOptions = {}, paths = [folder]) => runScan(paths, { mayAsk: () => true, ...options });
async function limited(limits: Partial<AskLimits>) {
  const asker = new Asker({ ...STANDARD_LIMITS, ...limits });
  try {
    return await scan({ asker });
  } finally {
    asker.close();
  }
}
const short = ({
  name,
  vendor,
  version,
  identifier,
  declaredTypes,
  audioInputs,
  audioOutputs,
  midiInput,
}: BuildFacts) => ({
  name,
  vendor,
  version,
  identifier,
  declaredTypes,
  ports: [audioInputs, audioOutputs, midiInput],
});
const codes = (result: Awaited<ReturnType<typeof scan>>): string[] =>
  result.faults.map((fault) => `${basename(fault.path)} ${fault.code}`);

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-ask-'));
  at = inside(folder);
});
afterEach(() => rm(folder, { recursive: true, force: true }));

describe('plugins of each format are asked in its own way', () => {
  it('LADSPA: several in one library; one id twice, told apart by the label', async () => {
    await buildToy(at('toys.so'), 'LADSPA');
    expect((await scan()).builds.map(short)).toEqual([
      {
        name: 'Goose Gate',
        vendor: 'Copperhat <a@copperhat.example>',
        version: null,
        identifier: '4310/goose',
        declaredTypes: [],
        ports: [1, 2, false],
      },
      {
        name: 'Wagon Wheel',
        vendor: 'Copperhat',
        version: null,
        identifier: '4310/wagon',
        declaredTypes: [],
        ports: [1, 0, false],
      },
    ]);
  });

  it('CLAP: with its features and its description, and the sources of the facts', async () => {
    await buildToy(at('lantern.clap'), 'CLAP');
    const { builds } = await scan();
    expect(builds.map(short)).toEqual([
      {
        name: 'Lantern',
        vendor: 'Copperhat',
        version: '1.4.2',
        identifier: 'example.cuht.lantern',
        declaredTypes: ['instrument', 'synthesizer', 'stereo'],
        ports: [2, 2, true],
      },
    ]);
    expect(builds[0]).toMatchObject({
      asked: 'asked',
      description: 'A synth of paper lanterns.',
      sources: { name: 'asked', vendor: 'asked', types: 'asked', architectures: 'header' },
    });
  });

  it('VST2: one, and a shell of several', async () => {
    await buildToy(at('a-weathercock.so'), 'VST2');
    await buildToy(at('b-shell.so'), 'VST2 SHELL');
    expect((await scan()).builds.map(short)).toEqual([
      {
        name: 'Weathercock',
        vendor: 'Copperhat',
        version: '1.2.3.0',
        identifier: '57746863',
        declaredTypes: ['effect'],
        ports: [2, 2, true],
      },
      {
        name: 'Thunder Sheet',
        vendor: 'Copperhat',
        version: '1.2.3.0',
        identifier: '746F7930',
        declaredTypes: ['synth'],
        ports: [0, 2, true],
      },
      {
        name: 'Bowed Saw',
        vendor: 'Copperhat',
        version: '1.2.3.0',
        identifier: '746F7931',
        declaredTypes: ['synth'],
        ports: [0, 2, true],
      },
    ]);
  });

  it('VST3: each audio class of a module, also by the oldest factory', async () => {
    const binary = `Contents/${process.arch === 'arm64' ? 'aarch64' : 'x86_64'}-linux`;
    await buildToy(at(`Lamp.vst3/${binary}/Lamp.so`), 'VST3');
    await buildToy(at(`Old.vst3/${binary}/Old.so`), 'VST3 OLD_FACTORY');
    expect((await scan()).builds.map(short)).toEqual([
      {
        name: 'Lamplight Plate',
        vendor: 'Copperhat',
        version: '2.0.1',
        identifier: '10'.repeat(16),
        declaredTypes: ['Fx', 'Reverb'],
        ports: [2, 2, true],
      },
      {
        name: 'Lamplight Hall',
        vendor: 'Lintel',
        version: '2.0.1',
        identifier: '12'.repeat(16),
        declaredTypes: ['Fx', 'Reverb'],
        ports: [null, null, null],
      },
      {
        name: 'Lamplight Plate',
        vendor: 'Copperhat',
        version: null,
        identifier: '10'.repeat(16),
        declaredTypes: [],
        ports: [2, 2, true],
      },
      {
        name: 'Lamplight Hall',
        vendor: 'Copperhat',
        version: null,
        identifier: '12'.repeat(16),
        declaredTypes: [],
        ports: [null, null, null],
      },
    ]);
  });
});

describe('a plugin that misbehaves is a problem of its own file, and the others are asked all the same', () => {
  beforeEach(() => buildToy(at('good.so'), 'LADSPA'));
  const GOOD = ['Goose Gate', 'Wagon Wheel'];

  it.each([
    ['crashes', 'LADSPA CRASHES', 'asked-crashed', {}],
    ['hangs', 'LADSPA HANGS', 'asked-hung', { seconds: 1 }],
    ['spins', 'LADSPA SPINS', 'asked-hung', { seconds: 1 }],
    ['ends the process', 'LADSPA EXITS', 'asked-exited', {}],
    ['prints without end', 'LADSPA FLOODS', 'asked-flooded', {}],
    ['takes all memory', 'LADSPA EATS', 'asked-too-large', { megabytes: 300 }],
  ])('it %s', async (_what, toy, code, limits) => {
    for (const name of ['bad1.so', 'bad2.so']) await buildToy(at(name), toy);
    const result = await limited(limits);
    expect(codes(result)).toEqual([`bad1.so ${code}`, `bad2.so ${code}`]);
    // What its files tell is kept: it is a build, known by its file name.
    expect(result.builds.map((build) => build.name)).toEqual(['bad1', 'bad2', ...GOOD]);
    expect(result.builds[0]?.asked).toBe('failed');
  });

  it('what it prints is kept with what it says', async () => {
    await buildToy(at('loud.so'), 'LADSPA PRINTS');
    const loud = (await scan()).builds.find((build) => build.path === at('loud.so'));
    expect(loud?.printed).toContain('licensed to the puppet wagon');
    expect(loud?.printed).toContain('no drawbar');
    expect(loud?.name).toBe('Goose Gate');
  });

  it.each(['FORKS', 'FORKS_AND_COMES_BACK', 'LEAVES_A_DAEMON'])(
    'processes that it starts are ended: %s',
    async (misdeed) => {
      const path = await buildToy(at('forks.so'), `LADSPA ${misdeed}`);
      const result = await scan();
      expect(result.builds.filter((build) => build.path === path).map((build) => build.name)).toEqual(GOOD);
      if (misdeed !== 'FORKS_AND_COMES_BACK') expect(codes(result)).toEqual(['forks.so asked-forked']);
      await until(() => holding(path).length === 0, 60);
      expect(holding(path)).toEqual([]);
    },
  );

  it('a library that is no plugin is neither plugin nor problem, by whatever name', async () => {
    await buildToy(at('helper.so'), '');
    await writeFile(at('notes.txt'), 'nothing');
    const result = await scan();
    expect(result.builds.map((build) => build.name)).toEqual(GOOD);
    expect(result.faults).toEqual([]);
  });

  it('a plugin that relies on the host for the maths library is asked (common practice)', async () => {
    await buildToy(at('maths.so'), 'LADSPA NEEDS_MATHS', ['-Wl,--as-needed', '-Wl,-z,lazy']);
    expect(codes(await scan())).toEqual([]);
  });

  it('one that does not start, and one whose library is missing, say why', async () => {
    await buildToy(at('shy.clap'), 'CLAP REFUSES');
    execFileSync('gcc', ['-shared', '-o', at('libneeded.so'), '-Wl,-soname,libneeded-goose.so.1', '-x', 'c', '-'], {
      input: 'int needed(void) { return 1; }',
    });
    await buildToy(at('lonely.so'), 'LADSPA', ['-Wl,--no-as-needed', at('libneeded.so')]);
    const result = await scan();
    expect(codes(result).sort()).toEqual(['lonely.so asked-refused', 'shy.clap asked-refused']);
    expect(result.faults.find((fault) => fault.path === at('lonely.so'))?.detail).toContain('libneeded-goose.so.1');
  });

  it('a binary for another processor or system is not loaded, and says so without being a problem', async () => {
    const elf = new Uint8Array(readFileSync(at('good.so')));
    new DataView(elf.buffer).setUint16(18, 0xf3, true); // RISC-V, System V ABI
    await writeFile(at('other.clap'), elf);
    await writeFile(
      at('mac.clap'),
      new Uint8Array([0xcf, 0xfa, 0xed, 0xfe, 7, 0, 0, 1, ...new Array<number>(24).fill(0)]),
    );
    const result = await scan();
    expect(result.faults).toEqual([]);
    expect(result.builds.filter((build) => build.format === 'CLAP').map((build) => [build.name, build.asked])).toEqual([
      ['mac', 'other-system'],
      ['other', 'other-processor'],
    ]);
  });
});

/** The processes that have a library loaded, and with it those that one of them has started. Of other scans that run meanwhile it knows nothing. proc(5), maps. */
function holding(library: string): string[] {
  return readdirSync('/proc').filter((pid) => {
    try {
      return /^\d+$/.test(pid) && readFileSync(`/proc/${pid}/maps`, 'utf8').includes(library);
    } catch {
      return false;
    }
  });
}

describe('asking again', () => {
  const known = (result: Awaited<ReturnType<typeof scan>>) =>
    new Map(result.places.map((place) => [place.path, place]));

  it('a file that crashed is not asked again until it changes, or the producer says so', async () => {
    await buildToy(at('bad.so'), 'LADSPA CRASHES');
    const first = await scan();
    const second = await scan({ known: known(first) });
    expect([second.unchanged, codes(second)]).toEqual([1, ['bad.so asked-crashed']]);
    expect((await scan()).unchanged).toBe(0);
    await buildToy(at('bad.so'), 'LADSPA');
    const third = await scan({ known: known(second) });
    expect([third.unchanged, codes(third), third.builds.length]).toEqual([0, [], 2]);
  });

  it('a switch that was off and is on again has the file asked', async () => {
    await buildToy(at('toy.so'), 'LADSPA');
    const off = await scan({ mayAsk: () => false });
    expect(off.builds.map((build) => [build.name, build.asked])).toEqual([['toy', 'switched-off']]);
    expect((await scan({ known: known(off), mayAsk: () => false })).unchanged).toBe(1);
    expect((await scan({ known: known(off) })).builds).toHaveLength(2);
  });

  it('a cancel ends a plugin that hangs, and keeps what was read', async () => {
    await buildToy(at('a-good.so'), 'LADSPA');
    await buildToy(at('b-bad.so'), 'LADSPA HANGS');
    const cancel = new AbortController();
    setTimeout(() => cancel.abort(), 2500);
    const result = await scan({ signal: cancel.signal });
    expect([result.cancelled, result.builds.map((build) => build.name)]).toEqual([true, ['Goose Gate', 'Wagon Wheel']]);
  });
});

it('a plugin that hangs does not outlive a scan that was killed', async () => {
  const path = await buildToy(at('bad.so'), 'LADSPA HANGS');
  const main = fileURLToPath(new URL('../dist/main.js', import.meta.url));
  const command = spawn(process.execPath, [main, folder], { stdio: 'ignore' });
  await until(() => holding(path).length > 0);
  expect(holding(path)).not.toEqual([]);
  command.kill('SIGKILL');
  await until(() => holding(path).length === 0);
  expect(holding(path)).toEqual([]);
});

async function until(holds: () => boolean, most = 200): Promise<void> {
  for (let tries = 0; tries < most && !holds(); tries++) await new Promise((done) => setTimeout(done, 50));
}
