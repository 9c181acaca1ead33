import { execFileSync } from 'node:child_process';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { startOwnStudio, type OwnStudio } from '../support/own-server';
import { accessible, placeOf, row, saved } from '../support/studio';

const TOY = fileURLToPath(new URL('../../scan/test/native/toy.c', import.meta.url));
let own: OwnStudio;
const folder = (): string => own.folder;
const buildToy = (name: string, what: string): unknown =>
  execFileSync('gcc', [
    '-shared',
    '-fPIC',
    '-w',
    ...what.split(' ').map((word) => `-D${word}`),
    '-o',
    join(folder(), name),
    TOY,
  ]);
const outcome = (page: Page, name: string) => page.locator('[class*="counts"] div', { hasText: name }).locator('dd');

test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  own = await startOwnStudio();
  await mkdir(folder(), { recursive: true });
});
test.afterAll(() => own.stop());

async function addFolder(page: Page): Promise<void> {
  await page.goto(own.placeOf('intake'));
  await page.getByLabel('Another folder').fill(folder());
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: `Scan ${folder()}` })).toBeVisible();
}

test('plugins are asked; one that crashes is a problem, is not asked again, and is when it is tried again', async ({
  page,
}) => {
  buildToy('lantern.clap', 'CLAP');
  buildToy('crashing.so', 'LADSPA CRASHES');
  await addFolder(page);
  await page.getByRole('button', { name: `Scan ${folder()}` }).click();
  await expect(page.getByText('The plugin crashed while its details were read')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Show the details' }).click();
  await expect(page.locator('.story').getByText('Lantern', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: `Scan ${folder()}` }).click();
  await expect(page.getByText('2 places have not changed')).toBeVisible({ timeout: 30_000 });
  buildToy('crashing.so', 'LADSPA');
  await page.getByRole('button', { name: `Try ${join(folder(), 'crashing.so')} again` }).click();
  await expect(outcome(page, 'read again')).toHaveText('1', { timeout: 30_000 });
  await expect(page.getByText('The plugin crashed')).toHaveCount(0);
  await accessible(page);
});

test('the detail panel shows what a plugin is, how sure that is, and where each fact came from', async ({ page }) => {
  await page.goto(own.placeOf('sort'));
  await page.getByRole('searchbox').fill('lantern copperhat');
  await row(page, 'Lantern').click();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('region', { name: 'About the plugin' });
  await expect(panel.getByText('the CLAP build declares “synthesizer”')).toBeVisible();
  await expect(panel.getByText('instrument, declared by its maker')).toBeVisible();
  await expect(panel.getByText('A synth of paper lanterns. from the loaded plugin')).toBeVisible();
  await expect(panel.getByText('Read from the loaded plugin.')).toBeVisible();
  await accessible(page);
});

test('role and type of several plugins are put right at once by keyboard, kept over a rescan, undone and taken back', async ({
  page,
}) => {
  await page.goto(own.placeOf('sort'));
  await expect(page.getByRole('searchbox')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('wagon wheel');
  // On a slow machine what was typed is still being looked for.
  await expect(page.getByText('1 shown')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(row(page, 'Wagon Wheel')).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('c');
  const box = page.getByRole('dialog');
  await box.getByLabel('Role').selectOption('tool');
  await box.getByLabel('Main type').selectOption('tuner');
  await accessible(page);
  await box.getByRole('button', { name: 'Save' }).click();
  await saved(page);
  await expect(row(page, 'Wagon Wheel').getByRole('img', { name: 'tuner' })).toBeVisible();
  await page.goto(own.placeOf('intake'));
  await page.getByRole('button', { name: `Scan ${folder()}` }).click();
  await expect(page.getByText('2 places have not changed')).toBeVisible({ timeout: 30_000 });
  await page.goto(own.placeOf('sort'));
  await page.getByRole('searchbox').fill('wagon wheel');
  await expect(row(page, 'Wagon Wheel').getByRole('img', { name: 'tuner' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo: correct the role and type of Wagon Wheel/ }).click();
  await expect(row(page, 'Wagon Wheel').getByRole('img', { name: 'tuner' })).toHaveCount(0);
});

test('two plugins are joined, and parted again', async ({ page }) => {
  await page.goto(own.placeOf('sort'));
  await page.getByRole('searchbox').fill('copperhat');
  await row(page, 'Goose Gate').click();
  await row(page, 'Wagon Wheel').click({ modifiers: ['Control'] });
  await page.keyboard.press('c');
  await page.getByRole('dialog').getByLabel('Join into one plugin').selectOption({ index: 1 });
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(row(page, 'Wagon Wheel')).toHaveCount(0);
  await row(page, 'Goose Gate').click();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('region', { name: 'About the plugin' });
  await expect(panel.getByText('One build was put here by you.')).toBeVisible();
  await panel.getByRole('button', { name: 'Group automatically' }).click();
  await expect(row(page, 'Wagon Wheel')).toBeVisible();
});

test('a correction teaches: the others that say the same word are shown, taken with it, and one undo takes all back', async ({
  page,
}) => {
  await page.goto(await placeOf('sort'));
  await page.getByRole('searchbox').fill('buttonquay comp');
  await row(page, 'Buttonquay Comp').click();
  await page.keyboard.press('c');
  const box = page.getByRole('dialog');
  await box.getByLabel('Main type').selectOption('limiter');
  const others = box.getByRole('group', { name: /say.* “comp” in .* name: limiter too\?$/ });
  await expect(others).toBeVisible();
  await accessible(page);
  const all = others.getByLabel('all of them');
  const boxes = others.getByRole('checkbox');
  const count = (await boxes.count()) - (await all.count());
  if ((await all.count()) === 1) await all.check();
  else await boxes.first().check();
  await box.getByRole('button', { name: `Save for ${String(count + 1)} plugins` }).click();
  await saved(page);
  await expect(row(page, 'Buttonquay Comp').getByRole('img', { name: 'limiter' })).toBeVisible();
  await page.keyboard.press('Escape');
  const undo = page.getByRole('button', {
    name: new RegExp(`^Undo: correct the type of ${String(count + 1)} plugins`),
  });
  await undo.click();
  await expect(undo).toHaveCount(0);
  await expect(row(page, 'Buttonquay Comp').getByRole('img', { name: 'compressor' })).toBeVisible();
});

test('another build is preferred, for one plugin and in general', async ({ page }) => {
  await page.goto(await placeOf('intake'));
  await page.getByRole('button', { name: 'AU: up' }).click();
  await page.getByRole('button', { name: 'AU: up' }).click();
  await saved(page);
  await expect(page.locator('[class*="ranking"][class*="inner"] li').first()).toContainText('AU');
  await page.goto(await placeOf('sort'));
  await page.getByRole('searchbox').fill('cinderquay toy piano');
  await row(page, 'Cinderquay Toy Piano').click();
  await page.keyboard.press('Enter');
  const builds = page.getByRole('region', { name: 'About the plugin' }).getByRole('article');
  await expect(builds.first()).toHaveAttribute('aria-label', 'AU build');
  await page.getByRole('button', { name: 'prefer this one' }).click();
  await expect(builds.first()).toHaveAttribute('aria-label', 'VST3 build');
  await expect(builds.first()).toContainText('preferred by you');
  await page.keyboard.press('Control+z');
  await expect(builds.first()).toHaveAttribute('aria-label', 'AU build');
  await page.goto(await placeOf('intake'));
  await page.getByRole('button', { name: 'Reset to default' }).click();
  await expect(page.locator('[class*="ranking"][class*="inner"] li').first()).toContainText('VST3');
});

test('a vendor is joined to another by its right name, and given back', async ({ page }) => {
  await page.goto(await placeOf('intake'));
  await page.getByRole('combobox', { name: 'Vendor' }).selectOption('Quillfeather');
  await page.getByLabel('Correct name').fill('Fernweir');
  await page.getByRole('button', { name: 'Join' }).click();
  await saved(page);
  const spelling = page.locator('[class*="spelling"]', { hasText: 'Quillfeather' });
  await expect(spelling).toBeVisible();
  await spelling.getByRole('button', { name: 'as its files say' }).click();
  await expect(spelling).toHaveCount(0);
});

test('a plugin that is two after all is split by hand, and made one again by undo', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await page.getByRole('searchbox').fill('cinderquay toy piano');
  await row(page, 'Cinderquay Toy Piano').click();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Split into separate plugins' }).click();
  await expect(page.getByRole('button', { name: 'Split off' })).toBeDisabled();
  await page.getByLabel(/^AU Cinderquay/).check();
  await page.getByRole('button', { name: 'Split off' }).click();
  await expect(page.getByRole('row', { name: 'Cinderquay Toy Piano' })).toHaveCount(2);
  await expect(page.getByRole('heading', { name: /Its build\b/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo: split a build off Cinderquay Toy Piano/ }).click();
  await expect(page.getByRole('row', { name: 'Cinderquay Toy Piano' })).toHaveCount(1);
});

test('earlier scans open to what they found; folder switches are kept', async ({ page }) => {
  await page.goto(await placeOf('intake'));
  const lv2 = page.locator('[class*="intake-module__folders"] li').last();
  await lv2.getByRole('button', { name: /^Scan / }).click();
  await expect(page.getByText(/places have not changed/)).toBeVisible({ timeout: 30_000 });
  const history = page.getByRole('region', { name: 'Earlier scans' });
  await history.getByRole('button').first().click();
  await expect(history.getByRole('heading', { name: /Arrived/ })).toBeVisible();
  await expect(history.getByText(/and \d+ more/).first()).toBeVisible();
  await lv2.getByLabel('load plugins to read their details').click();
  await expect(lv2.getByLabel('load plugins to read their details')).not.toBeChecked();
  await page.reload();
  await expect(
    page.locator('[class*="intake-module__folders"] li').last().getByLabel('load plugins to read their details'),
  ).not.toBeChecked();
  await page
    .locator('[class*="intake-module__folders"] li')
    .last()
    .getByLabel('load plugins to read their details')
    .click();
});

test('a plugin that arrives in a watched folder is announced, and only it is scanned', async ({ page }) => {
  await page.goto(own.placeOf('intake'));
  await mkdir(join(folder(), 'lamp.lv2'), { recursive: true });
  await writeFile(
    join(folder(), 'lamp.lv2', 'manifest.ttl'),
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> . @prefix doap: <http://usefulinc.com/ns/doap#> . <urn:lamp> a lv2:Plugin ; doap:name "Lamp Hall" .',
  );
  await expect(page.getByText('In the watched folders: 1 arrived or changed')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Scan only this' }).click();
  await expect(outcome(page, 'arrived')).toHaveText('1', { timeout: 30_000 });
  await expect(page.getByText('In the watched folders')).toHaveCount(0, { timeout: 15_000 });
  await page.getByRole('button', { name: /Remove .*own-plugins from the list/ }).click();
});

test('what is not sure is proposed: vendors that may be one in Intake, plugins that may be one in Sort', async ({
  page,
}) => {
  for (const [bundle, vendor] of [
    ['twin-a', 'Copperhat Records'],
    ['twin-b', 'Copperhat Records'],
  ]) {
    await mkdir(join(folder(), `${String(bundle)}.lv2`), { recursive: true });
    await writeFile(
      join(folder(), `${String(bundle)}.lv2`, 'manifest.ttl'),
      `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n@prefix foaf: <http://xmlns.com/foaf/0.1/> .\n<urn:${String(bundle)}> a lv2:Plugin , lv2:DelayPlugin ; doap:name "Twin Delay" ; doap:maintainer [ foaf:name "${String(vendor)}" ] .`,
    );
  }
  // The test before has taken it off the list.
  await addFolder(page);
  await page.getByRole('button', { name: `Scan ${folder()}` }).click();
  const proposed = page.getByText('they differ in “Records” alone');
  await expect(proposed).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Join Copperhat.* to Copperhat/ }).click();
  await expect(proposed).toHaveCount(0);
  await accessible(page);
  await page.getByRole('button', { name: /^Undo: spell the vendor / }).click();
  await expect(proposed).toBeVisible();

  await page.goto(own.placeOf('sort'));
  await page.getByRole('searchbox').fill('twin delay');
  await expect(page.getByRole('row', { name: /Twin Delay/ })).toHaveCount(2);
  await page
    .getByRole('row', { name: /Twin Delay/ })
    .first()
    .click();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('region', { name: 'About the plugin' });
  await expect(panel.getByText('the same name by the same vendor, under another identifier')).toBeVisible();
  await accessible(page);
  await page.keyboard.press('j');
  await expect(page.getByRole('row', { name: /Twin Delay/ })).toHaveCount(1);
  await expect(panel.getByText('Possibly the same as')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('row', { name: /Twin Delay/ })).toHaveCount(2);
});
