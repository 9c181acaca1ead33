/** What the keys do everywhere in Sort, in its search line and its list. */
import { expect } from '@playwright/test';
import { foot, label, list, saved, undo } from '../../../support/studio';
import {
  type Check,
  type ChecksOf,
  asks,
  at,
  changes,
  find,
  focuses,
  goes,
  leads,
  menu,
  onRow,
  onTrayRow,
  reorders,
  rowNames,
  swapped,
  tabs,
  toEnd,
  toTop,
} from './hands';

const PLUGIN_WITH_PRESETS = 'Needledell Glue';

/** A key that leads to a part of a plugin's details. */
const leadsTo =
  (part: string): Check =>
  async (page, press) => {
    await find(page).fill(PLUGIN_WITH_PRESETS);
    await page.keyboard.press('Enter');
    await press();
    const target = page.locator(`[data-panel] [data-part="${part}"]`);
    await expect(target).toBeVisible();
    await expect
      .poll(() => target.evaluate((one) => one === document.activeElement || one.contains(document.activeElement)))
      .toBe(true);
    await page.keyboard.press('Escape');
    await find(page).fill('');
  };

export const SORT_CHECKS: ChecksOf<'everywhere' | 'sort' | 'findLine' | 'list' | 'oneTray' | 'panel'> = {
  everywhere: {
    keyMap: asks((page) => list(page).focus(), /^Keys$/),
    intake: goes('intake', 'Keep'),
    sort: goes('sort', 'Keep'),
    load: goes('load', 'Keep'),
    keep: goes('keep', 'Intake'),
    undo: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('7');
      await expect(foot(page)).toContainText(/Undo: put .* on Tray 7/);
      await press();
      await expect(foot(page)).toContainText(/Redo: put .* on Tray 7/);
      await saved(page);
    },
    redo: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('7');
      await page.keyboard.press('Control+z');
      await expect(foot(page)).toContainText(/Redo: put .* on Tray 7/);
      await press();
      await expect(foot(page)).toContainText(/Undo: put .* on Tray 7/);
      await saved(page);
      await undo(page);
    },
  },
  sort: {
    find: focuses((page) => list(page).focus(), /^$/),
    file: asks(onRow, /^File .+ into$/),
    fileAgain: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('f');
      await page.keyboard.type('noises');
      await page.keyboard.press('Enter');
      await expect(foot(page)).toContainText(/Undo: file .+ into Noises off/);
      await onRow(page, 6);
      const [, name = ''] = /Undo: (file .+ into Noises off)/.exec(await foot(page).innerText()) ?? [];
      await press();
      await expect(foot(page)).not.toContainText(name);
      await expect(foot(page)).toContainText(/Undo: file .+ into Noises off/);
      await saved(page);
      await undo(page);
      await undo(page);
    },
    columns: asks((page) => list(page).focus(), /^Columns of the list$/),
    asideOthers: asks(onRow, /^Set aside$/),
    tray: async (page, press, stroke) => {
      await changes(
        onRow,
        new RegExp(
          `Undo: (put|take) .+ (on|off) ${stroke === '1' ? 'Favourites' : stroke === '2' ? 'Goose' : `Tray ${stroke}`}`,
        ),
      )(page, press, stroke);
    },
    offTrays: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('8');
      await expect(foot(page)).toContainText(/Undo: put .+ on Tray 8/);
      await press();
      await expect(foot(page)).not.toContainText(/Undo: put .+ on Tray 8/);
      await expect(foot(page)).toContainText(/Undo: take .+ off/);
      await saved(page);
      await undo(page);
      await undo(page);
    },
    outOfAll: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('8');
      await expect(foot(page)).toContainText(/Undo: put .+ on Tray 8/);
      await press();
      await expect(foot(page)).toContainText(/Undo: take .+ out of \d+ places? in drawers and on trays/);
      await saved(page);
      await undo(page, 2);
    },
    setAside: asks(onRow, /^Set aside$/),
    bringBack: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('a');
      await page.keyboard.press('Enter');
      await expect(foot(page)).toContainText(/Undo: set .+ aside/);
      await press();
      await expect(foot(page)).toContainText(/Undo: bring back .+/);
      await saved(page);
      await undo(page);
      await undo(page);
    },
    names: asks(onRow, /^Names and notes: /),
    correct: asks(onRow, /^Correct: /),
    menu: async (page, press, stroke) => {
      await onRow(page);
      await menu(page, press, stroke);
    },
    addOwn: asks((page) => list(page).focus(), /^Own entries$/),
    addFiles: asks((page) => list(page).focus(), /^Other files$/),
    deleteOwn: async (page, press) => {
      await list(page).focus();
      await page.keyboard.press('q');
      await page.getByRole('dialog').getByLabel('Music program').fill('Marquee Desk');
      await page.getByRole('dialog').getByLabel('Names, one a line').fill('Passing Echo');
      await page.keyboard.press('Control+Enter');
      await expect(foot(page)).toContainText('Undo: add Passing Echo');
      await page.getByRole('row', { name: 'Passing Echo' }).click();
      await press();
      await expect(foot(page)).toContainText('Undo: delete Passing Echo');
      await saved(page);
      await undo(page, 2);
      await page.keyboard.press('Escape');
    },
    toPlaces: leadsTo('places'),
    toType: leadsTo('type'),
    toPresets: leadsTo('presets'),
    toBuilds: leadsTo('builds'),
    toFile: async (page, press) => {
      await list(page).focus();
      await press();
      await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
      await page.keyboard.press('Escape');
    },
    newDrawer: asks((page) => list(page).focus(), /^New drawer$/),
    newByRule: asks(onRow, /^A rule for .+$/),
    toDrawer: async (page, press) => {
      await list(page).focus();
      await press();
      await page.keyboard.type('last ch');
      await page.keyboard.press('Enter');
      await expect(label(page, 'Last check')).toBeFocused();
    },
    nextChest: async (page, press) => {
      await list(page).focus();
      await press();
      await expect(tabs(page).getByRole('button', { pressed: true })).toContainText('Mix day');
      await tabs(page).getByRole('button').first().click();
    },
    previousChest: async (page, press) => {
      await list(page).focus();
      await press();
      await expect(tabs(page).getByRole('button', { pressed: true })).toContainText('As they come');
      await tabs(page).getByRole('button').first().click();
    },
    pictures: async (page, press) => {
      await list(page).focus();
      await press();
      await expect(list(page)).toHaveAttribute('data-pictures', 'true');
      await page.keyboard.press('g');
      await expect(list(page)).toHaveAttribute('data-pictures', 'false');
    },
    back: async (page, press) => {
      await list(page).focus();
      await page.keyboard.press('t');
      await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
      await press();
      await expect(list(page)).toBeFocused();
      await onRow(page);
      await page.keyboard.press('Enter');
      await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
      await press();
      await expect(page.getByRole('region', { name: 'About the plugin' })).toHaveCount(0);
      await expect(foot(page)).toContainText(/^1 selected/);
      await press();
      await expect(foot(page)).toContainText(/^0 selected/);
      await page.getByRole('button', { name: /^filed/ }).click();
      await list(page).focus();
      await press();
      await expect(page).not.toHaveURL(/state=/);
    },
  },
  findLine: {
    intoList: async (page, press) => {
      await find(page).fill('gain');
      await press();
      await expect(list(page)).toBeFocused();
      await expect.poll(() => at(page)).toBe(0);
      await expect(foot(page)).toContainText(/^1 selected/);
      await find(page).fill('');
    },
    empty: async (page, press) => {
      await find(page).fill('gain');
      await press();
      await expect(find(page)).toHaveValue('');
    },
    lastFilter: async (page, press) => {
      await page.getByRole('button', { name: /^filed/ }).click();
      await expect(page).toHaveURL(/state=filed/);
      await find(page).focus();
      await press();
      await expect(page).not.toHaveURL(/state=/);
      await expect(find(page)).toBeFocused();
    },
  },
  list: {
    down: leads(() => 6),
    up: leads(() => 4),
    pageDown: leads(() => /^1\d|2\d$/),
    pageUp: leads(() => 0),
    first: leads(() => 0),
    last: leads((end) => end),
    extendDown: leads(() => 6, '2'),
    extendUp: leads(() => 4, '2'),
    extendPageDown: leads(() => /^1\d|2\d$/, '\\d\\d?'),
    extendPageUp: leads(() => 0, '6'),
    extendFirst: leads(() => 0, '6'),
    extendLast: leads((end) => end, '\\d{3}'),
    walkDown: leads(() => 6, '1'),
    walkUp: leads(() => 4, '1'),
    tick: leads(() => 5, '0'),
    all: leads(() => 5, '\\d{3}'),
    invert: leads(() => 5, '\\d{3}'),
    about: async (page, press) => {
      await onRow(page);
      await press();
      await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
      await page.keyboard.press('Escape');
    },
  },
  oneTray: {
    moveUp: reorders(onTrayRow, rowNames, swapped(2, -1)),
    moveDown: reorders(onTrayRow, rowNames, swapped(2, 1)),
    moveFirst: reorders(onTrayRow, rowNames, toTop(2)),
    moveLast: reorders(onTrayRow, rowNames, toEnd(2)),
  },
  panel: {
    // Pressed where there are plugins that may be the same: evidence.spec.ts. Here: it does nothing else.
    join: async (page, press) => {
      await onRow(page);
      const before = await foot(page).innerText();
      await press();
      expect(await foot(page).innerText()).toBe(before);
    },
  },
};
