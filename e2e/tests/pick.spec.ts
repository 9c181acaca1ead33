/** The pick window beside a music program: by keyboard alone, handed over by clipboard and by Open Sound Control to the receiver that ships as stand-in. */
import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { accessible, ask, computerNamed, placeOf } from '../support/studio';

const RECEIVER = fileURLToPath(new URL('../../scripts/receiver.mjs', import.meta.url));
const PICK = fileURLToPath(new URL('../../scripts/pick.mjs', import.meta.url));
const url = (): string => process.env.DEMO_URL ?? '';

interface Receiver {
  readonly port: number;
  readonly lines: string[];
  readonly child: ChildProcess;
}

/** The receiver of npm run receiver, on a port of its own. */
async function startReceiver(): Promise<Receiver> {
  const args = [RECEIVER, '--port', '0', '--lane', 'Voices', '--slot', 'bus'];
  const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
  const lines: string[] = [];
  child.stdout
    .setEncoding('utf8')
    .on('data', (text: string) => lines.push(...text.split('\n').filter((one) => one !== '')));
  await expect.poll(() => lines[0] ?? '').toMatch(/listens on/);
  return { port: Number(/port (\d+)/.exec(lines[0] ?? '')?.[1]), lines, child };
}

const offered = (page: Page) => page.getByRole('listbox', { name: 'Plugins that fit' }).getByRole('option');

async function openPick(page: Page, query = ''): Promise<void> {
  // The window is that of the computer that was at hand last.
  await page.goto(await placeOf('load'));
  await page.setViewportSize({ width: 420, height: 720 });
  await page.goto(`${url()}/pick${query}`);
  await expect(offered(page).first()).toBeVisible();
}

test('a link opens it with what is looked for; Enter copies the exact name, counts as a load, and it is ready for the next', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'], { origin: url() });
  await openPick(page, '?slot=insert&q=big');
  await expect(page.getByRole('combobox', { name: 'Find a plugin' })).toHaveValue('big');
  await accessible(page);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'last:' })).toContainText('“Kettlewold Plate” copied');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Kettlewold Plate');
  await expect(page.getByRole('combobox', { name: 'Find a plugin' })).toHaveValue('');
  await expect(page.getByRole('combobox', { name: 'Find a plugin' })).toBeFocused();
  const { id } = await computerNamed('Music room');
  const { uses } = await ask<{ uses: { way: string; session: string; item: string }[] }>(`/computers/${id}/uses`);
  expect([uses[0]?.way, uses[0]?.session]).toEqual(['pick', 'Music program']);
  // What was picked is recent, in this window and in every other one.
  await expect(offered(page).filter({ hasText: 'the big plate' }).first()).toBeVisible();
});

test('of a preset the path of its file goes to the clipboard, when that is wanted', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'], { origin: url() });
  await openPick(page);
  await page.getByRole('button', { name: 'change …' }).click();
  await page.getByLabel('Of a preset the path of its file, and not its name').check();
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('combobox', { name: 'Find a plugin' }).fill('under the bridge');
  await expect(page.locator('[role="option"].at')).toContainText('Under the Bridge');
  await page.getByRole('combobox', { name: 'Find a plugin' }).press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'last:' })).toContainText(
    '“Under the Bridge” copied as a file path',
  );
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^\/|^https?:/);
});

test('a message goes to the address that was chosen, by default nowhere; the other side says what is selected there', async ({
  page,
}) => {
  expect(await ask('/hand-over')).toEqual({ host: null, port: null });
  const receiver = await startReceiver();
  try {
    await openPick(page);
    await page.getByRole('button', { name: 'change …' }).click();
    await page.getByLabel(/^An Open Sound Control message/).check();
    await page.getByLabel('Port').fill(String(receiver.port));
    await page.getByLabel(/^The exact name/).uncheck();
    await accessible(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText(`OSC 127.0.0.1:${String(receiver.port)}`)).toBeVisible();
    await expect(page.getByLabel('For which slot')).toHaveValue('bus');
    await page.getByRole('combobox', { name: 'Find a plugin' }).fill('glue');
    await expect(page.locator('[role="option"].at')).toContainText('Glue');
    await page.getByRole('combobox', { name: 'Find a plugin' }).press('Enter');
    await expect(page.getByRole('status').filter({ hasText: 'last:' })).toContainText('sent');
    await expect
      .poll(() => receiver.lines.find((line) => line.startsWith('load ')))
      .toMatch(/format="\w+" identifier=".*" path=".+" name=".*Glue" lane="Voices" slot="insert"/);
    await page.getByRole('button', { name: 'change …' }).click();
    await page.getByLabel(/^An Open Sound Control message/).uncheck();
    await page.getByLabel(/^The exact name/).check();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('hands over by clipboard')).toBeVisible();
    await expect.poll(() => ask('/hand-over')).toEqual({ host: null, port: null });
  } finally {
    receiver.child.kill('SIGTERM');
  }
});

test('from a terminal: name, path or identifier of the first match, a short list, and a word where there is none', async () => {
  const run = (...args: string[]): Promise<{ code: number | null; out: string; err: string }> =>
    new Promise((done) => {
      const env = { ...process.env, PORT: new URL(url()).port };
      const child = spawn(process.execPath, [PICK, '--computer', 'Music room', ...args], { env });
      const told = { out: '', err: '' };
      child.stdout.on('data', (text: Buffer) => (told.out += text.toString()));
      child.stderr.on('data', (text: Buffer) => (told.err += text.toString()));
      child.on('exit', (code) => done({ code, ...told }));
    });
  expect((await run('big', 'plate')).out.trim()).toBe('Kettlewold Plate');
  expect((await run('big', 'plate', '--print', 'path')).out.trim()).toMatch(/^\/.+/);
  const list = (await run('plate', '--list')).out.trim().split('\n');
  expect(list.length).toBeGreaterThan(1);
  expect(list[0]?.split('\t')).toHaveLength(4);
  const none = await run('xyzzyx');
  expect([none.code === 0, none.out]).toEqual([false, '']);
  expect(none.err).toContain('Nothing that is installed');
});

test('can be installed: a manifest with a name, a start and icons (W3C Web App Manifest)', async ({ page }) => {
  await openPick(page);
  const href = await page.locator('link[rel="manifest"]').getAttribute('href');
  const response = await fetch(`${url()}${href ?? ''}`);
  expect(response.headers.get('content-type')).toContain('application/manifest+json');
  const manifest = (await response.json()) as {
    start_url: string;
    display: string;
    name: string;
    icons: { src: string; sizes: string }[];
  };
  expect([manifest.start_url, manifest.display]).toEqual(['/pick', 'standalone']);
  for (const { src } of manifest.icons) expect((await fetch(`${url()}${src}`)).status).toBe(200);
});
