/** One day's work, done by mouse, by keyboard and by finger: after each act the status line names what was meant. */
import { expect, test, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { dialog, drag, foot, front, label, list, placeOf, row, saved, undo } from '../support/studio';

const slotAt = (page: Page, name: string): Locator => page.getByRole('button', { name: new RegExp(`^${name}:`) });
const trayFront = (page: Page): Locator =>
  page.getByRole('region', { name: 'Trays' }).getByRole('button', { name: /Tray 3/ });
const menuItem = (page: Page, name: RegExp): Locator => page.getByRole('menuitem', { name });
const FIRST = 'Thunder sheet, slot 1';
const SECOND = 'Thunder sheet, slot 2';

/** The acts of the day, each done in one way. */
interface Hand {
  /** Presses a segment of a ribbon. */
  readonly narrow: (segment: Locator) => Promise<void>;
  readonly file: (name: string, drawer: string) => Promise<void>;
  readonly putOnTray: (name: string) => Promise<void>;
  readonly openNames: (name: string) => Promise<void>;
  readonly save: () => Promise<void>;
  /** Loads the only one of tray 3. */
  readonly load: (slot: string) => Promise<void>;
  readonly moveDown: (slot: string, to: string) => Promise<void>;
  readonly bypass: (slot: string) => Promise<void>;
  readonly makeDrawer: (name: string) => Promise<void>;
  readonly deleteDrawer: (name: string) => Promise<void>;
}

const segment = (page: Page, question: string, name: RegExp): Locator =>
  page.getByRole('group', { name: `Filter by ${question}` }).getByRole('button', { name });

/** By mouse and by finger the same things are pressed; they differ in how, in how a menu opens, and in how one drags. */
function pointer(
  page: Page,
  press: (one: Locator) => Promise<void>,
  openMenu: (one: Locator) => Promise<void>,
  move: (from: Locator, to: Locator) => Promise<void>,
): Hand {
  const choose = async (one: Locator, act: RegExp): Promise<void> => {
    await openMenu(one);
    await press(menuItem(page, act));
  };
  return {
    narrow: press,
    file: async (name, drawer) => {
      await press(row(page, name));
      await choose(row(page, name), /^File into drawers/);
      await press(dialog(page).getByRole('option', { name: drawer }));
    },
    putOnTray: (name) => move(row(page, name), trayFront(page)),
    openNames: (name) => choose(row(page, name), /^Names and notes/),
    save: () => press(dialog(page).getByRole('button', { name: 'Save' })),
    load: async (slot) => {
      await press(slotAt(page, slot));
      await press(dialog(page).getByRole('button', { name: /Tray 3/ }));
      await press(dialog(page).getByRole('option').first());
    },
    moveDown: (slot, to) => move(slotAt(page, slot), slotAt(page, to)),
    bypass: (slot) => choose(slotAt(page, slot), /^Bypass/),
    makeDrawer: async (name) => {
      await press(page.getByRole('button', { name: /^New drawer/ }));
      await page.keyboard.type(name);
      await press(dialog(page).getByRole('button', { name: 'Save' }));
    },
    deleteDrawer: (name) => choose(label(page, name), /^Delete it/),
  };
}

function keyboard(page: Page): Hand {
  const keys = async (...all: readonly string[]): Promise<void> => {
    for (const key of all) await page.keyboard.press(key);
  };
  return {
    narrow: async (segment) => {
      await segment.focus();
      await keys('Enter');
      await list(page).focus();
    },
    file: async (name, drawer) => {
      await keys('/');
      await page.keyboard.type(name);
      await keys('Enter');
      // The panel keeps what the filter takes out of the list.
      await keys('Enter', 'f');
      await page.keyboard.type(drawer.slice(0, 5));
      await keys('Enter');
    },
    putOnTray: () => keys('3'),
    openNames: () => keys('m'),
    save: () => keys('Enter'),
    load: async (slot) => {
      await slotAt(page, slot).focus();
      await keys('Enter', 'Tab', '3', 'Enter');
    },
    moveDown: async (slot) => {
      await slotAt(page, slot).focus();
      await keys('Alt+ArrowDown');
    },
    bypass: () => keys('-'),
    makeDrawer: async (name) => {
      await keys('n');
      await page.keyboard.type(name);
      await keys('Enter');
    },
    deleteDrawer: async (name) => {
      await expect(label(page, name)).toBeFocused();
      await keys('Delete');
    },
  };
}

function mouse(page: Page): Hand {
  return pointer(
    page,
    (one) => one.click(),
    (one) => one.click({ button: 'right' }),
    async (from, to) => {
      await drag(page, from, to);
      await page.mouse.up();
    },
  );
}

async function finger(page: Page, context: BrowserContext): Promise<Hand> {
  const session = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0): Promise<unknown> =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
  const middle = async (one: Locator): Promise<[number, number]> => {
    await one.scrollIntoViewIfNeeded();
    const box = await one.boundingBox();
    if (box === null) throw new Error('not in sight');
    return [box.x + Math.min(60, box.width / 2), box.y + Math.min(20, box.height / 2)];
  };
  const HELD_MS = 700;
  return pointer(
    page,
    (one) => one.tap(),
    async (one) => {
      await touch('touchStart', ...(await middle(one)));
      await page.waitForTimeout(HELD_MS);
      await touch('touchEnd');
      await expect(page.getByRole('menu')).toBeVisible();
    },
    async (from, to) => {
      const [[fromX, fromY], [toX, toY]] = [await middle(from), await middle(to)];
      await touch('touchStart', fromX, fromY);
      await page.waitForTimeout(HELD_MS);
      for (let step = 1; step <= 10; step++)
        await touch('touchMove', fromX + ((toX - fromX) * step) / 10, fromY + ((toY - fromY) * step) / 10);
      await touch('touchEnd');
    },
  );
}

async function playDay(page: Page, hand: Hand): Promise<void> {
  const undoes = (words: string): Promise<void> => expect(foot(page)).toContainText(`Undo: ${words}`);
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  const toFile = segment(page, 'state', /^to file/);
  await hand.narrow(segment(page, 'role', /^audio effect/));
  await hand.narrow(toFile);
  await expect(toFile).toHaveAttribute('aria-pressed', 'true');
  const name = (await page.getByRole('row').nth(2).locator('bdi').first().innerText()).trim();
  await hand.file(name, 'Noises off');
  await undoes(`file ${name} into Noises off`);
  // A pointer goes on with what the list shows, the keyboard with what the panel shows.
  if ((await page.locator('[data-panel]').count()) === 0) await hand.narrow(toFile);
  await hand.putOnTray(name);
  await undoes(`put ${name} on Tray 3`);
  await hand.openNames(name);
  await expect(dialog(page)).toContainText(name);
  await dialog(page).getByLabel('Nickname').fill('the big rumble');
  await hand.save();
  await expect(dialog(page)).toHaveCount(0);
  await undoes(`call ${name} the big rumble`);
  await saved(page);

  await page.goto(await placeOf('load'));
  await hand.load(FIRST);
  await expect(slotAt(page, FIRST)).toHaveAttribute('title', /the big rumble/);
  await undoes('load the big rumble into Thunder sheet');
  await hand.moveDown(FIRST, SECOND);
  await expect(slotAt(page, SECOND)).toHaveAttribute('title', /the big rumble/);
  await expect(slotAt(page, FIRST)).toHaveAttribute('title', /^empty/);
  await hand.bypass(SECOND);
  await expect(slotAt(page, SECOND)).toHaveAttribute('title', /the big rumble.*bypassed/);
  await saved(page);

  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  await hand.makeDrawer('Rumbles');
  await expect(front(page, 'Rumbles')).toBeVisible();
  await undoes('new drawer Rumbles');
  await hand.deleteDrawer('Rumbles');
  await expect(front(page, 'Rumbles')).toHaveCount(0);
  await saved(page);
  await undo(page, 8);
}

test('by mouse', async ({ page }) => {
  await playDay(page, mouse(page));
});

test('by keyboard', async ({ page }) => {
  await playDay(page, keyboard(page));
});

test('by finger', async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await playDay(page, await finger(page, context));
  await context.close();
});
