import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { chmod, mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { lock } from 'proper-lockfile';
import { startCluster } from '../src/database/cluster';
import { openDatabase } from '../src/database/data-source';
import { findPrograms } from '../src/database/postgres-programs';
import { readSettings, SETTINGS_TABLE, type Settings } from '../src/settings';
import { startServer, type RunningServer } from '../src/start-server';
import { explainSystemError, StartupError } from '../src/startup-error';
import { settingsIn } from './support/settings';

let folder: string;
let settings: Settings;
const running: RunningServer[] = [];
const start = async (change: Partial<Settings> = {}): Promise<RunningServer> => {
  const server = await startServer({ ...settings, ...change }, { withThisComputer: true, throwaway: true });
  running.push(server);
  return server;
};
const sentence = async (change: Partial<Settings>): Promise<string> =>
  start(change).then(
    () => 'started',
    (error: unknown) => (error instanceof StartupError ? error.message : `not a sentence: ${String(error)}`),
  );

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-start-'));
  await chmod(folder, 0o755);
  settings = settingsIn(folder);
});
afterEach(async () => {
  for (const server of running.splice(0)) await server.stop();
  await rm(folder, { recursive: true, force: true });
});

describe('starting', () => {
  it('begins with this computer, and keeps what was changed', async () => {
    const first = await start();
    const [computer] = (await (await fetch(`${first.url}/api/computers`)).json()) as { id: string }[];
    expect(computer).toBeDefined();
    await fetch(`${first.url}/api/computers/${computer?.id ?? ''}`, {
      method: 'PATCH',
      body: '{"name":"Music room"}',
      headers: { 'content-type': 'application/json' },
    });
    await first.stop();
    const again = await start();
    expect(await (await fetch(`${again.url}/api/computers`)).json()).toMatchObject([
      { id: computer?.id, name: 'Music room' },
    ]);
  });

  it('answers at 127.0.0.1 alone, and at no other address that this computer has', async () => {
    const { port } = new URL((await start()).url);
    const others = Object.values(networkInterfaces())
      .flatMap((found) => found ?? [])
      .filter(({ address, scopeid }) => address !== '127.0.0.1' && !scopeid)
      .map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address));
    // All of 127.0.0.0/8 is loopback (RFC 1122, 3.2.1.3): a server that listens everywhere answers at each of them where the system has them.
    for (const host of ['127.0.0.2', ...others])
      await expect(fetch(`http://${host}:${port}/api/health`, { signal: AbortSignal.timeout(5000) })).rejects.toThrow();
    expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200);
  });

  it('a data folder that another server uses is left to it; the lock of a killed one is taken over', async () => {
    await mkdir(settings.dataFolder);
    const mark = join(settings.dataFolder, 'running.json');
    const release = await lock(settings.dataFolder, {
      lockfilePath: join(settings.dataFolder, 'running.lock'),
      onCompromised: () => undefined,
    });
    await writeFile(mark, JSON.stringify({ pid: process.ppid, url: 'http://127.0.0.1:4310' }));
    expect(await sentence({})).toContain(
      `already runs with this data folder, at http://127.0.0.1:4310 (process ${String(process.ppid)})`,
    );
    await writeFile(mark, JSON.stringify({ pid: 2 ** 30, url: 'http://127.0.0.1:4310' }));
    expect(await sentence({})).toBe('started');
    await release().catch(() => undefined);
  });

  it('a port in use is a sentence with another port', async () => {
    const other = createServer();
    await new Promise<void>((done) => other.listen(0, '127.0.0.1', done));
    const address = other.address();
    const port = typeof address === 'object' && address !== null ? address.port : 0;
    expect(await sentence({ port })).toBe(
      `Port ${String(port)} is in use, maybe by Clever Drawer itself in another window. Stop that, or choose another port: PORT=${String(port + 1)} npm start`,
    );
    await new Promise((done) => other.close(done));
  });

  it('data of a newer version is left alone', async () => {
    const cluster = await startCluster(join(folder, 'studio'), { throwaway: true });
    try {
      const source = await openDatabase(cluster.url);
      await source.query(
        `INSERT INTO migrations (timestamp, name) VALUES (9999999999999, 'FromTheFuture9999999999999')`,
      );
      await source.destroy();
      expect(await sentence({ databaseUrl: cluster.url })).toContain(
        'written by a newer version of Clever Drawer (FromTheFuture9999999999999)',
      );
    } finally {
      await cluster.stop();
    }
  });

  it('works on an existing PostgreSQL server, and keeps nothing in the data folder then', async () => {
    const cluster = await startCluster(join(folder, 'studio'), { throwaway: true });
    try {
      const server = await start({ databaseUrl: cluster.url });
      expect((await fetch(`${server.url}/api/computers`)).status).toBe(200);
      // A second server process on the same database is welcome: no state is kept in the process.
      const second = await start({ databaseUrl: cluster.url });
      expect(await (await fetch(`${second.url}/api/computers`)).json()).toHaveLength(1);
      expect(existsSync(settings.dataFolder)).toBe(false);
      for (const one of running.splice(0)) await one.stop();
    } finally {
      await cluster.stop();
    }
  });

  it('a file in the place of the data folder, and a database that does not answer, are sentences', async () => {
    await writeFile(join(folder, 'file'), '');
    expect(await sentence({ dataFolder: join(folder, 'file', 'data') })).toContain('a file is in the way');
    expect(await sentence({ databaseUrl: 'postgresql://nobody:x@127.0.0.1:1/none' })).toContain("can't be reached");
  });

  it('a full disk and a missing right are sentences', () => {
    expect(explainSystemError({ code: 'ENOSPC' }, '/data')).toMatchObject({
      message: expect.stringContaining('is full. Free some space') as string,
    });
    expect(explainSystemError({ code: 'EACCES' }, '/data')).toMatchObject({
      message: expect.stringContaining('No right to write') as string,
    });
    expect(() => findPrograms('/no/such/folder')).toThrow('sudo apt-get install postgresql');
  });
});

describe('the computer at hand', () => {
  const computers = async ({ url }: RunningServer) =>
    (await (await fetch(`${url}/api/computers`)).json()) as { id: string; name: string; here: boolean }[];

  it('is the one that was made first, also in a data folder of before this was kept, and when the file was damaged', async () => {
    const [own] = await computers(await start());
    await running.splice(0)[0]?.stop();
    const file = join(folder, 'data', 'computer-id');
    expect((await readFile(file, 'utf8')).trim()).toBe(own?.id);
    for (const spoil of [() => rm(file), () => writeFile(file, 'half an i')]) {
      await spoil();
      expect(await computers(await start())).toMatchObject([{ id: own?.id, here: true }]);
      await running.splice(0)[0]?.stop();
      expect((await readFile(file, 'utf8')).trim()).toBe(own?.id);
    }
  });

  it('is kept with the settings of the system when the database is elsewhere: two computers share it, and each knows which it is', async () => {
    const cluster = await startCluster(join(folder, 'elsewhere'), { throwaway: true });
    try {
      const one = await computers(await start({ databaseUrl: cluster.url, settingsFolder: join(folder, 'one') }));
      expect(one.map(({ here }) => here)).toEqual([true]);
      // The other one is called the same, as this is one machine in truth: it is told by its id.
      const id = '22222222-2222-4222-8222-222222222222';
      await mkdir(join(folder, 'two'), { recursive: true });
      await writeFile(join(folder, 'two', 'computer-id'), id);
      const two = await computers(await start({ databaseUrl: cluster.url, settingsFolder: join(folder, 'two') }));
      expect(two.map((computer) => [computer.id, computer.here])).toEqual([
        [one[0]?.id, false],
        [id, true],
      ]);
    } finally {
      for (const server of running.splice(0)) await server.stop();
      await cluster.stop();
    }
  });
});

describe('settings', () => {
  it.each([
    [{ PORT: 'x' }, 'PORT is "x"'],
    [{ PORT: '70000' }, 'PORT is "70000"'],
    [{ LOG_LEVEL: 'loud' }, 'LOG_LEVEL is "loud"'],
    [{ CLEVER_DRAWER_USERS: 'root, whoever-that-is' }, 'names "whoever-that-is"'],
    [{ DATABASE_URL: 'mysql://x' }, 'DATABASE_URL should look like'],
  ])('%j is refused in words', (env, words) => expect(() => readSettings(env)).toThrow(words));

  it('are all in the table that the README prints', async () => {
    const readme = await readFile(new URL('../../README.md', import.meta.url), 'utf8');
    // The formatter pads the columns.
    const rows = readme.split('\n').map((line) => line.split('|').map((cell) => cell.trim()));
    for (const { name, meaning } of SETTINGS_TABLE)
      expect(rows).toContainEqual(expect.arrayContaining([`\`${name}\``, meaning]));
  });

  it('has a standard for everything', () => {
    expect(readSettings({ XDG_DATA_HOME: '/x', XDG_CONFIG_HOME: '/y' })).toEqual({
      port: 4310,
      askSeconds: 10,
      askMegabytes: 1024,
      users: [],
      signsIn: false,
      dataFolder: '/x/clever-drawer',
      settingsFolder: '/y/clever-drawer',
      databaseUrl: null,
      logLevel: 'warn',
    });
  });
});
