/** Two server processes on one database keep their windows in step. */
import { expect, test } from '@playwright/test';
import { chmod, mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster, type Cluster } from '../../server/dist/database/cluster.js';
import { ended, startOn } from '../support/own-server';
import { front, saved } from '../support/studio';

type Server = Awaited<ReturnType<typeof startOn>>;

let outer: string;
let cluster: Cluster;
let servers: [Server, Server];

test.beforeAll(async () => {
  outer = await mkdtemp(join(tmpdir(), 'clever-drawer-two-'));
  // The database's own user must pass through it when the tests run as root.
  await chmod(outer, 0o755);
  cluster = await startCluster(join(outer, 'data'), { throwaway: true });
  const env = { DATABASE_URL: cluster.url, XDG_CONFIG_HOME: join(outer, 'settings') };
  const one = await startOn('', env);
  servers = [one, await startOn('', env)];
});
test.afterAll(async () => {
  for (const { child } of servers) {
    child.removeAllListeners('exit');
    const gone = ended(child);
    child.kill('SIGTERM');
    await gone;
  }
  await cluster.stop();
  await rm(outer, { recursive: true, force: true });
});

test('what one server wrote is in the window of the other, and the other way round', async ({ context }) => {
  const [one, other] = servers;
  const [computer] = (await (await fetch(`${one.url}/api/computers`)).json()) as { id: string }[];
  const id = computer?.id ?? '';
  expect(await (await fetch(`${other.url}/api/computers`)).json()).toHaveLength(1);
  const [here, there] = [await context.newPage(), await context.newPage()];
  await here.goto(`${one.url}/${id}/sort`);
  await there.goto(`${other.url}/${id}/sort`);
  await expect(there.getByRole('main')).toContainText('Intake');

  const post = (path: string, body: object): Promise<Response> =>
    fetch(`${one.url}/api/computers/${id}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  // A scan at the one: the other's window has the plugins without being asked to look.
  const folder = join(outer, 'plugins');
  await mkdir(join(folder, 'oarlock.lv2'), { recursive: true });
  await writeFile(
    join(folder, 'oarlock.lv2', 'manifest.ttl'),
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:oarlock> a lv2:Plugin , lv2:DelayPlugin ; doap:name "Oarlock" .',
  );
  expect((await post('/folders', { path: folder })).status).toBe(201);
  expect((await post('/scans', {})).status).toBe(202);
  await expect(there.getByRole('row', { name: 'Oarlock' })).toBeVisible();
  // A pick at the one counts in the window of the other.
  const { plugins } = (await (await fetch(`${one.url}/api/computers/${id}/catalogue`)).json()) as {
    plugins: { id: string }[];
  };
  const pick = { pluginId: plugins[0]?.id, slot: 'insert', session: 'Music program', way: 'pick', milliseconds: 900 };
  expect((await post('/picks', pick)).status).toBe(201);
  await expect(there.getByRole('row', { name: 'Oarlock' }).getByTitle(/^last loaded on/)).toHaveText('1');
  const chest = { kind: 'make-chest', id: crypto.randomUUID(), name: 'Everyday', slots: null };
  expect((await post('/changes', { intents: [chest] })).status).toBe(200);
  await expect(there.getByText('Everyday').first()).toBeVisible();

  const makeDrawer = async (page: typeof here, name: string): Promise<void> => {
    await page.keyboard.press('n');
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await saved(page);
  };
  await makeDrawer(there, 'From the other');
  await expect(front(here, 'From the other')).toBeVisible();
  await makeDrawer(here, 'From the one');
  await expect(front(there, 'From the one')).toBeVisible();
  // Undo is the same on both: what is next is what is in the database.
  await there.keyboard.press('Control+z');
  await expect(front(here, 'From the one')).toHaveCount(0);
  await expect(front(here, 'From the other')).toBeVisible();
});
