/** What the keys do in “to file” and in boxes. */
import { expect } from '@playwright/test';
import { dialog, foot, front, saved, undo } from '../../../support/studio';
import { type ChecksOf, inFiling, inPick, markedChoice, markedProposal, onRow, proposals, waitingName } from './hands';

export const BOXES_CHECKS: ChecksOf<'waiting' | 'pick' | 'form'> = {
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
};
