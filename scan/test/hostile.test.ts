/**
 * Plugins that want to do harm, built when this runs, in each format that is asked. Whatever they do, each is told by its own verdict, the others are asked,
 * and nothing outside the process is touched. What only a closed room keeps them from is looked for where the system has one (Linux, namespaces(7)).
 */
import { existsSync } from 'node:fs';
import { chmod, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { Lines, messageIn, MAX_LINE } from '../src/ask/answer-shape';
import { Asker, STANDARD_LIMITS, type ProbeCrashLog } from '../src/ask/asker';
import type { AskLimits } from '../src/ask/asking-process';
import { ROOMS } from '../src/ask/room';
import { runScan } from '../src/run-scan';
import { buildToy } from './support';

let folder: string;
const looking = new Asker();
/** Where there is no closed room there is nothing to try; it is told as skipped. */
const inClosedRoom = (await looking.roomAtHand()).kind === 'open' ? it.skip : it;
looking.close();
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-hostile-'));
  await buildToy(join(folder, 'z-good.so'), 'LADSPA');
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const BINARY = `Contents/${process.arch === 'arm64' ? 'aarch64' : 'x86_64'}-linux`;
const PATHS: Readonly<Record<string, string>> = {
  LADSPA: 'a-bad.so',
  VST2: 'a-bad.so',
  VST3: `a-bad.vst3/${BINARY}/a-bad.so`,
  CLAP: 'a-bad.clap',
};

async function asked(format: string, misdeed: string, limits: Partial<AskLimits> = {}, flags: readonly string[] = []) {
  await buildToy(join(folder, PATHS[format] ?? 'a-bad.so'), `${format} ${misdeed}`, flags);
  const asker = new Asker({ ...STANDARD_LIMITS, seconds: 3, ...limits });
  try {
    const result = await runScan([folder], { mayAsk: () => true, asker });
    const bad = result.builds.find((build) => basename(build.path).startsWith('a-bad'));
    return {
      codes: result.faults.filter((fault) => basename(fault.path).startsWith('a-bad')).map((fault) => fault.code),
      names: result.builds.filter((build) => build.path.endsWith('z-good.so')).map((build) => build.name),
      all: result.builds.map((build) => build.name),
      printed: bad?.printed ?? '',
    };
  } finally {
    asker.close();
  }
}
const GOOD = ['Goose Gate', 'Wagon Wheel'];

const VERDICTS: readonly (readonly [string, string, Partial<AskLimits>])[] = [
  ['CRASHES', 'asked-crashed', {}],
  ['ABORTS', 'asked-crashed', {}],
  ['HANGS', 'asked-hung', {}],
  ['SPINS', 'asked-hung', {}],
  ['STOPS', 'asked-hung', {}],
  ['EXITS', 'asked-exited', {}],
  ['FLOODS', 'asked-flooded', {}],
  ['SPEAKS', 'asked-spoke', {}],
  ['FORGES', 'asked-spoke', {}],
  ['SPEAKS_WITHOUT_END', 'asked-spoke', {}],
  ['EATS', 'asked-too-large', { megabytes: 300 }],
  ['EATS_IN_A_CHILD', 'asked-too-large', { megabytes: 300, seconds: 8 }],
  ['SPAWNS', 'asked-forked', {}],
];

/** What does not hang on the format is done in one of them; the others show that they are held alike. */
const IN_EACH_FORMAT = new Set(['CRASHES', 'EXITS', 'HANGS', 'FORGES', 'SPAWNS']);

describe.each(['LADSPA', 'VST2', 'VST3', 'CLAP'])('%s', (format) => {
  it.each(VERDICTS.filter(([misdeed]) => format === 'LADSPA' || IN_EACH_FORMAT.has(misdeed)))(
    '%s: %s, and the others are asked',
    async (misdeed, code = '', limits) => {
      const { codes, names, all } = await asked(format, misdeed, limits);
      expect([codes, names]).toEqual([[code], GOOD]);
      expect(all).not.toContain('Forged');
    },
    60_000,
  );
});

/** It says so each time that it is called, and nothing else. */
const only = (words: string): RegExp => new RegExp(`^(${words}\\s*)+$`);

describe('out of reach', () => {
  inClosedRoom.each(['KILLS_PARENT', 'KILLS_ALL'])('%s reaches nobody but itself', async (misdeed) => {
    const { names } = await asked('LADSPA', misdeed);
    expect(names).toEqual(GOOD);
  });

  inClosedRoom(
    'files are neither deleted nor written, what is nobody’s business is not read, and nothing is sent',
    async () => {
      const victim = join(folder, 'precious.txt');
      await writeFile(victim, 'the takes of last night', { mode: 0o600 });
      const VICTIM = `VICTIM="${victim}"`;
      expect((await asked('LADSPA', `DELETES ${VICTIM}`)).printed).toMatch(only('deleted: 0'));
      expect((await asked('LADSPA', `WRITES VICTIM="${join(folder, 'new.txt')}"`)).printed).toMatch(only('written: 0'));
      expect(existsSync(victim)).toBe(true);
      // As another user where ours is root, which must be let at the plugin: then not even files that are root's alone.
      await chmod(folder, 0o755);
      if (process.getuid?.() === 0)
        expect((await asked('LADSPA', 'READS VICTIM="/etc/shadow"')).printed).toMatch(only('read: 0'));
      const server = createServer((socket) => socket.destroy());
      await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
      const { port } = server.address() as AddressInfo;
      expect((await asked('LADSPA', `CONNECTS PORT=${String(port)}`)).printed).toMatch(only('connected: 0'));
      server.close();
      expect((await asked('LADSPA', 'FILLS')).printed).toMatch(only('large: 0'));
    },
    60_000,
  );

  it('of its surroundings it learns five names, whatever ours are', async () => {
    process.env.DATABASE_URL = 'postgresql://secret@127.0.0.1/none';
    const { printed } = await asked('LADSPA', 'LOOKS_AROUND');
    delete process.env.DATABASE_URL;
    // A shell adds the folder that it is in.
    const names = printed.split(' ').filter((name) => !['PWD', 'OLDPWD', 'SHLVL', '_', ''].includes(name));
    expect([...new Set(names)].sort()).toEqual(['HOME', 'LANG', 'PATH', 'TMPDIR', 'USER']);
  });
});

describe('what is left behind by one does not fall on the next', () => {
  it.each(['FORGES_LATER', 'CRASHES_LATER'])(
    '%s',
    async (misdeed) => {
      await buildToy(join(folder, 'a-bad.so'), `LADSPA ${misdeed}`);
      for (const letter of 'bcdefgh') await buildToy(join(folder, `${letter}-slow.so`), 'LADSPA DAWDLES');
      const { builds, faults } = await runScan([folder], { mayAsk: () => true });
      const ofOthers = faults.filter((fault) => !fault.path.endsWith('a-bad.so'));
      expect(ofOthers).toEqual([]);
      expect(new Set(builds.map((build) => build.name))).toEqual(new Set(GOOD));
      expect(builds.filter((build) => build.path.endsWith('-slow.so'))).toHaveLength(14);
    },
    60_000,
  );

  it('what was asked when all ended is asked alone the next time; once it was the only one, not again', async () => {
    const begun: string[] = [];
    const together: number[] = [];
    let now = 0;
    const notes = (verdict: 'suspect' | 'proven'): ProbeCrashLog => ({
      begin: (path) => {
        begun.push(basename(path));
        together.push(++now);
      },
      end: () => now--,
      of: (path) => (path.endsWith('b.so') ? verdict : null),
    });
    for (const name of ['a.so', 'b.so', 'c.so', 'd.so']) await buildToy(join(folder, name), 'LADSPA');
    const scan = (verdict: 'suspect' | 'proven') => {
      const asker = new Asker(STANDARD_LIMITS, undefined, notes(verdict), ROOMS);
      return runScan([folder], { mayAsk: () => true, asker }).finally(() => asker.close());
    };
    expect((await scan('suspect')).faults).toEqual([]);
    expect(together[begun.indexOf('b.so')]).toBe(1);
    begun.length = 0;
    const again = await scan('proven');
    expect(again.faults.map(({ path, code }) => [basename(path), code])).toEqual([['b.so', 'asked-ended-all']]);
    expect(begun).not.toContain('b.so');
  }, 60_000);
});

describe('what an asking process says', () => {
  const answer = { number: 'a', started: 0, plugins: [{ identifier: null, name: 'Plate', audioInputs: 2 }] };
  const read = (value: unknown) => messageIn(JSON.stringify(value));

  it('is taken in its shape alone', () => {
    expect(read(answer)).toEqual(answer);
    expect(read({ ready: true, more: 'x' })).toEqual({ ready: true });
    for (const wrong of [
      1,
      null,
      [],
      'x',
      {},
      { number: 1, started: 0, plugins: [] },
      { ...answer, started: -1 },
      { ...answer, plugins: {} },
      { ...answer, plugins: [1] },
      { ...answer, plugins: [{ name: 7 }] },
      { ...answer, plugins: [{ name: 'x'.repeat(5000) }] },
      { ...answer, plugins: [{ toString: 'x' }] },
      { ...answer, plugins: [{ audioInputs: -1 }] },
      { ...answer, plugins: Array.from({ length: 1001 }, () => ({})) },
      { number: 'a', started: 0, ports: [{ identifier: {} }] },
    ])
      expect([wrong, read(wrong)]).toEqual([wrong, null]);
    expect(messageIn('{"number":"a","started":0,"plugins":[{"__proto__":{"name":"x"}}]}')).toBeNull();
    expect(messageIn('{')).toBeNull();
  });

  it('comes in lines, and a line without an end is given up on', () => {
    const lines: string[] = [];
    let tooLong = 0;
    const cut = new Lines(
      (line) => lines.push(line),
      () => tooLong++,
    );
    for (const part of ['a', 'b\nc', '\n\nd', '\n']) cut.take(part);
    expect(lines).toEqual(['ab', 'c', '', 'd']);
    cut.take('x'.repeat(MAX_LINE + 1));
    expect(tooLong).toBe(1);
  });
});
