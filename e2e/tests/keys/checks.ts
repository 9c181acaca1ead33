/** What each key of the key table must be seen to do. The types hold it complete: a key without a check does not compile. */
import { expect, type Page } from '@playwright/test';
import type { KeyOf, KeyPlace } from '../../../web/src/keys/key-table';
import { front, label, saved } from '../../support/studio';

/** Prepares, presses the stroke, and looks. */
export type Check = (page: Page, press: () => Promise<void>, stroke: string) => Promise<void>;
type Checks = { readonly [P in KeyPlace]: { readonly [K in KeyOf<P>]: Check } };

const list = (page: Page) => page.locator('[data-list]');
const foot = (page: Page) => page.getByRole('contentinfo');
const dialog = (page: Page) => page.getByRole('dialog');
const find = (page: Page) => page.locator('#find');
const tabs = (page: Page) => page.getByRole('group', { name: 'Chests' });
const slot = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) });

/** Where the keyboard stands in a list, by the number at the end of the row's id; -1 nowhere. */
const at = (page: Page, selector = '[data-list]') =>
  page
    .locator(selector)
    .evaluate((box) => Number(/(\d+)$/.exec(box.getAttribute('aria-activedescendant') ?? '')?.[1] ?? -1));
const focusedName = (page: Page) =>
  page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '');

/** Row 5 of the list is selected and has the keyboard. */
async function onRow(page: Page, index = 5): Promise<void> {
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
const leads =
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

const lines = (page: Page) => page.getByRole('listbox', { name: 'In Narration' });
const lineNames = (page: Page) => lines(page).locator('[class*="line-name"], [class*="divider-label"]').allInnerTexts();

/** The third line of an open drawer of nine is selected and has the keyboard. */
async function onLine(page: Page): Promise<string[]> {
  if ((await lines(page).count()) === 0) await label(page, 'Narration').click();
  await lines(page).getByRole('option').nth(2).click();
  await lines(page).focus();
  return lineNames(page);
}
const LINES = '[role="listbox"][aria-label="In Narration"]';
const onLines =
  (to: number, selected = '1'): Check =>
  async (page, press) => {
    await onLine(page);
    await press();
    await expect.poll(() => at(page, LINES)).toBe(to);
    await expect(foot(page)).toContainText(new RegExp(`^${selected} selected outside`));
  };

const undo = async (page: Page): Promise<void> => {
  await page.keyboard.press('Control+z');
  await saved(page);
};

/** A key that changes the order of something: the names before, pressed, the names after, and taken back. */
const reorders =
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

const swapped = (index: number, by: number) => (names: string[]) => {
  const next = [...names];
  const [one] = next.splice(index, 1);
  next.splice(index + by, 0, one ?? '');
  return next;
};
const toTop = (index: number) => (names: string[]) => [
  names[index] ?? '',
  ...names.filter((_, place) => place !== index),
];
const toEnd = (index: number) => (names: string[]) => [
  ...names.filter((_, place) => place !== index),
  names[index] ?? '',
];

const drawerNames = (page: Page) =>
  page
    .locator('[class*="chest-inside"] > [class*="fronts"] > [data-drawer]')
    .evaluateAll((fronts) => fronts.map((one) => one.getAttribute('aria-label') ?? ''));
const trayNames = (page: Page) =>
  page.locator('[data-tray]').evaluateAll((trays) => trays.map((one) => one.getAttribute('aria-label') ?? ''));
const chestNames = (page: Page) => tabs(page).getByRole('button').allInnerTexts();

/** A drawer's front that has the keyboard; which one stands third in the demo. */
async function onFront(page: Page): Promise<string[]> {
  await label(page, 'Narration').focus();
  return drawerNames(page);
}
const onTray = async (page: Page): Promise<string[]> => {
  await page.locator('[data-tray="2"] > button').focus();
  return trayNames(page);
};
const onChest = async (page: Page): Promise<string[]> => {
  await tabs(page).getByRole('button').first().focus();
  return chestNames(page);
};
const onLastChest = async (page: Page): Promise<string[]> => {
  await tabs(page).getByRole('button').last().focus();
  return chestNames(page);
};

/** A key that opens a box. */
const asks =
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
const focuses =
  (prepare: (page: Page) => Promise<unknown>, name: RegExp): Check =>
  async (page, press) => {
    await prepare(page);
    await press();
    await expect.poll(() => focusedName(page)).toMatch(name);
  };
/** A key that does what the undo label says, and is taken back. */
const changes =
  (prepare: (page: Page) => Promise<unknown>, words: RegExp): Check =>
  async (page, press) => {
    await prepare(page);
    await press();
    await expect(foot(page)).toContainText(words);
    await saved(page);
    await undo(page);
  };
const goes =
  (path: string, from: string): Check =>
  async (page, press) => {
    await page.getByRole('link', { name: from }).click();
    await expect(page).toHaveURL(new RegExp(`/${from.toLowerCase()}`));
    await press();
    await expect(page).toHaveURL(new RegExp(`/${path}`));
    await page.getByRole('link', { name: 'Sort' }).click();
    await expect(page.getByRole('row').nth(7)).toBeVisible();
  };
const menu: Check = async (page, press) => {
  await press();
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menu')).toHaveCount(0);
};

/** The list of one tray, in its order, with its third plugin selected. */
async function onTrayRow(page: Page): Promise<string[]> {
  await page.goto(page.url().replace(/\?.*$|$/, '?tray=1'));
  await expect(page.locator('[data-shown]')).toContainText(/^\d shown/);
  await onRow(page, 2);
  return rowNames(page);
}
const rowNames = (page: Page) =>
  page.locator('[data-list] [role="row"] [role="gridcell"]:nth-child(2)').allInnerTexts();

/** "To file", with the keyboard on it. */
async function filing(page: Page): Promise<string> {
  await list(page).focus();
  await page.keyboard.press('t');
  await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
  // To the first one for which several drawers suggest themselves.
  for (let times = 0; times < 40 && (await proposals(page).getByRole('option').count()) < 2; times++)
    await page.keyboard.press('ArrowRight');
  return waitingName(page);
}
const waitingName = (page: Page) => page.getByRole('region', { name: 'To file' }).locator('b bdi').innerText();
const proposals = (page: Page) => page.getByRole('listbox', { name: 'Proposed drawers' });
const markedProposal = (page: Page) =>
  proposals(page)
    .getByRole('option')
    .evaluateAll((all) => all.findIndex((one) => one.classList.contains('at')));
const inFiling =
  (look: (page: Page, press: () => Promise<void>, name: string) => Promise<void>): Check =>
  async (page, press) => {
    const name = await filing(page);
    await look(page, press, name);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'To file' })).toHaveCount(0);
  };

/** The box that finds a drawer, opened for a selected plugin. */
const inPick =
  (typed: string, look: (page: Page, press: () => Promise<void>) => Promise<void>): Check =>
  async (page, press) => {
    await onRow(page);
    await page.keyboard.press('f');
    await page.keyboard.type(typed);
    await look(page, press);
    if ((await dialog(page).count()) > 0) await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  };
const markedChoice = (page: Page) =>
  dialog(page)
    .getByRole('option')
    .evaluateAll((all) => all.findIndex((one) => one.classList.contains('at')));

async function inLoad(page: Page, name = 'Bowed saw, slot 2'): Promise<void> {
  if (!page.url().includes('/load')) await page.getByRole('link', { name: 'Load' }).click();
  await slot(page, name).focus();
}
const onSlot =
  (look: Check): Check =>
  async (page, press, stroke) => {
    await inLoad(page);
    await look(page, press, stroke);
  };
const inChooser =
  (look: (page: Page, press: () => Promise<void>) => Promise<void>): Check =>
  async (page, press) => {
    await inLoad(page);
    await page.keyboard.press('Enter');
    await expect(dialog(page).getByRole('option').first()).toBeVisible();
    await look(page, press);
    for (let times = 0; times < 3 && (await dialog(page).count()) > 0; times++) await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  };
const optionAt = (page: Page) => at(page, '[role="dialog"] input[role="combobox"]');
const steps = (to: number): Check =>
  inChooser(async (page, press) => {
    for (let times = 0; times < 12; times++) await page.keyboard.press('ArrowDown');
    await expect.poll(() => optionAt(page)).toBe(12);
    await press();
    await expect.poll(() => optionAt(page)).toBe(to);
  });
const walksFronts = (key: string, by: (index: number) => boolean): Check =>
  inChooser(async (page, press) => {
    await page.keyboard.press('Tab');
    const fronts = dialog(page).getByRole('group', { name: 'Drawers' }).getByRole('button');
    for (const other of ['ArrowDown', 'ArrowRight']) if (other !== key) await page.keyboard.press(other);
    const where = () => fronts.evaluateAll((all) => all.findIndex((one) => one === document.activeElement));
    const before = await where();
    await press();
    await expect.poll(async () => by((await where()) - before)).toBe(true);
  });

export const CHECKS: Checks = {
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
    setAside: asks(onRow, /^Set aside$/),
    bringBack: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('a');
      await page.keyboard.press('Enter');
      await expect(foot(page)).toContainText(/Undo: set .+ aside/);
      await press();
      await expect(foot(page)).toContainText(/Undo: bring .+ back/);
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
    toFile: async (page, press) => {
      await list(page).focus();
      await press();
      await expect(page.getByRole('region', { name: 'To file' })).toBeFocused();
      await page.keyboard.press('Escape');
    },
    newDrawer: asks((page) => list(page).focus(), /^New drawer$/),
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
      await expect(tabs(page).getByRole('button', { pressed: true })).toContainText('Mix day');
      await tabs(page).getByRole('button').first().click();
    },
    pictures: async (page, press) => {
      await list(page).focus();
      await press();
      await expect(list(page)).toHaveClass(/with-pictures/);
      await page.keyboard.press('g');
      await expect(list(page)).not.toHaveClass(/with-pictures/);
    },
    back: async (page, press) => {
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
  },
  chest: {
    open: async (page, press) => {
      await onLastChest(page);
      await press();
      await expect(tabs(page).getByRole('button', { pressed: true })).toContainText('Mix day');
      await tabs(page).getByRole('button').first().click();
    },
    left: focuses(onLastChest, /^Everyday/),
    right: focuses(onChest, /^Mix day/),
    earlier: reorders(onLastChest, chestNames, toTop(1)),
    later: reorders(onChest, chestNames, toEnd(0)),
    toFirst: reorders(onLastChest, chestNames, toTop(1)),
    toLast: reorders(onChest, chestNames, toEnd(0)),
    rename: asks(onChest, /^The chest Everyday$/),
    remove: changes(onLastChest, /Undo: delete .*Mix day/),
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
  },
  waiting: {
    take: inFiling(async (page, press, name) => {
      await expect(proposals(page).getByRole('option').first()).toBeVisible();
      await press();
      await expect.poll(() => waitingName(page)).not.toBe(name);
      await expect(foot(page)).toContainText(/Undo: file/);
      await saved(page);
      await undo(page);
    }),
    down: inFiling(async (page, press) => {
      await press();
      await expect.poll(() => markedProposal(page)).toBe(1);
    }),
    up: inFiling(async (page, press) => {
      await page.keyboard.press('ArrowDown');
      await press();
      await expect.poll(() => markedProposal(page)).toBe(0);
    }),
    first: inFiling(async (page, press) => {
      await page.keyboard.press('ArrowDown');
      await press();
      await expect.poll(() => markedProposal(page)).toBe(0);
    }),
    last: inFiling(async (page, press) => {
      const count = await proposals(page).getByRole('option').count();
      await press();
      await expect.poll(() => markedProposal(page)).toBe(count - 1);
    }),
    tick: inFiling(async (page, press) => {
      await press();
      await expect(proposals(page).getByRole('option').first()).toContainText('✓');
    }),
    later: inFiling(async (page, press, name) => {
      await press();
      await expect.poll(() => waitingName(page)).not.toBe(name);
    }),
    earlier: inFiling(async (page, press, name) => {
      await page.keyboard.press('ArrowRight');
      await expect.poll(() => waitingName(page)).not.toBe(name);
      await press();
      await expect.poll(() => waitingName(page)).toBe(name);
    }),
    leave: async (page, press) => {
      await filing(page);
      await press();
      await expect(list(page)).toBeFocused();
    },
  },
  pick: {
    down: inPick('', async (page, press) => {
      await press();
      await expect.poll(() => markedChoice(page)).toBe(1);
    }),
    up: inPick('', async (page, press) => {
      await page.keyboard.press('ArrowDown');
      await press();
      await expect.poll(() => markedChoice(page)).toBe(0);
    }),
    pageDown: inPick('', async (page, press) => {
      await press();
      await expect.poll(() => markedChoice(page)).toBe(10);
    }),
    pageUp: inPick('', async (page, press) => {
      await page.keyboard.press('PageDown');
      await press();
      await expect.poll(() => markedChoice(page)).toBe(0);
    }),
    take: inPick('noises', async (page, press) => {
      await press();
      await expect(foot(page)).toContainText(/Undo: file .+ into Noises off/);
      await saved(page);
      await undo(page);
    }),
    tick: inPick('', async (page, press) => {
      await press();
      await expect(dialog(page).getByRole('option').first()).toContainText('✓');
    }),
    tickTyped: inPick('noises', async (page, press) => {
      await press();
      await expect(dialog(page).getByRole('option').first()).toContainText('✓');
    }),
    make: inPick('Keyed anew', async (page, press) => {
      await press();
      await expect(front(page, 'Keyed anew')).toBeVisible();
      await saved(page);
      await undo(page);
    }),
  },
  form: {
    save: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('c');
      await dialog(page).getByLabel('Role').selectOption('tool');
      await dialog(page).getByLabel('Role').focus();
      await press();
      await expect(dialog(page)).toHaveCount(0);
      await expect(foot(page)).toContainText(/Undo: correct the role of/);
      await saved(page);
      await undo(page);
    },
    saveText: async (page, press) => {
      await onRow(page);
      await page.keyboard.press('m');
      await dialog(page).getByLabel('Note').fill('by key');
      await press();
      await expect(dialog(page)).toHaveCount(0);
      await saved(page);
      await undo(page);
    },
  },
  slots: {
    left: onSlot(focuses(async () => undefined, /^(?!Bowed saw).+, slot/)),
    right: onSlot(focuses(async () => undefined, /^(?!Bowed saw).+, slot/)),
    up: onSlot(focuses(async () => undefined, /^Bowed saw, slot 1/)),
    down: onSlot(focuses(async () => undefined, /^Bowed saw, slot 3/)),
    open: onSlot(async (page, press) => {
      await press();
      await expect(dialog(page).getByRole('combobox')).toBeFocused();
      await page.keyboard.press('Escape');
      await expect(dialog(page)).toHaveCount(0);
    }),
    clear: async (page, press) => {
      await inLoad(page);
      await page.keyboard.press('Enter');
      await page.keyboard.type('gain');
      await page.keyboard.press('Enter');
      await expect(slot(page, 'Bowed saw, slot 2')).toHaveAttribute('title', /Gain/);
      await expect(slot(page, 'Bowed saw, slot 2')).toBeFocused();
      await press();
      await expect(slot(page, 'Bowed saw, slot 2')).toContainText('insert');
      await saved(page);
      await undo(page);
      await undo(page);
    },
    menu: onSlot(menu),
  },
  chooser: {
    down: steps(13),
    up: steps(11),
    pageDown: steps(22),
    pageUp: steps(2),
    load: inChooser(async (page, press) => {
      await page.keyboard.type('gain');
      await press();
      await expect(slot(page, 'Bowed saw, slot 2')).toHaveAttribute('title', /Gain/);
      await saved(page);
      await undo(page);
    }),
    favourite: inChooser(async (page, press) => {
      const first = dialog(page).getByRole('option').first();
      const was = await first.getByLabel('on Favourites').count();
      await press();
      await expect(first.getByLabel('on Favourites')).toHaveCount(1 - was);
      await press();
      await expect(first.getByLabel('on Favourites')).toHaveCount(was);
    }),
    drawers: inChooser(async (page, press) => {
      await press();
      const inDrawers = () => page.evaluate(() => document.activeElement?.closest('[aria-label="Drawers"]') !== null);
      await expect.poll(inDrawers).toBe(true);
      // What is typed there goes to the line.
      await page.keyboard.type('ga');
      await expect(dialog(page).getByRole('combobox')).toHaveValue('ga');
    }),
    back: inChooser(async (page, press) => {
      await press();
      await expect(dialog(page)).toHaveCount(0);
      await expect(slot(page, 'Bowed saw, slot 2')).toBeFocused();
    }),
  },
  chooserDrawers: {
    left: walksFronts('ArrowLeft', (by) => by === -1),
    right: walksFronts('ArrowRight', (by) => by === 1),
    up: walksFronts('ArrowUp', (by) => by < -1),
    down: walksFronts('ArrowDown', (by) => by > 1),
  },
};
