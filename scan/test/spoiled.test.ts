/** A file spoils at most itself: what hangs, what eats memory, what is no file, and paths that are too long. */
import { execFile } from 'node:child_process';
import { chmod, mkdir, mkdtemp, rm, symlink, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { MAX_PATH_BYTES } from '@clever-drawer/core/facts/caps';
import { readInThreads } from '../src/place-readers';
import { runScan } from '../src/run-scan';

const WORKER = fileURLToPath(new URL('./hanging-worker.mjs', import.meta.url));
let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-spoiled-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

async function bundle(name: string): Promise<void> {
  await mkdir(join(folder, `${name}.lv2`));
  await writeFile(
    join(folder, `${name}.lv2`, 'manifest.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:${name}> a lv2:Plugin ; doap:name "${name}" .`,
  );
}
// Memory must be gone before the time is, on a slow machine as well.
const readers = () => readInThreads({ seconds: 4, megabytes: 48 }, WORKER);

describe('reading in threads', () => {
  it('a place that hangs or takes all memory is a fault of its own; the rest is read, and it is not read again until it changes', async () => {
    for (const name of ['plate', 'hang', 'greedy', 'hatch']) await bundle(name);
    const first = await runScan([folder], { readers });
    expect(first.builds.map((build) => build.name)).toEqual(['hatch', 'plate']);
    expect(first.faults.map(({ code, path }) => [code, path.slice(folder.length + 1)])).toEqual([
      ['reading-too-large', 'greedy.lv2'],
      ['reading-too-long', 'hang.lv2'],
    ]);
    const known = new Map(first.places.map((place) => [place.path, place]));
    const again = await runScan([folder], { readers, known });
    expect([again.unchanged, again.fresh.length, again.faults.length]).toEqual([4, 0, 2]);
    await rm(join(folder, 'hang.lv2'), { recursive: true });
    await bundle('hang');
    await writeFile(join(folder, 'hang.lv2', 'more.ttl'), '');
    expect((await runScan([folder], { readers, known })).fresh.map((place) => place.path)).toEqual([
      join(folder, 'hang.lv2'),
    ]);
  }, 240_000);

  it('a cancel ends a thread that hangs', async () => {
    for (const name of ['hang', 'plate']) await bundle(name);
    const cancel = new AbortController();
    const scan = runScan([folder], {
      readers: () => readInThreads({ seconds: 600, megabytes: 64 }, WORKER),
      signal: cancel.signal,
    });
    setTimeout(() => cancel.abort(), 500);
    expect((await scan).cancelled).toBe(true);
  }, 30_000);
});

describe('what is no file', () => {
  it('is told as what it is: a pipe, a socket, a folder; and nobody waits for it', async () => {
    await promisify(execFile)('mkfifo', [join(folder, 'pipe.vst3')]);
    const server = createServer();
    await new Promise<void>((done) => server.listen(join(folder, 'socket.clap'), done));
    await bundle('plate');
    await rm(join(folder, 'plate.lv2', 'manifest.ttl'));
    await promisify(execFile)('mkfifo', [join(folder, 'plate.lv2', 'manifest.ttl')]);
    const { faults } = await runScan([folder]);
    server.close();
    const details = Object.fromEntries(faults.map(({ path, detail }) => [path.slice(folder.length + 1), detail]));
    expect(details).toMatchObject({
      'pipe.vst3': 'it is a named pipe, and no file',
      'socket.clap': 'it is a socket, and no file',
    });
    expect(faults.some(({ path }) => path.includes('plate.lv2'))).toBe(true);
  }, 30_000);
});

describe('the walk', () => {
  it('a path that fits into no index is left out with a fault, and what lies beside it is read', async () => {
    await bundle('plate');
    const part = 'x'.repeat(200);
    let deep = folder;
    for (let level = 0; level < 12; level++) deep = join(deep, part);
    await mkdir(deep, { recursive: true });
    await writeFile(join(deep, 'deep.clap'), 'x');
    const { builds, faults } = await runScan([folder]);
    expect(builds.map((build) => build.name)).toEqual(['plate']);
    expect(faults.map(({ code }) => code)).toEqual(['path-too-long']);
    expect(new TextEncoder().encode(faults[0]?.path).length).toBeLessThanOrEqual(MAX_PATH_BYTES);
  });

  const onLinux = process.platform === 'linux' ? it : it.skip;
  onLinux('a link into what the system makes up is a fault, and not followed', async () => {
    await bundle('plate');
    await symlink('/proc', join(folder, 'processes'));
    await symlink('/sys/devices', join(folder, 'devices'));
    const { builds, faults } = await runScan([folder]);
    expect(builds).toHaveLength(1);
    expect(faults.map(({ code }) => code)).toEqual(['folder-made-up', 'folder-made-up']);
    expect((await runScan(['/proc'])).faults.map(({ code }) => code)).toEqual(['folder-made-up']);
  });

  it('a folder that may not be read is a fault', async () => {
    await mkdir(join(folder, 'closed.lv2'));
    await chmod(join(folder, 'closed.lv2'), 0o000);
    const { faults } = await runScan([folder]);
    await chmod(join(folder, 'closed.lv2'), 0o755);
    expect(faults).toHaveLength(1);
  });
});
