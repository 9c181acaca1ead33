/** Each act hits what the screen names: under filters, by notices, where something is refused. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { accessible, dialog, foot, front, label, list, placeOf, row, saved, undo } from '../support/studio';

const panel = (page: Page) => page.getByRole('region', { name: 'About the plugin' });
const notice = (page: Page, words: string) => page.locator('[data-sonner-toast]').filter({ hasText: words });

test.describe('in Sort', () => {
  test.beforeEach(async ({ page }) => {
    await page.goto(await placeOf('sort'));
    await expect(page.getByRole('row').nth(5)).toBeVisible();
  });

  test('under a filter, the keys act on what the panel still shows after it was filed', async ({ page }) => {
    await page
      .getByRole('group', { name: 'Filter by state' })
      .getByRole('button', { name: /^to file/ })
      .click();
    await page.getByRole('row').nth(3).click();
    await page.keyboard.press('Enter');
    const name = await panel(page).getByRole('heading', { level: 2 }).locator('bdi').innerText();
    await page.keyboard.press('f');
    await page.keyboard.press('Space');
    await page.keyboard.press('Enter');
    await expect(row(page, name)).toHaveCount(0);
    await expect(panel(page)).toContainText(name);
    await expect(foot(page)).toContainText('1 shown in the panel');
    await page.keyboard.press('a');
    await expect(dialog(page).getByLabel(name, { exact: true })).toBeChecked();
    await page.keyboard.press('Escape');
    await page.keyboard.press('4');
    await expect(foot(page)).toContainText(`Undo: put ${name} on Tray 4`);
    await saved(page);
    await undo(page, 2);
  });

  test('the panel follows what is selected, and several close it', async ({ page }) => {
    await page.getByRole('row').nth(2).click();
    await page.keyboard.press('Enter');
    const shown = panel(page).getByRole('heading', { level: 2 }).locator('bdi');
    const first = await shown.innerText();
    await list(page).focus();
    await page.keyboard.press('ArrowDown');
    await expect(shown).not.toHaveText(first);
    await expect(foot(page)).toContainText('1 selected');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(panel(page)).toHaveCount(0);
    await expect(foot(page)).toContainText('2 selected');
  });

  test('with nothing selected “set aside” begins with nothing, and says before and after how much a rule of thumb takes', async ({
    page,
  }) => {
    await page.keyboard.press('a');
    await expect(dialog(page)).toContainText('Nothing is selected.');
    await expect(dialog(page).getByRole('button', { name: 'Set aside' })).toBeDisabled();
    await accessible(page);
    await page.keyboard.press('Enter');
    await expect(dialog(page)).toBeVisible();
    await dialog(page).getByLabel('all 32-bit builds of plugins that have another build').check();
    const before = /\d+ builds of \d+ plugins/.exec(await dialog(page).innerText())?.[0] ?? 'no count';
    await dialog(page).getByRole('button', { name: 'Set aside' }).click();
    await expect(notice(page, `${before} set aside.`)).toBeVisible();
    await notice(page, before).getByRole('button', { name: 'Undo' }).click();
    await expect(foot(page)).toContainText(/Redo: set /);
  });

  test('a notice undoes its own step, and is gone when another one follows or when it was undone', async ({ page }) => {
    const remove = async (): Promise<void> => {
      await label(page, 'Noises off').click({ button: 'right' });
      await page.getByRole('menuitem', { name: /^Delete/ }).click();
      await expect(notice(page, 'Noises off is deleted')).toBeVisible();
    };
    await remove();
    await notice(page, 'Noises off is deleted').getByRole('button', { name: 'Undo' }).click();
    await expect(front(page, 'Noises off')).toBeVisible();
    await remove();
    await page.getByRole('row').nth(2).click();
    await page.keyboard.press('6');
    await expect(notice(page, 'Noises off is deleted')).toHaveCount(0);
    await undo(page, 2);
    await remove();
    await undo(page);
    await expect(notice(page, 'Noises off is deleted')).toHaveCount(0);
  });

  test('a chain is listed by how well it fits, and not behind every plugin', async ({ page }) => {
    await page.getByLabel('Find', { exact: true }).fill('voice m');
    await expect(page.getByRole('row').nth(1)).toContainText('Marionette voice');
  });

  test('a picture is chosen from a file or pasted; one that is damaged is refused, and the old one stays', async ({
    page,
  }) => {
    // A whole PNG of one pixel, and its first half (W3C PNG, 5.2: a file ends with an IEND chunk).
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    await page.getByRole('row').nth(2).click();
    await page.keyboard.press('Enter');
    const face = panel(page).getByRole('img', { name: /^Picture of/ });
    const file = panel(page).getByLabel('Picture file');
    await file.setInputFiles({ name: 'face.png', mimeType: 'image/png', buffer: png });
    await expect(foot(page)).toContainText('Undo: set a picture for');
    await expect(face.first()).toBeVisible();
    await file.setInputFiles({ name: 'half.png', mimeType: 'image/png', buffer: png.subarray(0, 40) });
    await expect(notice(page, 'This picture can’t be shown')).toBeVisible();
    await expect(face.first()).toBeVisible();
    await undo(page);
    await page.evaluate(
      async (bytes) => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(bytes)], 'pasted.png', { type: 'image/png' }));
        document.body.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
      },
      [...png],
    );
    await expect(foot(page)).toContainText('Undo: set a picture for');
    await saved(page);
    await undo(page);
  });
});

test('each part of a plugin’s details is one key away', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await page.getByLabel('Find', { exact: true }).fill('springs');
  await page.getByLabel('Find', { exact: true }).press('Escape');
  await page.getByLabel('Find', { exact: true }).fill('kettlewold plate');
  await page.keyboard.press('Enter');
  await expect(list(page)).toBeFocused();
  await page.keyboard.press('u');
  const part = (name: string): Locator => panel(page).locator(`[data-part="${name}"]`);
  await expect(part('builds')).toBeVisible();
  const focusIsIn = (name: string): Promise<boolean> =>
    part(name).evaluate((one) => one === document.activeElement || one.contains(document.activeElement));
  await expect.poll(() => focusIsIn('builds')).toBe(true);
  for (const [key, name] of [
    ['k', 'type'],
    ['l', 'places'],
  ] as const) {
    await page.keyboard.press(key);
    await expect.poll(() => focusIsIn(name)).toBe(true);
  }
  await accessible(page);
});

test('an instrument that can not move down keeps the keyboard', async ({ page }) => {
  await page.goto(await placeOf('load'));
  const instrument = page.getByRole('button', { name: /^Accordion, slot 2:/ });
  await instrument.focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(notice(page, 'does not fit there')).toBeVisible();
  await expect(instrument).toBeFocused();
});

test('two computers can’t have one name', async ({ page }) => {
  await page.goto(await placeOf('intake'));
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the computer').fill('puppet WAGON');
  await page.keyboard.press('Enter');
  await expect(notice(page, 'A computer called “Puppet wagon” exists already.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Computer at hand: Music room' })).toBeVisible();
});

test('every box has its first field focused and selected, however it is opened, and gives the keyboard back', async ({
  page,
}) => {
  const check = async (toggle: Locator, item: RegExp): Promise<void> => {
    for (const by of ['mouse', 'keyboard'] as const) {
      if (by === 'mouse') {
        await toggle.click();
        await page.locator('.dropdown-menu.show').getByRole('button', { name: item }).first().click();
      } else {
        await toggle.focus();
        await page.keyboard.press('Enter');
        const choice = page.locator('.dropdown-menu.show').getByRole('button', { name: item }).first();
        await choice.focus();
        await page.keyboard.press('Enter');
      }
      const field = dialog(page).locator('input:focus, select:focus');
      await expect(field, `${item.source} by ${by}`).toHaveCount(1);
      const isSelected = await field.evaluate(
        (one) => !(one instanceof HTMLInputElement) || one.type !== 'text' || one.selectionEnd === one.value.length,
      );
      expect([item.source, by, isSelected]).toEqual([item.source, by, true]);
      await page.keyboard.press('Escape');
      await expect(dialog(page)).toHaveCount(0);
      await expect.poll(() => page.evaluate(() => document.activeElement === document.body)).toBe(false);
    }
  };
  await page.goto(await placeOf('load'));
  const menu = (name: string | RegExp): Locator => page.getByRole('button', { name, exact: true });
  for (const item of [/^Rename …/, /^Copy it …/, /^Copy its lanes/]) await check(menu('Session'), item);
  await check(menu(/^Sessions/), /^New session …/);
  for (const item of [/^audio track …/, /^bus …/]) await check(menu('New lane'), item);
  for (const item of [/^Rename …/, /^Keep what is in it as a chain …/])
    await check(menu('What can be done with Narrator'), item);
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  await check(menu('The chest Everyday'), /^Name and purpose …/);
  await page.getByLabel('Find', { exact: true }).fill('plate');
  await check(menu(/^Saved searches/), /^Save this search …/);
  await label(page, 'Space').click();
  for (const item of [/^Move elsewhere …/, /^Copy elsewhere …/])
    await check(front(page, 'Space').getByRole('button', { name: 'More', exact: true }).first(), item);
  await page.goto(await placeOf('keep'));
  await page.getByRole('button', { name: 'Erase …' }).click();
  await expect(dialog(page).getByRole('button', { name: 'Cancel' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Erase …' })).toBeFocused();
});

test('dragged in Load: what fits lights up, what does not says why, and lanes take it by head and “+ slot”', async ({
  page,
}) => {
  await page.goto(await placeOf('load'));
  const slot = (name: string): Locator => page.getByRole('button', { name: new RegExp(`^${name}:`) });
  const plus = page.getByRole('button', { name: 'Another slot in Goose' });
  const start = await slot('Accordion, slot 2').boundingBox();
  if (start === null) throw new Error('not in sight');
  const over = async (target: Locator): Promise<void> => {
    const box = await target.boundingBox();
    if (box === null) throw new Error('not in sight');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 6 });
  };
  await page.mouse.move(start.x + 20, start.y + 10);
  await page.mouse.down();
  await over(slot('Narrator, slot 4'));
  await expect(page.getByText('– another kind of slot; this slot is for: insert')).toBeVisible();
  await expect(slot('Narrator, slot 4')).not.toHaveClass(/aimed/);
  await over(slot('Toy piano, slot 2'));
  await expect(page.getByText('→ Toy piano, slot 2')).toBeVisible();
  await expect(slot('Toy piano, slot 2')).toHaveClass(/aimed/);
  await over(plus);
  await expect(page.getByText('– Goose has no slot for: instrument')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await slot('Narrator, slot 1').hover();
  await page.mouse.down();
  await over(page.getByRole('region', { name: 'Goose, audio track' }).getByRole('heading'));
  await expect(page.getByText('→ Goose', { exact: true })).toBeVisible();
  await page.mouse.up();
  await expect(slot('Goose, slot 2')).toHaveAttribute('title', /Sibilance/);
  await saved(page);
  await undo(page);
});

test('by finger a slot is dragged in Load, and a long press opens the menu of a slot, a row and a front', async ({
  browser,
}) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0): Promise<unknown> =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
  const middle = async (one: Locator): Promise<[number, number]> => {
    await one.scrollIntoViewIfNeeded();
    const box = await one.boundingBox();
    if (box === null) throw new Error('not in sight');
    return [box.x + Math.min(60, box.width / 2), box.y + Math.min(20, box.height / 2)];
  };
  const press = async (one: Locator): Promise<void> => {
    await touch('touchStart', ...(await middle(one)));
    await page.waitForTimeout(900);
    await touch('touchEnd');
    await expect(page.getByRole('menu')).toBeVisible();
  };
  await page.goto(await placeOf('load'));
  const slot = (name: string): Locator => page.getByRole('button', { name: new RegExp(`^${name}:`) });
  await expect(slot('Narrator, slot 1')).toBeVisible();
  await press(slot('Narrator, slot 1'));
  for (const act of [/^Bypass/, /^Sidechain/, /^Move what is in it to the slot below/, /^Take the slot itself out/])
    await expect(page.getByRole('menuitem', { name: act })).toBeVisible();
  await page.keyboard.press('Escape');
  const [fromX, fromY] = await middle(slot('Narrator, slot 1'));
  const [toX, toY] = await middle(slot('Narrator, slot 4'));
  await touch('touchStart', fromX, fromY);
  await page.waitForTimeout(600);
  for (let step = 1; step <= 8; step++)
    await touch('touchMove', fromX + ((toX - fromX) * step) / 8, fromY + ((toY - fromY) * step) / 8);
  await expect(page.getByText('→ Narrator, slot 4')).toBeVisible();
  await touch('touchEnd');
  await expect(slot('Narrator, slot 4')).toHaveAttribute('title', /Sibilance/);
  await saved(page);
  await undo(page);
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  await press(page.getByRole('row').nth(3));
  await page.getByRole('menuitem', { name: 'Select several by tapping' }).tap();
  for (const at of [5, 7]) await page.getByRole('row').nth(at).tap();
  await expect(foot(page)).toContainText('3 selected');
  await press(label(page, 'Narration'));
  await page.keyboard.press('Escape');
  await context.close();
});

test('after N, I, P and delete the keyboard is where the drawer is, or was', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  const make = async (key: string, name: string): Promise<void> => {
    await page.keyboard.press(key);
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(label(page, name)).toBeFocused();
  };
  await make('n', 'Outer');
  await make('i', 'Middle');
  await make('i', 'Innermost');
  await page.keyboard.press('p');
  await page.keyboard.type('noises');
  await page.keyboard.press('Enter');
  await expect(label(page, 'Innermost')).toBeFocused();
  await expect(front(page, 'Noises off').getByRole('region', { name: 'Drawer Innermost' })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(label(page, 'Noises off')).toBeFocused();
  await saved(page);
  await undo(page, 5);
});

test('a chain is kept again under its name only to replace it, and its parts are moved, bypassed and taken out', async ({
  page,
}) => {
  await page.goto(await placeOf('load'));
  await page.getByRole('button', { name: 'What can be done with Narrator' }).click();
  await page
    .locator('.dropdown-menu.show')
    .getByRole('button', { name: /^Keep what is in it/ })
    .click();
  await page.keyboard.type('marionette VOICE');
  await expect(dialog(page)).toContainText('A chain is called Marionette voice already');
  await accessible(page);
  await dialog(page).getByRole('button', { name: 'Replace this chain' }).click();
  await expect(notice(page, 'The chain Marionette voice is replaced.')).toBeVisible();
  await page.getByRole('link', { name: 'Sort' }).click();
  await page.getByLabel('Find', { exact: true }).fill('marionette voice');
  await row(page, 'Marionette voice').dblclick();
  const chain = page.getByRole('region', { name: 'About the chain' });
  const parts = chain.getByRole('listitem');
  await expect(parts).toHaveCount(3);
  const second = await parts.nth(1).getByRole('button').first().innerText();
  await chain.getByRole('button', { name: `Move ${second} up` }).click();
  await expect(parts.first()).toContainText(second);
  await parts.first().getByRole('button', { name: 'bypass', exact: true }).click();
  await expect(parts.first().getByRole('button', { name: 'bypassed' })).toBeVisible();
  await chain.getByRole('button', { name: `Take ${second} out of the chain` }).click();
  await expect(parts).toHaveCount(2);
  await accessible(page);
  await saved(page);
  await undo(page, 4);
});

test('several plugins are named in a table, by pattern and by proposals, as one step', async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await page.getByLabel('Find', { exact: true }).fill('tilt eq');
  await expect(page.getByRole('row').nth(2)).toContainText('Tilt EQ');
  await page.getByRole('row').nth(1).click();
  await page
    .getByRole('row')
    .nth(2)
    .click({ modifiers: ['Shift'] });
  await page.keyboard.press('m');
  await dialog(page).getByRole('button', { name: 'Nicknames, strip labels and notes …' }).click();
  await dialog(page).getByLabel('Nicknames by pattern').fill('Tilt {n} by {vendor}');
  await dialog(page).getByRole('button', { name: 'Fill in' }).click();
  await dialog(page).getByRole('button', { name: 'Propose strip labels' }).click();
  const nicknames = dialog(page).getByLabel(/^Nickname of/);
  await expect(nicknames).toHaveCount(2);
  await expect(nicknames.first()).toHaveValue(/^Tilt 1 by /);
  await expect(
    dialog(page)
      .getByLabel(/^Strip label of/)
      .nth(1),
  ).not.toHaveValue('');
  await dialog(page)
    .getByLabel(/^Nickname of/)
    .nth(0)
    .fill('Tilt twin');
  await dialog(page)
    .getByLabel(/^Nickname of/)
    .nth(1)
    .fill('tilt TWIN');
  await expect(dialog(page)).toContainText('Two of them are called tilt TWIN.');
  await dialog(page).getByRole('button', { name: 'Fill in' }).click();
  await dialog(page)
    .getByLabel(/^Note of/)
    .first()
    .fill('for the geese');
  await accessible(page);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row').filter({ hasText: 'Tilt 2 by' })).toHaveCount(1);
  await saved(page);
  await undo(page);
  await expect(page.getByRole('row').filter({ hasText: 'Tilt 2 by' })).toHaveCount(0);
});

test('removing a folder is undone with its switches, by the notice and by key', async ({ page }) => {
  await page.goto(await placeOf('intake'));
  const folder = page.getByRole('listitem').filter({ has: page.getByText(/Plug-Ins\/CLAP$/) });
  const asks = folder.getByLabel('load plugins to read their details');
  const path = (await folder.locator('[class*="folderPath"], [class*="folder-path"]').innerText()).trim();
  await asks.uncheck();
  await expect(asks).not.toBeChecked();
  await page.getByRole('button', { name: `Remove ${path} from the list` }).click();
  await expect(folder).toHaveCount(0);
  await notice(page, 'is removed from the list').getByRole('button', { name: 'Undo' }).click();
  await expect(asks).not.toBeChecked();
  await page.keyboard.press('Control+Shift+z');
  await expect(folder).toHaveCount(0);
  await undo(page);
  await expect(asks).not.toBeChecked();
  await asks.check();
  await expect(asks).toBeChecked();
});
