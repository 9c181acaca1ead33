import { existsSync, readFileSync } from 'node:fs';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { startOwnStudio } from '../support/own-server';
import { computerNamed, front, label, placeOf, saved } from '../support/studio';

test('the places are reached by keys, and the computer at hand is switched at the top', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(3)).toBeVisible();
  for (const [key, place] of [
    ['Alt+i', 'intake'],
    ['Alt+l', 'load'],
    ['Alt+k', 'keep'],
    ['Alt+s', 'sort'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${place}$`));
  }
  await page.getByRole('button', { name: 'Computer at hand: Music room' }).click();
  await page.getByRole('button', { name: /^Puppet wagon/ }).click();
  await expect(page).toHaveURL(new RegExp((await computerNamed('Puppet wagon')).id));
  await expect(page.getByRole('button', { name: 'Computer at hand: Puppet wagon' })).toBeVisible();
  // A visit without an address begins where the last one was.
  await page.goto(new URL('/', page.url()).href);
  await expect(page.getByRole('button', { name: 'Computer at hand: Puppet wagon' })).toBeVisible();
});

test('day and night follow the system, and can be switched for good', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(await placeOf('keep'));
  const theme = () => page.locator('html').getAttribute('data-bs-theme');
  await expect.poll(theme).toBe('dark');
  await page.getByRole('button', { name: /^Theme:/ }).click();
  await expect.poll(theme).toBe('light');
  await page.reload();
  await expect.poll(theme).toBe('light');
  await page.getByRole('button', { name: /^Theme:/ }).click();
  await page.getByRole('button', { name: /^Theme:/ }).click();
  await page.emulateMedia({ colorScheme: 'light' });
  await expect.poll(theme).toBe('light');
});

test('an address that leads nowhere leads home, and a computer that is not there does too', async ({ page }) => {
  const { id } = await computerNamed('Music room');
  const home = await placeOf('sort');
  await page.goto(home.replace('/sort', '/nowhere'));
  await expect(page).toHaveURL(new RegExp(`${id}/sort`));
  await page.goto(home.replace(id, 'no-such-computer'));
  await expect(page.getByRole('row').nth(3)).toBeVisible();
});

test('when the server does not answer, what was typed waits for it and is saved as soon as it is back', async ({
  page,
}) => {
  await page.goto(await placeOf('sort'));
  await expect(front(page, 'Narration')).toBeVisible();
  await page.route('**/changes', (route) => route.abort());
  await page.keyboard.press('n');
  await page.keyboard.type('Typed meanwhile');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').getByText('your last change will be saved')).toBeVisible();
  await expect(front(page, 'Typed meanwhile')).toBeVisible();
  await page.unroute('**/changes');
  await saved(page);
  await page.reload();
  await label(page, 'Typed meanwhile').press('Delete');
  await saved(page);
});

test('when the database ends the page says that it is started again, and goes on by itself', async ({ page }) => {
  const data = process.env.DEMO_FOLDER ?? '';
  const elsewhere = join(data, 'database-is-in.txt');
  const home = existsSync(elsewhere) ? readFileSync(elsewhere, 'utf8').trim() : join(data, 'database');
  const postmaster = Number(readFileSync(join(home, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
  await page.goto(await placeOf('sort'));
  await expect(front(page, 'Narration')).toBeVisible();
  // A window that does not listen yet when it happens can't be told: a change from outside shows that it does.
  const path = `${process.env.DEMO_URL ?? ''}/api/computers/${(await computerNamed('Music room')).id}`;
  const post = (to: string, body: object) =>
    fetch(`${path}/${to}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await post('changes', { intents: [{ kind: 'name-tray', tray: 8, name: 'Heard of' }] });
  await expect(page.getByRole('contentinfo')).toContainText('Heard of');
  await post('undo', {});
  await expect(page.getByRole('contentinfo')).not.toContainText('Undo: name tray 8 Heard of');
  const words = page.getByRole('contentinfo').getByText('The database is restarting');
  // A database can be there again within half a second, which is as seldom as what waits for a locator looks for it.
  const seen = page.evaluate(
    () =>
      new Promise<void>((done) => {
        new MutationObserver(() => {
          const told = document.querySelector('footer, [role=contentinfo]')?.textContent ?? '';
          if (told.includes('The database is restarting')) done();
        }).observe(document.body, { subtree: true, childList: true, characterData: true });
      }),
  );
  process.kill(postmaster, 'SIGKILL');
  await seen;
  await expect(words).toHaveCount(0, { timeout: 60_000 });
  await expect(async () => {
    expect((await fetch(`${process.env.DEMO_URL ?? ''}/api/health`)).status).toBe(200);
  }).toPass({ timeout: 60_000 });
  await page.keyboard.press('n');
  await page.keyboard.type('Afterwards');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(front(page, 'Afterwards')).toBeVisible();
  await label(page, 'Afterwards').press('Delete');
  await saved(page);
});

test('a page that can not read its data says so and tries again', async ({ page }) => {
  await page.route('**/catalogue/columns', (route) =>
    route.fulfill({ status: 500, contentType: 'application/problem+json', body: '{"detail":"Something went wrong."}' }),
  );
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('alert')).toContainText('Something went wrong.');
  await page.unroute('**/catalogue/columns');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('row').nth(3)).toBeVisible();
});

test('what a page of plugins shows first is fetched once, while its code is still on its way (HTML, "preload")', async ({
  page,
}) => {
  for (const place of ['sort', 'load'] as const) {
    await page.goto(await placeOf(place));
    await expect(page.getByRole('main')).toBeVisible();
    const fetched = await page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter(({ name }) => /\/(columns|arrangement)$/.test(name))
        .map(({ name, initiatorType }) => `${name.replace(/.*\//, '')} ${initiatorType}`)
        .sort(),
    );
    expect(fetched).toEqual(['arrangement link', 'columns link']);
  }
});

test('a studio computer without a network: places open, and a scan begins', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(3)).toBeVisible();
  // The browser says so; the server on the same machine answers all the same.
  await page.evaluate(() => window.dispatchEvent(new Event('offline')));
  await page.keyboard.press('Alt+k');
  await expect(page.getByRole('heading', { name: 'Import an arrangement' })).toBeVisible();
  await page.keyboard.press('Alt+i');
  await expect(page.getByRole('heading', { name: 'Plugin folders' })).toBeVisible();
  const begun = page.waitForRequest((request) => request.method() === 'POST' && request.url().endsWith('/scans'));
  await page.getByRole('button', { name: /^Scan all/ }).click();
  await begun;
  // It is over before the next test looks at the same studio.
  await expect(page.getByRole('heading', { name: 'Scanning' })).toBeHidden({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: /^Scan all/ })).toBeEnabled({ timeout: 60_000 });
});

test('a part of the page that can not be fetched says so', async ({ page }) => {
  await page.route('**/assets/keep-page-*.js', (route) => route.abort());
  await page.goto(await placeOf('keep'));
  await expect(page.getByRole('alert')).toContainText('This part of the page could not be fetched.');
  await page.unroute('**/assets/keep-page-*.js');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Export' }).or(page.getByRole('main')).first()).toBeVisible();
});

test('drawers by keyboard: inner ones, renamed, put inside, moved back, in the order of Alt and arrows', async ({
  page,
}) => {
  await page.goto(await placeOf('sort'));
  await label(page, 'Narration').press('r');
  await page.keyboard.type('Voices');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Voices')).toBeVisible();
  await label(page, 'Voices').press('p');
  await page.keyboard.type('dynam');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Dynamics').getByRole('region', { name: 'Drawer Voices' })).toBeVisible();
  await front(page, 'Dynamics').getByRole('button', { name: 'Inner drawer', exact: true }).click();
  await page.keyboard.type('Softer');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Dynamics').getByRole('region', { name: 'Drawer Softer' })).toBeVisible();
  await label(page, 'Softer').press('Alt+ArrowLeft');
  const inner = () =>
    front(page, 'Dynamics')
      .locator('[data-drawer]')
      .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  await expect.poll(inner).toEqual(['Drawer Softer', 'Drawer Voices']);
  // Each step back is named, and all of them together leave the chest as it was.
  for (const step of ['move Softer', 'new drawer Softer', 'put Voices into Dynamics', 'rename Narration to Voices']) {
    await page.getByRole('button', { name: `Undo: ${step}` }).click();
  }
  await expect(front(page, 'Narration')).toBeVisible();
  await expect(front(page, 'Dynamics').locator('[data-drawer]')).toHaveCount(0);
  await saved(page);
});

test('a long scan tells how far it is and is cancelled, keeping what was read', async ({ page }) => {
  const own = await startOwnStudio();
  const folder = own.folder;
  for (let index = 0; index < 4000; index++) {
    const bundle = join(folder, `m${String(index)}.lv2`);
    await mkdir(bundle, { recursive: true });
    await writeFile(
      join(bundle, 'manifest.ttl'),
      `<urn:m${String(index)}> a <http://lv2plug.in/ns/lv2core#Plugin> ; <http://usefulinc.com/ns/doap#name> "Many ${String(index)}" .`,
    );
  }
  await page.goto(own.placeOf('intake'));
  await page.getByLabel('Another folder').fill(folder);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: `Scan ${folder}` }).click();
  await expect(page.getByText('found places read')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel, and keep what was read' }).click();
  await expect(
    page.getByRole('heading', { name: 'The last scan was cancelled; what it had read is kept' }),
  ).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: `Remove ${folder} from the list` }).click();
  // Whoever still asks would be answered by nobody.
  await page.goto('about:blank');
  await own.stop();
});
