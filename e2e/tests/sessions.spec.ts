/** Practice sessions and their lanes; out to files and in again. */
import { readFile, writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { unzipSync, strFromU8 } from 'fflate';
import { accessible, placeOf, saved, undo } from '../support/studio';

const menu = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
async function choose(page: Page, menuName: string | RegExp, item: string | RegExp): Promise<void> {
  const exact = typeof menuName === 'string';
  await page.getByRole('button', { name: menuName, exact }).first().click();
  await page.locator('.dropdown-menu.show').getByRole('button', { name: item }).first().click();
}
const named = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('dialog').getByLabel('Name').fill(name);
  await page.keyboard.press('Enter');
};
const lane = (page: Page, name: string) => page.getByRole('region', { name: new RegExp(`^${name},`) });

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('load'));
  await expect(page.getByRole('heading', { name: /scene 3/ })).toBeVisible();
});

test('a session is copied, given lanes, kept as a template, and deleted', async ({ page }) => {
  await choose(page, 'Session', /^Copy it/);
  await named(page, 'Scene 4');
  await expect(page.getByRole('heading', { name: 'Scene 4' })).toBeVisible();
  await expect(lane(page, 'Narrator').getByRole('button', { name: /slot 1: .*Sibilance/ })).toBeVisible();
  await choose(page, 'New lane', /^audio track/);
  await named(page, 'Owl');
  await expect(lane(page, 'Owl')).toBeVisible();
  await choose(page, 'What can be done with Owl', 'Make it mono');
  await expect(lane(page, 'Owl')).toContainText('audio track, mono');
  await choose(page, 'What can be done with Owl', /^Copy with its plugins/);
  await expect(lane(page, 'Owl 2')).toBeVisible();
  await choose(page, 'What can be done with Owl', 'Delete it');
  await expect(page.getByRole('region', { name: /^Owl,/ })).toHaveCount(0);
  await choose(page, 'Session', 'Keep as a template');
  await accessible(page);
  await choose(page, /^Sessions/, /^New from the template Scene 4/);
  await named(page, 'Scene 5');
  await expect(page.getByRole('heading', { name: 'Scene 5' })).toBeVisible();
  await expect(lane(page, 'Owl 2')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Scene 5' })).toBeVisible();
  await choose(page, 'Session', 'Delete it');
  await expect(page.getByRole('heading', { name: /scene 3/ })).toBeVisible();
  await saved(page);
  await undo(page, 8);
  await expect(menu(page, 'Sessions 2')).toBeVisible();
});

test('a session goes out as DAWproject and as JSON, and comes in again; what is no session is refused in words', async ({
  page,
}, info) => {
  const fetched = async (item: string): Promise<string> => {
    const waiting = page.waitForEvent('download');
    await choose(page, 'Session', item);
    const download = await waiting;
    const path = info.outputPath(download.suggestedFilename());
    await download.saveAs(path);
    return path;
  };
  const project = await fetched('Export as DAWproject');
  expect(project).toMatch(/\.dawproject$/);
  const { 'project.xml': xml = new Uint8Array() } = unzipSync(new Uint8Array(await readFile(project)));
  expect(strFromU8(xml)).toContain('deviceName="Buttonyard Sibilance"');
  const json = await fetched('Export as JSON');
  expect((JSON.parse(await readFile(json, 'utf8')) as { schema: string }).schema).toBe('clever-drawer/session/1');
  const field = page.getByLabel(/^A session to import/);
  for (const file of [project, json]) {
    await field.setInputFiles(file);
    await expect(page.getByText('The session is imported.').first()).toBeVisible();
    await expect(lane(page, 'Narrator').getByRole('button', { name: /slot \d+: .*Sibilance/ })).toBeVisible();
    await saved(page);
    await undo(page);
    await page.goto(await placeOf('load'));
  }
  const broken = info.outputPath('cut-short.dawproject');
  await writeFile(broken, 'PK');
  await field.setInputFiles(broken);
  await expect(page.getByText(/not a DAWproject/).first()).toBeVisible();
});
