import { expect, test, type Page } from '@playwright/test';
import { accessible, ask, computerNamed, drag, front, label, placeOf, row, saved } from '../support/studio';

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
});

const lines = (page: Page, drawer: string) => page.getByRole('listbox', { name: `In ${drawer}` }).getByRole('option');
const names = (page: Page, drawer: string) =>
  lines(page, drawer).locator('[class*="line-name"], [class*="divider-label"]').allInnerTexts();
const find = (page: Page) => page.getByLabel('Find', { exact: true });
const undo = async (page: Page, times: number): Promise<void> => {
  for (let time = 0; time < times; time++) await page.keyboard.press('Control+z');
  await saved(page);
};

test('by keyboard alone: find, file into two drawers, file again, order, divide, name, and undo it all', async ({
  page,
}) => {
  const before = await names_(page);
  await page.keyboard.press('/');
  await page.keyboard.type('reel');
  await expect(page.getByRole('row').nth(1)).toContainText('Reel');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('f');
  // Two drawers at once: ticked one after the other, taken together.
  const box = page.getByRole('dialog').getByRole('combobox');
  await box.fill('narration');
  await page.keyboard.press('Control+Space');
  await box.fill('movement');
  await page.keyboard.press('Control+Space');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('contentinfo')).toContainText(
    /Undo: file \d plugins into Movement, Narration|Narration, Movement/,
  );
  // The same drawers for something else, with one key.
  await find(page).fill('clatter');
  await expect(page.getByRole('row').nth(1)).toContainText('Clatter');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+F');
  await label(page, 'Narration').press('Enter');
  await expect(lines(page, 'Narration').filter({ hasText: 'Clatter' })).toHaveCount(1);

  const list = page.getByRole('listbox', { name: 'In Narration' });
  await list.focus();
  await page.keyboard.press('End');
  const last = (await names(page, 'Narration')).at(-1) ?? '';
  await page.keyboard.press('Alt+Home');
  await expect.poll(async () => (await names(page, 'Narration'))[0]).toBe(last);
  await page.keyboard.press('Alt+ArrowDown');
  await expect.poll(async () => (await names(page, 'Narration'))[1]).toBe(last);
  await page.keyboard.press('d');
  await page.keyboard.type('by the curtain');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await names(page, 'Narration')).slice(1, 3)).toEqual(['by the curtain', last]);
  await list.focus();
  await page.keyboard.press('r');
  await page.keyboard.type('Lamplighter');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await names(page, 'Narration'))[2]).toBe('Lamplighter');
  await saved(page);

  // All of it is there after a reload, and can be taken back step by step.
  await page.reload();
  await expect
    .poll(async () => (await names(page, 'Narration')).slice(1, 3))
    .toEqual(['by the curtain', 'Lamplighter']);
  await undo(page, 6);
  expect(await names_(page)).toEqual(before);
});

/** What stands in Narration, read from the server. */
async function names_(page: Page): Promise<string[]> {
  await page.waitForTimeout(200);
  const { id } = await computerNamed('Music room');
  const view = await ask<{
    drawer: { id: string; name: string }[];
    entry: { drawerId: string; pluginId: string; order: string }[];
  }>(`/computers/${id}/arrangement`);
  const drawer = view.drawer.find((one) => one.name === 'Narration')?.id;
  const own = view.entry.filter((entry) => entry.drawerId === drawer);
  return own.sort((a, b) => (a.order < b.order ? -1 : 1)).map((entry) => entry.pluginId);
}

test('by drag: between two entries, onto a tray, and where nothing can be done it says why', async ({ page }) => {
  await label(page, 'Everyday EQ').click();
  const second = lines(page, 'Everyday EQ').nth(1);
  await find(page).fill('spoons');
  await expect(page.getByRole('row').nth(1)).toContainText('Spoons');
  const name = (await page.getByRole('row').nth(1).locator('bdi').first().innerText()).trim();
  const box = await second.boundingBox();
  if (box === null) throw new Error('not in sight');
  const from = await page.getByRole('row').nth(1).boundingBox();
  if (from === null) throw new Error('not in sight');
  await page.mouse.move(from.x + 60, from.y + 15);
  await page.mouse.down();
  await page.mouse.move(from.x + 120, from.y + 30, { steps: 4 });
  await page.mouse.move(box.x + 60, box.y + 5, { steps: 10 });
  await expect(page.getByText(`→ Everyday EQ, here`)).toBeVisible();
  await page.mouse.up();
  await expect.poll(async () => (await names(page, 'Everyday EQ'))[1]).toBe(name);

  const tray = page.getByRole('region', { name: 'Tray Tray 5' });
  await tray.scrollIntoViewIfNeeded();
  await drag(page, page.getByRole('row').nth(1), tray);
  await expect(page.getByText('→ Tray 5')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^Tray 5, 1 plugin/ })).toBeVisible();

  await label(page, 'Everyday EQ').scrollIntoViewIfNeeded();
  await drag(page, page.getByRole('row').nth(1), label(page, 'Everyday EQ'));
  await expect(page.getByText('– already in Everyday EQ')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText(/Already in Everyday EQ/)).toBeVisible();
  await undo(page, 2);
});

test('a drawer is sorted once or for good; kept in order it says so and takes no other', async ({ page }) => {
  await label(page, 'Dynamics').click();
  await page.getByRole('button', { name: 'Order' }).click();
  await accessible(page);
  await page.getByRole('button', { name: 'by vendor' }).first().click();
  await expect(page.getByRole('contentinfo')).toContainText('Undo: sort Dynamics by vendor');
  await page.getByRole('button', { name: 'Order' }).click();
  await page.getByRole('button', { name: 'A–Z' }).last().click();
  const sorted = await names(page, 'Dynamics');
  expect(sorted).toEqual([...sorted].sort((a, b) => a.localeCompare(b, 'en', { numeric: true })));
  await page.getByRole('listbox', { name: 'In Dynamics' }).focus();
  await page.keyboard.press('Alt+End');
  await expect(page.getByText('Dynamics is kept sorted')).toBeVisible();
  await undo(page, 2);
});

test('ribbons narrow, their counts follow, chips take off, a search is kept and found again', async ({ page }) => {
  const band = (name: string) => page.getByRole('group', { name: `Filter by ${name}`, exact: true });
  await band('type')
    .getByRole('button', { name: /^dynamics/ })
    .click();
  await band('types').getByRole('button', { name: /^gate/ }).click();
  await expect(page).toHaveURL(/type=gate/);
  const shown = Number(/^\d+/.exec(await page.locator('[class*="find-count"]').innerText())?.[0]);
  const gates = await band('types').getByRole('button', { name: /^gate/ }).locator('.mono').innerText();
  expect(shown).toBe(Number(gates));
  await page.getByRole('button', { name: /^Saved searches/ }).click();
  await page.getByRole('button', { name: 'Save this search …' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Gates');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Clear the filter gate' }).click();
  await expect(page).not.toHaveURL(/type=gate/);
  await page.getByRole('button', { name: /^Saved searches/ }).click();
  await page.getByRole('button', { name: 'Gates', exact: true }).click();
  await expect(page).toHaveURL(/type=gate/);
  await expect(page.locator('[class*="find-count"]')).toContainText(`${String(shown)} shown`);
  await accessible(page);
  await undo(page, 1);
});

test('nickname, strip label and tags; set aside with a reason and back; both are found by typing', async ({ page }) => {
  await find(page).fill('thunder sheet');
  await expect(page.getByRole('row').nth(1)).toContainText('Thunder Sheet');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('m');
  await page.getByLabel('Nickname').fill('goose storm');
  await page.getByLabel('Tags, separated by commas').fill('weather, dark');
  await expect(page.getByLabel('Strip label')).toHaveAttribute('placeholder', 'goose storm');
  await page.keyboard.press('Enter');
  await find(page).fill('goose storm');
  await expect(row(page, 'goose storm')).toContainText('Thunder Sheet');
  await find(page).fill('weather');
  await expect(row(page, 'goose storm')).toBeVisible();

  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('a');
  // A reason of one's own, with a note, and then one of the usual ones.
  await page.getByLabel('Or a reason of your own').fill('too loud for the puppets');
  await page.getByLabel('Note').fill('Ask the accordionist');
  await page.keyboard.press('Control+Enter');
  await expect(row(page, 'goose storm')).toContainText('too loud for the puppets');
  await page.keyboard.press('a');
  await expect(page.getByLabel('Note')).toHaveValue('Ask the accordionist');
  await page.getByRole('radio', { name: 'demo', exact: true }).check();
  const end = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('The demo ends on').fill(end);
  await accessible(page);
  await page.getByRole('button', { name: 'Set aside', exact: true }).click();
  await expect(row(page, 'goose storm')).toContainText(/demo, \d days left/);
  // Out of every menu.
  await saved(page);
  await page.goto(await placeOf('load'));
  await page.getByRole('button', { name: /^Toy piano, slot 2:/ }).click();
  await page.keyboard.type('goose storm');
  await expect(page.getByRole('option', { name: /goose storm/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.goto(await placeOf('sort'));
  await find(page).fill('goose storm');
  await expect(row(page, 'goose storm')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('b');
  await expect(row(page, 'goose storm')).not.toContainText('days left');
  await saved(page);
  await undo(page, 4);
  await expect(page.getByText('goose storm', { exact: true })).toHaveCount(0);
});

test('a rule of thumb sets every build aside that is not preferred; the panel shows it and brings one back', async ({
  page,
}) => {
  await page.keyboard.press('a');
  await page.getByLabel('all builds that are not preferred').check();
  await expect(page.getByRole('dialog')).toContainText(/\d+ builds of .+ and \d+ more/);
  await page.getByRole('button', { name: 'Set aside', exact: true }).click();
  await expect(page.getByRole('contentinfo')).toContainText(/Undo: set \d+ builds aside: older build/);
  await find(page).fill('bellowsdell synth');
  await expect(page.getByRole('row').nth(1)).toContainText('Bellowsdell');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  const builds = page.getByRole('region', { name: 'About the plugin' }).getByRole('article');
  await expect(builds.getByText('set aside: older build')).toHaveCount(2);
  await builds.getByRole('button', { name: 'bring back' }).first().click();
  await expect(builds.getByText('set aside: older build')).toHaveCount(1);
  await undo(page, 2);
  await expect(builds.getByText('set aside: older build')).toHaveCount(0);
});

test('to file: one after the other, a proposal is taken with Enter; what arrived is seen', async ({ page }) => {
  await page.keyboard.press('t');
  const panel = page.getByRole('region', { name: 'To file' });
  await expect(panel).toContainText('of them new');
  const left = async () => Number(/(\d+) left/.exec(await panel.innerText())?.[1]);
  const before = await left();
  // On to one for which a drawer suggests itself.
  for (let step = 0; step < 40 && (await panel.getByRole('option').count()) === 0; step++)
    await page.keyboard.press('ArrowRight');
  const proposed = await panel.getByRole('option').first().locator('b').innerText();
  await expect(front(page, proposed.split(' › ')[0] ?? '')).toHaveClass(/lit/);
  await accessible(page);
  await page.keyboard.press('Enter');
  await expect.poll(left).toBe(before - 1);
  await page.getByRole('button', { name: 'Mark all as seen' }).click();
  await expect(panel).not.toContainText('of them new');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('grid')).toBeFocused();
  await undo(page, 2);
});

test('a chest is worked out with a look at it first; chests are copied, meant for slots, and drawers copied between them', async ({
  page,
}) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  await page.getByLabel('A drawer for each role').check();
  await page.getByLabel('A drawer holds at most').fill('10');
  await expect(page.getByRole('region', { name: 'Preview' })).toContainText(/\d+ drawers, \d+ plugins/);
  await page.getByLabel('Leave out what is in').selectOption({ label: 'Everyday' });
  await accessible(page);
  await page.getByRole('button', { name: 'Create chest' }).click();
  await expect(front(page, 'instrument')).toBeVisible();
  await saved(page);

  await page.getByRole('button', { name: 'Everyday', exact: true }).click();
  await label(page, 'Space').press('k');
  await page.getByRole('dialog').getByRole('combobox').fill('by role');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'By role', exact: true }).click();
  await expect(label(page, 'Space')).toBeVisible();
  await label(page, 'Space').click();
  await expect(front(page, 'Space').getByRole('region', { name: 'Drawer Springs' })).toBeVisible();
  await expect(lines(page, 'Space').filter({ hasText: 'long tails' })).toHaveCount(1);
  await undo(page, 2);
});

test('two windows stay in step, and a picture that is dropped onto a plugin shows in both', async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  await other.goto(await placeOf('sort'));
  await expect(other.getByRole('row').nth(5)).toBeVisible();
  await page.keyboard.press('n');
  await page.keyboard.type('Only here');
  await page.keyboard.press('Enter');
  await expect(front(other, 'Only here')).toBeVisible();
  await expect(other.getByRole('contentinfo')).toContainText('Undo: new drawer Only here');

  await page.keyboard.press('g');
  const target = page.getByRole('row').nth(1);
  const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg==';
  await target.evaluate((element, data) => {
    const bytes = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0));
    const dataTransfer = new DataTransfer();
    dataTransfer.items.add(new File([bytes], 'face.png', { type: 'image/png' }));
    element.dispatchEvent(new DragEvent('dragover', { dataTransfer, bubbles: true, cancelable: true }));
    element.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
  }, png);
  await expect(target.locator('img')).toHaveAttribute('src', /\/pictures\/[0-9a-f]{64}$/);
  await saved(page);
  // The switch holds for all windows of the browser.
  await expect(other.getByRole('row').nth(1).locator('img')).toHaveAttribute('src', /\/pictures\//);
  await page.keyboard.press('g');
  await expect(other.getByRole('row').nth(1).locator('img')).toHaveCount(0);
  await undo(page, 2);
  await expect(front(other, 'Only here')).toHaveCount(0);
  await other.close();
});
