/** Clever drawers: a rule written, corrected and trusted, in the real interface. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { accessible, foot, front, label, list, placeOf, saved, undo } from '../support/studio';

const inside = (page: Page, name: string) => page.getByRole('listbox', { name: `In ${name}` });
const option = (page: Page, drawer: string, name: string) =>
  inside(page, drawer).getByRole('option', { name: new RegExp(`^${name}(,|$)`) });
const text = (page: Page, name: string) => front(page, name).locator('[data-rule-text]');
const segment = (page: Page, name: string, words: RegExp) => front(page, name).getByRole('button', { name: words });
const countOf = async (page: Page, name: string): Promise<number> =>
  Number(/in the drawer (\d+)/.exec(await segment(page, name, /^in the drawer \d/).innerText())?.[1]);

/** Everything as it was; in a field Ctrl+Z would be the field's own. */
async function takeBack(page: Page, times: number): Promise<void> {
  await saved(page);
  await list(page).focus();
  await undo(page, times);
}

/** A new drawer with a rule, by keyboard alone; opened. */
async function clever(page: Page, name: string, typed: string): Promise<void> {
  await page.keyboard.press('n');
  await page.keyboard.type(name);
  await page.keyboard.press('Tab');
  await page.keyboard.type(typed);
  await page.keyboard.press('Enter');
  await expect(front(page, name)).toBeVisible();
  await label(page, name).press('Enter');
  await expect(segment(page, name, /^in the drawer \d/)).toBeVisible();
}

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('sort'));
  await expect(page.locator('[data-chest][aria-busy="false"]')).toBeVisible();
});

test('what is typed means what a person means, and each entry says why it is there', async ({ page }) => {
  await clever(page, 'Halls', 'plate or hall');
  await expect(text(page, 'Halls')).toHaveValue('plate OR hall');
  const first = inside(page, 'Halls').getByRole('option').first();
  await expect(first).toHaveAttribute('aria-label', /, by rule: (plate|hall)/);
  await accessible(page);
  await takeBack(page, 1);
});

test('while the rule is written its result is shown; Esc goes back, Enter keeps, and a mistake keeps the last valid rule', async ({
  page,
}) => {
  await clever(page, 'Halls', 'plate');
  const plates = await countOf(page, 'Halls');
  await text(page, 'Halls').fill('plate or type:reverb');
  await expect.poll(() => countOf(page, 'Halls')).toBeGreaterThan(plates);
  const more = await countOf(page, 'Halls');
  // The front and the list of plugins know only what is in force.
  await expect(label(page, 'Halls')).toHaveAttribute('aria-label', new RegExp(`^Halls, ${String(plates)} plugin`));
  await text(page, 'Halls').press('Escape');
  await expect.poll(() => countOf(page, 'Halls')).toBe(plates);
  // With nothing to drop Esc leads out of the field, so that the keys of the page are keys again.
  await text(page, 'Halls').press('Escape');
  await expect(label(page, 'Halls')).toBeFocused();
  await text(page, 'Halls').fill('plate or type:reverb');
  await text(page, 'Halls').press('End');
  await page.keyboard.type(' or type:revreb');
  await expect(front(page, 'Halls').getByRole('status')).toContainText('There is no type “revreb”');
  await expect.poll(() => countOf(page, 'Halls')).toBe(more);
  await accessible(page);
  await front(page, 'Halls').getByRole('button', { name: 'Write type:reverb' }).click();
  await text(page, 'Halls').press('Enter');
  await expect(foot(page)).toContainText('Undo: change the rule of Halls');
  await expect(text(page, 'Halls')).toHaveValue('plate OR type:reverb OR type:reverb');
  await takeBack(page, 2);
});

test('the sentence and the text show the same rule, changed part by part with the keyboard', async ({ page }) => {
  await clever(page, 'Halls', 'plate');
  const takes = front(page, 'Halls').getByRole('group', { name: 'takes' });
  await takes.getByRole('button', { name: /a new part/ }).press('Enter');
  const form = front(page, 'Halls').getByRole('group', { name: 'New part' });
  await form.getByLabel('What is asked').selectOption('type');
  await form.getByLabel('What it must be').selectOption('reverb');
  await form.getByLabel('What it must be').press('Enter');
  await expect(text(page, 'Halls')).toHaveValue('plate OR type:reverb');
  await expect(takes.getByRole('button', { name: 'type reverb' })).toBeFocused();
  await front(page, 'Halls')
    .getByRole('group', { name: 'leaves out' })
    .getByRole('button', { name: /a new part/ })
    .press('Enter');
  await form.getByLabel('What is asked').selectOption('vendor');
  await form.getByLabel('What it must be').fill('Copperhat');
  await form.getByLabel('How it is met').selectOption('whole');
  await form.getByLabel('What it must be').press('Enter');
  await expect(text(page, 'Halls')).toHaveValue('(plate OR type:reverb) AND NOT vendor:"Copperhat"');
  await takes.getByRole('button', { name: 'or', exact: true }).click();
  await expect(text(page, 'Halls')).toHaveValue('plate AND type:reverb AND NOT vendor:"Copperhat"');
  await expect(label(page, 'Halls')).toHaveAttribute('title', /plate in the name and type reverb; not vendor/);
  await takes.getByRole('button', { name: 'word plate' }).click();
  await front(page, 'Halls').getByRole('button', { name: 'Take out' }).click();
  await expect(text(page, 'Halls')).toHaveValue('type:reverb AND NOT vendor:"Copperhat"');
  await accessible(page);
  await takeBack(page, 5);
});

test('a part that has parts itself is changed part by part, to any depth, with the keyboard', async ({ page }) => {
  await clever(page, 'Halls', '(plate or hall) and type:reverb');
  const rule = front(page, 'Halls').getByRole('region', { name: 'The rule of Halls' });
  const inner = rule.getByRole('group', { name: 'The parts of this part' });
  const takeToo = async (sentence: Locator, word: string): Promise<void> => {
    const takes = sentence.getByRole('group', { name: 'takes' });
    await takes.getByRole('button', { name: /a new part/ }).press('Enter');
    const value = rule.getByRole('group', { name: 'New part' }).getByLabel('What it must be');
    await value.fill(word);
    await value.press('Enter');
  };
  await rule.getByRole('button', { name: /plate or hall/ }).press('Enter');
  await expect(inner.getByRole('button', { name: 'word plate' })).toBeFocused();
  await takeToo(inner, 'room');
  await expect(text(page, 'Halls')).toHaveValue('(plate OR hall OR room) AND type:reverb');
  await expect(inner.getByRole('button', { name: 'word room' })).toBeFocused();
  // One of its parts is divided in turn: "and" within "or" within "and".
  await page.keyboard.press('Enter');
  await inner.getByRole('button', { name: /something else in one part with it/ }).press('Enter');
  await expect(inner).toHaveCount(2);
  await takeToo(inner.last(), 'big');
  await expect(text(page, 'Halls')).toHaveValue('(plate OR hall OR (room AND big)) AND type:reverb');
  await accessible(page);
  await page.keyboard.press('Escape');
  await expect(inner).toHaveCount(1);
  await expect(inner.getByRole('button', { name: /room and big/ })).toBeFocused();
  // Joined as what it stands in, it is no part of its own any more.
  await inner.getByRole('button', { name: 'or', exact: true }).first().press('Enter');
  await expect(text(page, 'Halls')).toHaveValue('plate AND hall AND room AND big AND type:reverb');
  await expect(inner).toHaveCount(0);
  await takeBack(page, 4);
});

test('what it misses and catches wrongly is shown, and one key takes the proposal into the rule', async ({ page }) => {
  await clever(page, 'Halls', 'plate, hall, reverb');
  await segment(page, 'Halls', /^may be missing/).press('Enter');
  const missed = front(page, 'Halls').getByRole('region', { name: 'reverb' });
  await expect(missed).toContainText('of the type reverb');
  await accessible(page);
  const before = await countOf(page, 'Halls');
  await missed.getByRole('button', { name: 'Take the type too: reverb' }).press('Enter');
  await expect(text(page, 'Halls')).toHaveValue('plate OR hall OR reverb OR type:reverb');
  await expect.poll(() => countOf(page, 'Halls')).toBeGreaterThan(before);
  await expect(segment(page, 'Halls', /^may be missing/)).toHaveCount(0);
  await takeBack(page, 2);
});

test('always and never, by one key each; they are shown, counted and taken back', async ({ page }) => {
  await clever(page, 'Halls', 'plate');
  const line = inside(page, 'Halls').getByRole('option').first();
  const [name = ''] = ((await line.getAttribute('aria-label')) ?? '').split(',');
  const count = await countOf(page, 'Halls');
  await line.click();
  await inside(page, 'Halls').press('x');
  const by = front(page, 'Halls').getByRole('group', { name: 'Exceptions by hand: 0 always in, 1 never in' });
  await expect(by).toContainText(`never ${name}`);
  await expect(option(page, 'Halls', name)).toHaveCount(0);
  await expect.poll(() => countOf(page, 'Halls')).toBe(count - 1);
  await accessible(page);
  await by.getByRole('button', { name }).press('Enter');
  await expect(option(page, 'Halls', name)).toHaveCount(1);
  // A nickname takes nothing out of its drawer.
  await inside(page, 'Halls').getByRole('option').first().click();
  await inside(page, 'Halls').press('m');
  await page.getByRole('dialog').getByLabel('Nickname').fill('the big one');
  await page.keyboard.press('Enter');
  await expect(option(page, 'Halls', 'the big one')).toHaveCount(1);
  await takeBack(page, 4);
});

test('rules that would go in a circle are refused, and the circle is named; what a rule looks at is not deleted unasked', async ({
  page,
}) => {
  await clever(page, 'One', 'plate');
  await clever(page, 'Two', 'drawer:One');
  await expect(inside(page, 'Two').getByRole('option').first()).toBeVisible();
  await text(page, 'One').fill('drawer:Two');
  await text(page, 'One').press('Enter');
  await expect(page.getByText('in a circle: One → Two → One')).toBeVisible();
  // What was refused stays to be put right.
  await expect(text(page, 'One')).toHaveValue('drawer:Two');
  await text(page, 'One').press('Escape');
  await expect(text(page, 'One')).toHaveValue('plate');
  await label(page, 'One').press('Delete');
  await expect(page.getByRole('dialog')).toContainText('The rule of Two looks at it');
  await page.keyboard.press('Escape');
  await expect(front(page, 'One')).toBeVisible();
  await takeBack(page, 2);
});

test('from examples: a rule for what is selected, and one for what a drawer holds; frozen it stays by hand', async ({
  page,
}) => {
  await page.keyboard.press('/');
  await page.keyboard.type('plate');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+N');
  const box = page.getByRole('dialog');
  await expect(box.getByRole('option').first()).toContainText(/takes them all/);
  await accessible(page);
  await page.keyboard.press('Enter');
  await box.getByLabel('Name').fill('Alike');
  await page.keyboard.press('Enter');
  await label(page, 'Alike').press('Enter');
  const held = await countOf(page, 'Alike');
  expect(held).toBeGreaterThanOrEqual(3);
  await front(page, 'Alike').getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: /^Freeze/ }).click();
  await expect(text(page, 'Alike')).toHaveCount(0);
  await expect(label(page, 'Alike')).toHaveAttribute('aria-label', new RegExp(`^Alike, ${String(held)} plugin`));
  await expect(inside(page, 'Alike').getByRole('option')).toHaveCount(held);
  await front(page, 'Alike').getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: /^Propose a rule/ }).click();
  await expect(box.getByRole('option').first()).toContainText('takes them all');
  await page.keyboard.press('Enter');
  await expect(text(page, 'Alike')).toBeVisible();
  await takeBack(page, 3);
});

test('a chest by starter rules; a plugin says why it is in one drawer and not in another', async ({ page }) => {
  await page.getByRole('button', { name: 'New chest' }).click();
  const box = page.getByRole('dialog');
  await box.getByLabel('Drawers by rules that go on filling themselves').check();
  await expect(box.getByRole('region', { name: 'Preview' })).toContainText('type:reverb');
  await box.getByRole('button', { name: 'Create chest' }).click();
  await expect(label(page, 'Reverbs')).toHaveAttribute(
    'aria-label',
    /^Reverbs, [1-9]\d* plugins, fills itself: type reverb/,
  );
  await label(page, 'Reverbs').press('Enter');
  const line = inside(page, 'Reverbs').getByRole('option').first();
  await expect(line).toHaveAttribute('aria-label', /by rule: type reverb/);
  await line.dblclick();
  const panel = page.getByRole('region', { name: 'About the plugin' });
  await expect(panel).toContainText('By rules › Reverbs by its rule: type reverb');
  await panel.getByLabel('Why is it not in').selectOption({ label: 'Delays' });
  await expect(panel.getByRole('status')).toContainText('It has none of: type delay, type looper.');
  await accessible(page);
  await page.keyboard.press('Escape');
  await takeBack(page, 1);
});

test('so many at most, the first in the order of the drawer', async ({ page }) => {
  await clever(page, 'Newest', 'type:reverb');
  const most = front(page, 'Newest').getByLabel('At most so many by the rule');
  await most.fill('3');
  await most.press('Enter');
  await expect.poll(() => countOf(page, 'Newest')).toBe(3);
  const names = () => inside(page, 'Newest').getByRole('option').locator('bdi:first-child').allInnerTexts();
  const first = await names();
  await front(page, 'Newest').getByRole('button', { name: 'Order', exact: true }).click();
  await page.locator('.dropdown-menu.show').getByRole('button', { name: 'by vendor', exact: true }).nth(1).click();
  await expect.poll(names).not.toEqual(first);
  expect(await countOf(page, 'Newest')).toBe(3);
  await label(page, 'Newest').press('Enter');
  await expect(front(page, 'Newest')).toContainText('by vendor · at most 3');
  await label(page, 'Newest').press('Enter');
  await most.fill('');
  await most.press('Enter');
  await expect.poll(() => countOf(page, 'Newest')).toBeGreaterThan(3);
  await takeBack(page, 4);
});

test('split into inner drawers that follow by themselves; by keyboard into one of them and out again', async ({
  page,
}) => {
  await clever(page, 'Halls', 'plate or hall');
  const whole = await countOf(page, 'Halls');
  await front(page, 'Halls').getByRole('button', { name: 'Split', exact: true }).click();
  await front(page, 'Halls').getByRole('button', { name: 'by vendor' }).click();
  const parts = front(page, 'Halls').getByRole('group', { name: 'Halls, split by vendor' });
  const counts = async (): Promise<number[]> =>
    (await parts.locator('[data-split-part] > button .mono').allInnerTexts()).map(Number);
  await expect.poll(async () => (await counts()).reduce((sum, one) => sum + one, 0)).toBe(whole);
  await accessible(page);
  const first = parts.locator('[data-front]').first();
  const lines = parts.getByRole('listbox');
  await first.press('Enter');
  await expect(lines).toBeVisible();
  await first.press('ArrowDown');
  await expect(lines).toBeFocused();
  await expect(lines.getByRole('option')).toHaveCount((await counts())[0] ?? -1);
  // They follow what the rule takes.
  await page.keyboard.press('x');
  await expect.poll(async () => (await counts()).reduce((sum, one) => sum + one, 0)).toBe(whole - 1);
  await takeBack(page, 1);
  await lines.focus();
  await page.keyboard.press('Escape');
  await expect(first).toBeFocused();
  await expect(parts.getByRole('listbox')).toHaveCount(0);
  // Which of them are open is in the address.
  const closed = page.url();
  await first.press('Enter');
  await expect(parts.getByRole('listbox')).toBeVisible();
  await expect.poll(() => page.url()).not.toBe(closed);
  await page.reload();
  await expect(parts.getByRole('listbox')).toBeVisible();
  await list(page).focus();
  await undo(page, 2);
});

test('a saved search becomes a rule; a scan tells how many rules have filed', async ({ page }) => {
  await page.getByRole('button', { name: /^Saved searches/ }).click();
  await page.getByRole('button', { name: 'Dark ones', exact: true }).click();
  await page.getByRole('button', { name: /^Saved searches/ }).click();
  await page.getByRole('button', { name: 'New drawer by a rule for what is shown …' }).click();
  await expect(page.getByRole('dialog').getByRole('option').first()).toContainText('dark');
  await page.keyboard.press('Escape');
  await page.goto(await placeOf('intake'));
  await expect(page.getByText(/^\d+ of \d+ new plugins? filed by rules/)).toBeVisible();
});
