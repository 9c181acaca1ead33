/** What the keys do on fronts, trays, names of chests and lines. */
import { expect, type Page } from '@playwright/test';
import { foot, front, label, saved, undo } from '../../../support/studio';
import {
  type Check,
  type ChecksOf,
  asks,
  changes,
  chestNames,
  drawerNames,
  focusedName,
  focuses,
  lineNames,
  lines,
  onChest,
  onFront,
  onSecondChest,
  onLine,
  onLines,
  onTray,
  reorders,
  swapped,
  tabs,
  toEnd,
  toTop,
  trayNames,
} from './hands';

const selectedDrawers = (page: Page) => page.getByRole('group', { name: 'Selected drawers' });

/** A key that selects so many drawers from the third on. */
const selects =
  (count: number): Check =>
  async (page, press) => {
    await onFront(page);
    await press();
    await expect(selectedDrawers(page)).toContainText(`${String(count)} drawers selected`);
    await selectedDrawers(page).getByRole('button', { name: 'Select none' }).click();
  };

export const CHEST_CHECKS: ChecksOf<'front' | 'tray' | 'chest' | 'lines' | 'rule'> = {
  front: {
    open: async (page, press) => {
      await label(page, 'Noises off').focus();
      await press();
      await expect(label(page, 'Noises off')).toHaveAttribute('aria-expanded', 'true');
      await press();
      await expect(label(page, 'Noises off')).toHaveAttribute('aria-expanded', 'false');
    },
    left: focuses((page) => label(page, 'Dynamics').focus(), /^Everyday EQ/),
    right: focuses((page) => label(page, 'Everyday EQ').focus(), /^Dynamics/),
    up: focuses((page) => label(page, 'Space').focus(), /^(Everyday EQ|Dynamics|Narration)/),
    down: focuses((page) => label(page, 'Everyday EQ').focus(), /^(Narration|Space|Movement)/),
    earlier: reorders(onFront, drawerNames, swapped(2, -1)),
    later: reorders(onFront, drawerNames, swapped(2, 1)),
    toFirst: reorders(onFront, drawerNames, toTop(2)),
    toLast: reorders(onFront, drawerNames, toEnd(2)),
    nest: asks(onFront, /^Put Narration inside$/),
    copy: asks(onFront, /^Copy Narration into$/),
    inner: asks(onFront, /^New drawer in Narration$/),
    list: async (page, press) => {
      await onFront(page);
      await press();
      await expect(page).toHaveURL(/drawer=/);
      await page.getByRole('button', { name: 'Clear the filter Narration' }).click();
    },
    rename: asks(onFront, /^Drawer Narration$/),
    rule: async (page, press) => {
      await label(page, 'Echoes').focus();
      await press();
      await expect(ruleText(page)).toBeFocused();
      await label(page, 'Echoes').press('Enter');
    },
    remove: async (page, press) => {
      await onFront(page);
      await press();
      await expect(front(page, 'Narration')).toHaveCount(0);
      // The keyboard goes to the one that stands there now, not to the page.
      await expect.poll(() => focusedName(page)).toMatch(/\w/);
      await saved(page);
      await undo(page);
      await expect(front(page, 'Narration')).toBeVisible();
    },
    divider: asks(onFront, /^Divider in front of Narration$/),
    sign: asks(onFront, /^A sign for Narration$/),
    menus: changes(onFront, /Undo: leave Narration out of menus/),
    order: asks(onFront, /^Order of the drawers of Everyday$/),
    tick: async (page, press) => {
      await onFront(page);
      await press();
      await expect(label(page, 'Narration')).toHaveAccessibleName(/selected/);
      await press();
      await expect(label(page, 'Narration')).not.toHaveAccessibleName(/selected/);
    },
    extendLeft: selects(2),
    extendRight: selects(2),
    merge: async (page, press) => {
      await onFront(page);
      await label(page, 'Narration').press('Shift+ArrowLeft');
      await press();
      await expect(foot(page)).toContainText('Undo: merge Narration into Dynamics');
      await expect(front(page, 'Narration')).toHaveCount(0);
      await saved(page);
      await undo(page);
      await expect(front(page, 'Narration')).toBeVisible();
    },
    unselect: async (page, press) => {
      await onFront(page);
      await label(page, 'Narration').press('Shift+ArrowLeft');
      await expect(selectedDrawers(page)).toBeVisible();
      await press();
      await expect(selectedDrawers(page)).toHaveCount(0);
    },
  },
  tray: {
    open: async (page, press) => {
      await onTray(page);
      await press();
      await expect(page.locator('[data-tray="2"] > button')).toHaveAttribute('aria-expanded', 'true');
      await press();
    },
    left: focuses(onTray, /^Tray 1,/),
    right: focuses(onTray, /^Tray 3,/),
    up: focuses(onTray, /^(?!Tray)/),
    down: focuses(onTray, /^Tray [4-6],/),
    earlier: reorders(onTray, trayNames, (names) => ['Tray Goose', 'Tray Tray 2', ...names.slice(2)]),
    later: reorders(onTray, trayNames, (names) => [names[0] ?? '', 'Tray Tray 2', 'Tray Goose', ...names.slice(3)]),
    rename: asks(onTray, /^Tray 2$/),
    clear: changes(onTray, /Undo: (clear|take) .*Goose/),
    sign: asks(onTray, /^A sign for Goose$/),
    menus: changes(onTray, /Undo: leave Goose out of menus/),
  },
  chest: {
    open: async (page, press) => {
      await onSecondChest(page);
      await press();
      await expect(tabs(page).getByRole('button', { pressed: true })).toContainText('Mix day');
      await tabs(page).getByRole('button').first().click();
    },
    left: focuses(onSecondChest, /^Everyday/),
    right: focuses(onChest, /^Mix day/),
    earlier: reorders(onSecondChest, chestNames, toTop(1)),
    later: reorders(onChest, chestNames, swapped(0, 1)),
    toFirst: reorders(onSecondChest, chestNames, toTop(1)),
    toLast: reorders(onChest, chestNames, toEnd(0)),
    rename: asks(onChest, /^The chest Everyday$/),
    divider: asks(onChest, /^Divider in front of the chest Everyday$/),
    order: asks(onChest, /^Order of the drawers of Everyday$/),
    remove: changes(onSecondChest, /Undo: delete .*Mix day/),
  },
  lines: {
    down: onLines(3),
    up: onLines(1),
    pageDown: onLines(8),
    pageUp: onLines(0),
    first: onLines(0),
    last: onLines(8),
    extendDown: onLines(3, '2'),
    extendUp: onLines(1, '2'),
    extendPageDown: onLines(8, '7'),
    extendPageUp: onLines(0, '3'),
    extendFirst: onLines(0, '3'),
    extendLast: onLines(8, '7'),
    walkDown: onLines(3),
    walkUp: onLines(1),
    // Taken off the selection; the keys act on the line that is stood on.
    tick: async (page, press) => {
      await onLine(page);
      await press();
      await expect(lines(page).getByRole('option', { selected: true })).toHaveCount(0);
    },
    all: onLines(2, '9'),
    moveUp: reorders(onLine, lineNames, swapped(2, -1)),
    moveDown: reorders(onLine, lineNames, swapped(2, 1)),
    build: asks(onLine, /^Load from Narration: /),
    moveFirst: reorders(onLine, lineNames, toTop(2)),
    moveLast: reorders(onLine, lineNames, toEnd(2)),
    about: async (page, press) => {
      await onLine(page);
      await press();
      await expect(page.getByRole('region', { name: 'About the plugin' })).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(lines(page)).toBeFocused();
    },
    moveTo: asks(onLine, /^Move .+ to$/),
    divider: asks(onLine, /^Divider in Narration$/),
    rename: asks(onLine, /^.+ in Narration$/),
    takeOut: reorders(onLine, lineNames, (names) => names.filter((_, index) => index !== 2)),
    always: async (page, press) => {
      const name = await onRuled(page);
      await press();
      await expect(exceptions(page)).toContainText(`always ${name}`);
      await saved(page);
      await undo(page);
      await expect(exceptions(page)).toHaveCount(0);
    },
    never: async (page, press) => {
      const name = await onRuled(page);
      await press();
      await expect(exceptions(page)).toContainText(`never ${name}`);
      await expect(ruledLines(page).getByRole('option', { name: new RegExp(`^${name},`) })).toHaveCount(0);
      await saved(page);
      await undo(page);
      await expect(exceptions(page)).toHaveCount(0);
    },
  },
  rule: {
    save: async (page, press) => {
      await openEchoes(page);
      await ruleText(page).fill('echo OR delay');
      await press();
      await expect(foot(page)).toContainText('Undo: change the rule of Echoes');
      await saved(page);
      // In the field Ctrl+Z would be the field's own.
      await label(page, 'Echoes').focus();
      await undo(page);
      await expect(ruleText(page)).toHaveValue('echo OR delay OR slap');
    },
    propose: async (page, press) => {
      await openEchoes(page);
      await ruleText(page).fill('delays');
      await press();
      await expect(ruleText(page)).toHaveValue('type:delay');
      await ruleText(page).press('Escape');
    },
    drop: async (page, press) => {
      await openEchoes(page);
      await ruleText(page).fill('echo OR type:');
      await press();
      await expect(ruleText(page)).toHaveValue('echo OR delay OR slap');
      await expect(ruleText(page)).toBeFocused();
    },
  },
};

const ruleText = (page: Page) => front(page, 'Echoes').locator('[data-rule-text]');
const ruledLines = (page: Page) => page.getByRole('listbox', { name: 'In Echoes' });
const exceptions = (page: Page) => front(page, 'Echoes').getByRole('group', { name: /^Exceptions by hand/ });

async function openEchoes(page: Page): Promise<void> {
  if ((await ruleText(page).count()) === 0) await label(page, 'Echoes').click();
  await ruleText(page).focus();
}

/** The second line of a clever drawer has the keyboard; its name. */
async function onRuled(page: Page): Promise<string> {
  await openEchoes(page);
  const line = ruledLines(page).getByRole('option').nth(1);
  const [name = ''] = ((await line.getAttribute('aria-label')) ?? '').split(',');
  await line.click();
  await ruledLines(page).focus();
  return name;
}
