/** What the keys do in Load. */
import { expect } from '@playwright/test';
import { dialog, saved, undo } from '../../../support/studio';
import {
  type Check,
  type ChecksOf,
  focuses,
  inChooser,
  inLoad,
  inView,
  leavesNewDrawer,
  menu,
  onSlot,
  optionAt,
  slot,
  steps,
  walksFronts,
} from './hands';

const SECOND = 'Bowed saw, slot 2';

/** With a gain in the second slot; afterwards everything is as it was. */
const withGain = (look: Check, steps = 1): Check =>
  onSlot(async (page, press, stroke) => {
    await page.keyboard.type('gain');
    await expect(dialog(page).getByRole('option').first()).toContainText('Gain');
    await page.keyboard.press('Enter');
    await expect(slot(page, SECOND)).toHaveAttribute('title', /Gain/);
    await saved(page);
    await slot(page, SECOND).focus();
    await look(page, press, stroke);
    await saved(page);
    await undo(page, steps + 1);
    await expect(slot(page, SECOND)).toContainText('insert');
  });

/** A slot of a bus is offered several chests: a key leads to another one, and through all of them back. */
const turnsChest: Check = async (page, press) => {
  await inLoad(page, 'Voices, slot 1');
  await page.keyboard.press('Enter');
  const tabs = dialog(page).getByRole('group', { name: 'Chest' });
  const chest = tabs.locator('[class*="chest-name"][aria-pressed="true"]');
  const chests = await tabs.locator('[class*="chest-name"]').count();
  const before = await chest.innerText();
  await press();
  await expect(chest).not.toHaveText(before);
  for (let others = chests - 1; others > 0; others--) await press();
  await expect(chest).toHaveText(before);
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toHaveCount(0);
};

export const LOAD_CHECKS: ChecksOf<'slots' | 'chooser' | 'chooserFronts' | 'fronts'> = {
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
    clear: withGain(async (page, press) => {
      await press();
      await expect(slot(page, SECOND)).toContainText('insert');
    }),
    again: withGain(async (page, press) => {
      await slot(page, 'Bowed saw, slot 3').focus();
      await press();
      await expect(slot(page, 'Bowed saw, slot 3')).toHaveAttribute('title', /Gain/);
    }),
    bypass: withGain(async (page, press) => {
      await press();
      await expect(slot(page, SECOND)).toHaveAttribute('title', /bypassed/);
    }),
    feed: onSlot(async (page, press) => {
      await press();
      await expect(slot(page, SECOND)).toHaveAttribute('title', /with a sidechain/);
      await saved(page);
      await undo(page);
      await expect(slot(page, SECOND)).not.toHaveAttribute('title', /with a sidechain/);
    }),
    moveUp: withGain(async (page, press) => {
      await press();
      await expect(slot(page, 'Bowed saw, slot 1')).toHaveAttribute('title', /Gain/);
      await expect(slot(page, 'Bowed saw, slot 1')).toBeFocused();
    }),
    moveDown: withGain(async (page, press) => {
      await press();
      await expect(slot(page, 'Bowed saw, slot 3')).toHaveAttribute('title', /Gain/);
      await expect(slot(page, 'Bowed saw, slot 3')).toBeFocused();
    }),
    take: withGain(async (page, press) => {
      await press();
      await expect(page.getByText(/is copied/).first()).toBeVisible();
    }, 0),
    put: withGain(async (page, press) => {
      await page.keyboard.press('Control+c');
      await slot(page, 'Bowed saw, slot 4').focus();
      await press();
      await expect(slot(page, 'Bowed saw, slot 4')).toHaveAttribute('title', /Gain/);
      await expect(slot(page, SECOND)).toHaveAttribute('title', /Gain/);
    }),
    add: onSlot(async (page, press) => {
      await press();
      await expect(slot(page, 'Bowed saw, slot 5')).toBeVisible();
      await expect(slot(page, 'Bowed saw, slot 3')).toBeFocused();
      await saved(page);
      await undo(page);
    }),
    remove: onSlot(async (page, press) => {
      await press();
      await expect(slot(page, 'Bowed saw, slot 4')).toHaveCount(0);
      await expect(slot(page, SECOND)).toBeFocused();
      await saved(page);
      await undo(page);
    }),
    menu: onSlot(menu),
  },
  chooser: {
    down: steps(13),
    up: steps(11),
    pageDown: steps(22),
    pageUp: steps(2),
    left: inView('faces', async (page, press) => {
      await page.keyboard.press('ArrowRight');
      await page.keyboard.press('ArrowRight');
      const before = await optionAt(page);
      await press();
      await expect.poll(() => optionAt(page)).toBe(before - 1);
    }),
    right: inView('drawers', async (page, press) => {
      const before = await optionAt(page);
      await press();
      await expect.poll(() => optionAt(page)).toBeGreaterThan(before);
    }),
    nextChest: turnsChest,
    previousChest: turnsChest,
    parts: inChooser(async (page, press) => {
      await page.keyboard.type('gain');
      await press();
      await expect(
        dialog(page)
          .locator('.modal-title')
          .filter({ hasText: /^Load a build of/ }),
      ).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(dialog(page)).toHaveCount(1);
      await page.keyboard.press('Escape');
    }),
    loadOn: inChooser(async (page, press) => {
      await page.keyboard.type('gain');
      await press();
      await expect(dialog(page).getByRole('heading')).toContainText('insert 3');
      await expect(dialog(page).getByRole('combobox')).toHaveValue('');
      await page.keyboard.press('Escape');
      await expect(slot(page, SECOND)).toHaveAttribute('title', /Gain/);
      await saved(page);
      await undo(page);
    }),
    again: inChooser(async (page, press) => {
      await press();
      await expect(dialog(page)).toHaveCount(0);
      await expect(slot(page, SECOND)).not.toContainText('insert');
      await saved(page);
      await undo(page);
    }),
    tick: inChooser(async (page, press) => {
      const before = await optionAt(page);
      await press();
      await expect.poll(() => optionAt(page)).toBe(before + 1);
      await expect(dialog(page).getByText('1 of 1').first()).toBeVisible();
    }),
    untick: inChooser(async (page, press) => {
      await page.keyboard.press('ArrowDown');
      const before = await optionAt(page);
      await press();
      await expect.poll(() => optionAt(page)).toBe(before - 1);
      await expect(dialog(page).getByText('1 of 1').first()).toBeVisible();
    }),
    clear: withGain(async (page, press) => {
      await page.keyboard.press('Enter');
      await expect(dialog(page).getByText('in this slot now')).toBeVisible();
      await press();
      await expect(dialog(page)).toHaveCount(0);
      await expect(slot(page, SECOND)).toContainText('insert');
    }),
    menu: inChooser(async (page, press) => {
      await page.keyboard.press('ArrowDown');
      await press();
      await expect(page.getByRole('menu').getByRole('menuitem', { name: /File into drawers/ })).toBeFocused();
      await page.keyboard.press('Escape');
      await expect(page.getByRole('menu')).toHaveCount(0);
      await expect(dialog(page).getByRole('combobox')).toBeFocused();
    }),
    all: inChooser(async (page, press) => {
      await press();
      await expect(dialog(page).getByRole('button', { name: 'only those' })).toBeVisible();
      await press();
      await expect(dialog(page).getByRole('button', { name: 'everything' })).toBeVisible();
    }),
    view: inChooser(async (page, press) => {
      const shown = dialog(page).getByRole('group', { name: 'View' }).locator('[aria-pressed="true"]');
      await expect(shown).toHaveText('list');
      for (const view of ['drawers', 'faces', 'list']) {
        await press();
        await expect(shown).toHaveText(view);
      }
    }),
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
      const inDrawers = () =>
        page.evaluate(() => document.activeElement?.closest('[aria-label="Drawers"], [aria-label="Trays"]') !== null);
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
  chooserFronts: {
    left: walksFronts('ArrowLeft', (by) => by === -1),
    right: walksFronts('ArrowRight', (by) => by === 1),
    up: walksFronts('ArrowUp', (by) => by < -1),
    down: walksFronts('ArrowDown', (by) => by > 1),
    tray: (page, press, stroke) =>
      inChooser(async () => {
        await page.keyboard.press('Tab');
        await press();
        // The demo has something on the first two trays alone: the others are not offered.
        const isThere = ['1', '2'].includes(stroke);
        const pressed = dialog(page).getByRole('group', { name: 'Trays' }).locator('[aria-pressed="true"]');
        await expect(pressed).toHaveCount(isThere ? 1 : 0);
      })(page, press, stroke),
    back: inChooser(async (page, press) => {
      await page.keyboard.press('Tab');
      await press();
      await expect(dialog(page)).toHaveCount(0);
    }),
  },
  fronts: { left: leavesNewDrawer, right: leavesNewDrawer, up: leavesNewDrawer, down: leavesNewDrawer },
};
