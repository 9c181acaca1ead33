/** What the keys do in Load. */
import { expect } from '@playwright/test';
import { dialog, saved, undo } from '../../../support/studio';
import { type ChecksOf, focuses, inChooser, inLoad, menu, onSlot, slot, steps, walksFronts } from './hands';

export const LOAD_CHECKS: ChecksOf<'slots' | 'chooser' | 'fronts'> = {
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
  fronts: {
    left: walksFronts('ArrowLeft', (by) => by === -1),
    right: walksFronts('ArrowRight', (by) => by === 1),
    up: walksFronts('ArrowUp', (by) => by < -1),
    down: walksFronts('ArrowDown', (by) => by > 1),
  },
};
