/** Each act hits what the screen names: under filters, by notices, where something is refused. */
import { expect, test, type Page } from '@playwright/test';
import { accessible, dialog, foot, front, label, list, placeOf, row, saved, undo } from '../support/studio';

const panel = (page: Page) => page.getByRole('region', { name: 'About the plugin' });
const notice = (page: Page, words: string) => page.locator('[data-sonner-toast]').filter({ hasText: words });

test.describe('in Sort', () => {
  test.beforeEach(async ({ page }) => {
    await page.goto(await placeOf('sort'));
    await expect(page.getByRole('row').nth(5)).toBeVisible();
  });

  test('under a filter, the keys act on what the panel still shows after it was filed', async ({ page }) => {
    await page
      .getByRole('group', { name: 'Filter by state' })
      .getByRole('button', { name: /^to file/ })
      .click();
    await page.getByRole('row').nth(3).click();
    await page.keyboard.press('Enter');
    const name = await panel(page).getByRole('heading', { level: 2 }).locator('bdi').innerText();
    await page.keyboard.press('f');
    await page.keyboard.press('Space');
    await page.keyboard.press('Enter');
    await expect(row(page, name)).toHaveCount(0);
    await expect(panel(page)).toContainText(name);
    await expect(foot(page)).toContainText('1 shown in the panel');
    await page.keyboard.press('a');
    await expect(dialog(page).getByLabel(name, { exact: true })).toBeChecked();
    await page.keyboard.press('Escape');
    await page.keyboard.press('4');
    await expect(foot(page)).toContainText(`Undo: put ${name} on Tray 4`);
    await saved(page);
    await undo(page, 2);
  });

  test('the panel follows what is selected, and several close it', async ({ page }) => {
    await page.getByRole('row').nth(2).click();
    await page.keyboard.press('Enter');
    const shown = panel(page).getByRole('heading', { level: 2 }).locator('bdi');
    const first = await shown.innerText();
    await list(page).focus();
    await page.keyboard.press('ArrowDown');
    await expect(shown).not.toHaveText(first);
    await expect(foot(page)).toContainText('1 selected');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(panel(page)).toHaveCount(0);
    await expect(foot(page)).toContainText('2 selected');
  });

  test('with nothing selected “set aside” begins with nothing, and says before and after how much a rule of thumb takes', async ({
    page,
  }) => {
    await page.keyboard.press('a');
    await expect(dialog(page)).toContainText('Nothing is selected.');
    await expect(dialog(page).getByRole('button', { name: 'Set aside' })).toBeDisabled();
    await accessible(page);
    await page.keyboard.press('Enter');
    await expect(dialog(page)).toBeVisible();
    await dialog(page).getByLabel('all 32-bit builds of plugins that have another build').check();
    const before = /\d+ builds of \d+ plugins/.exec(await dialog(page).innerText())?.[0] ?? 'no count';
    await dialog(page).getByRole('button', { name: 'Set aside' }).click();
    await expect(notice(page, `${before} set aside.`)).toBeVisible();
    await notice(page, before).getByRole('button', { name: 'Undo' }).click();
    await expect(foot(page)).toContainText(/Redo: set /);
  });

  test('a notice undoes its own step, and is gone when another one follows or when it was undone', async ({ page }) => {
    const remove = async (): Promise<void> => {
      await label(page, 'Noises off').click({ button: 'right' });
      await page.getByRole('menuitem', { name: /^Delete/ }).click();
      await expect(notice(page, 'Noises off is deleted')).toBeVisible();
    };
    await remove();
    await notice(page, 'Noises off is deleted').getByRole('button', { name: 'Undo' }).click();
    await expect(front(page, 'Noises off')).toBeVisible();
    await remove();
    await page.getByRole('row').nth(2).click();
    await page.keyboard.press('6');
    await expect(notice(page, 'Noises off is deleted')).toHaveCount(0);
    await undo(page, 2);
    await remove();
    await undo(page);
    await expect(notice(page, 'Noises off is deleted')).toHaveCount(0);
  });

  test('a chain is listed by how well it fits, and not behind every plugin', async ({ page }) => {
    await page.getByLabel('Find', { exact: true }).fill('voice m');
    await expect(page.getByRole('row').nth(1)).toContainText('Marionette voice');
  });

  test('a picture is chosen from a file or pasted; one that is damaged is refused, and the old one stays', async ({
    page,
  }) => {
    // A whole PNG of one pixel, and its first half (W3C PNG, 5.2: a file ends with an IEND chunk).
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    await page.getByRole('row').nth(2).click();
    await page.keyboard.press('Enter');
    const face = panel(page).getByRole('img', { name: /^Picture of/ });
    const file = panel(page).getByLabel('Picture file');
    await file.setInputFiles({ name: 'face.png', mimeType: 'image/png', buffer: png });
    await expect(foot(page)).toContainText('Undo: set a picture for');
    await expect(face.first()).toBeVisible();
    await file.setInputFiles({ name: 'half.png', mimeType: 'image/png', buffer: png.subarray(0, 40) });
    await expect(notice(page, 'This picture can’t be shown')).toBeVisible();
    await expect(face.first()).toBeVisible();
    await undo(page);
    await page.evaluate(
      async (bytes) => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(bytes)], 'pasted.png', { type: 'image/png' }));
        document.body.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
      },
      [...png],
    );
    await expect(foot(page)).toContainText('Undo: set a picture for');
    await saved(page);
    await undo(page);
  });
});

test('an instrument that can not move down keeps the keyboard', async ({ page }) => {
  await page.goto(await placeOf('load'));
  const instrument = page.getByRole('button', { name: /^Accordion, slot 2:/ });
  await instrument.focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(notice(page, 'does not fit there')).toBeVisible();
  await expect(instrument).toBeFocused();
});

test('two computers can’t have one name', async ({ page }) => {
  await page.goto(await placeOf('intake'));
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the computer').fill('puppet WAGON');
  await page.keyboard.press('Enter');
  await expect(notice(page, 'A computer called “Puppet wagon” exists already.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Computer at hand: Music room' })).toBeVisible();
});
