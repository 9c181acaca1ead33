/** The demo's two computers share one arrangement; each shows what it has of it. */
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { accessible, front, label, placeOf, saved } from '../support/studio';

async function sortAt(context: BrowserContext, computer: string): Promise<Page> {
  const page = await context.newPage();
  await page.goto(await placeOf('sort', computer));
  await expect(page.getByRole('row').nth(5)).toBeVisible();
  return page;
}

async function makeDrawer(page: Page, name: string): Promise<void> {
  await page.keyboard.press('n');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await expect(front(page, name)).toBeVisible();
  await saved(page);
}

async function fileFirst(page: Page, words: string, drawer: string): Promise<string> {
  await page.getByLabel('Find', { exact: true }).fill(words);
  const first = page.getByRole('row').nth(1);
  await expect(first).toContainText(words);
  const name = (await first.locator('bdi').first().innerText()).trim();
  await first.click();
  await page.keyboard.press('f');
  await page.keyboard.type(drawer);
  await page.keyboard.press('Enter');
  await saved(page);
  return name;
}

const lines = (page: Page, drawer: string) => page.getByRole('listbox', { name: `In ${drawer}` }).getByRole('option');
const notHere = (page: Page) =>
  page.getByRole('group', { name: 'Filter by state' }).getByRole('button', { name: /^not on this computer/ });
const undoButton = (page: Page) => page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ });

test('what is filed on one computer stands on the other, and each takes back its own steps alone', async ({
  context,
}) => {
  const room = await sortAt(context, 'Music room');
  const wagon = await sortAt(context, 'Puppet wagon');
  await makeDrawer(room, 'On tour');
  await expect(front(wagon, 'On tour')).toBeVisible();
  const filed = await fileFirst(room, 'Comp', 'On tour');
  await label(wagon, 'On tour').click();
  await expect(lines(wagon, 'On tour')).toHaveCount(1);
  await expect(lines(wagon, 'On tour').first()).toContainText(filed);

  // A step of the other computer is none of this one's: it made none, or an earlier one, and undo says so.
  await expect(undoButton(wagon).filter({ hasText: 'On tour' })).toHaveCount(0);
  const own = await fileFirst(wagon, 'Plate', 'On tour');
  await expect(lines(wagon, 'On tour')).toHaveCount(2);
  await label(room, 'On tour').click();
  await expect(lines(room, 'On tour')).toHaveCount(2);
  await room.keyboard.press('Control+z');
  await expect(lines(room, 'On tour')).toHaveCount(1);
  await expect(lines(room, 'On tour').first()).toContainText(own);
  await expect(lines(wagon, 'On tour')).toHaveCount(1);

  // The drawer itself can't be taken away under what the other computer put into it, and why is said.
  await room.keyboard.press('Control+z');
  await expect(room.getByRole('region', { name: /Notifications/ })).toContainText('changed since');
  await expect(front(room, 'On tour')).toBeVisible();
  await wagon.keyboard.press('Control+z');
  await expect(lines(wagon, 'On tour')).toHaveCount(0);
  await saved(wagon);
  await room.keyboard.press('Control+z');
  await expect(front(room, 'On tour')).toHaveCount(0);
  await expect(front(wagon, 'On tour')).toHaveCount(0);
});

test('what is on one of them only keeps its place, is counted apart, and is left out of menus', async ({ context }) => {
  const wagon = await sortAt(context, 'Puppet wagon');
  await expect(front(wagon, 'Everyday EQ')).toBeVisible();
  // Its own 135, and the own entries, which belong to the studio.
  await expect(wagon.locator('[data-shown]')).toHaveText('144 shown');
  await notHere(wagon).click();
  const first = wagon.getByRole('row').nth(1);
  await expect(first).toContainText('not on this computer');
  await first.click();
  await wagon.keyboard.press('Enter');
  await expect(wagon.getByText('It is not on this computer but on Music room')).toBeVisible();
  await wagon.keyboard.press('Escape');
  await label(wagon, 'Everyday EQ').click();
  await expect(
    front(wagon, 'Everyday EQ')
      .getByRole('option', { name: /, not on this computer$/ })
      .first(),
  ).toBeVisible();
  await accessible(wagon);
});
