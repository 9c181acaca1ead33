/** What the checks of keys have in common: where the keyboard is put, and what a key of a sort does. */
import { expect, type Page } from '@playwright/test';
import type { KeyOf, KeyPlace } from '../../../../web/src/keys/key-table';
import { dialog, foot, label, list, saved, undo } from '../../../support/studio';

/** Prepares, presses the stroke, and looks. */
export type Check = (page: Page, press: () => Promise<void>, stroke: string) => Promise<void>;
/** A check for each key of some places. */
export type ChecksOf<P extends KeyPlace> = { readonly [Q in P]: { readonly [K in KeyOf<Q>]: Check } };

export const find = (page: Page) => page.locator('#find');
export const tabs = (page: Page) => page.getByRole('group', { name: 'Chests' });
export const slot = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) });

/** Where the keyboard stands in a list, by the number at the end of the row's id; -1 nowhere. */
export const at = (page: Page, selector = '[data-list]') =>
  page
    .locator(selector)
    .evaluate((box) => Number(/(\d+)$/.exec(box.getAttribute('aria-activedescendant') ?? '')?.[1] ?? -1));
export const focusedName = (page: Page) =>
  page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '');

/** Row 5 of the list is selected and has the keyboard. */
export async function onRow(page: Page, index = 5): Promise<void> {
  // Back in sight after a key that led far away.
  await list(page).evaluate((box) => (box.scrollTop = 0));
  await expect(page.locator('[aria-rowindex="2"]')).toBeVisible();
  await page
    .getByRole('row')
    .nth(index + 1)
    .click();
  await list(page).focus();
  await expect.poll(() => at(page)).toBe(index);
}

/** A key that leads to another row: to which, and how many are selected then. */
export const leads =
  (to: (end: number) => number | RegExp, selected = '1'): Check =>
  async (page, press) => {
    await onRow(page);
    const end = Number(await list(page).getAttribute('aria-rowcount')) - 2;
    await press();
    const wanted = to(end);
    if (wanted instanceof RegExp) await expect.poll(async () => String(await at(page))).toMatch(wanted);
    else await expect.poll(() => at(page)).toBe(wanted);
    await expect(foot(page)).toContainText(new RegExp(`^${selected} selected`));
  };

export const lines = (page: Page) => page.getByRole('listbox', { name: 'In Narration' });
export const lineNames = (page: Page) =>
  lines(page).locator('[class*="line-name"], [class*="divider-label"]').allInnerTexts();

/** The third line of an open drawer of nine is selected and has the keyboard. */
export async function onLine(page: Page): Promise<string[]> {
  if ((await lines(page).count()) === 0) await label(page, 'Narration').click();
  await lines(page).getByRole('option').nth(2).click();
  await lines(page).focus();
  return lineNames(page);
}
export const LINES = '[role="listbox"][aria-label="In Narration"]';
export const onLines =
  (to: number, selected = '1'): Check =>
  async (page, press) => {
    await onLine(page);
    await press();
    await expect.poll(() => at(page, LINES)).toBe(to);
    await expect(foot(page)).toContainText(new RegExp(`^${selected} selected, not in this list`));
  };

/** A key that changes the order of something: the names before, pressed, the names after, and taken back. */
export const reorders =
  (
    prepare: (page: Page) => Promise<string[]>,
    names: (page: Page) => Promise<string[]>,
    after: (names: string[]) => string[],
  ): Check =>
  async (page, press) => {
    const before = await prepare(page);
    await press();
    await expect.poll(() => names(page)).toEqual(after(before));
    await saved(page);
    await undo(page);
    await expect.poll(() => names(page)).toEqual(before);
  };

export const swapped = (index: number, by: number) => (names: string[]) => {
  const next = [...names];
  const [one] = next.splice(index, 1);
  next.splice(index + by, 0, one ?? '');
  return next;
};
export const toTop = (index: number) => (names: string[]) => [
  names[index] ?? '',
  ...names.filter((_, place) => place !== index),
];
export const toEnd = (index: number) => (names: string[]) => [
  ...names.filter((_, place) => place !== index),
  names[index] ?? '',
];

export const drawerNames = (page: Page) =>
  page
    .locator('[class*="chest-inside"] > [class*="fronts"] > [data-drawer]')
    .evaluateAll((fronts) => fronts.map((one) => one.getAttribute('aria-label') ?? ''));
export const trayNames = (page: Page) =>
  page.locator('[data-tray]').evaluateAll((trays) => trays.map((one) => one.getAttribute('aria-label') ?? ''));
export const chestNames = (page: Page) => tabs(page).getByRole('button').allInnerTexts();

/** A drawer's front that has the keyboard; which one stands third in the demo. */
export async function onFront(page: Page): Promise<string[]> {
  await label(page, 'Narration').focus();
  return drawerNames(page);
}
export const onTray = async (page: Page): Promise<string[]> => {
  await page.locator('[data-tray="2"] > button').focus();
  return trayNames(page);
};
export const onChest = async (page: Page): Promise<string[]> => {
  await tabs(page).getByRole('button').first().focus();
  return chestNames(page);
};
/** The second of the demo's chests. */
export const onSecondChest = async (page: Page): Promise<string[]> => {
  await tabs(page).getByRole('button').nth(1).focus();
  return chestNames(page);
};

/** A key that opens a box. */
export const asks =
  (prepare: (page: Page) => Promise<unknown>, title: RegExp): Check =>
  async (page, press) => {
    await prepare(page);
    await press();
    await expect(dialog(page)).toBeVisible();
    await expect(dialog(page).locator('.modal-title')).toHaveText(title);
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  };
/** A key that moves the focus somewhere. */
export const focuses =
  (prepare: (page: Page) => Promise<unknown>, name: RegExp): Check =>
  async (page, press) => {
    await prepare(page);
    await press();
    await expect.poll(() => focusedName(page)).toMatch(name);
  };
/** A key that does what the undo label says, and is taken back. */
export const changes =
  (prepare: (page: Page) => Promise<unknown>, words: RegExp): Check =>
  async (page, press) => {
    await prepare(page);
    await press();
    await expect(foot(page)).toContainText(words);
    await saved(page);
    await undo(page);
  };
export const goes =
  (path: string, from: string): Check =>
  async (page, press) => {
    await page.getByRole('link', { name: from }).click();
    await expect(page).toHaveURL(new RegExp(`/${from.toLowerCase()}`));
    await press();
    await expect(page).toHaveURL(new RegExp(`/${path}`));
    await page.getByRole('link', { name: 'Sort' }).click();
    await expect(page.getByRole('row').nth(7)).toBeVisible();
  };
export const menu: Check = async (page, press) => {
  await press();
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menu')).toHaveCount(0);
};

/** The list of one tray, in its order, with its third plugin selected. */
export async function onTrayRow(page: Page): Promise<string[]> {
  await page.goto(page.url().replace(/\?.*$|$/, '?tray=1'));
  await expect(page.locator('[data-shown]')).toContainText(/^\d shown/);
  await onRow(page, 2);
  return rowNames(page);
}
export const rowNames = (page: Page) =>
  page.locator('[data-list] [role="row"] [role="gridcell"]:nth-child(2)').allInnerTexts();

/** "To file", with the keyboard on it. */
export async function filing(page: Page): Promise<string> {
  await list(page).focus();
  await page.keyboard.press('t');
  await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
  // To the first one for which several drawers suggest themselves.
  for (let times = 0; times < 40 && (await proposals(page).getByRole('option').count()) < 2; times++)
    await page.keyboard.press('ArrowRight');
  return waitingName(page);
}
export const waitingName = (page: Page) => page.getByRole('region', { name: 'To file' }).locator('b bdi').innerText();
export const proposals = (page: Page) => page.getByRole('listbox', { name: 'Proposed drawers' });
export const markedProposal = (page: Page) =>
  proposals(page)
    .getByRole('option')
    .evaluateAll((all) => all.findIndex((one) => one.classList.contains('at')));
export const inFiling =
  (look: (page: Page, press: () => Promise<void>, name: string) => Promise<void>): Check =>
  async (page, press) => {
    const name = await filing(page);
    await look(page, press, name);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'To file' })).toHaveCount(0);
  };

/** The box that finds a drawer, opened for a selected plugin. */
export const inPick =
  (typed: string, look: (page: Page, press: () => Promise<void>) => Promise<void>): Check =>
  async (page, press) => {
    await onRow(page);
    await page.keyboard.press('f');
    await page.keyboard.type(typed);
    await look(page, press);
    if ((await dialog(page).count()) > 0) await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  };
export const markedChoice = (page: Page) =>
  dialog(page)
    .getByRole('option')
    .evaluateAll((all) => all.findIndex((one) => one.classList.contains('at')));

export async function inLoad(page: Page, name = 'Bowed saw, slot 2'): Promise<void> {
  if (!page.url().includes('/load')) await page.getByRole('link', { name: 'Load' }).click();
  await slot(page, name).focus();
}
export const onSlot =
  (look: Check): Check =>
  async (page, press, stroke) => {
    await inLoad(page);
    await look(page, press, stroke);
  };
export const inChooser =
  (look: (page: Page, press: () => Promise<void>) => Promise<void>): Check =>
  async (page, press) => {
    await inLoad(page);
    await page.keyboard.press('Enter');
    await expect(dialog(page).getByRole('option').first()).toBeVisible();
    await look(page, press);
    for (let times = 0; times < 3 && (await dialog(page).count()) > 0; times++) await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  };
export const optionAt = (page: Page) => at(page, '[role="dialog"] input[role="combobox"]');
export const steps = (to: number): Check =>
  inChooser(async (page, press) => {
    for (let times = 0; times < 12; times++) await page.keyboard.press('ArrowDown');
    await expect.poll(() => optionAt(page)).toBe(12);
    await press();
    await expect.poll(() => optionAt(page)).toBe(to);
  });
export const walksFronts = (key: string, by: (index: number) => boolean): Check =>
  inChooser(async (page, press) => {
    const fronts = dialog(page).getByRole('group', { name: 'Drawers' }).getByRole('button');
    await fronts.first().focus();
    for (const other of ['ArrowDown', 'ArrowRight']) if (other !== key) await page.keyboard.press(other);
    const where = () => fronts.evaluateAll((all) => all.findIndex((one) => one === document.activeElement));
    const before = await where();
    await press();
    await expect.poll(async () => by((await where()) - before)).toBe(true);
  });
/** From the field for a new drawer, which stands behind the fronts of the chest. */
export const leavesNewDrawer: Check = async (page, press) => {
  if (!page.url().includes('/sort')) await page.getByRole('link', { name: 'Sort' }).click();
  const field = page.getByRole('button', { name: /^New drawer/ });
  await field.focus();
  await press();
  const isFront = () => page.evaluate(() => document.activeElement?.matches('[data-front]') === true);
  await expect(field).not.toBeFocused();
  expect(await isFront()).toBe(true);
};
/** In the chooser as pictures, or drawer by drawer, with nothing typed. */
export const inView = (view: string, look: (page: Page, press: () => Promise<void>) => Promise<void>): Check =>
  inChooser(async (page, press) => {
    const pick = (name: string) => dialog(page).getByRole('button', { name, exact: true }).click();
    await pick(view);
    await dialog(page).getByRole('combobox').focus();
    await look(page, press);
    await pick('list');
    await dialog(page).getByRole('combobox').focus();
  });
