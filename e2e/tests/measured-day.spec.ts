/**
 * A measured day: 60 wants of a working producer, drawn with a seed from what was used in the demo, played through the real interface with every key counted
 * that is pressed while the chooser is open. The same wants are played against an alphabetical list with a filter over names, as baseline.
 */
import { expect, test, type Page } from '@playwright/test';
import { ask, computerNamed, dialog, placeOf, saved, undo } from '../support/studio';

interface Plugin {
  readonly id: string;
  readonly name: string;
  readonly givenName: string;
  readonly vendor: string | null;
  readonly role: string | null;
  readonly types: readonly string[];
  readonly found: boolean;
  readonly aside: object | null;
}
interface Want {
  readonly how: 'habit' | 'name' | 'half remembered' | 'kind';
  readonly lane: string;
  /** Any of these will do. */
  readonly ids: ReadonlySet<string>;
  /** What a hand types, letter by letter, until it sees what it wants. */
  readonly typed: string;
  /** What it would have to type where only names are searched. */
  readonly name: string;
}

const WANTS = 60;
const EMPTY_SLOTS: Readonly<Record<string, string>> = {
  Narrator: 'Narrator, slot 4',
  Goose: 'Goose, slot 2',
  'Bowed saw': 'Bowed saw, slot 1',
  'Thunder sheet': 'Thunder sheet, slot 1',
  'Toy piano': 'Toy piano, slot 3',
};
/** So far down a hand goes with the arrow; what is further down it types for. */
const SEEN = 3;

/** Numbers from a seed (mulberry32, public domain). */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const wordsOf = (name: string): string[] =>
  name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '' && word !== 'the');

/** The beginnings of the words of a name, as people shorten it: one letter of the first, then the second. */
function shortened(name: string): string {
  const [first = '', second] = wordsOf(name);
  return second === undefined ? first : `${first.slice(0, 1)} ${second}`;
}

/** The last word of a name is what stays in mind, then how it began. */
function remembered(name: string): string {
  const words = wordsOf(name);
  const [first = ''] = words;
  return words.length < 2 ? first : `${(words.at(-1) ?? '').slice(0, 3)} ${first}`;
}

async function wantsOf(computer: string): Promise<Want[]> {
  const plugins = (await ask<Plugin[]>(`/computers/${computer}/plugins`)).filter(
    (one) => one.found && one.aside === null && ['audio-effect', 'tool'].includes(one.role ?? ''),
  );
  const byId = new Map(plugins.map((one) => [one.id, one]));
  const { uses } = await ask<{ uses: { item: string; lane: string | null; session: string | null }[] }>(
    `/computers/${computer}/uses`,
  );
  const habits = uses.filter((use) => byId.has(use.item) && use.lane !== null && use.lane in EMPTY_SLOTS);
  const next = numbers(20261126);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
  const lanes = Object.keys(EMPTY_SLOTS);
  return Array.from({ length: WANTS }, (): Want => {
    const share = next();
    const use = pick(habits);
    const used = byId.get(use.item) as Plugin;
    // A working producer wants what is known: two of three times something that was used before.
    const known = next() < 2 / 3 ? used : pick(plugins);
    const only = (one: Plugin): Pick<Want, 'ids' | 'name'> => ({ ids: new Set([one.id]), name: one.givenName });
    if (share < 0.45) return { how: 'habit', lane: use.lane ?? '', ...only(used), typed: shortened(used.name) };
    if (share < 0.7) return { how: 'name', lane: pick(lanes), ...only(known), typed: shortened(known.name) };
    if (share < 0.85)
      return { how: 'half remembered', lane: pick(lanes), ...only(known), typed: remembered(known.name) };
    const [type = ''] = known.types;
    const same = plugins.filter((one) => one.types[0] === type && one.vendor === known.vendor);
    // Of a kind whose maker nobody knows, the name is left.
    const typed = `${type.slice(0, 4)} ${(known.vendor ?? known.name).toLowerCase().slice(0, 4)}`;
    return { how: 'kind', lane: pick(lanes), ids: new Set(same.map((one) => one.id)), name: known.givenName, typed };
  });
}

/** What the chooser shows, top to bottom: the item of each line, and which is marked. */
const shown = (page: Page): Promise<{ items: string[]; at: number; digits: (number | null)[] }> =>
  page.evaluate(() => {
    const options = [...document.querySelectorAll<HTMLElement>('[role="dialog"] [role="option"]')];
    return {
      items: options.map((one) => one.dataset.item ?? ''),
      at: options.findIndex((one) => one.classList.contains('at')),
      digits: options.map((one) => Number(one.querySelector('[aria-label^="press "]')?.textContent) || null),
    };
  });

async function settled(page: Page, typed: string): Promise<void> {
  await expect(dialog(page).getByRole('combobox')).toHaveValue(typed);
  await expect(dialog(page).getByRole('listbox')).toHaveAttribute('aria-busy', 'false');
}

/** Plays a want: the keys that it took with the chooser open. Throws where it is not reached. */
async function play(page: Page, want: Want): Promise<number> {
  const name = EMPTY_SLOTS[want.lane] ?? '';
  const slot = page.getByRole('button', { name: new RegExp(`^${name}:`) });
  await slot.focus();
  await page.keyboard.press('Enter');
  await expect(dialog(page).getByRole('option').first()).toBeVisible();
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    await page.keyboard.press(key);
    keys++;
  };
  const take = async (): Promise<boolean> => {
    const { items, at, digits } = await shown(page);
    const places = items.flatMap((id, place) => (want.ids.has(id) && place >= at ? [place] : []));
    const [place] = places;
    if (place === undefined) return false;
    const digit = digits[place] ?? null;
    if (place - at <= 1) {
      if (place > at) await press('ArrowDown');
    } else if (digit !== null && keys === 0) await press(String(digit));
    else if (place - at <= SEEN) for (let step = at; step < place; step++) await press('ArrowDown');
    else return false;
    await press('Enter');
    return true;
  };
  let typed = '';
  let done = await take();
  for (const letter of want.typed) {
    if (done) break;
    typed += letter;
    await press(letter === ' ' ? 'Space' : letter);
    if (letter === ' ') continue;
    await settled(page, typed);
    done = await take();
  }
  if (!done) throw new Error(`${want.how}: “${want.typed}” did not lead to ${want.name}`);
  await expect(dialog(page)).toHaveCount(0);
  await expect(slot).not.toHaveAttribute('title', /^empty/);
  await saved(page);
  await undo(page);
  await expect(slot).toHaveAttribute('title', /^empty/);
  return keys;
}

/** The keys that the same want takes in an alphabetical list, filtered by what is typed anywhere in the name; the arrow for what is near. */
function inPlainList(names: readonly string[], want: Want): number {
  const sorted = [...names].sort((a, b) => a.localeCompare(b));
  const wanted = want.name.toLowerCase();
  for (let length = 0; length <= wanted.length; length++) {
    const typed = wanted.slice(0, length);
    const place = sorted.filter((one) => one.toLowerCase().includes(typed)).indexOf(want.name);
    if (place >= 0 && place <= SEEN) return length + place + 1;
  }
  return wanted.length + 1;
}

const middle = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? Infinity;

test('a measured day: 60 wants, median at most 3 keys, nine of ten at most 6, none fails', async ({ page }) => {
  test.setTimeout(600_000);
  const { id } = await computerNamed('Music room');
  const wants = await wantsOf(id);
  const names = (await ask<Plugin[]>(`/computers/${id}/plugins`)).map((one) => one.givenName);
  await page.goto(await placeOf('load'));
  await expect(page.getByRole('heading', { name: /scene 3/ })).toBeVisible();
  const keys: number[] = [];
  for (const want of wants) keys.push(await play(page, want));
  const plain = wants.map((want) => inPlainList(names, want));
  const told = (values: readonly number[]): string =>
    `median ${String(middle(values, 0.5))}, nine of ten ${String(middle(values, 0.9))}, most ${String(Math.max(...values))}`;
  process.stdout.write(`measured day: ${told(keys)} keys; alphabetical list with a filter: ${told(plain)} keys\n`);
  for (const how of ['habit', 'name', 'half remembered', 'kind'] as const) {
    const own = keys.filter((_, at) => wants[at]?.how === how);
    process.stdout.write(`  by ${how}: ${String(own.length)} wants, ${told(own)}\n`);
  }
  expect(middle(keys, 0.5)).toBeLessThanOrEqual(3);
  expect(middle(keys, 0.9)).toBeLessThanOrEqual(6);
});
