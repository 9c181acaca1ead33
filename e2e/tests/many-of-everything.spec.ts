/** Fourteen chests, sixty drawers, forty lanes and names of 120 letters: what must be clickable can be hit. */
import { randomUUID } from 'node:crypto';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { computerNamed, dialog, foot, placeOf, undo } from '../support/studio';

const LONG = 'A drawer of everything that was ever found in the wagon, kept for the winter '
  .repeat(2)
  .trim()
  .slice(0, 120);

/** Makes changes as one step. */
async function change(intents: readonly object[]): Promise<void> {
  const { id } = await computerNamed('Music room');
  const response = await fetch(`${process.env.DEMO_URL ?? ''}/api/computers/${id}/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', connection: 'close' },
    body: JSON.stringify({ intents }),
  });
  if (!response.ok) throw new Error(await response.text());
}

/** Those whose middle is covered by something else, after each was brought into sight. */
const covered = (all: Locator): Promise<(string | null)[]> =>
  all.evaluateAll((elements) =>
    elements
      .filter((one) => {
        one.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
        const { left, top, width, height } = one.getBoundingClientRect();
        return !one.contains(document.elementFromPoint(left + width / 2, top + height / 2));
      })
      .map((one) => one.getAttribute('aria-label') ?? one.textContent),
  );

const open = async (page: Page, place: string): Promise<void> => {
  await page.goto(await placeOf(place));
  await expect(foot(page)).toBeVisible();
};

test('with many chests and drawers of long names nothing lies over what is to be clicked', async ({ page }) => {
  const chests = Array.from({ length: 14 }, (_, at) => ({
    id: randomUUID(),
    name: `Chest ${String(at + 1)} ${LONG}`.slice(0, 120),
  }));
  const [first] = chests;
  await change([
    ...chests.map(({ id, name }) => ({ kind: 'make-chest', id, name, slots: null })),
    ...Array.from({ length: 60 }, (_, at) => ({
      kind: 'make-drawer',
      id: randomUUID(),
      chestId: first?.id,
      parentId: null,
      name: `${String(at + 1)} ${LONG}`.slice(0, 120),
      rule: null,
      pluginIds: [],
    })),
  ]);
  await open(page, 'sort');
  await page.getByRole('button', { name: first?.name ?? '', exact: true }).click();
  const chest = page.locator('[data-chest]');
  await expect(chest.locator('[data-drawer] > [data-front]')).toHaveCount(60);
  expect(await covered(chest.locator('[data-front]'))).toEqual([]);
  await open(page, 'load');
  await page.getByRole('button', { name: /^Narrator, slot 4:/ }).click();
  const tabs = dialog(page).getByRole('group', { name: 'Chest', exact: true }).getByRole('button');
  expect(await tabs.count()).toBeGreaterThanOrEqual(14);
  expect(await covered(tabs)).toEqual([]);
  expect(await covered(dialog(page).getByRole('option'))).toEqual([]);
  await page.keyboard.press('Escape');
  await undo(page);
});

test('forty lanes scroll, and each slot can be hit', async ({ page }) => {
  const { id } = await computerNamed('Music room');
  const { session } = (await (
    await fetch(`${process.env.DEMO_URL ?? ''}/api/computers/${id}/arrangement`, { headers: { connection: 'close' } })
  ).json()) as { session: { id: string; name: string }[] };
  const sessionId = session.find((one) => one.name.endsWith('scene 3'))?.id;
  await change(
    Array.from({ length: 40 }, (_, at) => ({
      kind: 'add-lane',
      sessionId,
      lane: { id: randomUUID(), kind: 'audio', name: `Lane ${String(at + 1)} ${LONG}`.slice(0, 120), inserts: 3 },
    })),
  );
  await open(page, 'load');
  const slots = page.locator('[data-lanes] button[data-slot]');
  expect(await slots.count()).toBeGreaterThan(120);
  expect(await covered(slots)).toEqual([]);
  await undo(page);
});
