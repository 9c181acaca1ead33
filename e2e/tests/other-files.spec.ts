/** Files other than plugins: their folders in Intake, entries made of them in Sort, and what the chooser finds; entries without a drawer; set aside on one computer; menus that stay open. */
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { accessible, dialog, foot, front, label, placeOf, row, saved, undo } from '../support/studio';

const panel = (page: Page): Locator => page.getByRole('region', { name: 'Other files' });
const undoes = (page: Page, words: string): Promise<void> => expect(foot(page)).toContainText(`Undo: ${words}`);

async function openSort(page: Page): Promise<void> {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
}

/** Selects the first limiter that is listed; its name. */
async function firstLimiter(page: Page): Promise<string> {
  await page.getByLabel('Find', { exact: true }).fill('limiter');
  const first = page.getByRole('row').nth(1);
  await expect(first).toContainText(/limiter/i);
  await first.click();
  return (await first.getByRole('gridcell').nth(1).innerText()).split('\n')[0] ?? '';
}

test('a folder of files is added, read, changed and removed; undo brings it back with its files', async ({ page }) => {
  const folder = join(process.env.DEMO_FOLDER ?? '', 'Cue sheets');
  await mkdir(join(folder, 'Act one'), { recursive: true });
  for (const name of ['Gale.cue', 'Hail.CUE', 'note.txt']) await writeFile(join(folder, 'Act one', name), '');
  await page.goto(await placeOf('intake'));
  await expect(panel(page)).toContainText(/22 files, read/);
  await panel(page).getByRole('button', { name: 'Add a folder of files …' }).click();
  await dialog(page).getByLabel('Folder, with its full path').fill(`${folder} or none`);
  await dialog(page).getByLabel('File name endings').fill('cue.sheet');
  await expect(dialog(page)).toContainText('Endings are short and hold no dots');
  await dialog(page).getByLabel('File name endings').fill('.cue');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Add' }).click();
  await expect(dialog(page).getByRole('alert')).toContainText('There is no folder');
  await dialog(page).getByLabel('Folder, with its full path').fill(folder);
  await page.keyboard.press('Enter');
  await expect(panel(page)).toContainText(/2 files, read just now/);
  await panel(page)
    .getByRole('button', { name: /^Change the folder of files .*Cue sheets/ })
    .click();
  await dialog(page).getByLabel('File name endings').fill('cue txt');
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  await expect(panel(page)).toContainText(/3 files, read just now/);
  await accessible(page);
  await panel(page)
    .getByRole('button', { name: /^Remove .*Cue sheets/ })
    .click();
  await expect(panel(page)).not.toContainText('Cue sheets');
  await undo(page);
  await expect(panel(page)).toContainText(/3 files/);
  await undo(page, 2);
  await expect(panel(page)).not.toContainText('Cue sheets');
});

test('entries are made of files, filed, told apart, and deleted; the search line says how many there are', async ({
  page,
}) => {
  await openSort(page);
  await page.getByLabel('Find', { exact: true }).fill('init');
  await page.getByRole('button', { name: /^2 other files/ }).click();
  await expect(dialog(page).getByText('2 files found')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Tick all shown' }).click();
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Add 2 files' }).click();
  await undoes(page, 'add 2 files');
  await expect(foot(page)).toContainText('2 selected');
  // Two of one name are told apart by where they stand.
  await expect(row(page, 'Init Puppets/Init.rack')).toBeVisible();
  await expect(row(page, 'Init Instruments/Init.rack')).toBeVisible();
  await page.keyboard.press('f');
  await page.keyboard.type('noises');
  await page.keyboard.press('Enter');
  await undoes(page, 'file 2 plugins into Noises off');
  await row(page, 'Init Puppets/Init.rack').click();
  await page.keyboard.press('Enter');
  const about = page.getByRole('region', { name: 'About the own entry' });
  await expect(about).toContainText('Marquee Racks/Puppets/Init.rack');
  await expect(about).toContainText('this path is passed');
  await accessible(page);
  await page.keyboard.press('Escape');
  // What is an entry already is not offered a second time.
  await page.keyboard.press('Shift+Q');
  await dialog(page).getByRole('searchbox').fill('init');
  await expect(dialog(page).getByText('is there already')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await saved(page);
  await undo(page, 2);
});

test('the chooser finds files too; one that is chosen is loaded, and handed over with its path', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(await placeOf('load'));
  const slot = page.getByRole('button', { name: /^Bowed saw, slot 2:/ });
  await slot.press('Enter');
  await page.keyboard.type('trapdoor');
  const option = dialog(page).getByRole('option').filter({ hasText: 'Marquee Racks/Stage/Trapdoor.rack' });
  await expect(option).toBeVisible();
  await expect(dialog(page).getByText('other files')).toBeVisible();
  await accessible(page);
  await option.click();
  await expect(slot).toHaveAttribute('title', 'Trapdoor, in Marquee Desk');
  await saved(page);
  const pick = await context.newPage();
  await pick.goto(new URL('/pick', page.url()).href);
  await pick.getByRole('combobox', { name: 'Find a plugin' }).fill('trapdoor');
  await expect(pick.getByRole('listbox').getByRole('option').first()).toContainText('Trapdoor');
  await pick.keyboard.press('Enter');
  await expect(pick.getByText(/“Trapdoor” copied/)).toBeVisible();
  await pick.close();
  await undo(page, 2);
});

test('entries stand in a chest without a drawer, come first, and are divided up later', async ({ page }) => {
  await openSort(page);
  const name = await firstLimiter(page);
  await page.keyboard.press('f');
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.type('without');
  await page.keyboard.press('Enter');
  await undoes(page, `file ${name} into Everyday without a drawer`);
  const loose = label(page, 'Without a drawer');
  await loose.click();
  await expect(front(page, 'Without a drawer').getByRole('option')).toHaveCount(1);
  await expect(front(page, 'Without a drawer').getByRole('button', { name: 'Name and rule' })).toHaveCount(0);
  await accessible(page);
  await front(page, 'Without a drawer').getByRole('option').click();
  await page.keyboard.press('v');
  await dialog(page).getByRole('combobox').fill('dynamics');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Without a drawer').getByRole('option')).toHaveCount(0);
  await saved(page);
  await undo(page, 2);
  await expect(front(page, 'Without a drawer')).toHaveCount(0);
  // The demo's chest for one night has two: the chooser lists them before anything else.
  await page.goto(await placeOf('load'));
  await page.getByRole('button', { name: /^Toy piano, slot 2:/ }).click();
  await dialog(page).getByRole('group', { name: 'Chest' }).getByRole('button', { name: 'Tonight' }).click();
  await expect(dialog(page).getByText('in the chest itself')).toBeVisible();
  await expect(
    dialog(page)
      .getByRole('group', { name: 'Drawers' })
      .getByRole('button', { name: /Without a drawer/ }),
  ).toHaveCount(0);
});

test('set aside on this computer, a plugin stays in the menus of the others', async ({ page }) => {
  await openSort(page);
  const name = await firstLimiter(page);
  await page.keyboard.press('a');
  await expect(dialog(page).getByLabel('on every computer')).toBeChecked();
  await dialog(page).getByLabel('not licensed').check();
  await expect(dialog(page).getByLabel('on this computer only')).toBeChecked();
  await accessible(page);
  await page.keyboard.press('Enter');
  await undoes(page, `set ${name} aside on this computer: not licensed`);
  await page.keyboard.press('Enter');
  await expect(page.getByText('set aside on this computer: not licensed')).toBeVisible();
  await saved(page);
  await page.goto(await placeOf('sort', 'Puppet wagon'));
  await page.getByLabel('Find', { exact: true }).fill(name);
  await expect(page.getByRole('row').nth(1)).toBeVisible();
  await expect(page.getByRole('row').nth(1)).not.toContainText('not licensed');
  await openSort(page);
  await undo(page);
});

test('the drawer that was open last in a kind of slot is open in every window of the studio', async ({
  page,
  browser,
}) => {
  await page.goto(await placeOf('load'));
  await page.getByRole('button', { name: /^Bowed saw, slot 1:/ }).press('Enter');
  const space = (one: Page): Locator =>
    dialog(one)
      .getByRole('group', { name: 'Drawers' })
      .getByRole('button', { name: /^Space,/ });
  const noted = page.waitForResponse((response) => response.url().endsWith('/api/last-open') && response.ok());
  await space(page).click();
  await noted;
  await expect(space(page)).toHaveAttribute('aria-pressed', 'true');
  const context = await browser.newContext();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: /^Bowed saw, slot 1:/ }).press('Enter');
  await expect(space(other)).toHaveAttribute('aria-pressed', 'true');
  await context.close();
});
