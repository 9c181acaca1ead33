import { execFileSync } from 'node:child_process';
import { mkdir, readFile, rm, symlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { accessible, front, placeOf, putBundle, row, saved, undo } from '../support/studio';

const MARKUP = 'Slapper <img src=x onerror=document.title=1>';
const SCAN = fileURLToPath(new URL('../../scripts/scan.mjs', import.meta.url));

/** Adds a folder with one new plugin in Intake, and scans it. */
async function addAndScan(page: Page, folder: string): Promise<void> {
  await page.goto(await placeOf('intake'));
  await page.getByLabel('Another folder').fill(folder);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: `Scan ${folder}` }).click();
  await expect(page.getByText('1 build is new.')).toBeVisible();
}

test('a new plugin arrives with a scan, and fills a clever drawer; a folder that is not there is a problem with a remedy', async ({
  page,
}) => {
  const folder = join(process.env.DEMO_FOLDER ?? '', 'more-plugins');
  await putBundle(folder, 'cuckoo', 'Cuckoo Slapper');
  await putBundle(folder, 'markup', MARKUP);
  await page.goto(await placeOf('intake'));
  await page.getByLabel('Another folder').fill('more-plugins');
  await page.keyboard.press('Enter');
  await expect(page.getByText('is not a full path')).toBeVisible();
  await page.getByLabel('Another folder').fill('/no/such/folder');
  await page.keyboard.press('Enter');
  await expect(page.getByText('There is no folder /no/such/folder on this computer.')).toBeVisible();
  const gone = join(process.env.DEMO_FOLDER ?? '', 'unplugged');
  await mkdir(gone);
  for (const path of [folder, gone]) {
    await page.getByLabel('Another folder').fill(path);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: `Scan ${path}` })).toBeVisible();
  }
  await rm(gone, { recursive: true });
  await page.getByRole('button', { name: 'Scan all' }).click();
  await expect(page.getByText('This folder does not exist.')).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[class*="counts"] div', { hasText: 'arrived' })).toContainText('2');
  await page.goto(await placeOf('sort'));
  await page.getByRole('button', { name: /^Echoes,/ }).click();
  await expect(front(page, 'Echoes').getByText('Cuckoo Slapper')).toBeVisible();
  // A name is a text, whatever it looks like.
  await expect(front(page, 'Echoes').getByText(MARKUP)).toBeVisible();
  await expect(page.locator('img[src="x"]')).toHaveCount(0);

  await rm(folder, { recursive: true });
  await page.goto(await placeOf('intake'));
  await page.getByRole('button', { name: `Remove ${gone} from the list` }).click();
  await expect(page.getByRole('button', { name: `Scan ${gone}` })).toHaveCount(0);
});

test('what is set aside as a demo and has another version since is told, and brought back', async ({ page }) => {
  const folder = join(process.env.DEMO_FOLDER ?? '', 'on trial');
  await putBundle(folder, 'tryme', 'Thimble Trial', 2);
  await addAndScan(page, folder);
  await page.getByRole('link', { name: 'Sort' }).click();
  await page.getByLabel('Find', { exact: true }).fill('thimble trial');
  await row(page, 'Thimble Trial').click();
  await page.keyboard.press('a');
  await page.getByRole('dialog').getByText('demo', { exact: true }).click();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('contentinfo')).toContainText(/Undo: set .+ aside/);
  await saved(page);
  await page.getByRole('link', { name: 'Intake' }).click();
  const again = page.getByRole('region', { name: /^Set aside, and changed by the last scan/ });
  await expect(page.getByRole('button', { name: `Scan ${folder}` })).toBeVisible();
  await expect(again).toHaveCount(0);
  await putBundle(folder, 'tryme', 'Thimble Trial', 4);
  await page.getByRole('button', { name: `Scan ${folder}` }).click();
  await expect(again).toContainText('Thimble Trial', { timeout: 30_000 });
  await expect(again).toContainText(/set aside: demo\s+version 2\.0 → 4\.0/);
  await accessible(page);
  await again.getByRole('button', { name: 'Bring Thimble Trial back' }).click();
  await expect(again).toHaveCount(0);
  await saved(page);
  await page.getByRole('button', { name: `Remove ${folder} from the list` }).click();
});

test('what no computer has any more is taken out of a chest in one step, and comes back with undo', async ({
  page,
}) => {
  const folder = join(process.env.DEMO_FOLDER ?? '', 'short visit');
  await putBundle(folder, 'moth', 'Paper Moth Echo');
  await addAndScan(page, folder);
  await page.getByRole('link', { name: 'Sort' }).click();
  await page.getByLabel('Find', { exact: true }).fill('paper moth');
  await row(page, 'Paper Moth Echo').click();
  await page.keyboard.press('f');
  await page.keyboard.type('narration');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('contentinfo')).toContainText('Undo: file Paper Moth Echo into Narration');
  const takeOut = async () => {
    await page.getByRole('button', { name: 'The chest Everyday' }).click();
    await page.getByRole('button', { name: 'Take out what no computer has …' }).click();
  };
  await takeOut();
  const box = page.getByRole('dialog');
  await expect(box).toContainText('Everything in its drawers was found on a computer of the studio.');
  await expect(box.getByRole('button', { name: 'Take out' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await rm(join(folder, 'moth.lv2'), { recursive: true });
  await page.getByRole('link', { name: 'Intake' }).click();
  await page.getByRole('button', { name: `Scan ${folder}` }).click();
  await expect(page.locator('[class*="counts"] div', { hasText: 'gone' })).toContainText('1', { timeout: 30_000 });
  await page.getByRole('link', { name: 'Sort' }).click();
  await takeOut();
  await expect(box).toContainText('Paper Moth Echo in Narration');
  await accessible(page);
  await box.getByRole('button', { name: 'Take out' }).click();
  await expect(page.getByRole('contentinfo')).toContainText('Undo: take Paper Moth Echo out of Narration');
  await saved(page);
  await undo(page, 2);
  await page.getByRole('link', { name: 'Intake' }).click();
  await page.getByRole('button', { name: `Remove ${folder} from the list` }).click();
});

test('a folder is found by walking from folder to folder, by keyboard alone', async ({ page }) => {
  const start = join(process.env.DEMO_FOLDER ?? '', 'shelf of folders');
  const folder = join(start, 'second', 'plugins');
  await putBundle(folder, 'lantern', 'Lantern Hall');
  await mkdir(join(start, 'first'));
  await page.goto(await placeOf('intake'));
  await page.getByLabel('Another folder').fill(start);
  await page.getByRole('button', { name: 'Browse …' }).click();
  const box = page.getByRole('dialog');
  await expect(box.getByRole('option')).toHaveText([/Use this folder/, /Up to the folder above/, 'first', 'second']);
  await accessible(page);
  for (const name of ['second', 'plugins']) {
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(box.locator('.modal-title')).toHaveText(new RegExp(`${name}$`));
  }
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Another folder')).toHaveValue(folder);
  await expect(page.getByLabel('Another folder')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: `Scan ${folder}` })).toBeVisible();
  await page.getByRole('button', { name: `Remove ${folder} from the list` }).click();
  await rm(start, { recursive: true });
});

test('what scans left out is counted and listed, and a folder of links tells which other it shares its builds with', async ({
  page,
}) => {
  await page.goto(await placeOf('intake'));
  const leftOut = page.getByRole('region', { name: 'Left out' });
  await leftOut.getByRole('button', { name: '3 duplicates through links' }).click();
  await expect(leftOut.getByText(/For the band\/.*\.vst3 leads to /).first()).toBeVisible();
  await leftOut.getByRole('button', { name: '1 library for another system' }).click();
  await expect(leftOut.getByText(/drawing-helpers\.dylib/)).toBeVisible();
  await accessible(page);
  const links = join(process.env.DEMO_FOLDER ?? '', 'links');
  const plugins = join(process.env.DEMO_FOLDER ?? '', 'computers/music-room-mac/Library/Audio/Plug-Ins/CLAP');
  await symlink(plugins, links);
  await page.getByLabel('Another folder').fill(links);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: `Scan ${links}` }).click();
  await expect(page.getByText(`72 builds, all of them also under ${plugins}`)).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('[class*="counts"] div', { hasText: 'arrived' })).toContainText('0');
  await page.getByRole('button', { name: `Remove ${links} from the list` }).click();
  await rm(links);
});

test('the computer is renamed, and every place shows its name', async ({ page }) => {
  await page.goto(await placeOf('intake', 'Puppet wagon'));
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the computer').fill('Puppet wagon 2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('banner')).toContainText('Puppet wagon 2');
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the computer').fill('Puppet wagon');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('banner')).not.toContainText('Puppet wagon 2');
});

test('another computer comes in as its scan report, and its folders are not looked at from here', async ({
  page,
}, info) => {
  const folder = info.outputPath('there');
  const report = info.outputPath('report.json');
  const scanThere = (): unknown =>
    execFileSync(process.execPath, [SCAN, folder, '--json', report, '--computer', 'Ferry laptop']);
  await putBundle(folder, 'Oarlock');
  scanThere();
  await page.goto(await placeOf('intake'));
  const broken = info.outputPath('no-report.json');
  await writeFile(broken, '{"schema": "something"}');
  await page.getByLabel('Scan report').setInputFiles(broken);
  await expect(page.getByRole('alert')).toContainText('was not imported; nothing was changed. It is not a scan report');
  await page.getByLabel('Scan report').setInputFiles(report);
  await expect(page.getByText('Ferry laptop was added: 1 plugin in 1 build, 1 arrived, 0 gone.')).toBeVisible();
  await page.getByRole('link', { name: 'Ferry laptop' }).click();
  await expect(page.getByRole('heading', { name: 'Another computer' })).toBeVisible();
  await expect(page.getByLabel('Another folder')).toHaveCount(0);
  await accessible(page);
  await rm(join(folder, 'Oarlock.lv2'), { recursive: true });
  await putBundle(folder, 'Bollard');
  scanThere();
  await page.getByLabel('Scan report').setInputFiles(report);
  await expect(page.getByText('is up to date: 1 plugin in 1 build, 1 arrived, 1 gone.')).toBeVisible();
  await page.getByRole('button', { name: 'Show the details' }).click();
  await expect(page.locator('.story').getByText('Bollard', { exact: true })).toBeVisible();
  await page.keyboard.press('Alt+s');
  await expect(page.getByRole('row', { name: 'Bollard' })).toBeVisible();
});

test('the arrangement is exported, and brought in beside what is there', async ({ page }, info) => {
  await page.goto(await placeOf('keep'));
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: /^Export/ }).click();
  const file = info.outputPath('arrangement.json');
  await (await waiting).saveAs(file);
  expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({
    schema: 'clever-drawer/arrangement/8',
    computer: 'Music room',
  });

  await page.goto(await placeOf('keep', 'Puppet wagon'));
  const broken = info.outputPath('broken.json');
  await writeFile(broken, '{ "schema": ');
  await page.getByLabel('Arrangement file').setInputFiles(broken);
  await expect(page.getByRole('alert')).toContainText('was not imported; nothing was changed. It is damaged');
  // All of it is here already: a second copy of each chest is what nobody wants.
  await page.getByLabel('Arrangement file').setInputFiles(file);
  await expect(page.getByRole('alert')).toContainText('Nothing to import');
  // With a drawer that this studio lacks in a chest that it has, and a chest that it lacks.
  const document = JSON.parse(await readFile(file, 'utf8')) as {
    chests: { name: string; drawers: { name: string }[] }[];
    plugins: unknown[];
  };
  const [everyday, other] = document.chests;
  const [drawer] = everyday?.drawers ?? [];
  if (everyday === undefined || other === undefined || drawer === undefined) throw new Error('no chests');
  everyday.drawers.push({ ...drawer, name: 'From the ferry' });
  other.name = 'Ferry day';
  await writeFile(file, JSON.stringify(document));
  await page.getByLabel('Arrangement file').setInputFiles(file);
  await expect(page.getByText('plugins are on this computer; all others keep their places.')).toBeVisible();
  await expect(page.getByText('are on other computers of the studio')).toBeVisible();
  await page.getByLabel('Arrangement file').setInputFiles(file);
  await expect(page.getByRole('alert')).toContainText('Nothing to import');
  await page.goto(await placeOf('sort', 'Puppet wagon'));
  await expect(page.getByRole('button', { name: /^Ferry day/ })).toBeVisible();

  // A large one is read for a while, and can be cancelled meanwhile.
  other.name = 'Never wanted';
  const plugins = Array.from({ length: 60_000 }, (_, at) => ({
    id: `name:invented ${String(at)}`,
    name: `Invented ${String(at)}`,
    vendor: null,
    builds: [],
  }));
  await writeFile(file, JSON.stringify({ ...document, plugins: [...document.plugins, ...plugins] }));
  await page.goto(await placeOf('keep', 'Puppet wagon'));
  await page.getByLabel('Arrangement file').setInputFiles(file);
  await page.getByRole('button', { name: 'Cancel the import' }).click();
  await expect(page.getByText('The import of arrangement.json was cancelled; nothing was changed.')).toBeVisible();
  // Nothing failed: the status line does not complain.
  await expect(page.getByRole('contentinfo')).not.toContainText('not saved');
  await expect(page.getByRole('button', { name: 'Choose a file …' })).toBeEnabled();
  await page.goto(await placeOf('sort', 'Puppet wagon'));
  await expect(page.getByRole('button', { name: /^Ferry day/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Never wanted/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Everyday/ })).toHaveCount(2);
  await expect(front(page, 'From the ferry')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Ferry day/ })).toHaveCount(0);
  await expect(front(page, 'From the ferry')).toHaveCount(0);
});

test('when the next part of the problems can not be fetched, those that are there stay', async ({ page }) => {
  const problem = (n: number) => ({
    path: `/plugins/broken-${String(n)}.vst3`,
    code: 'not-a-binary',
    message: 'This is no library.',
    remedy: 'Take it out of the folder.',
  });
  let isOut = true;
  await page.route('**/problems?*', (route) => {
    const from = Number(new URL(route.request().url()).searchParams.get('from'));
    if (from > 0 && isOut)
      return route.fulfill({
        status: 507,
        contentType: 'application/problem+json',
        body: '{"detail":"The disk is full."}',
      });
    const list = Array.from({ length: from === 0 ? 500 : 20 }, (_, n) => problem(from + n));
    return route.fulfill({ json: { total: 520, list } });
  });
  await page.goto(await placeOf('intake'));
  const panel = page.getByRole('region', { name: /^Problems/ });
  await panel.getByRole('button', { name: 'the next 450 of 470 more' }).click();
  await panel.getByRole('button', { name: 'and 20 more' }).click();
  await expect(panel.getByRole('alert')).toHaveText('More could not be fetched. The disk is full.');
  await expect(panel.getByText('/plugins/broken-499.vst3')).toBeVisible();
  isOut = false;
  await panel.getByRole('button', { name: 'and 20 more' }).click();
  await expect(panel.getByText('/plugins/broken-519.vst3')).toBeVisible();
  await expect(panel.getByRole('alert')).toBeHidden();
});
