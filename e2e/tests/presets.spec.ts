/** A preset is found, filed, named and loaded like a plugin, on whichever computer has it. */
import { expect, test, type Page } from '@playwright/test';
import { accessible, ask, computerNamed, front, label, placeOf, row, saved } from '../support/studio';

interface Presets {
  readonly presets: readonly { readonly pluginId: string; readonly bank: string | null; readonly name: string }[];
}

/** A plugin that both computers have with a preset of one name, and may be loaded as an insert. */
async function shared(): Promise<{ plugin: string; preset: string }> {
  const presetsAt = async (name: string) => {
    const { id } = await computerNamed(name);
    const { presets } = await ask<Presets>(`/computers/${id}/presets`);
    return { id, presets };
  };
  const [room, wagon] = [await presetsAt('Music room'), await presetsAt('Puppet wagon')];
  const { plugins } = await ask<{ plugins: { id: string; name: string; role: string; found: boolean }[] }>(
    `/computers/${wagon.id}/catalogue`,
  );
  for (const one of room.presets) {
    if (one.bank === null) continue;
    const isThere = wagon.presets.some((other) => other.pluginId === one.pluginId && other.name === one.name);
    const plugin = plugins.find(({ id, role, found }) => id === one.pluginId && role === 'audio-effect' && found);
    if (isThere && plugin !== undefined) return { plugin: plugin.name, preset: one.name };
  }
  throw new Error('the demo has no such preset');
}

async function sortAt(page: Page, computer: string): Promise<void> {
  await page.goto(await placeOf('sort', computer));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
}

const lines = (page: Page, drawer: string) => page.getByRole('listbox', { name: `In ${drawer}` }).getByRole('option');

test('found by plugin and preset, filed, named, and loaded on both computers', async ({ page }) => {
  const { plugin, preset } = await shared();
  await sortAt(page, 'Music room');
  await page.keyboard.press('n');
  await page.keyboard.type('Settings');
  await page.keyboard.press('Enter');
  await page.getByLabel('Find', { exact: true }).fill(`${plugin}: ${preset}`);
  const found = row(page, preset);
  await expect(found).toContainText(plugin);
  await expect(page.getByRole('row')).toHaveCount(2);
  await found.click();
  await page.keyboard.press('f');
  await page.keyboard.type('Settings');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('contentinfo')).toContainText(`Undo: file ${plugin}: ${preset} into Settings`);
  await page.keyboard.press('m');
  await page.getByRole('dialog').getByLabel('Nickname').fill('for the goose');
  await page.keyboard.press('Enter');
  await saved(page);
  await label(page, 'Settings').click();
  await expect(lines(page, 'Settings')).toHaveText([/for the goose/]);

  // In the plugin's panel it stands under the name that was given to it, with its place.
  await page.getByLabel('Find', { exact: true }).fill(plugin);
  await row(page, plugin).dblclick();
  const own = page.getByRole('region', { name: 'Presets' }).getByRole('button', { name: 'for the goose' });
  await expect(own).toContainText(preset);
  await own.click();
  await expect(own).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('9');
  await expect(page.getByRole('contentinfo')).toContainText(/Undo: put .* on Tray 9/);
  await accessible(page);
  await saved(page);

  for (const computer of ['Music room', 'Puppet wagon']) {
    await page.goto(await placeOf('load', computer));
    await page.getByRole('button', { name: /^Bowed saw, slot 4/ }).click();
    await page.keyboard.type('for the goose');
    const best = page.getByRole('dialog').getByRole('option').first();
    await expect(best).toContainText('for the goose');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Bowed saw, slot 4: for the goose/ })).toBeVisible();
    await saved(page);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: /^Bowed saw, slot 4: empty/ })).toBeVisible();
  }

  await sortAt(page, 'Puppet wagon');
  await expect(front(page, 'Settings')).toBeVisible();
  await sortAt(page, 'Music room');
  for (let step = 0; step < 4; step++) await page.keyboard.press('Control+z');
  await saved(page);
  await expect(front(page, 'Settings')).toHaveCount(0);
});
