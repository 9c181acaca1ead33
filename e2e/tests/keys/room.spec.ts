/** Nothing is cut off or out of reach, in small windows and large ones, with long names, by mouse and by finger. */
import { expect, test, type Page } from '@playwright/test';
import { drag, front, label, list, placeOf, rename, row, saved, undo } from '../../support/studio';

/** Buttons, links and fields that can't be brought into sight, or lie outside of the page. */
const outOfReach = (page: Page) =>
  page.evaluate(() => {
    const wide = document.documentElement.scrollWidth - window.innerWidth;
    const lost = [...document.querySelectorAll<HTMLElement>('button, a[href], input, select')]
      .filter((one) => one.offsetParent !== null && one.closest('.visually-hidden, [aria-hidden]') === null)
      .filter((one) => {
        one.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
        const { left, right, top, bottom, width } = one.getBoundingClientRect();
        const isIn = left >= -1 && right <= window.innerWidth + 1 && top >= -1 && bottom <= window.innerHeight + 1;
        return width > 0 && !isIn;
      })
      .map((one) => one.getAttribute('aria-label') ?? one.textContent);
    return { wide: Math.max(0, wide), lost };
  });

for (const [width, height] of [
  [1024, 700],
  [1280, 720],
  [640, 400],
  [1920, 1080],
] as const)
  test(`at ${String(width)} x ${String(height)} nothing is cut off or out of reach, and the list keeps five rows`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    for (const place of ['sort', 'intake', 'load', 'keep']) {
      await page.goto(await placeOf(place));
      await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
      await expect(page.getByText(/^Loading /)).toHaveCount(0);
      expect([place, await outOfReach(page)]).toEqual([place, { wide: 0, lost: [] }]);
    }
    await page.goto(await placeOf('sort'));
    await page.getByRole('row').nth(2).click();
    await list(page).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: 'About the plugin' })).toContainText('build');
    const rows = await list(page).evaluate((box) => (box.clientHeight - 30) / 31);
    expect(rows).toBeGreaterThanOrEqual(5);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  });

test('long names without blanks and from right to left are cut, and whole under the pointer and the keyboard', async ({
  page,
}) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  const long = 'Reverberationsgeräteschubladenbeschriftung'.repeat(3).slice(0, 120);
  for (const name of [long, 'מגירת־ההדים־הארוכה־ביותר־בכל־הסטודיו'.repeat(3).slice(0, 110)]) {
    await page.keyboard.press('n');
    await page.keyboard.insertText(name);
    await page.keyboard.press('Enter');
    await expect(front(page, name)).toBeVisible();
  }
  await page.getByRole('row').nth(2).click();
  await page.keyboard.press('m');
  await page.getByLabel('Nickname').fill(long);
  await page.keyboard.press('Enter');
  // Another plugin that is selected tells its whole name in the line at the foot.
  await expect(page.getByRole('contentinfo')).toContainText(long);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  await expect(label(page, long)).toHaveAttribute('title', long);
  const card = label(page, long).locator('bdi').first();
  const cut = await card.evaluate((one) => one.getBoundingClientRect().height);
  await page.keyboard.press('o');
  await page.keyboard.insertText(long.slice(0, 40));
  await page.keyboard.press('Enter');
  await expect(label(page, long)).toBeFocused();
  expect(await card.evaluate((one) => one.getBoundingClientRect().height)).toBeGreaterThan(cut * 3);
  await saved(page);
  await undo(page, 3);

  await page.getByRole('link', { name: 'Intake' }).click();
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the computer').fill(long);
  await page.keyboard.press('Enter');
  try {
    await expect(page.getByRole('button', { name: `Computer at hand: ${long}` })).toBeVisible();
    expect(await outOfReach(page)).toEqual({ wide: 0, lost: [] });
    await page.getByRole('button', { name: 'Rename' }).click({ timeout: 5000 });
    await page.keyboard.insertText('Music room');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Computer at hand: Music room' })).toBeVisible();
  } finally {
    await rename(long, 'Music room');
  }
});

test('where there is room fronts show their first entries; a chest can have them always or never, and larger fronts', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1920, height: 1080 });
  await page.goto(await placeOf('sort'));
  const entries = front(page, 'Narration').locator('[class*="entries"]');
  await expect(entries).toContainText(/and \d+ more|\w/);
  const choose = async (item: string): Promise<void> => {
    await page.getByRole('button', { name: 'The chest Everyday' }).click();
    await page.getByRole('button', { name: item }).click();
  };
  await choose('Names only');
  await expect(entries).toHaveCount(0);
  await page.setViewportSize({ width: 1280, height: 800 });
  await choose('First entries always');
  await expect(entries).toBeVisible();
  const small = (await front(page, 'Narration').boundingBox())?.width ?? 0;
  await choose('Large fronts');
  await expect
    .poll(async () => (await front(page, 'Narration').boundingBox())?.width ?? 0)
    .toBeGreaterThan(small * 1.2);
  await choose('Small fronts');
  await choose('First entries where there is room');
  await expect(entries).toHaveCount(0);
});

test('the chest stays where it is while a target is aimed at, and scrolls after a rest at its very edge', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 620 });
  await page.goto(await placeOf('sort'));
  const chest = page.locator('[data-chest]');
  const top = () => chest.evaluate((box) => box.scrollTop);
  const area = await chest.boundingBox();
  const start = await page.getByRole('row').nth(2).boundingBox();
  if (area === null || start === null) throw new Error('not in sight');
  await page.mouse.move(start.x + 60, start.y + 15);
  await page.mouse.down();
  await page.mouse.move(start.x + 90, start.y + 30, { steps: 4 });
  // Close to the edge for long, and over the edge in passing.
  await page.mouse.move(area.x + 120, area.y + area.height - 50, { steps: 12 });
  await page.waitForTimeout(900);
  await page.mouse.move(area.x + 160, area.y + area.height - 6, { steps: 3 });
  await page.mouse.move(area.x + 200, area.y + area.height - 60, { steps: 6 });
  expect(await top()).toBe(0);
  await page.mouse.move(area.x + 200, area.y + area.height - 8, { steps: 3 });
  await expect.poll(top).toBeGreaterThan(20);
  await page.keyboard.press('Escape');
  await page.mouse.up();
});

test('by finger rows scroll, and a long press begins a drag', async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(9)).toBeVisible();
  const session = await context.newCDPSession(page);
  const touch = (type: string, x: number, y: number) =>
    session.send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: type === 'touchEnd' ? [] : [{ x, y }],
    });
  const from = await page.getByRole('row').nth(8).boundingBox();
  const to = await front(page, 'Noises off').boundingBox();
  if (from === null || to === null) throw new Error('not in sight');
  await touch('touchStart', from.x + 80, from.y + 15);
  for (let y = 0; y <= 160; y += 20) await touch('touchMove', from.x + 80, from.y + 15 - y);
  await touch('touchEnd', 0, 0);
  await expect.poll(() => list(page).evaluate((box) => box.scrollTop)).toBeGreaterThan(60);
  await expect(page.getByText(/→/)).toHaveCount(0);

  // The list comes to rest first: what is touched while it still runs is that, and nothing else.
  await page.waitForTimeout(800);
  await touch('touchStart', from.x + 80, from.y + 15);
  await page.waitForTimeout(600);
  for (let step = 1; step <= 10; step++)
    await touch(
      'touchMove',
      from.x + 80 + ((to.x + to.width / 2 - from.x - 80) * step) / 10,
      from.y + 15 + ((to.y + 40 - from.y - 15) * step) / 10,
    );
  await expect(page.getByText(/→ Noises off/)).toBeVisible();
  await touch('touchEnd', 0, 0);
  await expect(page.getByRole('contentinfo')).toContainText(/Undo: file .+ into Noises off/);
  await saved(page);
  await undo(page);
  await context.close();
});

test('names in scripts that the page’s own family lacks bring their font along', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  const names = { Arabic: 'صدى', Hebrew: 'הד', Thai: 'เสียง', JP: '残響', SC: '这们', KR: '잔향' };
  await page.keyboard.press('n');
  await page.keyboard.insertText(Object.values(names).join(' '));
  await page.keyboard.press('Enter');
  const loaded = () =>
    page.evaluate(() => [...document.fonts].filter((one) => one.status === 'loaded').map((one) => one.family));
  for (const script of Object.keys(names))
    await expect
      .poll(async () => (await loaded()).some((family) => family.includes(script)), { message: script })
      .toBe(true);
  await saved(page);
  await undo(page);
});

test('segments of the ribbons show names before counts, and no half a number', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  const cut = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[class*="band"] > button')].flatMap((button) => {
      const box = button.getBoundingClientRect();
      const [name, count] = [...button.children].map((one) => one.getBoundingClientRect());
      if (name === undefined || count === undefined) return [];
      const isHidden = count.top >= box.bottom - 2;
      return isHidden || count.right <= box.right + 0.5 ? [] : [button.textContent];
    }),
  );
  expect(cut).toEqual([]);
});

test('a chest of hundreds of drawers: the chooser draws those in sight, and arrows reach them all', async ({
  page,
}) => {
  await page.goto(await placeOf('sort'));
  await expect(row(page, 'Bellows')).toBeVisible();
  await page.getByRole('button', { name: 'New chest' }).click();
  await page.getByLabel('A drawer for each vendor').check();
  await page.getByLabel('A drawer holds at most').fill('2');
  await page.getByRole('button', { name: 'Create chest' }).click();
  await expect(page.getByRole('button', { name: 'By vendor', exact: true })).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Load' }).click();
  await page.getByRole('button', { name: /^Bowed saw, slot 1:/ }).click();
  const chest = page.getByRole('dialog').getByRole('group', { name: 'Chest', exact: true });
  await chest.getByRole('button', { name: 'By vendor' }).click();
  const drawers = page.getByRole('dialog').getByRole('group', { name: 'Drawers' });
  await expect(drawers.getByRole('button').nth(10)).toBeVisible();
  const drawn = await drawers.getByRole('button').count();
  await drawers.getByRole('button').first().focus();
  for (let times = 0; times < 40; times++) await page.keyboard.press('ArrowDown');
  await expect
    .poll(() => page.evaluate(() => Number(document.activeElement?.getAttribute('data-chooser-front') ?? -1)))
    .toBeGreaterThan(drawn / 2);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Sort' }).click();
  await undo(page);
});

test('a drag over many drawers still lands where it is aimed', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await drag(page, page.getByRole('row').nth(3), page.locator('[data-tray="3"]'));
  await expect(page.getByText('→ Tray 3')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('contentinfo')).toContainText('on Tray 3');
  await saved(page);
  await undo(page);
});
