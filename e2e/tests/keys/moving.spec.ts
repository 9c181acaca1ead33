/** Moving and filing again, by keyboard and by drag; the small proposals that save a step. */
import { expect, test, type Page } from '@playwright/test';
import { dialog, drag, foot, front, label, placeOf, putBundle, row, saved, undo } from '../../support/studio';

const lines = (page: Page, drawer: string) => page.getByRole('listbox', { name: `In ${drawer}` }).getByRole('option');

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(9)).toBeVisible();
});

test('a plugin moves from one drawer to another with V, and by a drag with Shift held, in one step', async ({
  page,
}) => {
  await label(page, 'Movement').click();
  const count = await lines(page, 'Movement').count();
  const name = (await lines(page, 'Movement').nth(0).locator('bdi').first().innerText()).trim();
  await lines(page, 'Movement').nth(0).click();
  await page.getByRole('listbox', { name: 'In Movement' }).focus();
  await page.keyboard.press('v');
  await expect(dialog(page).locator('.modal-title')).toHaveText(`Move ${name} to`);
  await page.keyboard.type('noises');
  await page.keyboard.press('Enter');
  await expect(lines(page, 'Movement')).toHaveCount(count - 1);
  await expect(foot(page)).toContainText(`Undo: file ${name} into Noises off and take ${name} out of Movement`);
  await saved(page);
  await undo(page);
  await expect(lines(page, 'Movement')).toHaveCount(count);

  await drag(page, lines(page, 'Movement').nth(0), front(page, 'Noises off'));
  await expect(page.getByText('→ Noises off too (Shift: move)')).toBeVisible();
  await page.keyboard.down('Shift');
  await expect(page.getByText('→ Noises off, out of Movement')).toBeVisible();
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await expect(lines(page, 'Movement')).toHaveCount(count - 1);
  await saved(page);
  await undo(page);
  await expect(lines(page, 'Movement')).toHaveCount(count);
});

test('again repeats the last filing however it was made: by drag, and in “to file”', async ({ page }) => {
  await drag(page, page.getByRole('row').nth(3), front(page, 'Noises off'));
  await page.mouse.up();
  await expect(foot(page)).toContainText('Undo: file');
  await page.getByRole('row').nth(5).click();
  await expect(foot(page)).toContainText('File in Noises off again');
  await page.keyboard.press('Shift+f');
  await saved(page);
  await undo(page, 2);
  await page.keyboard.press('t');
  await page.keyboard.press('Enter');
  await expect(foot(page)).toContainText(/Undo: (file|new drawer)/);
  const [, drawer = ''] =
    /Undo: (?:file .+ into|new drawer) (\S.*?)(?: with 1 plugin)? +Ctrl Z/.exec(
      (await foot(page).innerText()).replace(/\s+/g, ' '),
    ) ?? [];
  expect(drawer).not.toBe('');
  await page.keyboard.press('Escape');
  await page.getByRole('row').nth(5).click();
  await expect(foot(page)).toContainText(`File in ${drawer} again`);
  await undo(page);
});

test('setting aside proposes the reason, names in boxes are selected, and a nickname that is taken is told', async ({
  page,
}) => {
  await page.locator('#find').fill('choir demo');
  await expect(row(page, 'Lamplight Choir Demo')).toBeVisible();
  await row(page, 'Lamplight Choir Demo').click();
  await page.keyboard.press('a');
  await expect(dialog(page).getByRole('radio', { name: 'demo', exact: true })).toBeChecked();
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toHaveCount(0);
  await page.locator('#find').fill('');
  await page.getByRole('button', { name: 'New chest' }).click();
  const selection = () => page.evaluate(() => getSelection()?.toString() ?? '');
  expect(await selection()).toBe('Everyday');
  await page.keyboard.press('Escape');
  const taken = await page.getByRole('row').nth(2).locator('bdi').first().innerText();
  await page.getByRole('row').nth(1).click();
  await page.keyboard.press('m');
  await dialog(page).getByLabel('Nickname').fill(taken.toUpperCase());
  await expect(dialog(page).getByRole('status')).toContainText(`is called ${taken} already`);
  await page.keyboard.press('Escape');
});

test('an outer drawer tells what it holds with its inner ones', async ({ page }) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  await page.getByLabel('A drawer for each role, with inner drawers by type').check();
  await page.getByRole('button', { name: 'Create chest' }).click();
  const instruments = label(page, 'instrument');
  await expect(instruments).toHaveAttribute('aria-label', /^instrument, 0 plugins, \d+ plugins in \d+ inner drawers$/);
  await expect(instruments.locator('.mono').first()).toHaveText(/^[1-9]\d*$/);
  await saved(page);
  await undo(page);
});

test('where no drawer suggests itself, a new one is proposed by name', async ({ page }) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Bare');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Bare', exact: true })).toBeVisible();
  await saved(page);
  await page.keyboard.press('t');
  const offer = page.getByRole('button', { name: /^New drawer \S/ });
  for (let times = 0; times < 12 && (await offer.count()) < 2; times++) await page.keyboard.press('ArrowRight');
  const name = (await offer.first().innerText()).replace('New drawer ', '');
  await page.keyboard.press('Enter');
  await expect(front(page, name)).toBeVisible();
  await page.keyboard.press('Escape');
  await saved(page);
  await undo(page, 2);
});

test('what arrives is told in Sort too; one click scans it and shows it; Intake leads on to filing it', async ({
  page,
}, info) => {
  const folder = info.outputPath('arriving');
  await putBundle(folder, 'Hinge');
  await page.getByRole('link', { name: 'Intake' }).click();
  await page.getByLabel('Another folder').fill(folder);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: `Scan ${folder}` }).click();
  await expect(page.getByText('1 build is new.')).toBeVisible();
  await page.getByRole('button', { name: 'File them' }).click();
  await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
  await page.keyboard.press('Escape');
  await putBundle(folder, 'Latchkey');
  const scan = page.getByRole('button', { name: 'Scan and show what is new' });
  await expect(scan).toBeVisible({ timeout: 60_000 });
  await scan.click();
  await expect(row(page, 'Latchkey')).toBeVisible();
  await expect(page).toHaveURL(/state=new/);
  await page.getByRole('link', { name: 'Intake' }).click();
  await page.getByRole('button', { name: `Remove ${folder} from the list` }).click();
  // The keyboard stays beside what is gone.
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
});
