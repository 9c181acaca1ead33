/** How a plugin is reached in the chooser: by habit, by digit, by name, by kind, by drawer; by keyboard alone and by mouse alone. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { accessible, ask, computerNamed, dialog, drag, foot, placeOf, saved, undo } from '../support/studio';

const slot = (page: Page, name: string): Locator => page.getByRole('button', { name: new RegExp(`^${name}:`) });
const marked = (page: Page): Locator => dialog(page).locator('[role="option"].at');
const SECOND = 'Bowed saw, slot 2';

/** Opens the chooser on a slot, presses keys, and tells what is in the slot then. */
async function fill(page: Page, at: string, keys: readonly string[]): Promise<string> {
  await slot(page, at).focus();
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByRole('option').first()).toBeVisible();
  for (const key of keys) await page.keyboard.press(key);
  await expect(dialog(page)).toHaveCount(0);
  await expect(slot(page, at)).not.toHaveAttribute('title', /^empty/);
  await saved(page);
  return (await slot(page, at).getAttribute('title')) ?? '';
}

/** Fills a slot, which is empty as before afterwards: what was loaded is taken back. */
async function reach(page: Page, at: string, keys: readonly string[]): Promise<string> {
  const told = await fill(page, at, keys);
  await undo(page);
  await expect(slot(page, at)).toHaveAttribute('title', /^empty/);
  return told;
}
async function drop(page: Page, from: Locator, to: Locator): Promise<void> {
  await drag(page, from, to);
  await page.mouse.up();
}
const letters = (word: string): string[] => Array.from(word);

test.beforeEach(async ({ page }) => {
  await page.goto(await placeOf('load'));
  await expect(page.getByRole('heading', { name: /scene 3/ })).toBeVisible();
});

test('one key for what is usual here, one for what was loaded last, two for what has a digit', async ({ page }) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  for (const heading of ['usual here', 'recent', 'Favourites'])
    await expect(dialog(page).getByText(heading, { exact: true }).first()).toBeVisible();
  await accessible(page);
  // What was loaded in this lane before is usual here.
  await expect(marked(page)).toContainText('Hall');
  const favourite = dialog(page).getByRole('option').filter({ hasText: 'Turniplatch Tilt EQ' }).first();
  const digit = (await favourite.locator('[aria-label^="press "]').innerText()).trim();
  await page.keyboard.press('Escape');
  expect(await reach(page, SECOND, ['Enter'])).toContain('Hall');
  expect(await fill(page, SECOND, [digit, 'Enter'])).toContain('Turniplatch Tilt EQ');
  const third = 'Bowed saw, slot 3';
  expect(await reach(page, third, ['='])).toContain('Turniplatch Tilt EQ');
  await undo(page);
  // What was taken back was not loaded last any more.
  expect(await reach(page, third, ['='])).not.toContain('Turniplatch Tilt EQ');
});

test('three letters of a nickname, a type and a maker, and a name of which the letter is typed on the slot', async ({
  page,
}) => {
  expect(await reach(page, SECOND, [...letters('big'), 'Enter'])).toContain('the big plate');
  expect(await reach(page, SECOND, [...letters('rev tollgate'), 'Enter'])).toMatch(/the big plate|Hollowbarrow Hall/);
  await slot(page, SECOND).focus();
  await page.keyboard.type('gain');
  await expect(dialog(page).getByRole('combobox')).toHaveValue('gain');
  await page.keyboard.press('Enter');
  await expect(slot(page, SECOND)).toHaveAttribute('title', /Gain/);
  await saved(page);
  await undo(page);
});

test('instruments are in no insert; what does not fit is counted in the last line, and one key away', async ({
  page,
}) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('toy piano');
  const more = dialog(page).getByRole('button', { name: /^\d+ more: .*instrument/ });
  await expect(more).toBeVisible();
  await expect(dialog(page).getByRole('option').filter({ hasText: 'Toy Piano' })).toHaveCount(0);
  await page.keyboard.press('Control+ArrowDown');
  await expect(dialog(page).getByRole('option').filter({ hasText: 'Toy Piano' }).first()).toContainText('instrument');
  await page.keyboard.press('Escape');
});

test('a drawer that is called what is typed names what does not fit, with the reason, and Enter does not take it', async ({
  page,
}) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('keys & toys');
  await expect(dialog(page).getByText('drawer Keys & toys: does not fit here')).toBeVisible();
  const piano = dialog(page).getByRole('option').filter({ hasText: 'Toy Piano' }).first();
  await expect(piano).toContainText('instrument');
  await expect(piano).toHaveAttribute('aria-selected', 'false');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.press('Escape');
});

test('a bus opens the chest for buses; a channel strip is found in each of its drawers', async ({ page }) => {
  await slot(page, 'Voices, slot 1').click();
  const chests = dialog(page).getByRole('group', { name: 'Chest', exact: true });
  await expect(chests.getByRole('button', { name: 'Mix day' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  const { id } = await computerNamed('Music room');
  const strip = (await ask<{ plugins: { id: string; name: string }[] }>(`/computers/${id}/catalogue`)).plugins.find(
    (one) => one.name.endsWith('Strip'),
  );
  if (strip === undefined) throw new Error('no strip');
  const { drawer } = await ask<{ drawer: { id: string; name: string }[] }>(`/computers/${id}/arrangement`);
  const names = ['Everyday EQ', 'Dynamics', 'Narration'];
  const drawerIds = drawer.filter((one) => names.includes(one.name)).map((one) => one.id);
  const intents = [{ kind: 'file', drawerIds, pluginIds: [strip.id] }];
  const post = (path: string, body: unknown) =>
    fetch(`${process.env.DEMO_URL ?? ''}/api/computers/${id}/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', connection: 'close' },
      body: JSON.stringify(body),
    });
  expect((await post('changes', { intents })).status).toBe(200);
  for (const name of names) {
    await slot(page, SECOND).click();
    await dialog(page)
      .getByRole('button', { name: new RegExp(`^${name}, `) })
      .click();
    await expect(dialog(page).getByRole('option').filter({ hasText: strip.name }).first()).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
  }
  await post('undo', {});
});

test('by mouse alone: at most three clicks; replaced, cleared and undone', async ({ page }) => {
  await slot(page, SECOND).click();
  await dialog(page)
    .getByRole('button', { name: /^Space, / })
    .click();
  const first = dialog(page).getByRole('option').first();
  const name = (await first.locator('bdi').first().innerText()).trim();
  await first.click();
  await expect(slot(page, SECOND)).toHaveAttribute('title', new RegExp(name));
  await slot(page, SECOND).click();
  await expect(dialog(page).getByText('in Space', { exact: true })).toBeVisible();
  await dialog(page).getByRole('option').nth(1).click();
  await expect(slot(page, SECOND)).not.toHaveAttribute('title', new RegExp(name));
  await page.getByRole('button', { name: `Clear ${SECOND}` }).click();
  await expect(slot(page, SECOND)).toContainText('insert');
  await saved(page);
  await undo(page, 3);
  await expect(slot(page, SECOND)).toContainText('insert');
  await slot(page, SECOND).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
});

test('a chain loads in one go, several that are ticked in order, and the lane says what it is like', async ({
  page,
}) => {
  await slot(page, 'Thunder sheet, slot 1').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('marionette');
  await expect(marked(page)).toContainText('chain of 4');
  await page.keyboard.press('Enter');
  await expect(slot(page, 'Thunder sheet, slot 4')).toBeVisible();
  await expect(slot(page, 'Thunder sheet, slot 1')).toHaveAttribute('title', /Sibilance/);
  await expect(page.getByRole('region', { name: /^Thunder sheet/ })).toContainText('like the chain Marionette voice');
  await saved(page);
  await undo(page);
  await expect(slot(page, 'Thunder sheet, slot 4')).toHaveCount(0);

  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('plate');
  await expect(marked(page)).toContainText('late');
  const names = await dialog(page).getByRole('option').locator('bdi:first-child').allInnerTexts();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(dialog(page).getByText('load these 2 in order')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(slot(page, 'Bowed saw, slot 3')).not.toContainText('insert');
  expect(names.length).toBeGreaterThan(2);
  await saved(page);
  await undo(page);
});

test('what is in a slot is dragged to another one, and bypassed', async ({ page }) => {
  await drop(page, slot(page, 'Out, slot 1'), slot(page, 'Out, slot 2'));
  await expect(slot(page, 'Out, slot 2')).toHaveAttribute('title', /Loudness/);
  await expect(slot(page, 'Out, slot 1')).toHaveAttribute('title', /^empty/);
  await slot(page, 'Out, slot 2').focus();
  await page.keyboard.press('-');
  await expect(slot(page, 'Out, slot 2')).toHaveAttribute('title', /bypassed/);
  await saved(page);
  await undo(page, 2);
  await expect(slot(page, 'Out, slot 1')).toHaveAttribute('title', /Loudness/);
});

test('dragged from drawers and from what is found onto a slot; where it does not fit it is told', async ({ page }) => {
  await page.getByRole('button', { name: 'Drawers to drag from' }).click();
  const shelf = page.getByRole('region', { name: 'Drawers to drag from' });
  const line = (column: string) =>
    shelf.getByRole('group', { name: column, exact: true }).getByRole('listitem').first();
  await accessible(page);
  const drawn = await line('Dynamics').innerText();
  await drop(page, line('Dynamics'), slot(page, 'Out, slot 2'));
  await expect(slot(page, 'Out, slot 2')).toHaveAttribute('title', new RegExp(drawn));
  await shelf.getByRole('searchbox').fill('harmonium');
  const found = await line('found').innerText();
  await drop(page, line('found'), slot(page, 'Out, slot 3'));
  await expect(page.getByText(`${found} can’t go there (instrument): this slot is for: insert.`)).toBeVisible();
  await drop(page, line('found'), slot(page, 'Toy piano, slot 2'));
  await expect(slot(page, 'Toy piano, slot 2')).toHaveAttribute('title', new RegExp(found));
  await saved(page);
  await slot(page, 'Out, slot 2').focus();
  await undo(page, 2);
  await expect(slot(page, 'Out, slot 2')).toHaveAttribute('title', /^empty/);
  await page.getByRole('button', { name: 'Drawers to drag from' }).click();
  await expect(shelf).toHaveCount(0);
});

interface Known {
  readonly name: string;
  readonly role: string;
  readonly builds: readonly { readonly format: string; readonly found: boolean; readonly outputs: number | null }[];
}

test('a mono lane takes the mono build, a stereo one the stereo build, and the line below says why', async ({
  page,
}) => {
  const { id } = await computerNamed('Music room');
  const { plugins } = await ask<{ plugins: Known[] }>(`/computers/${id}/catalogue`);
  // One of which there is a build for each width, the mono one preferred.
  const both = plugins.find(
    ({ role, builds }) =>
      role === 'audio-effect' && builds[0]?.outputs === 1 && builds.some((one) => one.found && one.outputs === 2),
  );
  const name = both?.name ?? '';
  const widthOf = async (): Promise<string> => {
    await slot(page, SECOND).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.type(name);
    await expect(marked(page)).toContainText(name);
    await expect(dialog(page).getByText(/ by .* · LV2/)).toBeVisible();
    const words = await dialog(page)
      .getByText(/ by .* · LV2/)
      .innerText();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(dialog(page)).toHaveCount(0);
    return words;
  };
  const lane = page.getByRole('button', { name: 'What can be done with Bowed saw' });
  expect(await widthOf()).not.toContain('to fit here');
  await lane.click();
  const toMono = page.getByRole('button', { name: 'Make it mono' });
  await toMono.click();
  await saved(page);
  expect(await widthOf()).not.toContain('to fit here');
  await lane.click();
  await page.getByRole('button', { name: 'Make it stereo' }).click();
  await saved(page);
  expect(await widthOf()).toContain('(stereo, to fit here)');
  await slot(page, SECOND).focus();
  await undo(page, 2);
});

test('where a sidechain is fed, what takes one has a heading of its own, goes up, and is loaded by the build that does', async ({
  page,
}) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press(',');
  await expect(slot(page, SECOND)).toHaveAttribute('title', /with a sidechain/);
  await page.keyboard.press('Enter');
  const part = dialog(page).getByText('with a sidechain input');
  await expect(part).toBeVisible();
  await accessible(page);
  await page.keyboard.type('paperthorpe comp');
  await expect(marked(page)).toContainText('Comp');
  await expect(dialog(page).getByText('(takes the sidechain)')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(slot(page, SECOND)).toHaveAttribute('title', /LV2, with a sidechain/);
  await page.keyboard.press('Delete');
  await expect(slot(page, SECOND)).toHaveAttribute('title', /^empty, for: insert, with a sidechain/);
  await saved(page);
  await undo(page, 3);
  await expect(slot(page, SECOND)).not.toHaveAttribute('title', /sidechain/);
});

test('filed from the chooser: onto a tray, into a drawer, under a nickname', async ({ page }) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('spindlehitch');
  await expect(marked(page)).toContainText('Spindlehitch');
  await page.keyboard.press('Control+.');
  await page.getByRole('menuitem', { name: 'On Tray 4' }).click();
  await expect(foot(page)).toContainText('Tray 4');
  await page.keyboard.press('Control+.');
  await page.getByRole('menuitem', { name: /^File into drawers/ }).click();
  await page.keyboard.type('space');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(1);
  await expect(dialog(page).getByRole('combobox')).toBeFocused();
  await page.keyboard.press('Control+.');
  await page.getByRole('menuitem', { name: /^Names and notes/ }).click();
  await page.getByLabel('Nickname').fill('the attic');
  await page.keyboard.press('Enter');
  await expect(marked(page)).toContainText('the attic');
  await accessible(page);
  await page.keyboard.press('Escape');
  await saved(page);
  await slot(page, SECOND).focus();
  await undo(page, 3);
});

test('a certain build is loaded, and some plugins of a chain', async ({ page }) => {
  const { id } = await computerNamed('Music room');
  const { plugins } = await ask<{ plugins: Known[] }>(`/computers/${id}/catalogue`);
  const several = plugins.find(
    ({ role, builds }) => role === 'audio-effect' && builds.length > 1 && builds.every((one) => one.found),
  );
  const last = several?.builds.at(-1)?.format ?? '';
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type(several?.name ?? '');
  await expect(marked(page)).toContainText(several?.name ?? '');
  await page.keyboard.press('Alt+Enter');
  const box = dialog(page).filter({ hasText: `Load a build of ${several?.name ?? ''}` });
  await expect(box.getByRole('option')).toHaveCount(several?.builds.length ?? 0);
  await accessible(page);
  await page.keyboard.type(last);
  await page.keyboard.press('Enter');
  await expect(slot(page, SECOND)).toHaveAttribute('title', new RegExp(`, ${last}`));
  await saved(page);
  await undo(page);
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('marionette');
  await expect(marked(page)).toContainText('Marionette voice');
  await page.keyboard.press('Control+.');
  await page.getByRole('menuitem', { name: 'Load some of its plugins …' }).click();
  for (const key of ['ArrowDown', 'Space', 'ArrowDown', 'Space', 'Enter']) await page.keyboard.press(key);
  await expect(dialog(page)).toHaveCount(0);
  await expect(slot(page, SECOND)).toHaveAttribute('title', /Tilt EQ/);
  await expect(slot(page, 'Bowed saw, slot 3')).toHaveAttribute('title', /Leveller/);
  await saved(page);
  await undo(page);
});

test('columns and faces show the same, and are remembered for this kind of slot', async ({ page }) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+ArrowUp');
  await expect(dialog(page).getByRole('group', { name: 'Everyday EQ', exact: true })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Control+ArrowUp');
  await expect(dialog(page).getByRole('group', { name: 'usual here', exact: true })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('Escape');
  await slot(page, 'Goose, slot 2').focus();
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByRole('button', { name: 'faces' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+ArrowUp');
  await page.keyboard.press('Escape');
});

test('a chain has a panel in Sort: its plugins, and how it is renamed and deleted; it is not corrected', async ({
  page,
}) => {
  await page.goto(await placeOf('sort'));
  await page.getByRole('searchbox').fill('marionette');
  const line = page.getByRole('row', { name: /Marionette voice/ });
  await line.dblclick();
  const panel = page.getByRole('region', { name: 'About the chain' });
  await expect(panel.getByRole('listitem')).toHaveCount(4);
  await accessible(page);
  await panel.getByRole('button', { name: 'Rename …' }).click();
  await dialog(page).getByLabel('Name').fill('Marionette strip');
  await page.keyboard.press('Enter');
  await expect(panel.getByRole('heading')).toContainText('Marionette strip');
  await page.getByRole('row', { name: /Marionette strip/ }).click();
  await page.keyboard.press('c');
  await expect(page.getByText(/A chain is what its plugins are/).first()).toBeVisible();
  await expect(dialog(page)).toHaveCount(0);
  await panel.getByRole('button', { name: 'Delete' }).click();
  await expect(panel).toHaveCount(0);
  await expect(page.getByRole('row', { name: /Marionette/ })).toHaveCount(0);
  await saved(page);
  await page.locator('[data-list], main').first().focus();
  await undo(page, 2);
  await expect(page.getByRole('row', { name: /Marionette voice/ })).toBeVisible();
});

test('a tray and a drawer are found by their names, with what fits in them; drawers without anything found are gone', async ({
  page,
}) => {
  await slot(page, SECOND).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('favourites');
  await expect(dialog(page).getByText('tray Favourites', { exact: true })).toBeVisible();
  await expect(dialog(page).getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('delays');
  const drawers = dialog(page).getByRole('group', { name: 'Drawers' });
  await expect(drawers.getByRole('button', { name: /^Echoes, \d+ found/ })).toBeVisible();
  await expect(drawers.getByRole('button', { name: /^Narration/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
});

test('the menu of a slot files, names, sets aside and shows in Sort what is in it', async ({ page }) => {
  const narrator = slot(page, 'Narrator, slot 2');
  const acts = async (name: string | RegExp): Promise<void> => {
    await narrator.click({ button: 'right' });
    await page.getByRole('menuitem', { name }).click();
  };
  await acts(/^(On|Off) Favourites$/);
  await expect(foot(page)).toContainText(/Undo: (put|take) Buttonthorpe Tilt EQ (on|off) Favourites/);
  await acts('File into drawers …');
  await page.keyboard.type('noises');
  await page.keyboard.press('Enter');
  await expect(foot(page)).toContainText('Undo: file Buttonthorpe Tilt EQ into Noises off');
  await acts('Set aside …');
  await expect(dialog(page)).toContainText('Buttonthorpe Tilt EQ');
  await page.keyboard.press('Escape');
  await saved(page);
  await undo(page, 2);
  await acts('Show it in Sort');
  await expect(page.getByLabel('Find', { exact: true })).toHaveValue('Buttonthorpe Tilt EQ');
  await expect(page.getByRole('row').nth(1)).toContainText('Buttonthorpe Tilt EQ');
});

test('a new instrument track asks for its instrument at once', async ({ page }) => {
  await page.getByRole('button', { name: 'New lane' }).click();
  await page
    .locator('.dropdown-menu.show')
    .getByRole('button', { name: /^Instrument track/i })
    .click();
  await page.keyboard.type('Celesta');
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByRole('heading')).toContainText('Celesta · instrument');
  await page.keyboard.press('Escape');
  await expect(slot(page, 'Celesta, slot 2')).toBeFocused();
  await saved(page);
  await undo(page);
});
