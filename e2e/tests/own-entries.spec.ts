/** Devices that are built into a music program: pasted, looked through, filed among bought plugins, loaded, changed and deleted. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { accessible, dialog, foot, front, label, placeOf, row, saved, undo } from '../support/studio';

const PROGRAM = 'Fly Loft';
/** Of the demo itself, racks among them. */
const BUILT_IN = 11;
/** Sixty invented devices, each with a word of the trade that says its type. */
const KINDS = ['Reverb', 'Delay', 'EQ', 'Compressor', 'Limiter', 'Chorus', 'Gate', 'Sampler', 'Organ', 'Arpeggiator'];
const ADJECTIVES = ['Footlight', 'Curtain', 'Balcony', 'Trapdoor', 'Prompter', 'Wings'];
const NAMES = ADJECTIVES.flatMap((first) => KINDS.map((kind) => `${first} ${kind}`));

const panel = (page: Page): Locator => page.getByRole('region', { name: 'About the own entry' });

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
});

test('sixty names are pasted with proposed types, filed among bought ones, and taken by a rule', async ({ page }) => {
  await page.keyboard.press('q');
  await page.keyboard.type(PROGRAM);
  await dialog(page).getByLabel('Names, one a line').fill(NAMES.join('\n'));
  await expect(dialog(page).getByRole('button', { name: 'Add 60 entries' })).toBeEnabled();
  await expect(dialog(page).getByLabel('Type of Balcony Limiter')).toHaveValue('limiter');
  await expect(dialog(page).getByLabel('Role of Wings Sampler')).toHaveValue('instrument');
  await dialog(page).getByRole('button', { name: 'Leave Wings Gate out' }).click();
  await dialog(page).getByLabel('Channels of Curtain Delay').selectOption('mono');
  await accessible(page);
  await dialog(page).getByLabel('Names, one a line').press('Control+Enter');
  await expect(foot(page)).toContainText('Undo: add 59 own entries');
  await expect(foot(page)).toContainText('59 selected');
  await expect(page.locator('[data-shown]')).toContainText(`${String(59 + BUILT_IN)} shown`);
  // What its words say is taken by the rule of a drawer at once.
  await label(page, 'Echoes').click();
  await expect(front(page, 'Echoes').getByText('Balcony Delay')).toBeVisible();
  await label(page, 'Echoes').click();
  await row(page, 'Balcony Limiter').click();
  await page.keyboard.press('f');
  await page.keyboard.type('dynamics');
  await page.keyboard.press('Enter');
  await expect(foot(page)).toContainText('Undo: file Balcony Limiter into Dynamics');
  await label(page, 'Dynamics').click();
  await expect(front(page, 'Dynamics').getByText('Balcony Limiter')).toBeVisible();
  await label(page, 'Dynamics').click();
  // The same list again adds what is not there yet.
  await page.keyboard.press('q');
  await dialog(page).getByLabel('Names, one a line').fill(NAMES.join('\n'));
  await expect(dialog(page).getByRole('button', { name: 'Add 1 entry' })).toBeEnabled();
  await expect(dialog(page).getByRole('row', { name: /Balcony Limiter.*is there already/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await saved(page);
  await undo(page, 2);
  await expect(page.locator('[data-shown]')).toContainText(`${String(BUILT_IN)} shown`);
});

test('an own entry is changed, named, set aside, and deleted with its places; undo brings all of it back', async ({
  page,
}) => {
  await page.keyboard.press('q');
  await page.keyboard.type(PROGRAM);
  await dialog(page).getByLabel('Names, one a line').fill('Lantern Cave, reverb, Tollgate Sound');
  await page.keyboard.press('Control+Enter');
  await row(page, 'Lantern Cave').dblclick();
  await expect(panel(page)).toContainText(`reverb in ${PROGRAM} by Tollgate Sound`);
  await accessible(page);
  await page.keyboard.press('c');
  await dialog(page).getByLabel('Name', { exact: true }).fill('Lantern Grotto');
  await dialog(page).getByLabel('Channels').selectOption('stereo');
  await page.keyboard.press('Enter');
  await expect(panel(page)).toContainText(`reverb, stereo in ${PROGRAM}`);
  await page.keyboard.press('m');
  await page.keyboard.type('the grotto');
  await page.keyboard.press('Enter');
  await expect(panel(page).getByRole('heading')).toContainText('the grotto');
  await page.keyboard.press('3');
  await expect(foot(page)).toContainText('Undo: put the grotto on Tray 3');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(panel(page)).toContainText('set aside');
  await page.keyboard.press('b');
  await expect(panel(page)).not.toContainText('set aside:');
  await page.keyboard.press('Delete');
  await expect(panel(page)).toHaveCount(0);
  await expect(page.locator('[data-sonner-toast]').filter({ hasText: 'the grotto is deleted' })).toBeVisible();
  await undo(page);
  await row(page, 'the grotto').dblclick();
  await expect(panel(page)).toContainText('Tray 3');
  await undo(page, 6);
});

test('a plugin that was scanned is never deleted by the key', async ({ page }) => {
  const before = await foot(page).innerText();
  await page.getByRole('row').nth(2).click();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('row').nth(2)).toBeVisible();
  expect(await foot(page).innerText()).toContain(/Undo: [^\n]*/.exec(before)?.[0] ?? '');
});

test('an own entry is loaded in a slot, is recent there, and is handed over by its name', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.keyboard.press('q');
  await page.keyboard.type(PROGRAM);
  await dialog(page).getByLabel('Names, one a line').fill('Lantern Cave');
  await page.keyboard.press('Control+Enter');
  await expect(foot(page)).toContainText('Undo: add Lantern Cave');
  await saved(page);
  await page.goto(await placeOf('load'));
  const slot = page.getByRole('button', { name: /^Bowed saw, slot 2:/ });
  await slot.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('lantern');
  await expect(dialog(page).locator('[role="option"].at')).toContainText(PROGRAM);
  await expect(dialog(page)).toContainText(`in ${PROGRAM}, handed over by name`);
  await page.keyboard.press('Enter');
  await expect(slot).toHaveAttribute('title', `Lantern Cave, in ${PROGRAM}`);
  await saved(page);
  const pick = await context.newPage();
  await pick.goto(new URL('/pick', page.url()).href);
  await pick.getByRole('combobox', { name: 'Find a plugin' }).fill('lantern');
  await expect(pick.getByRole('listbox').getByRole('option').first()).toContainText('Lantern Cave');
  await pick.keyboard.press('Enter');
  await expect(pick.getByText(/“Lantern Cave” copied/)).toBeVisible();
  expect(await pick.evaluate(() => navigator.clipboard.readText())).toBe('Lantern Cave');
  await pick.close();
  await undo(page, 2);
});

test('what is filed although it is set aside says so, and is brought back from there', async ({ page }) => {
  await page.getByRole('row').nth(3).click();
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(foot(page)).toContainText(/Undo: set .+ aside/);
  await page.keyboard.press('8');
  const notice = page.locator('[data-sonner-toast]').filter({ hasText: 'set aside, and left out of menus' });
  await notice.getByRole('button', { name: 'Bring back' }).click();
  await expect(foot(page)).toContainText(/Undo: bring back .+/);
  await saved(page);
  await undo(page, 3);
});
