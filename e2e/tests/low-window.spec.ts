/** A window of 640 x 400, which is 1280 x 800 at 200 % zoom (WCAG 2.2, 1.4.4 "Resize Text"): the lists come first, and notices cover neither them nor the hints. */
import { expect, test, type Locator } from '@playwright/test';
import { accessible, dialog, foot, list, placeOf, saved, undo } from '../support/studio';

/** How many of these are wholly in sight, with nothing in front of them. */
const inSight = (all: Locator): Promise<number> =>
  all.evaluateAll(
    (elements) =>
      elements.filter((one) => {
        const { left, top, bottom } = one.getBoundingClientRect();
        const isAt = (y: number): boolean => one.contains(document.elementFromPoint(left + 60, y));
        return isAt(top + 2) && isAt(bottom - 2);
      }).length,
  );
const overlaps = async (one: Locator, other: Locator): Promise<boolean> => {
  const [a, b] = [await one.boundingBox(), await other.boundingBox()];
  if (a === null || b === null) throw new Error('not in sight');
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
};

test.describe('at 640 x 400', () => {
  test.use({ viewport: { width: 640, height: 400 } });

  test('Sort shows five plugins at once; the filters are one click away', async ({ page }) => {
    await page.goto(await placeOf('sort'));
    await expect(page.getByRole('row').nth(5)).toBeVisible();
    expect(await inSight(list(page).locator('[aria-rowindex]:not([aria-rowindex="1"])'))).toBeGreaterThanOrEqual(5);
    await accessible(page);
    await page.getByRole('button', { name: 'Filters …' }).click();
    await page.getByRole('group', { name: 'Filter by format' }).getByRole('button', { name: /^VST2/ }).click();
    await page.getByRole('button', { name: 'Hide the filters' }).click();
    await expect(page.getByRole('button', { name: 'Filters: 1 chosen …' })).toBeVisible();
  });

  test('the chooser shows four plugins at once, with the drawers beside them', async ({ page }) => {
    await page.goto(await placeOf('load'));
    await page.getByRole('button', { name: /^Narrator, slot 4:/ }).click();
    await expect(dialog(page).getByRole('option').nth(3)).toBeVisible();
    expect(await inSight(dialog(page).getByRole('option'))).toBeGreaterThanOrEqual(4);
    expect(
      await inSight(dialog(page).getByRole('group', { name: 'Drawers' }).getByRole('button')),
    ).toBeGreaterThanOrEqual(3);
    await accessible(page);
  });
});

test('a notice covers neither the lanes nor the line at the foot, and is in the application’s own font and colours', async ({
  page,
}) => {
  await page.goto(await placeOf('load'));
  await page.getByRole('button', { name: 'Session', exact: true }).click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  const notice = page.locator('[data-sonner-toast]').filter({ hasText: 'is deleted' });
  await expect(notice).toBeVisible();
  // It slides in.
  await expect.poll(async () => (await notice.boundingBox())?.y ?? -1).toBeGreaterThan(0);
  for (const other of [foot(page), page.getByRole('region', { name: 'Goose, audio track' })])
    expect(await overlaps(notice, other)).toBe(false);
  const looks = await notice.evaluate((one) => {
    const [own, body] = [getComputedStyle(one), getComputedStyle(document.body)];
    return [own.fontFamily === body.fontFamily, own.backgroundColor === body.color];
  });
  expect(looks).toEqual([true, true]);
  await saved(page);
  await undo(page);
});
