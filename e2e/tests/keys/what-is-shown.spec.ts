/** Keys act on what is shown, at any speed, on any keyboard, in front of whatever is open. */
import { expect, test, type Page } from '@playwright/test';
import { strike } from '../../support/layouts';
import { ask, computerNamed, dialog, foot, front, label, list, placeOf, saved, undo } from '../../support/studio';

const selectedRows = (page: Page) => page.locator('[data-list] [role="row"][aria-selected="true"]');
const nameOfRow = (page: Page, index: number) =>
  page
    .getByRole('row')
    .nth(index + 1)
    .locator('bdi')
    .first()
    .innerText();

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(9)).toBeVisible();
});

test('Caps Lock changes no letter key, with Shift and without', async ({ page }) => {
  await page.getByRole('row').nth(3).click();
  await strike(page, 'f', 'us', { key: 'F' });
  await expect(dialog(page).locator('.modal-title')).toHaveText(/^File /);
  await page.keyboard.press('Escape');
  await label(page, 'Narration').focus();
  await strike(page, 'r', 'us', { key: 'R' });
  await expect(dialog(page).locator('.modal-title')).toHaveText('Drawer Narration');
  await page.keyboard.press('Escape');
  // Shift F without a filing before does nothing, and F alone is another key.
  await page.getByRole('row').nth(3).click();
  await strike(page, 'Shift f', 'us', { key: 'f' });
  await expect(dialog(page)).toHaveCount(0);
});

test('on a Mac hints show its signs, ⌘ does what Ctrl does and Backspace what Delete does', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(Navigator.prototype, 'platform', { get: () => 'MacIntel' }));
  await page.goto(await placeOf('sort'));
  await page.getByRole('row').nth(3).click();
  await page.keyboard.press('6');
  await expect(foot(page)).toContainText('⌘ Z');
  await page.keyboard.press('Meta+z');
  await expect(foot(page)).toContainText('⌘ ⇧ Z');
  await page.keyboard.press('Meta+Shift+z');
  await expect(foot(page)).toContainText(/Undo: put .* on Tray 6/);
  await page.keyboard.press('Meta+z');
  await page.keyboard.press('Meta+a');
  await expect(foot(page)).toContainText(/^\d{3} selected/);
  await label(page, 'Last check').press('Backspace');
  await expect(front(page, 'Last check')).toHaveCount(0);
  await page.keyboard.press('Meta+z');
  await expect(front(page, 'Last check')).toBeVisible();
  await page.keyboard.press('?');
  await expect(dialog(page)).toContainText('⌘ Z');
  await expect(dialog(page)).not.toContainText('Ctrl');
});

test('with a box, the key map or a menu open, no key of the page fires behind it', async ({ page }) => {
  const before = await foot(page).innerText();
  for (const open of ['?', 'n']) {
    await page.keyboard.press(open);
    await expect(dialog(page)).toBeVisible();
    if (open === 'n') await dialog(page).getByRole('button', { name: 'Cancel' }).focus();
    for (const key of ['t', 'g', 'a', 'h', '3', 'o']) await page.keyboard.press(key);
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Computer at hand: Music room' }).click();
  for (const key of ['t', 'g', '3']) await page.keyboard.press(key);
  await page.keyboard.press('Escape');
  await expect(list(page)).toHaveAttribute('data-pictures', 'false');
  expect(await foot(page).innerText()).toBe(before);
});

test('in “to file” the keys act on the plugin that is shown', async ({ page }) => {
  await page.getByRole('row').nth(4).click();
  const hidden = await nameOfRow(page, 3);
  await page.keyboard.press('t');
  const name = await page.getByRole('region', { name: 'To file' }).locator('b bdi').innerText();
  expect(name).not.toBe(hidden);
  await page.keyboard.press('6');
  await expect(foot(page)).toContainText(`Undo: put ${name} on Tray 6`);
  for (const [key, title] of [
    ['m', `Names and notes: ${name}`],
    ['c', `Correct: ${name}`],
    ['f', `File ${name} into`],
  ] as const) {
    await page.keyboard.press(key);
    await expect(dialog(page).locator('.modal-title')).toHaveText(title);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
  }
  await page.keyboard.press('a');
  await expect(dialog(page).getByLabel(name)).toBeChecked();
  await page.keyboard.press('Escape');
  await saved(page);
  await undo(page);
  // All about it does not stay below the next one.
  await page.getByRole('button', { name: 'Details' }).click();
  await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
  await page.getByRole('region', { name: 'To file' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'About the plugin' })).toHaveCount(0);
  await page.keyboard.press('Escape');
});

test('rows apart from each other are selected by keyboard: Ctrl walks, Space adds; in the list and in a drawer', async ({
  page,
}) => {
  await page.getByRole('row').nth(3).click();
  await list(page).focus();
  await page.keyboard.press('Control+ArrowDown');
  await page.keyboard.press('Control+ArrowDown');
  await page.keyboard.press('Space');
  await expect(foot(page)).toContainText(/^2 selected/);
  await expect(selectedRows(page)).toHaveCount(2);
  expect(await selectedRows(page).evaluateAll((rows) => rows.map((row) => row.getAttribute('aria-rowindex')))).toEqual([
    '4',
    '6',
  ]);
  await label(page, 'Narration').click();
  const lines = page.getByRole('listbox', { name: 'In Narration' });
  await lines.getByRole('option').first().click();
  await lines.focus();
  await page.keyboard.press('Control+ArrowDown');
  await page.keyboard.press('Control+ArrowDown');
  await page.keyboard.press('Control+Space');
  await expect(foot(page)).toContainText(/^2 selected, not in this list/);
});

test('at no time between keys F takes the row that was marked before', async ({ page }) => {
  await page.getByRole('row').nth(1).click();
  await list(page).focus();
  const wanted = await nameOfRow(page, 1);
  // Both in one go of the page: nothing is drawn between them.
  await list(page).evaluate((box) => {
    for (const key of ['ArrowDown', 'f'])
      box.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  });
  await expect(dialog(page).locator('.modal-title')).toHaveText(`File ${wanted} into`);
  await page.keyboard.press('Escape');
});

test('a key before the search has answered waits for it, and acts on what it finds', async ({ page }) => {
  await page.locator('#find').focus();
  await page.keyboard.type('thunder sheet');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('m');
  await expect(dialog(page).locator('.modal-title')).toHaveText(/Thunder Sheet/);
  await page.keyboard.press('Escape');
});

test('keys of the list that come before the search has answered wait in their order', async ({ page }) => {
  await page.locator('#find').focus();
  // All in one go of the page: the search has no time to answer between them.
  await page.evaluate(() => {
    const line = document.querySelector<HTMLInputElement>('#find');
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(line, 'bowed saw');
    line?.dispatchEvent(new Event('input', { bubbles: true }));
    for (const stroke of [{ key: 'ArrowDown' }, { key: 'a', ctrlKey: true }])
      document.activeElement?.dispatchEvent(
        new KeyboardEvent('keydown', { ...stroke, bubbles: true, cancelable: true }),
      );
  });
  await expect(foot(page)).toContainText('2 selected');
  await page.waitForTimeout(300);
  await expect(selectedRows(page)).toHaveCount(2);
});

test('found, marked and filed at once, one after the other: each search is answered for its own keys', async ({
  page,
}) => {
  const { id } = await computerNamed('Music room');
  const { plugins } = await ask<{ plugins: { name: string; role: string | null; found: boolean }[] }>(
    `/computers/${id}/catalogue`,
  );
  const names = plugins.filter((one) => one.found && /^[A-Z][a-z]+ [A-Z][a-z]+$/.test(one.name)).map((one) => one.name);
  const wanted = names
    .filter((name) => names.filter((one) => one === name).length === 1)
    .reverse()
    .slice(0, 12);
  await page.keyboard.press('n');
  await page.keyboard.type('At once');
  await page.keyboard.press('Enter');
  await expect(front(page, 'At once')).toBeVisible();
  const [first = '', ...rest] = wanted;
  await page.keyboard.press('/');
  await page.keyboard.type(first);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('f');
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.type('At once');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  for (const name of rest) {
    await page.keyboard.press('/');
    await page.keyboard.type(name.toLowerCase());
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Shift+F');
  }
  await expect(label(page, 'At once')).toHaveAttribute(
    'aria-label',
    new RegExp(`^At once, ${String(wanted.length)} plugins`),
  );
  await label(page, 'At once').click();
  const lines = page.getByRole('listbox', { name: 'In At once' }).locator('bdi:first-child');
  await expect(lines).toHaveText(wanted);
  await saved(page);
  await undo(page, wanted.length + 1);
});

test('Enter loads neither while an input method composes nor by being held down', async ({ page }) => {
  await page.goto(await placeOf('load'));
  const slot = page.getByRole('button', { name: /^Bowed saw, slot 2:/ });
  await slot.focus();
  await strike(page, 'Enter', 'us');
  await expect(dialog(page).getByRole('combobox')).toBeFocused();
  for (let times = 0; times < 4; times++) await strike(page, 'Enter', 'us', { autoRepeat: true });
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.type('gain');
  await expect(dialog(page).getByRole('option').first()).toContainText(/gain/i);
  await dialog(page)
    .getByRole('combobox')
    .evaluate((line) =>
      line.dispatchEvent(
        new KeyboardEvent('keydown', { key: 'Enter', isComposing: true, bubbles: true, cancelable: true }),
      ),
    );
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  await expect(foot(page)).toContainText('Last load:');
  await saved(page);
  await undo(page);
});

test('a key that is held down empties the search line, and stops at the filters', async ({ page }) => {
  await page.getByRole('button', { name: /^filed/ }).click();
  await page.locator('#find').fill('gain');
  await page.locator('#find').focus();
  await strike(page, 'Backspace', 'us');
  for (let times = 0; times < 6; times++) await strike(page, 'Backspace', 'us', { autoRepeat: true });
  await expect(page.locator('#find')).toHaveValue('');
  await expect(page).toHaveURL(/state=filed/);
  await strike(page, 'Backspace', 'us');
  await expect(page).not.toHaveURL(/state=/);
});

test('in “to file” Esc closes the details first, and in an inner drawer the drawer around it', async ({ page }) => {
  await page.keyboard.press('t');
  await page.getByRole('button', { name: 'Details' }).click();
  await page.getByRole('region', { name: 'To file' }).focus();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'About the plugin' })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'To file' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(list(page)).toBeFocused();
  await label(page, 'Space').click();
  await front(page, 'Springs').getByRole('button').first().focus();
  await page.keyboard.press('Escape');
  await expect(label(page, 'Space')).toHaveAttribute('aria-expanded', 'false');
  await expect(label(page, 'Space')).toBeFocused();
});

test('Esc closes the innermost: menu, box, panel, drawer, selection, filter', async ({ page }) => {
  await page.getByRole('button', { name: /^filed/ }).click();
  await label(page, 'Narration').click();
  const lines = page.getByRole('listbox', { name: 'In Narration' });
  await lines.getByRole('option').nth(1).click();
  await lines.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menu')).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
  await expect(lines).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'About the plugin' })).toHaveCount(0);
  await expect(lines).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(lines).toHaveCount(0);
  await expect(label(page, 'Narration')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(foot(page)).toContainText(/^0 selected/);
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/state=/);
});

test('a menu holds what the keys do, with the keys beside, on rows, lines, fronts, trays, chests and slots', async ({
  page,
}) => {
  const menu = page.getByRole('menu');
  const opens = async (words: RegExp): Promise<void> => {
    await expect(menu).toBeVisible();
    await expect(menu.getByRole('menuitem').first()).toBeFocused();
    await expect(menu).toContainText(words);
    await page.keyboard.press('Escape');
    await expect(menu).toHaveCount(0);
  };
  await page.getByRole('row').nth(5).click({ button: 'right' });
  await opens(/Show its details.*Enter.*File into drawers.*F/s);
  await expect(foot(page)).toContainText(/^1 selected/);
  await list(page).focus();
  await page.keyboard.press('Shift+F10');
  await opens(/File into drawers/);
  await label(page, 'Narration').click({ button: 'right' });
  await opens(/Inner drawer.*I/s);
  await label(page, 'Narration').click();
  await page.getByRole('listbox', { name: 'In Narration' }).getByRole('option').first().click({ button: 'right' });
  await opens(/Move to another drawer.*V.*File into drawers/s);
  await page.locator('[data-tray="2"] > button').click({ button: 'right' });
  await opens(/Rename it.*R/s);
  await page
    .getByRole('button', { name: /^Everyday/ })
    .first()
    .click({ button: 'right' });
  await opens(/Name and purpose.*R/s);
  // What is chosen there is done, and the keyboard is where it was.
  await label(page, 'Movement').focus();
  await page.keyboard.press('w');
  await menu.getByRole('menuitem', { name: /Move before its neighbour/ }).click();
  await expect(foot(page)).toContainText('Undo: move Movement');
  await expect(label(page, 'Movement')).toBeFocused();
  await saved(page);
  await undo(page);
  await page.getByRole('link', { name: 'Load' }).click();
  await page.getByRole('button', { name: /^Bowed saw, slot 1:/ }).click({ button: 'right' });
  await opens(/Open the chooser/);
});
