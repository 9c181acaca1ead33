/** Where the system does not tell who asks, whoever asks shows that he is the one who started it: by the code in the printed address, or by the key. */
import { expect, test } from '@playwright/test';
import { execFile } from 'node:child_process';
import { chmod, mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { ended, startOn, type Server } from '../support/own-server';

const PICK = fileURLToPath(new URL('../../scripts/pick.mjs', import.meta.url));
const SIGNS = { CLEVER_DRAWER_SIGN_IN: 'always' };
let outer: string;
let server: Server;

const start = async (port = '0'): Promise<Server> => startOn(join(outer, 'data'), { ...SIGNS, PORT: port });
async function stop(): Promise<void> {
  server.child.removeAllListeners('exit');
  const gone = ended(server.child);
  server.child.kill('SIGTERM');
  await gone;
}

test.beforeAll(async () => {
  outer = await mkdtemp(join(tmpdir(), 'clever-drawer-sign-in-'));
  await chmod(outer, 0o755);
  server = await start();
});
test.afterAll(async () => {
  await stop();
  await rm(outer, { recursive: true, force: true });
});

test('nobody gets in without it: neither pages nor lists, nor by a wrong code or key', async ({ page }) => {
  const wrong = 'x'.repeat(43);
  for (const path of [
    '/',
    '/api/computers',
    '/api/health',
    `/?code=${wrong}`,
    '/assets/x.js',
    '//',
    `//?code=${wrong}`,
  ])
    expect((await page.goto(server.url + path))?.status()).toBe(401);
  await expect(page.locator('body')).toContainText('Open the address that Clever Drawer printed');
  const cookie = `clever-drawer-${new URL(server.url).port}=${wrong}`;
  for (const header of [
    ['authorization', `Bearer ${wrong}`],
    ['cookie', cookie],
  ] as const)
    expect((await fetch(`${server.url}/api/computers`, { headers: [[...header]] })).status).toBe(401);
});

test('the printed address signs the browser in, once and for all; the code does not stay in it', async ({
  page,
  context,
}) => {
  expect(server.address).toContain('?code=');
  await page.goto(server.address);
  await expect(page.getByRole('link', { name: 'Intake' })).toBeVisible();
  expect(page.url()).not.toContain('code');
  const cookies = await context.cookies();
  expect(cookies).toMatchObject([{ httpOnly: true, sameSite: 'Strict', path: '/' }]);
  const { port } = new URL(server.url);
  const before = server.address.replace(/^[^?]*/, '');
  await stop();
  server = await start(port);
  // The browser is known again; the code of before is not.
  await page.reload();
  await expect(page.getByRole('link', { name: 'Intake' })).toBeVisible();
  expect((await fetch(`${server.url}/${before}`, { redirect: 'manual' })).status).toBe(401);
  const signed = await fetch(`${server.address}&q=plate`, { redirect: 'manual' });
  expect([signed.status, signed.headers.get('location')]).toEqual([303, '/?q=plate']);
  const elsewhere = server.address.replace('/?', '//other.example/?');
  expect((await fetch(elsewhere, { redirect: 'manual' })).headers.get('location')).toBe('/');
});

test('scripts send the key, which only this user can read', async () => {
  const file = join(outer, 'data', 'key');
  if (process.platform !== 'win32') expect((await stat(file)).mode & 0o777).toBe(0o600);
  const key = (await readFile(file, 'utf8')).trim();
  expect(key).toBe(server.key);
  const headers = { authorization: `Bearer ${key}` };
  expect((await fetch(`${server.url}/api/computers`, { headers })).status).toBe(200);
  const { port } = new URL(server.url);
  const env = { ...process.env, ...SIGNS, PORT: port, CLEVER_DRAWER_DATA: join(outer, 'data') };
  const picked = await promisify(execFile)(process.execPath, [PICK, 'plate'], { env }).catch((error: unknown) => error);
  expect((picked as { stderr: string }).stderr).toContain('Nothing that is installed and fits is called “plate”.');
});
