import { expect, test } from '@playwright/test';
import { accessible, drag, front, label, placeOf, row, saved } from '../support/studio';

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
});

test('the list is found by typing, filtered by role and sorted, and the address keeps it', async ({ page }) => {
  await page.keyboard.press('/');
  await page.keyboard.type('plate');
  await expect(page.getByRole('row').nth(1)).toContainText('Plate');
  // One letter left out, two swapped, the vendor's word, the type's: what people type finds it too.
  for (const typed of ['palte', 'plte', 'tollgate plate']) {
    await page.getByLabel('Find', { exact: true }).fill(typed);
    await expect(page.getByRole('row').nth(1)).toContainText('Plate');
  }
  await page.getByLabel('Find', { exact: true }).fill('tollgate');
  await page.getByRole('button', { name: /^audio effect/ }).click();
  const shown = page.locator('[data-shown]');
  await expect(shown).toContainText(/more match(es)? outside this filter/);
  await expect(page).toHaveURL(/q=tollgate.*role=audio-effect|role=audio-effect.*q=tollgate/);
  await page.reload();
  await expect(page.getByLabel('Find', { exact: true })).toHaveValue('tollgate');
  await shown.getByRole('button').click();
  await expect(shown).not.toContainText('outside');
  await page.getByLabel('Find', { exact: true }).fill('');
  await page.getByRole('button', { name: 'Plugin', exact: true }).click();
  await page.getByRole('button', { name: 'Plugin', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Plugin' })).toHaveAttribute('aria-sort', 'descending');
  await expect(page.getByRole('row').nth(1)).toContainText('صدى الكهف');
});

test('what is never loaded and what is loaded most: as filters, and as a column that sorts', async ({ page }) => {
  const loads = page.getByRole('row').nth(1).getByRole('gridcell').nth(5);
  const band = page.getByRole('group', { name: 'Filter by loaded' });
  await page.getByRole('button', { name: 'Loads', exact: true }).click();
  await expect(loads).toHaveText('');
  await page.getByRole('button', { name: 'Loads', exact: true }).click();
  await expect(loads).toHaveText(/^[1-9]/);
  await expect(loads).toHaveAttribute('title', /^last loaded on/);
  await band.getByRole('button', { name: /^never/ }).click();
  await expect(loads).toHaveAttribute('title', 'never loaded');
  await expect(page).toHaveURL(/loaded=never/);
  await band.getByRole('button', { name: /^never/ }).click();
  await band.getByRole('button', { name: /^most/ }).click();
  await expect(loads).toHaveText(/^[1-9]/);
  const shown = await page.getByRole('row').count();
  expect(shown).toBeGreaterThan(5);
  expect(shown).toBeLessThan(22);
});

test('plugins are dragged into a drawer: the front lights up, the label says how many, undo takes it back', async ({
  page,
}) => {
  await label(page, 'Narration').press('Delete');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(front(page, 'Narration')).toBeVisible();
  const count = Number(await front(page, 'Narration').locator('.mono').first().innerText());
  await page.getByRole('row').nth(2).click();
  await page
    .getByRole('row')
    .nth(4)
    .click({ modifiers: ['Shift'] });
  await expect(page.getByText('3 selected')).toBeVisible();
  await drag(page, page.getByRole('row').nth(3), front(page, 'Narration'));
  await expect(page.getByText('3 plugins → Narration')).toBeVisible();
  await expect(front(page, 'Narration')).toHaveClass(/aimed-into/);
  await page.mouse.up();
  await expect(label(page, 'Narration')).toContainText(String(count + 3));
  await saved(page);
  await page.reload();
  await expect(label(page, 'Narration')).toContainText(String(count + 3));
  await page.keyboard.press('Control+z');
  await expect(label(page, 'Narration')).toContainText(String(count));
});

test('fronts are reordered and put inside one another by drag', async ({ page }) => {
  const names = () =>
    page
      .locator('[class*="chest-inside"] > [class*="fronts"] > [data-drawer]')
      .evaluateAll((fronts) => fronts.map((one) => one.getAttribute('aria-label')));
  const before = await names();
  await drag(page, label(page, 'Movement'), front(page, 'Everyday EQ'), { x: 0.05 });
  await expect(page.getByText('Movement → before Everyday EQ')).toBeVisible();
  await page.mouse.up();
  await expect.poll(async () => (await names())[0]).toBe('Drawer Movement');
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
  await drag(page, label(page, 'Movement'), front(page, 'Dynamics'));
  await page.mouse.up();
  await label(page, 'Dynamics').click();
  await expect(front(page, 'Dynamics').getByRole('region', { name: 'Drawer Movement' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
});

test('by keyboard alone: a new drawer with keywords, filing, order, undo and Favourites', async ({ page }) => {
  await page.keyboard.press('n');
  await page.keyboard.type('Bowed things');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Bowed things')).toBeVisible();
  await page.keyboard.press('n');
  await page.keyboard.type('EQs');
  await page.keyboard.press('Tab');
  await page.keyboard.type('eq');
  await expect(page.getByText('Fills itself: eq in the name.', { exact: false })).toBeVisible();
  await page.keyboard.press('Enter');
  await label(page, 'EQs').press('Enter');
  const inside = front(page, 'EQs').getByRole('option');
  await expect(inside.filter({ hasText: 'Sequencer' })).toHaveCount(0);
  await expect(inside.filter({ hasText: 'EQ' }).first()).toBeVisible();
  await label(page, 'EQs').press('Alt+ArrowLeft');
  await saved(page);

  await page.keyboard.press('/');
  await page.keyboard.type('bowed saw');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Control+a');
  await expect(page.getByText('2 selected')).toBeVisible();
  await page.keyboard.press('f');
  await page.keyboard.type('bowed');
  await page.keyboard.press('Enter');
  await expect(label(page, 'Bowed things')).toContainText('2');
  await page.keyboard.press('1');
  await expect(row(page, 'Bowed Saw').getByLabel('on Favourites')).toBeVisible();
  await page.keyboard.press('1');
  await expect(row(page, 'Bowed Saw').getByLabel('on Favourites')).toHaveCount(0);

  // A plugin stands in several drawers; taking it out of one touches no other.
  await page.keyboard.press('f');
  await page.keyboard.type('Two at once');
  await page.keyboard.press('Enter');
  await expect(label(page, 'Two at once')).toContainText('2');
  await label(page, 'Two at once').press('Enter');
  await front(page, 'Two at once').getByRole('listbox').press('Delete');
  await expect(label(page, 'Two at once')).toContainText('1');
  await expect(label(page, 'Bowed things')).toContainText('2');
  for (const name of ['Two at once', 'EQs', 'Bowed things']) {
    await label(page, name).press('Delete');
    await expect(front(page, name)).toHaveCount(0);
  }
});

test('a chest is worked out by vendor in one step, and everything about a plugin is shown', async ({ page }) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  await page.getByLabel('A drawer for each vendor').check();
  await page.getByRole('button', { name: 'Create chest' }).click();
  await expect(front(page, 'Tollgate Sound')).toBeVisible();
  await accessible(page);
  await page.getByRole('row').nth(3).dblclick();
  await expect(page.getByRole('region', { name: 'About the plugin' })).toContainText('By vendor ›');
  // The presets that came with its LV2 build, bank by bank.
  await page.getByLabel('Find', { exact: true }).fill('Kettlewold Plate');
  await page.getByRole('row', { name: 'Kettlewold Plate' }).dblclick();
  const presets = page.getByRole('region', { name: 'About the plugin' }).getByRole('region', { name: 'Presets' });
  await expect(presets.getByRole('list', { name: 'Bank Voices' })).toContainText('Narrator');
  await accessible(page);
  const menu = page.getByRole('button', { name: 'The chest By vendor', exact: true });
  await menu.click();
  await page.getByRole('button', { name: 'Start again …' }).click();
  await expect(page.getByRole('dialog')).toContainText(/\d+ drawers with \d+ places filled by hand go/);
  await page.getByLabel('A drawer for each format').check();
  await expect(page.getByRole('dialog').getByRole('region', { name: 'Preview' })).toContainText('VST3');
  await accessible(page);
  await page.getByRole('button', { name: 'Start again', exact: true }).click();
  await expect(front(page, 'VST3')).toBeVisible();
  await expect(front(page, 'Tollgate Sound')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(front(page, 'Tollgate Sound')).toBeVisible();
  await expect(front(page, 'VST3')).toHaveCount(0);
  await menu.click();
  await page.getByRole('button', { name: /^Delete \(its plugins stay/ }).click();
  await expect(front(page, 'Everyday EQ')).toBeVisible();
});
