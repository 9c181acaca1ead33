/** The focus never falls to the bare page; what was done is told; Sort is found again as it was left; axe finds nothing anywhere. */
import { expect, test, type Page } from '@playwright/test';
import { accessible, dialog, foot, front, label, list, placeOf, saved, undo } from '../../support/studio';

const told = (page: Page) => page.locator('[data-telling]');
/** What has the focus; "BODY" is the bare page. */
const focused = (page: Page) =>
  page.evaluate(
    () =>
      document.activeElement?.getAttribute('aria-label') ??
      document.activeElement?.id ??
      document.activeElement?.tagName ??
      '',
  );
async function somewhere(page: Page, name?: RegExp): Promise<void> {
  await expect.poll(() => page.evaluate(() => document.activeElement === document.body)).toBe(false);
  if (name !== undefined) await expect.poll(() => focused(page)).toMatch(name);
}

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(9)).toBeVisible();
});

test('after nesting, deleting, emptying, renaming, bringing back, clearing filters and closing, the keyboard is near', async ({
  page,
}) => {
  await label(page, 'Narration').focus();
  await page.keyboard.press('p');
  await page.keyboard.type('dynam');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Dynamics').getByRole('region', { name: 'Drawer Narration' })).toBeVisible();
  await somewhere(page, /^Narration/);
  await undo(page);
  await label(page, 'Dynamics').click();
  await label(page, 'Narration').focus();
  await page.keyboard.press('Delete');
  await expect(front(page, 'Narration')).toHaveCount(0);
  await somewhere(page, /^(Space|Dynamics|Movement)/);
  await undo(page);
  await label(page, 'Narration').focus();
  await page.keyboard.press('r');
  await page.keyboard.type('Voices');
  await page.keyboard.press('Enter');
  await somewhere(page, /^Voices/);
  await undo(page);

  // A drawer is emptied line by line, and its list is gone.
  await label(page, 'Last check').click();
  const lines = page.getByRole('listbox', { name: 'In Last check' });
  await lines.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(lines).toHaveCount(0);
  await somewhere(page);
  await undo(page);

  await page.getByRole('row').nth(4).click();
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(foot(page)).toContainText('Bring back');
  await foot(page)
    .getByRole('button', { name: /Bring back/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(foot(page).getByRole('button', { name: /Bring back/ })).toHaveCount(0);
  await somewhere(page);
  await saved(page);
  await undo(page, 2);

  await page.getByRole('button', { name: /^filed/ }).click();
  await page.getByRole('button', { name: 'Clear the filter filed' }).focus();
  await page.keyboard.press('Enter');
  await somewhere(page);
  await page.getByRole('row').nth(4).click();
  await list(page).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Close the panel' }).focus();
  await page.keyboard.press('Enter');
  await expect(list(page)).toBeFocused();
  // A click on nothing leaves it where it was.
  await page.mouse.click(700, 790);
  await somewhere(page);
});

test('what was done is told in the words of the undo label, and counts when typing rests', async ({ page }) => {
  await page.getByRole('row').nth(3).click();
  await page.keyboard.press('6');
  await expect(foot(page)).toContainText(/Undo: put .+ on Tray 6/);
  const [, label = ''] = /Undo: (put .+ on Tray 6)/.exec(await foot(page).innerText()) ?? [];
  expect(label).not.toBe('');
  await expect(told(page)).toHaveText(`Done: ${label}`);
  await page.keyboard.press('Control+z');
  await expect(told(page)).toHaveText(`Undone: ${label}`);
  await saved(page);
  await page.locator('#find').fill('gain');
  await expect(page.locator('[data-shown]')).not.toContainText('346');
  await expect(told(page)).toHaveText(/^\d+ shown$/);
  await expect(page.locator('[data-shown]')).toContainText((await told(page).innerText()).trim());
});

test('leaving Sort and coming back finds chest, filters, search, drawers, selection and scroll as they were', async ({
  page,
}) => {
  await page.getByRole('button', { name: /^to file/ }).click();
  await label(page, 'Narration').click();
  await page.locator('#find').fill('e');
  await expect(page).toHaveURL(/q=e/);
  await list(page).focus();
  for (let times = 0; times < 3; times++) await page.keyboard.press('PageDown');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(foot(page)).toContainText(/^2 selected/);
  const before = {
    search: new URL(page.url()).search,
    top: await list(page).evaluate((box) => box.scrollTop),
    shown: await page.locator('[data-shown]').innerText(),
    active: await list(page).getAttribute('aria-activedescendant'),
  };
  expect(before.top).toBeGreaterThan(100);
  for (const way of ['link', 'key']) {
    await page.getByRole('link', { name: 'Load' }).click();
    await expect(page.getByRole('heading', { name: /Lamplighter/ })).toBeVisible();
    if (way === 'link') await page.getByRole('link', { name: 'Sort' }).click();
    else await page.keyboard.press('Shift+s');
    await expect(page.locator('[data-shown]')).toHaveText(before.shown);
    expect(new Set(new URLSearchParams(new URL(page.url()).search))).toEqual(
      new Set(new URLSearchParams(before.search)),
    );
    await expect(foot(page)).toContainText(/^2 selected/);
    expect(await list(page).evaluate((box) => box.scrollTop)).toBe(before.top);
    expect(await list(page).getAttribute('aria-activedescendant')).toBe(before.active);
    await expect(page.getByRole('listbox', { name: 'In Narration' })).toBeVisible();
  }
});

for (const theme of ['light', 'dark'] as const)
  test(`axe finds nothing in any place, box, menu or state, ${theme}; no target is under 24 pixels`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    await page.emulateMedia({ colorScheme: theme });
    const boxed = async (open: () => Promise<void>): Promise<void> => {
      await open();
      await accessible(page);
      await page.keyboard.press('Escape');
      await expect(page.locator('[role="dialog"], .dropdown-menu.show')).toHaveCount(0);
    };
    await accessible(page);
    await boxed(() => page.getByRole('button', { name: 'Computer at hand: Music room' }).click());
    await boxed(() => page.getByRole('button', { name: 'The chest Everyday' }).click());
    await page.getByRole('row').nth(3).click();
    for (const key of ['f', 'c', 'm', 'a', 'n', 'o', '?', 'w']) await boxed(() => page.keyboard.press(key));
    await list(page).focus();
    await page.keyboard.press('Enter');
    await label(page, 'Narration').click();
    await label(page, 'Space').click();
    await page.locator('[data-tray="1"] > button').click();
    await accessible(page);
    await page.keyboard.press('t');
    await expect(page.getByRole('region', { name: 'To file' })).toBeVisible();
    await accessible(page);
    await page.keyboard.press('Escape');
    await page.locator('#find').fill('zzqx');
    await expect(page.getByText('Nothing found')).toBeVisible();
    await accessible(page);
    for (const place of ['Intake', 'Keep', 'Load']) {
      await page.getByRole('link', { name: place }).click();
      await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
      await expect(page.getByText(/^Loading /)).toHaveCount(0);
      await accessible(page);
    }
    await page.getByRole('button', { name: /^Bowed saw, slot 1:/ }).click();
    await page.keyboard.type('ga');
    await expect(dialog(page).getByRole('option').first()).toBeVisible();
    await accessible(page);
  });

test('no button, tab, segment or line is a target of less than 24 pixels', async ({ page }) => {
  await page.getByRole('row').nth(3).click();
  await list(page).focus();
  await page.keyboard.press('Enter');
  await label(page, 'Narration').click();
  await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
  const small = () =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button, a, input, select, [role="option"], [role="row"]')]
        .filter((one) => one.offsetParent !== null && one.closest('.visually-hidden') === null)
        .map((one) => ({ box: one.getBoundingClientRect(), name: one.getAttribute('aria-label') ?? one.textContent }))
        // A tick is small beside a label that is its target.
        .filter(({ box }) => box.width > 0 && (box.height < 23.5 || box.width < 23.5))
        .map(({ box, name }) => `${name}: ${String(box.width)} x ${String(box.height)}`),
    );
  expect(await small()).toEqual([]);
  await page.getByRole('link', { name: 'Load' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  expect(await small()).toEqual([]);
});
