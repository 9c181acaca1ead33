import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { front, label, placeOf, row, saved } from '../support/studio';

const CHANGES = '**/changes';

/** Another window of the same browser, in Sort. */
async function windowIn(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  return page;
}

/** Holds the changes that a window sends until they are let go. */
async function holdChanges(page: Page): Promise<() => void> {
  let letGo: () => void = () => undefined;
  const gate = new Promise<void>((done) => (letGo = done));
  await page.route(CHANGES, async (route) => {
    await gate;
    await route.continue();
  });
  return letGo;
}

async function makeDrawer(page: Page, name: string): Promise<void> {
  await page.keyboard.press('n');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await expect(front(page, name)).toBeVisible();
}

async function fileRow(page: Page, index: number, drawer: string): Promise<void> {
  await page.getByRole('row').nth(index).click();
  await page.keyboard.press('f');
  await page.keyboard.type(drawer);
  await page.keyboard.press('Enter');
}

const lines = (page: Page, drawer: string) => page.getByRole('listbox', { name: `In ${drawer}` }).getByRole('option');
const namesIn = (page: Page, drawer: string) =>
  lines(page, drawer).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
const told = (page: Page) => page.getByRole('region', { name: /Notifications/ });

/** The drawers of the chest at hand, in order. */
const fronts = (page: Page) =>
  page.locator('[data-drawer]').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));

test('both file into one drawer at the same moment: both show what is kept, and it can be moved on', async ({
  context,
}) => {
  const [one, other] = [await windowIn(context), await windowIn(context)];
  await makeDrawer(one, 'Both at once');
  await expect(front(other, 'Both at once')).toBeVisible();
  await saved(one);
  const letGo = [await holdChanges(one), await holdChanges(other)];
  await fileRow(one, 2, 'Both at once');
  await fileRow(other, 3, 'Both at once');
  await expect(one.getByRole('contentinfo')).toContainText('saving …');
  for (const go of letGo) go();
  await saved(one);
  await saved(other);
  for (const page of [one, other]) {
    await label(page, 'Both at once').press('Enter');
    await expect(lines(page, 'Both at once')).toHaveCount(2);
  }
  await expect.poll(() => namesIn(other, 'Both at once')).toEqual(await namesIn(one, 'Both at once'));
  const [first, second] = await namesIn(one, 'Both at once');
  await lines(other, 'Both at once').nth(1).click();
  await other.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => namesIn(one, 'Both at once')).toEqual([second, first]);
  await saved(other);
  await expect(told(other)).not.toContainText('Another window');
  await label(one, 'Both at once').press('Delete');
  await expect(front(other, 'Both at once')).toHaveCount(0);
  await saved(one);
});

test('one renames what the other deletes: it is told, nothing comes back, and the status line says so', async ({
  context,
}) => {
  const [one, other] = [await windowIn(context), await windowIn(context)];
  await makeDrawer(one, 'Soon gone');
  await expect(front(other, 'Soon gone')).toBeVisible();
  await saved(one);
  const letGo = await holdChanges(other);
  await label(other, 'Soon gone').press('r');
  await other.keyboard.type('Kept');
  await other.keyboard.press('Enter');
  await expect(front(other, 'Kept')).toBeVisible();
  await label(one, 'Soon gone').press('Delete');
  await saved(one);
  letGo();
  await expect(told(other)).toContainText('not there any more');
  await expect(other.getByRole('contentinfo')).toContainText('not saved: rename Soon gone to Kept');
  await expect(front(other, 'Kept')).toHaveCount(0);
  await expect.poll(() => fronts(other)).toEqual(await fronts(one));
});

test('a failure in the middle of queued changes takes nothing else along, and undo goes on from there', async ({
  context,
}) => {
  const one = await windowIn(context);
  let sent = 0;
  let letFirstGo: () => void = () => undefined;
  const first = new Promise<void>((done) => (letFirstGo = done));
  await one.route(CHANGES, async (route) => {
    const at = ++sent;
    if (at === 1) await first;
    await (at === 2 ? route.abort() : route.continue());
  });
  for (const name of ['Queued first', 'Queued lost', 'Queued last']) await makeDrawer(one, name);
  await expect(one.getByRole('contentinfo')).toContainText('saving …');
  letFirstGo();
  await saved(one);
  await expect(front(one, 'Queued first')).toBeVisible();
  await expect(front(one, 'Queued lost')).toBeVisible();
  await expect(front(one, 'Queued last')).toBeVisible();
  await one.reload();
  await expect(front(one, 'Queued last')).toBeVisible();
  await expect(front(one, 'Queued lost')).toBeVisible();
  for (const name of ['Queued last', 'Queued lost', 'Queued first'])
    await one.getByRole('button', { name: `Undo: new drawer ${name}` }).click();
  await expect(front(one, 'Queued first')).toHaveCount(0);
  await saved(one);
});

test('what happened while the line was down is made up for', async ({ context }) => {
  const one = await windowIn(context);
  const other = await context.newPage();
  let isDown = true;
  // A browser without shared workers asks again and again how far things are.
  await other.addInitScript('delete window.SharedWorker');
  await other.route('**/revisions', (route) => (isDown ? route.abort() : route.continue()));
  await other.goto(await placeOf('sort'));
  await expect(other.getByRole('row').nth(5)).toBeVisible();
  await makeDrawer(one, 'Unheard');
  await saved(one);
  await expect(front(other, 'Unheard')).toHaveCount(0);
  await expect(other.getByRole('contentinfo')).toContainText('Clever Drawer isn’t running.');
  isDown = false;
  await expect(front(other, 'Unheard')).toBeVisible();
  // The step of another open window is named as such, and undone by the second press only.
  const step = other.getByRole('button', { name: 'Undo: new drawer Unheard (another window)' });
  await step.click();
  await expect(told(other)).toContainText('made in another window');
  await expect(front(other, 'Unheard')).toBeVisible();
  await other.getByRole('button', { name: 'Undo anyway: new drawer Unheard (another window)' }).click();
  await expect(front(one, 'Unheard')).toHaveCount(0);
  await saved(one);
});

test('each filter stands in the address, and is the same when it is opened again', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  await expect(page.locator('[data-chest][aria-busy="false"]')).toBeVisible();
  const shown = page.locator('[data-shown]');
  // The one of the chest at hand: another chest may have a drawer of the same name.
  const drawer = (await front(page, 'Dynamics').getAttribute('data-drawer')) ?? '';
  for (const question of ['role', 'type', 'vendor', 'format', 'state']) {
    const segment = page
      .getByRole('group', { name: `Filter by ${question}` })
      .getByRole('button')
      .first();
    await expect(page.locator('[data-chest][aria-busy="false"]')).toBeVisible();
    const count = /(\d+)$/.exec((await segment.innerText()).replace(/\s+/g, ' '))?.[1] ?? '';
    await segment.click();
    await expect(shown).toContainText(`${count} shown`);
    await expect(page).toHaveURL(new RegExp(`[?&]${question}=`));
    await page.goto(page.url());
    await expect(shown).toContainText(`${count} shown`);
    await expect(
      page
        .getByRole('group', { name: `Filter by ${question}` })
        .getByRole('button', { pressed: true })
        .first(),
    ).toBeVisible();
    await page.goto(await placeOf('sort'));
    await expect(page.getByRole('row').nth(5)).toBeVisible();
  }
  await page.goto(`${await placeOf('sort')}?drawer=${drawer}&by=vendor&down=1&q=comp`);
  await expect(page.getByRole('columnheader', { name: 'Vendor' })).toHaveAttribute('aria-sort', 'descending');
  await expect(page.getByLabel('Find', { exact: true })).toHaveValue('comp');
  await page.goto(`${await placeOf('sort')}?tray=1`);
  await expect(shown).toContainText('shown');
  const onTray = Number.parseInt(await shown.innerText(), 10);
  await expect(page.getByRole('button', { name: /^Tray 1,/ })).toContainText(String(onTray));
  await page.goto(`${await placeOf('sort')}?tag=no-such-tag`);
  await expect(page.getByRole('row', { name: 'Plugin' })).toHaveCount(0);
});

test('Shift selects from what was clicked, also when the list was sorted in between', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(8)).toBeVisible();
  const name = await page.getByRole('row').nth(6).getByRole('gridcell').nth(1).innerText();
  await page.getByRole('row').nth(6).click();
  await page.getByRole('button', { name: 'Plugin', exact: true }).click();
  await page.getByRole('button', { name: 'Plugin', exact: true }).click();
  const begun = row(page, name);
  await expect(begun).toHaveAttribute('aria-selected', 'true');
  const index = async (which: ReturnType<typeof row>): Promise<number> =>
    Number(await which.getAttribute('aria-rowindex'));
  const from = await index(begun);
  const near = page.locator(`[role="row"][aria-rowindex="${String(from - 3)}"]`);
  await near.click({ modifiers: ['Shift'] });
  await expect(page.getByText('4 selected')).toBeVisible();
});

test('what is loaded, and taken back, is counted in every window', async ({ context }) => {
  const other = await windowIn(context);
  await other.getByLabel('Find', { exact: true }).fill('gain');
  const first = other.getByRole('row').nth(1);
  await expect(first).toContainText(/gain/i);
  const name = (await first.locator('bdi').first().innerText()).trim();
  const loads = row(other, name).getByRole('gridcell').nth(5);
  const before = Number((await loads.innerText()) || 0);
  const one = await context.newPage();
  await one.goto(await placeOf('load'));
  const slot = one.getByRole('button', { name: /^Bowed saw, slot 2:/ });
  await slot.press('Enter');
  await one.keyboard.type(name);
  await expect(one.getByRole('option').first()).toContainText(name);
  await one.keyboard.press('Enter');
  await expect(slot).toHaveAttribute('title', new RegExp(name));
  await expect(loads).toHaveText(String(before + 1));
  await saved(one);
  await one.keyboard.press('Control+z');
  await expect(loads).toHaveText(before === 0 ? '' : String(before));
  // The window that took it back shows it too, without fetching the page anew.
  await saved(one);
  await one.getByRole('link', { name: 'Sort' }).click();
  await one.getByLabel('Find', { exact: true }).fill('gain');
  await expect(row(one, name).getByRole('gridcell').nth(5)).toHaveText(before === 0 ? '' : String(before));
});

test('eight windows share one line to the server: all are filled, and each hears of a change while one sleeps and the first is closed', async ({
  context,
}) => {
  const windows: Page[] = [];
  for (let at = 0; at < 8; at++) windows.push(await windowIn(context));
  const [first, second, third] = windows;
  if (first === undefined || second === undefined || third === undefined) throw new Error('windows are missing');
  // Chrome DevTools Protocol, Page.setWebLifecycleState: a window in the background that the browser has frozen.
  const sleeper = await context.newCDPSession(third);
  await sleeper.send('Page.setWebLifecycleState', { state: 'frozen' });
  await first.close();
  await makeDrawer(second, 'Heard by all');
  for (const window of windows.slice(3)) await expect(front(window, 'Heard by all')).toBeVisible();
  await sleeper.send('Page.setWebLifecycleState', { state: 'active' });
  await expect(front(third, 'Heard by all')).toBeVisible();
  await label(second, 'Heard by all').press('Delete');
  for (const window of windows.slice(2)) await expect(front(window, 'Heard by all')).toHaveCount(0);
});
