/** Drawers beside each other: divided, sorted, marked, several at once; chests with a purpose, and chests that follow. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { accessible, dialog, foot, front, label, placeOf, row, saved, undo } from '../support/studio';

const chests = (page: Page): Locator => page.getByRole('group', { name: 'Chests' });
const divider = (page: Page, name: string): Locator =>
  page.getByRole('button', { name: `Divider ${name}`, exact: true });
const progress = (page: Page): Locator => page.locator('.progress-words');
/** Fronts and dividers of the chest, from the first to the last. */
const level = (page: Page): Promise<string[]> =>
  page
    .locator('[data-chest] [class*="fronts"]')
    .first()
    .evaluate((box) => [...box.children].map((one) => one.getAttribute('aria-label') ?? one.textContent).slice(0, -1));
const undoes = (page: Page, words: string): Promise<void> => expect(foot(page)).toContainText(`Undo: ${words}`);

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  await expect(front(page, 'Space')).toBeVisible();
});

test('a divider is put in front of a drawer, labelled anew, seen in the chooser, and taken away', async ({ page }) => {
  await label(page, 'Movement').press('d');
  await dialog(page).getByLabel('Label').fill('slow things');
  await accessible(page);
  await page.keyboard.press('Enter');
  await undoes(page, 'divider in front of Movement');
  expect((await level(page)).slice(4, 6)).toEqual(['Divider slow things', 'Drawer Movement']);
  await divider(page, 'slow things').click();
  await dialog(page).getByLabel('Label').fill('swaying');
  await page.keyboard.press('Enter');
  await expect(divider(page, 'swaying')).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'Load' }).click();
  await page.getByRole('button', { name: /^Bowed saw, slot 1:/ }).press('Enter');
  await expect(dialog(page).getByRole('separator', { name: 'swaying' })).toBeVisible();
  // What is on stage are instruments: its divider has nothing behind it here but the next one that is shown.
  await dialog(page).getByRole('combobox').fill('tremolo');
  await expect(dialog(page).getByRole('separator', { name: 'swaying' })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Drawers to drag from' }).click();
  await expect(page.getByRole('region', { name: 'Drawers to drag from' })).toContainText('swaying');

  await page.getByRole('link', { name: 'Sort' }).click();
  await divider(page, 'swaying').click();
  await dialog(page).getByRole('button', { name: 'Remove the divider' }).click();
  await expect(divider(page, 'swaying')).toHaveCount(0);
  await undo(page, 3);
});

test('the drawers of a chest are sorted once, and for good; those kept sorted can’t be moved by hand', async ({
  page,
}) => {
  const before = await level(page);
  await label(page, 'Space').press('Shift+O');
  await dialog(page).getByLabel('largest first').check();
  await accessible(page);
  await page.keyboard.press('Enter');
  await undoes(page, 'sort the drawers of Everyday largest first');
  await saved(page);
  await undo(page);
  await expect.poll(() => level(page)).toEqual(before);

  await label(page, 'Space').press('Shift+O');
  await dialog(page).getByLabel('A–Z').check();
  await dialog(page).getByLabel('Keep them sorted from now on').check();
  await page.keyboard.press('Enter');
  await undoes(page, 'keep the drawers of Everyday in order: A–Z');
  // Between the dividers.
  const sorted = await level(page);
  const at = sorted.indexOf('Divider on stage');
  const names = sorted.filter((_, index) => index < at);
  expect(names).toEqual([...names].sort());
  expect(new Set(names)).toEqual(new Set(before.slice(0, before.indexOf('Divider on stage'))));
  await label(page, 'Space').press('Alt+Home');
  await expect(page.getByText('These drawers are kept sorted: A–Z.')).toBeVisible();
  await undo(page);
  await expect.poll(() => level(page)).toEqual(before);
});

test('several drawers are selected by mouse and by keyboard, moved, marked, merged and deleted at once', async ({
  page,
}) => {
  const selected = page.getByRole('group', { name: 'Selected drawers' });
  await label(page, 'Everyday EQ').click({ modifiers: ['ControlOrMeta'] });
  await label(page, 'Narration').click({ modifiers: ['Shift'] });
  await expect(selected).toContainText('3 drawers selected');
  await accessible(page);
  await selected.getByRole('button', { name: /^Sign/ }).click();
  await dialog(page).getByLabel('bolt').check();
  await page.keyboard.press('Enter');
  await expect(label(page, 'Dynamics')).toHaveAccessibleName(/sign bolt/);
  await saved(page);
  await undo(page);
  await expect(label(page, 'Dynamics')).not.toHaveAccessibleName(/sign bolt/);

  await label(page, 'Narration').press('p');
  await dialog(page).getByRole('combobox').fill('movement');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Movement').getByRole('region', { name: 'Drawer Dynamics' })).toBeVisible();
  await saved(page);
  await undo(page);
  await expect
    .poll(async () => (await level(page)).slice(0, 3))
    .toEqual(['Drawer Everyday EQ', 'Drawer Dynamics', 'Drawer Narration']);
  await page.keyboard.press('Escape');
  if (await selected.isVisible()) await selected.getByRole('button', { name: 'Select none' }).click();

  await label(page, 'Everyday EQ').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(selected).toContainText('3 drawers selected');
  await page.keyboard.press('Shift+M');
  await undoes(page, 'merge 2 drawers into Narration');
  await expect(front(page, 'Dynamics')).toHaveCount(0);
  await expect(label(page, 'Narration')).toHaveAccessibleName(/25 plugins/);
  await saved(page);
  await undo(page);
  await expect(label(page, 'Dynamics')).toBeVisible();

  await label(page, 'Everyday EQ').focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Delete');
  await expect(page.getByText('2 drawers are deleted.')).toBeVisible();
  await expect(front(page, 'Everyday EQ')).toHaveCount(0);
  await saved(page);
  await undo(page);
  await expect(front(page, 'Everyday EQ')).toBeVisible();
});

test('a drawer and a tray are left out of menus, and one switch shows the empty ones', async ({ page }) => {
  await label(page, 'Dynamics').press('v');
  await undoes(page, 'leave Dynamics out of menus');
  await expect(label(page, 'Dynamics')).toContainText('not in menus');
  await page.locator('[data-tray="2"] > button').press('v');
  await undoes(page, 'leave Goose out of menus');
  await saved(page);
  await page.getByRole('link', { name: 'Load' }).click();
  await page.getByRole('button', { name: /^Bowed saw, slot 1:/ }).press('Enter');
  const drawers = dialog(page).getByRole('group', { name: 'Drawers' });
  await expect(drawers.getByRole('button', { name: /^Space,/ })).toBeVisible();
  await expect(drawers.getByRole('button', { name: /^Dynamics,/ })).toHaveCount(0);
  await expect(
    dialog(page)
      .getByRole('group', { name: 'Trays' })
      .getByRole('button', { name: /^Goose/ }),
  ).toHaveCount(0);
  await expect(drawers.getByRole('button', { name: /^Keys & toys,/ })).toHaveCount(0);
  await dialog(page).getByRole('button', { name: 'Show empty ones' }).click();
  await expect(drawers.getByRole('button', { name: /^Keys & toys, 0/ })).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Hide empty ones' }).click();
  await page.keyboard.press('Escape');
  await undo(page, 2);
});

test('a chest for one purpose waits only for what fits it; a selection waits for nothing', async ({ page }) => {
  const waitedFor = async (): Promise<number> => {
    // It says that it is counting at first.
    await expect(progress(page)).toContainText(/of \d+ filed/);
    return Number(/of (\d+) filed/.exec(await progress(page).innerText())?.[1]);
  };
  const all = await waitedFor();
  await chests(page)
    .getByRole('button', { name: /^Mix day/ })
    .click();
  await expect(progress(page)).not.toContainText(`of ${String(all)} filed`);
  expect(await waitedFor()).toBeLessThan(all);
  await expect(page.getByRole('button', { name: /^audio effect \d/ })).toBeVisible();
  // Audio effects and tools go onto buses; instruments and MIDI effects do not.
  await page.getByRole('button', { name: /^to file \d/ }).click();
  await expect(page.getByRole('button', { name: /^instrument \d/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Clear the filter to file' }).click();

  await chests(page)
    .getByRole('button', { name: /^Tonight/ })
    .click();
  await expect(progress(page)).toHaveText('a selection of 8');
  await chests(page)
    .getByRole('button', { name: /^Mix day/ })
    .press('r');
  await dialog(page).getByLabel('a selection: what is not in it is not to be filed').check();
  await page.keyboard.press('Enter');
  await undoes(page, 'make the chest Mix day a selection');
  await saved(page);
  await undo(page);
});

test('a chest that follows takes what arrives, and keeps what was left out by hand; its drawers are copied without what they hold', async ({
  page,
}) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  await dialog(page).getByLabel('A drawer for each type').check();
  await dialog(page).getByLabel('Follow by itself').check();
  await expect(dialog(page).getByRole('region', { name: 'Preview' })).toContainText(
    'which follow as plugins come and go',
  );
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Create chest' }).click();
  await expect(progress(page)).toContainText('all that fits is filed');
  // An own entry arrives: it appears in the drawer of its type at once.
  await page.keyboard.press('q');
  await page.keyboard.type('Fly Loft');
  await dialog(page).getByLabel('Names, one a line').fill('Rafter Gate');
  await dialog(page).getByRole('button', { name: 'Add 1 entry' }).click();
  await label(page, 'dynamics').click();
  const gates = front(page, 'dynamics').getByRole('region', { name: 'Drawer gate', exact: true });
  await gates.getByRole('button').first().click();
  await expect(gates.getByText('Rafter Gate')).toBeVisible();
  await gates.getByRole('option', { name: /Rafter Gate/ }).click();
  await page.keyboard.press('x');
  await expect(gates.getByRole('option', { name: /Rafter Gate/ })).toHaveCount(0);
  await saved(page);

  await page.getByRole('button', { name: 'New chest' }).click();
  await dialog(page).getByLabel('With the drawers of another chest, empty').check();
  await dialog(page).getByLabel('The chest to copy').selectOption({ label: 'Everyday' });
  await dialog(page).getByRole('button', { name: 'Create chest' }).click();
  await undoes(page, 'copy the drawers of chest Everyday as Everyday (copy)');
  await expect(label(page, 'Dynamics')).toHaveAccessibleName(/^Dynamics, 0 plugins/);
  await expect(divider(page, 'on stage')).toBeVisible();
  await saved(page);
  await undo(page, 4);
  await expect(row(page, 'Rafter Gate')).toHaveCount(0);
});

test('a chest as the folders on disk; the list narrowed to a folder, by width, bits and reason, with other columns', async ({
  page,
}) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  await dialog(page).getByLabel('As the folders on disk').check();
  await expect(dialog(page).getByRole('region', { name: 'Preview' })).toContainText(/\d+ plugins/);
  await page.keyboard.press('Escape');

  await page.keyboard.press('Shift+C');
  await dialog(page).getByLabel('Folder', { exact: true }).check();
  await dialog(page).getByLabel('Set aside', { exact: true }).check();
  await dialog(page).getByLabel('Loads', { exact: true }).uncheck();
  await dialog(page).getByRole('button', { name: 'Folder to the left' }).click();
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  const heads = page.getByRole('columnheader');
  await expect(heads).toHaveText(['Type', 'Plugin', 'Vendor', 'Formats', 'Drawers', 'Folder', 'Tray', 'Set aside']);
  await page.reload();
  await expect(heads).toHaveCount(8);
  await heads.getByRole('button', { name: 'Set aside' }).click();
  // What ends first stands first.
  await expect(page.getByRole('row').nth(1)).toContainText(/demo, until/);

  await page.getByRole('button', { name: 'More filters' }).click();
  await page.getByRole('button', { name: /^ends in 14 days \d/ }).click();
  await expect(page.locator('[data-shown]')).toContainText('2 shown');
  await page.getByRole('button', { name: 'Clear the filter ends in 14 days' }).click();
  await page.getByRole('button', { name: /^mono \d/ }).click();
  await expect(page).toHaveURL(/width=mono/);
  await page.getByRole('button', { name: 'Clear the filter mono' }).click();

  await page.getByRole('row').nth(9).dblclick();
  await page.getByRole('link', { name: 'Only this folder' }).first().click();
  await expect(page).toHaveURL(/folder=/);
  await expect(page.getByRole('button', { name: /^Clear the filter/ })).toBeVisible();
  await page.getByRole('button', { name: 'Fewer filters' }).click();
  await page.keyboard.press('Shift+C');
  await dialog(page).getByRole('button', { name: 'The usual ones' }).click();
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  await expect(heads).toHaveCount(7);
});
