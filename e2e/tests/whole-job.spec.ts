/** A day of arranging: devices of two programs filed among bought plugins, a chest for buses finished, an older build loaded, drawers divided and sorted, a folder tree taken over, the end of a demo seen coming. */
import { join } from 'node:path';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { ask, computerNamed, dialog, foot, front, label, placeOf, putBundle, row, saved } from '../support/studio';

const KINDS = ['Reverb', 'Delay', 'EQ', 'Compressor', 'Limiter', 'Chorus', 'Gate', 'Sampler', 'Organ', 'Phaser'];
/** Thirty invented devices of a program, each with a word of the trade. */
const devices = (...first: readonly string[]): string[] =>
  first.flatMap((word) => KINDS.map((kind) => `${word} ${kind}`));

const undoes = (page: Page, words: string): Promise<void> => expect(foot(page)).toContainText(`Undo: ${words}`);
const progress = (page: Page): Locator => page.locator('.progress-words');
const pressed = (page: Page, name: RegExp): Promise<void> => page.getByRole('button', { name }).first().click();

async function pasteDevices(page: Page, program: string, names: readonly string[]): Promise<void> {
  await page.keyboard.press('q');
  await dialog(page).getByLabel('Music program').fill(program);
  await dialog(page).getByLabel('Names, one a line').fill(names.join('\n'));
  await dialog(page)
    .getByRole('button', { name: `Add ${String(names.length)} entries` })
    .click();
  await undoes(page, `add ${String(names.length)} own entries`);
}

async function file(page: Page, drawer: string, key: 'Enter' | 'Control+Enter' = 'Enter'): Promise<void> {
  await page.keyboard.press('f');
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.type(drawer);
  await page.keyboard.press(key);
  await expect(dialog(page)).toHaveCount(0);
}

interface Journal {
  readonly entries: readonly { readonly number: number; readonly undone: boolean }[];
}

/** How many steps were taken since. */
async function stepsSince(number: number): Promise<number> {
  const { id } = await computerNamed('Music room');
  const { entries } = await ask<Journal>(`/computers/${id}/journal?limit=100`);
  return entries.filter((step) => step.number > number && !step.undone).length;
}

test('a day of arranging', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  const { id } = await computerNamed('Music room');
  const before = (await ask<Journal>(`/computers/${id}/journal?limit=1`)).entries[0]?.number ?? 0;

  await test.step('sixty devices of two programs, filed among bought plugins', async () => {
    await pasteDevices(page, 'Fly Loft', devices('Balcony', 'Curtain', 'Trapdoor'));
    await file(page, 'noises off');
    await undoes(page, 'file 30 plugins into Noises off');
    await pasteDevices(page, 'Prop Room', devices('Balcony', 'Lantern', 'Thimble'));
    await page.keyboard.press('Escape');
    await page.getByLabel('Find', { exact: true }).fill('balcony limiter');
    // One name in two programs: each says whose it is.
    await expect(row(page, 'Balcony Limiter Fly Loft')).toBeVisible();
    await expect(row(page, 'Balcony Limiter Prop Room')).toBeVisible();
    await row(page, 'Balcony Limiter Prop Room').click();
    await file(page, 'dynamics');
    await undoes(page, 'file Balcony Limiter into Dynamics');
    await label(page, 'Dynamics').click();
    const inside = front(page, 'Dynamics').getByRole('option');
    await expect(inside.filter({ hasText: 'Balcony Limiter' })).toHaveCount(1);
    expect(await inside.count()).toBeGreaterThan(5);
    await label(page, 'Dynamics').click();
  });

  await test.step('drawers are divided and sorted', async () => {
    await label(page, 'Movement').press('d');
    await dialog(page).getByLabel('Label').fill('slow things');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Divider slow things' })).toBeVisible();
    await label(page, 'Space').press('Shift+O');
    await dialog(page).getByLabel('A–Z').check();
    await page.keyboard.press('Enter');
    await undoes(page, 'sort the drawers of Everyday A–Z');
  });

  await test.step('a chest for buses is finished', async () => {
    await pressed(page, /^New chest$/);
    await dialog(page).getByLabel('Name').fill('Bus night');
    await dialog(page).getByLabel('inserts of buses').check();
    await dialog(page).getByRole('button', { name: 'Create chest' }).click();
    await expect(progress(page)).toContainText(/^0 of \d+ filed/);
    await page.getByLabel('Find', { exact: true }).fill('');
    await pressed(page, /^to file \d/);
    await page.getByRole('row').nth(1).click();
    await page.keyboard.press('Control+a');
    await file(page, 'Everything for buses');
    await expect(progress(page)).toContainText('all that fits is filed');
    await pressed(page, /^Clear the filter to file/);
    // Instruments belong to other chests, and nobody is asked about them here.
    await page.getByLabel('Find', { exact: true }).fill('balcony organ fly');
    await expect(row(page, 'Balcony Organ')).toBeVisible();
    await expect(row(page, 'Balcony Organ').locator('.flag')).toHaveCount(0);
    await page.getByLabel('Find', { exact: true }).fill('');
  });

  await test.step('a folder tree is taken over', async () => {
    const tree = join(process.env.DEMO_FOLDER ?? '', 'By scene');
    await putBundle(join(tree, 'Forest', 'Night'), 'owl-echo', 'Owl Echo');
    await putBundle(join(tree, 'Harbour'), 'rope-echo', 'Rope Echo');
    await page.goto(await placeOf('intake'));
    await page.getByLabel('Another folder, with its full path').fill(tree);
    await page.keyboard.press('Enter');
    await pressed(page, new RegExp(`^Scan ${tree}$`));
    await expect(page.getByRole('listitem').filter({ hasText: tree }).first()).toContainText('2 builds');
    await page.getByRole('link', { name: 'Sort' }).click();
    await pressed(page, /^New chest$/);
    await dialog(page).getByLabel('As the folders on disk').check();
    await expect(dialog(page).getByRole('region', { name: 'Preview' })).toContainText('Harbour');
    await dialog(page).getByRole('button', { name: 'Create chest' }).click();
    await expect(label(page, 'Harbour')).toHaveAccessibleName(/^Harbour, 1 plugin/);
    await label(page, 'Forest').click();
    await expect(front(page, 'Forest').getByRole('region', { name: 'Drawer Night' })).toBeVisible();
  });

  await test.step('the end of a demo is seen coming', async () => {
    await pressed(page, /^More filters$/);
    await pressed(page, /^ends in 14 days \d/);
    await expect(page.locator('[data-shown]')).toContainText('2 shown');
    await expect(page.getByRole('row').nth(1)).toContainText(/demo, \d days left/);
    await pressed(page, /^Clear the filter ends in 14 days/);
    await pressed(page, /^Fewer filters$/);
    await saved(page);
  });

  await test.step('an older build is loaded by hand', async () => {
    interface Known {
      readonly name: string;
      readonly role: string | null;
      readonly builds: readonly { readonly format: string; readonly found: boolean }[];
    }
    const { plugins } = await ask<{ plugins: Known[] }>(`/computers/${id}/catalogue`);
    const older = plugins.find(
      ({ role, builds }) =>
        role === 'audio-effect' &&
        builds[0]?.format === 'VST3' &&
        builds.some((one) => one.format === 'VST2' && one.found),
    );
    await page.goto(await placeOf('load'));
    const slot = page.getByRole('button', { name: /^Bowed saw, slot 2:/ });
    await slot.press('Enter');
    await dialog(page)
      .getByRole('combobox')
      .fill(older?.name ?? '');
    await expect(dialog(page).locator('[role="option"].at')).toContainText(older?.name ?? 'none');
    await page.keyboard.press('Alt+Enter');
    const builds = page.getByRole('dialog').last();
    await builds.getByRole('option', { name: /VST2/ }).first().click();
    await page.keyboard.press('Enter');
    await expect(slot).toHaveAttribute('title', new RegExp(`${older?.name ?? ''}.*not the usual build: VST2`));
    await saved(page);
  });

  // All of it is undone, step by step.
  for (let left = await stepsSince(before); left > 0; left--) {
    const answer = await page.request.post(new URL(`/api/computers/${id}/undo`, page.url()).href, { data: {} });
    expect(answer.ok()).toBe(true);
  }
  expect(await stepsSince(before)).toBe(0);
  await page.goto(await placeOf('sort'));
  await expect(label(page, 'Dynamics')).toHaveAccessibleName(/^Dynamics, 9 plugins/);
  await expect(page.getByRole('button', { name: 'Divider slow things' })).toHaveCount(0);
});
