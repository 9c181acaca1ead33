import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';

interface Computer {
  readonly id: string;
  readonly name: string;
}

const url = (): string => process.env.DEMO_URL ?? '';

/** Asks the server. Each time over a line of its own: one that is kept may have ended while a test waited for a program. */
export const ask = async <T>(path: string): Promise<T> =>
  (await fetch(`${url()}/api${path}`, { headers: { connection: 'close' } })).json() as Promise<T>;

/** Each test begins with menus in which nothing was open before: what was is kept for the whole studio. */
async function closeMenus(): Promise<void> {
  const { open } = await ask<{ open: readonly { readonly menu: string }[] }>('/last-open');
  const headers = { 'content-type': 'application/json', connection: 'close' };
  for (const { menu } of open)
    await fetch(`${url()}/api/last-open`, { method: 'PUT', headers, body: JSON.stringify({ menu, id: null }) });
}

/** The address of a place of one of the demo's computers. */
export async function placeOf(place: string, computer = 'Music room'): Promise<string> {
  await closeMenus();
  const { id } = await computerNamed(computer);
  return `${url()}/${id}/${place}`;
}

export async function computerNamed(name: string): Promise<Computer> {
  const found = (await ask<Computer[]>('/computers')).find((one) => one.name === name);
  if (found === undefined) throw new Error(`no computer ${name}`);
  return found;
}

/** Gives a computer another name, if one of the first name is there. */
export async function rename(from: string, to: string): Promise<void> {
  const found = (await ask<Computer[]>('/computers')).find((one) => one.name === from);
  if (found === undefined) return;
  const body = JSON.stringify({ name: to });
  const headers = { 'content-type': 'application/json', connection: 'close' };
  await fetch(`${url()}/api/computers/${found.id}`, { method: 'PATCH', headers, body });
}

export const row = (page: Page, name: string): Locator => page.getByRole('row', { name }).first();
export const front = (page: Page, name: string): Locator =>
  page.getByRole('region', { name: `Drawer ${name}`, exact: true });
export const label = (page: Page, name: string): Locator => front(page, name).getByRole('button').first();

export const list = (page: Page): Locator => page.locator('[data-list]');
export const foot = (page: Page): Locator => page.getByRole('contentinfo');
export const dialog = (page: Page): Locator => page.getByRole('dialog');

/** Undoes so many steps, and waits until that is saved. */
export async function undo(page: Page, times = 1): Promise<void> {
  for (let time = 0; time < times; time++) await page.keyboard.press('Control+z');
  await saved(page);
}

/** Writes an LV2 bundle of a delay into a folder, of a minor version where one is given. */
export async function putBundle(folder: string, name: string, title = name, minor?: number): Promise<void> {
  await mkdir(join(folder, `${name}.lv2`), { recursive: true });
  await writeFile(
    join(folder, `${name}.lv2`, 'manifest.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:${name}> a lv2:Plugin , lv2:DelayPlugin ; doap:name "${title}"${minor === undefined ? '' : ` ; lv2:minorVersion ${String(minor)} ; lv2:microVersion 0`} .`,
  );
}

/** Waits until what the screen shows is saved: the status line tells the time of it. */
export async function saved(page: Page): Promise<void> {
  const status = page.getByRole('contentinfo').getByRole('status');
  await expect(status).toHaveAttribute('aria-busy', 'false');
  await expect(status).toHaveText(/^all saved \d/);
}

/**
 * Waits until the page has come to rest: a change of theme reaches it with the next frame, and a colour
 * that is still fading is neither the one of before nor the one of after.
 */
async function atRest(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const frame = () => new Promise((done) => requestAnimationFrame(done));
    await frame();
    await frame();
    const ending = document
      .getAnimations()
      .filter((one) => Number.isFinite(one.effect?.getComputedTiming().endTime ?? 0))
      .map((one) => one.finished);
    await Promise.allSettled(ending);
  });
}

/** No violation of WCAG A and AA that axe can see. A menu is looked at alone: what it covers half is no small target. */
export async function accessible(page: Page): Promise<void> {
  await atRest(page);
  const menu = '.dropdown-menu.show';
  // In one go within the page: there are no frames to put together in a page of their own.
  const all = new AxeBuilder({ page }).setLegacyMode();
  const { violations } = await ((await page.locator(menu).count()) > 0 ? all.include(menu) : all)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(' | ')}`)).toEqual(
    [],
  );
}

/** Drags with the mouse, in steps as a hand does. */
export async function drag(page: Page, from: Locator, to: Locator, at: { x?: number } = {}): Promise<void> {
  // As a hand would, that scrolls to where it drags before it takes hold.
  await to.scrollIntoViewIfNeeded();
  await from.scrollIntoViewIfNeeded();
  const start = await from.boundingBox();
  const end = await to.boundingBox();
  if (start === null || end === null) throw new Error('not in sight');
  await page.mouse.move(start.x + Math.min(60, start.width / 2), start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(start.x + 80, start.y + start.height / 2 + 12, { steps: 4 });
  await page.mouse.move(end.x + end.width * (at.x ?? 0.5), end.y + Math.min(40, end.height / 2), { steps: 12 });
  // The pointer rests for a moment before a hand lets go.
  await page.mouse.move(end.x + end.width * (at.x ?? 0.5) + 1, end.y + Math.min(40, end.height / 2));
}
