import { expect, test } from '@playwright/test';
import { accessible, ask, computerNamed, placeOf, saved } from '../support/studio';

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('load'));
  await expect(page.getByRole('heading', { name: /Lamplighter/ })).toBeVisible();
});

test('typing, arrows, Enter loads; the slot shows it, it is kept, replaced and cleared', async ({ page }) => {
  const slot = page.getByRole('button', { name: /^Bowed saw, slot 1:/ });
  await slot.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('plate');
  const options = page.getByRole('option');
  await expect(options.first()).toHaveAttribute('aria-selected', 'true');
  await expect(options.first().locator('bdi').first()).toContainText(/plate/i);
  const second = (await options.nth(1).locator('bdi').first().innerText()).trim();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(slot).toHaveAttribute('title', new RegExp(second));
  await expect(slot).toBeFocused();
  await expect(page.getByRole('contentinfo')).toContainText(`Last load: ${second} in`);
  await saved(page);
  await page.reload();
  await expect(slot).toHaveAttribute('title', new RegExp(second));
  await slot.press('Enter');
  await page.keyboard.type('gain');
  await page.keyboard.press('Enter');
  await expect(slot).toHaveAttribute('title', /Gain/);
  await slot.press('Delete');
  await expect(slot).toContainText('insert');
  await page.keyboard.press('Control+z');
  await expect(slot).toHaveAttribute('title', /Gain/);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(slot).toContainText('insert');
});

test('a slot offers only what fits into it', async ({ page }) => {
  const { id } = await computerNamed('Music room');
  const { plugins } = await ask<{ plugins: { id: string; role: string | null; found: boolean }[] }>(
    `/computers/${id}/catalogue`,
  );
  // What is set aside is offered nowhere.
  const { aside, chain, ownEntry } = await ask<{
    aside: { id: string }[];
    chain: object[];
    ownEntry: { id: string; role: string }[];
  }>(`/computers/${id}/arrangement`);
  const all = [...plugins, ...ownEntry.map((entry) => ({ ...entry, found: true }))];
  const away = new Set(aside.map((one) => one.id));
  const count = (...roles: string[]) =>
    all.filter((plugin) => plugin.found && !away.has(plugin.id) && roles.includes(plugin.role ?? '')).length;
  for (const [slot, expected] of [
    ['Toy piano, slot 1', count('midi-effect')],
    ['Toy piano, slot 2', count('instrument')],
    ['Toy piano, slot 3', count('audio-effect', 'tool') + chain.length],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${slot}:`) }).click();
    await expect(page.getByRole('dialog').getByText(`${String(expected)} fit`)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
});

test('a plugin is loaded out of a drawer, and the drawer stays open for the next time', async ({ page }) => {
  const slot = page.getByRole('button', { name: /^Goose, slot 3:/ });
  await slot.click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Space, / })
    .click();
  await expect(page.getByText('in Space', { exact: true })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('option').first().getByLabel('on Favourites')).toBeVisible();
  const name = (await page.getByRole('option').first().locator('bdi').first().innerText()).trim();
  await page.keyboard.press('Enter');
  await expect(slot).toHaveAttribute('title', new RegExp(name));
  await page.getByRole('button', { name: /^Goose, slot 4:/ }).click();
  await expect(page.getByText('in Space', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('everything that fits')).toBeVisible();
  await page.keyboard.press('Escape');
});

test('arrows go from slot to slot, and ? shows the keys', async ({ page }) => {
  await page.getByRole('button', { name: /^Accordion, slot 1:/ }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^Toy piano, slot 2:/ })).toBeFocused();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});
