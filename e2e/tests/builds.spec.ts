/** One certain build: from a drawer, in the pick window, kept for a reason; and what a vendor's note says. */
import { expect, test, type Page } from '@playwright/test';
import { accessible, ask, computerNamed, dialog, foot, front, placeOf, row, saved, undo } from '../support/studio';

interface Build {
  readonly id: string;
  readonly outputs: number | null;
}
interface Known {
  readonly id: string;
  readonly name: string;
  readonly role: string | null;
  readonly builds: readonly Build[];
}
interface Arranged {
  readonly drawer: readonly { id: string; name: string }[];
  readonly entry: readonly { drawerId: string; pluginId: string; build?: unknown }[];
}

/** The place of the demo that loads a mono build: its drawer and its plugin. */
async function monoPlace(): Promise<{ drawer: string; plugin: Known }> {
  const { id } = await computerNamed('Music room');
  const { drawer, entry } = await ask<Arranged>(`/computers/${id}/arrangement`);
  const bound = entry.find((one) => one.build != null);
  const { plugins } = await ask<{ plugins: Known[] }>(`/computers/${id}/catalogue`);
  const plugin = plugins.find((one) => one.id === bound?.pluginId);
  const name = drawer.find((one) => one.id === bound?.drawerId)?.name;
  if (plugin === undefined || name === undefined) throw new Error('no place loads a certain build');
  return { drawer: name, plugin };
}

/** Opens Sort with the list narrowed to a plugin. */
async function openAt(page: Page, plugin: Known): Promise<void> {
  await page.goto(await placeOf('sort'));
  await page.getByLabel('Find', { exact: true }).fill(plugin.name);
  await expect(row(page, plugin.name)).toBeVisible();
}
const line = (page: Page, drawer: string, name: string) =>
  page
    .getByRole('listbox', { name: `In ${drawer}` })
    .getByRole('option')
    .filter({ hasText: name })
    .first();

test('a place in a drawer loads the build that it is bound to, and says so', async ({ page }) => {
  const { drawer, plugin } = await monoPlace();
  await openAt(page, plugin);
  await front(page, drawer).getByRole('button').first().click();
  await expect(line(page, drawer, plugin.name)).toContainText('mono');
  await line(page, drawer, plugin.name).click();
  await page.keyboard.press('e');
  await expect(dialog(page)).toContainText(`Load from ${drawer}: ${plugin.name}`);
  await accessible(page);
  await dialog(page).getByRole('option', { name: 'the usual build' }).click();
  await page.keyboard.press('Enter');
  await expect(line(page, drawer, plugin.name)).not.toContainText('mono');
  await saved(page);
  await undo(page);
  await expect(line(page, drawer, plugin.name)).toContainText('mono');
});

test('out of the drawer, a slot gets that build and shows that it is not the usual one', async ({ page }) => {
  const { drawer, plugin } = await monoPlace();
  await page.goto(await placeOf('load'));
  const slot = page.getByRole('button', { name: /^Goose, slot 3:/ });
  await slot.click();
  await dialog(page)
    .getByRole('button', { name: new RegExp(`^${drawer}, `) })
    .click();
  const option = dialog(page).getByRole('option').filter({ hasText: plugin.name }).first();
  await expect(option).toContainText('mono');
  await option.click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(slot).toHaveAttribute('title', new RegExp(`${plugin.name}.*not the usual build: mono`));
  await expect(slot).toContainText('mono');
  await accessible(page);
  await saved(page);
  const { id } = await computerNamed('Music room');
  const { slot: slots } = await ask<{ slot: readonly { pluginId: string | null; buildId: string | null }[] }>(
    `/computers/${id}/arrangement`,
  );
  const mono = plugin.builds.filter((build) => build.outputs === 1).map((build) => build.id);
  expect(slots.some((one) => one.pluginId === plugin.id && mono.includes(one.buildId ?? ''))).toBe(true);
  await undo(page);
  await expect(slot).toHaveAttribute('title', /^empty/);
});

test('a build is kept for a reason, and a vendor has a note and a link', async ({ page }) => {
  const { plugin } = await monoPlace();
  await openAt(page, plugin);
  await row(page, plugin.name).click();
  await page.keyboard.press('Enter');
  const about = page.getByRole('region', { name: 'About the plugin' });
  await about.getByRole('button', { name: 'Keep, because …' }).first().click();
  await dialog(page).getByLabel('Because …').fill('the harbour scene was mixed with it');
  await page.keyboard.press('Enter');
  await expect(about).toContainText('kept: the harbour scene was mixed with it');
  await about.getByRole('button', { name: /^Note and link of / }).click();
  await dialog(page).getByLabel('Note').fill('ask for the key by post');
  const link = dialog(page).getByLabel('Link: where to get its plugins again');
  await link.fill('tollgate');
  await expect(dialog(page)).toContainText('Give the address of a page');
  await expect(dialog(page).getByRole('button', { name: 'Save' })).toBeDisabled();
  await link.fill('https://plugins.example/again');
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  await expect(about).toContainText('ask for the key by post');
  await expect(about.getByRole('link', { name: 'plugins.example' })).toHaveAttribute(
    'href',
    'https://plugins.example/again',
  );
  await accessible(page);
  await saved(page);
  await openAt(page, plugin);
  await row(page, plugin.name).click();
  await page.keyboard.press('Enter');
  await expect(about).toContainText('kept: the harbour scene was mixed with it');
  await page.keyboard.press('Escape');
  await undo(page, 2);
  await expect(foot(page)).not.toContainText(/Undo: (keep|note)/);
});

test('the pick window takes mono, stereo or either', async ({ page }) => {
  const { id } = await computerNamed('Music room');
  const { plugins } = await ask<{ plugins: Known[] }>(`/computers/${id}/catalogue`);
  // Its usual build is mono.
  const both = plugins.find(
    ({ role, builds: [first, ...others] }) =>
      role === 'audio-effect' && first?.outputs === 1 && others.some((build) => build.outputs === 2),
  );
  const name = both?.name ?? '';
  // The window is that of the computer that was at hand last.
  await page.goto(await placeOf('load'));
  await page.setViewportSize({ width: 420, height: 720 });
  await page.goto(`${new URL(page.url()).origin}/pick?slot=insert&width=stereo`);
  await expect(page.getByLabel('For how many channels')).toHaveValue('stereo');
  await page.getByRole('combobox', { name: 'Find a plugin' }).fill(name);
  await expect(page.locator('[role="option"].at')).toContainText(name);
  await expect(page.getByText('(stereo, to fit here)')).toBeVisible();
  await accessible(page);
  for (const other of ['mono', 'any']) {
    await page.getByLabel('For how many channels').selectOption(other);
    await expect(page.getByText('to fit here')).toHaveCount(0);
  }
  await page.getByRole('combobox', { name: 'Find a plugin' }).press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'last:' })).toContainText(name);
});
