// Sort with 50,000 plugins and 300 drawers in the real interface: how long each thing that a hand does takes to show, and to be saved.
import { existsSync } from 'node:fs';
import pg from 'pg';
import { CHROMIUM } from '../lib/browser.mjs';
import { inventPlugins, numbers } from './invented-plugins.mjs';
import { load, middle, tell } from './measure.mjs';
import { withServer } from './own-server.mjs';

const PLUGINS = 50_000;
const DRAWERS = 300;
const LARGE_DRAWER = 5000;
const FILED_AT_ONCE = 5000;
const SHOWN_LIMIT_MS = 100;
const SAVED_LIMIT_MS = 1000;
const MANY_DRAWERS = 3000;
const LETTER_LIMIT_MS = 50;
const RULE_LIMIT_MS = 200;
const LONG_TASK_MS = 50;
const ROUNDS = 5;

export async function benchAtLarge() {
  if (!existsSync(CHROMIUM.executablePath)) {
    process.stderr.write('Chromium is missing: no figures of the interface at large. npm test installs it.\n');
    return;
  }
  await withServer(async (url, databaseUrl) => {
    const [computer] = await (await fetch(`${url}/api/computers`)).json();
    await fill(databaseUrl, computer.id);
    await measure(url, computer.id);
    await measureRule(url, databaseUrl, computer.id);
    await fillMany(databaseUrl);
    await measureChooser(url, computer.id);
  });
}

/** Rows straight into the database: what a scan of so many would have left there. */
export async function fill(url, computerId) {
  const db = new pg.Client(url);
  await db.connect();
  const plugins = await inventPlugins(numbers(20261124), PLUGINS);
  const rows = plugins.map(({ name, vendor, type }, at) => ({ id: `p/${at}`, name, vendor, type }));
  await db.query(
    `INSERT INTO plugin (id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions)
     SELECT id, name, vendor, 'audio-effect', 'declared', jsonb_build_array(type), 'declared', '[]'
     FROM jsonb_to_recordset($1::jsonb) AS r(id text, name text, vendor text, type text)`,
    [JSON.stringify(rows)],
  );
  await db.query(
    `INSERT INTO build (id, "computerId", "pluginId", found, facts)
     SELECT gen_random_uuid(), $1, id, true,
       jsonb_build_object('format', 'VST3', 'architectures', '["x86-64"]'::jsonb, 'version', '1.0', 'path',
         '/plugins/' || id, 'asked', NULL, 'pictures', '[]'::jsonb, 'name', name, 'vendor', vendor)
     FROM plugin`,
    [computerId],
  );
  await db.query(`INSERT INTO chest (id, name, "order", selection) VALUES ('c', 'Everyday', 'a0', false)`);
  await db.query(
    `INSERT INTO drawer (id, "chestId", name, "order", "notInMenus", loose)
     SELECT 'd' || n, 'c', 'Drawer ' || n, 'a' || (n / 62) || chr(65 + n % 26) || lpad(n::text, 4, '0') || '1', false, false
     FROM generate_series(0, $1::int - 1) AS n`,
    [DRAWERS],
  );
  // One drawer of 5,000, the others of about a hundred each; keys as they come of filing one after the other.
  const { keysBefore } = await load('core/dist/chests/order-keys.js');
  const keys = keysBefore([], null, LARGE_DRAWER);
  const entries = Array.from({ length: LARGE_DRAWER + DRAWERS * 100 }, (_, n) => {
    const drawer = n < LARGE_DRAWER ? 'd0' : `d${1 + (n % (DRAWERS - 1))}`;
    const at = n < LARGE_DRAWER ? n : Math.floor((n - LARGE_DRAWER) / (DRAWERS - 1));
    return { id: `${drawer}/p/${n}`, drawerId: drawer, pluginId: `p/${n}`, order: keys[at] };
  });
  await db.query(
    `INSERT INTO entry (id, "drawerId", "pluginId", "order")
     SELECT id, "drawerId", "pluginId", "order"
     FROM jsonb_to_recordset($1::jsonb) AS r(id text, "drawerId" text, "pluginId" text, "order" text)`,
    [JSON.stringify(entries)],
  );
  const drawerKeys = keysBefore([], null, DRAWERS);
  await db.query(
    `UPDATE drawer d SET "order" = k."order" FROM jsonb_to_recordset($1::jsonb) AS k(id text, "order" text)
     WHERE d.id = k.id`,
    [JSON.stringify(drawerKeys.map((order, n) => ({ id: `d${n}`, order })))],
  );
  await db.query('UPDATE studio SET "arrangementRevision" = 1, "catalogueRevision" = 1');
  await db.end();
}

/** A page of the real interface in a browser of its own, as long as it is worked with. */
export async function inPage(work) {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  try {
    await work(await browser.newPage({ viewport: { width: 1280, height: 800 } }));
  } finally {
    await browser.close();
  }
}

/** What a hand does in Sort; `plugins`: how many are listed; `say` gets each figure with its values. */
export const measure = (url, computer, plugins = PLUGINS, say = saidToTheLimit) =>
  inPage(async (page) => {
    await page.goto(`${url}/${computer}/load`);
    await page.locator('main[class*="load"], .empty-note').first().waitFor({ timeout: 60_000 });
    await page.evaluate(watchFrames);
    page.setDefaultTimeout(20_000);
    await page.waitForTimeout(4000);
    const rows = 'document.querySelectorAll("[data-list] [role=row]").length > 5';

    // The first look fetches and prepares everything; the place itself is opened again and again.
    const first = await shown(page, () => page.keyboard.press('Alt+s'), rows, 20_000);
    const opened = [];
    for (let round = 0; round < ROUNDS; round++) {
      await page.keyboard.press('Alt+l');
      await page.locator('main[class*="load"], .empty-note').first().waitFor();
      opened.push(await shown(page, () => page.keyboard.press('Alt+s'), rows));
    }
    say('Sort is opened for the first time', [first], 3000);
    say('Sort is opened', opened);

    await page.getByLabel('Find', { exact: true }).click();
    await page.waitForTimeout(1500);
    const typed = [];
    for (const letter of 'copper plate') {
      const before = await page.locator('[class*="find-count"]').innerText();
      typed.push(
        await shown(
          page,
          () => page.keyboard.type(letter),
          letter === ' '
            ? 'true'
            : `document.querySelector('[class*="find-count"]').innerText !== ${JSON.stringify(before)}`,
          400,
        ),
      );
    }
    say('a letter is typed', typed);
    await page.getByLabel('Find', { exact: true }).fill('');
    await page.waitForTimeout(500);

    await page.locator('[data-list]').focus();
    const selected = [];
    for (let round = 0; round < ROUNDS; round++) {
      await page.keyboard.press('Escape');
      await page.waitForTimeout(200);
      selected.push(
        await shown(
          page,
          () => page.keyboard.press('Control+a'),
          `document.querySelector('.status-line b').innerText === '${plugins}'`,
        ),
      );
    }
    say('all shown are selected', selected);

    const [filed, saved, undone, undoSaved] = [[], [], [], []];
    for (let round = 0; round < 3; round++) {
      await selectFirst(page, FILED_AT_ONCE);
      await page.keyboard.press('f');
      await page
        .getByRole('dialog')
        .getByRole('combobox')
        .fill(`Drawer ${200 + round}`);
      await page.waitForTimeout(300);
      const answer = page.waitForResponse((response) => response.url().endsWith('/changes'));
      const start = Date.now();
      filed.push(
        await shown(
          page,
          () => page.keyboard.press('Enter'),
          `document.querySelector('[data-drawer="d${200 + round}"] .mono').textContent > '4000'`,
        ),
      );
      await answer;
      saved.push(Date.now() - start);
      await page.waitForTimeout(600);
      const undoAnswer = page.waitForResponse((response) => response.url().endsWith('/undo'));
      const from = Date.now();
      undone.push(
        await shown(
          page,
          () => page.keyboard.press('Control+z'),
          `document.querySelector('[data-drawer="d${200 + round}"] .mono').textContent < '4000'`,
          3000,
        ),
      );
      await undoAnswer;
      undoSaved.push(Date.now() - from);
      await page.waitForTimeout(600);
    }
    say(`${FILED_AT_ONCE} are filed at once, shown`, filed);
    say(`${FILED_AT_ONCE} are filed at once, saved`, saved, SAVED_LIMIT_MS);
    say(`that is undone, shown`, undone);
    say(`that is undone, saved`, undoSaved, SAVED_LIMIT_MS);

    const openedDrawer = [];
    for (let round = 0; round < ROUNDS; round++) {
      openedDrawer.push(
        await shown(
          page,
          () => page.locator('[data-drawer="d0"] > [class*="front-card"]').click(),
          `document.querySelectorAll('[data-drawer="d0"] [role="option"]').length > 5`,
        ),
      );
      await page.locator('[data-drawer="d0"] > [class*="front-card"]').click();
      await page.waitForTimeout(200);
    }
    say(`a drawer of ${LARGE_DRAWER} is opened`, openedDrawer);
  });

const saidToTheLimit = (what, values, limit = SHOWN_LIMIT_MS) =>
  tell(`${what} with ${PLUGINS} plugins and ${DRAWERS} drawers`, middle(values), 'the limit', limit);

/** A rule that is written letter by letter, to the frame that shows what it takes; and what holds the screen's thread while rules are asked. */
async function measureRule(url, databaseUrl, computer) {
  const db = new pg.Client(databaseUrl);
  await db.connect();
  await db.query(`UPDATE drawer SET rule = '{"kind":"written","text":"hall"}' WHERE id = 'd1'`);
  await db.query('UPDATE studio SET "arrangementRevision" = "arrangementRevision" + 1');
  await db.end();
  await inPage(async (page) => {
    page.setDefaultTimeout(20_000);
    await page.addInitScript(() => {
      window.longTasks = [];
      new PerformanceObserver((list) => {
        for (const { startTime, duration } of list.getEntries()) window.longTasks.push([startTime, duration]);
      }).observe({ type: 'longtask', buffered: true });
    });
    await page.goto(`${url}/${computer}/sort?open=d1`);
    await page.locator('[data-rule-text]').waitFor({ timeout: 60_000 });
    const shownAt = await page.evaluate(() => performance.now());
    await page.locator('[data-chest][aria-busy="false"]').waitFor({ timeout: 60_000 });
    await page.waitForTimeout(3000);
    const longest = await page.evaluate(
      (from) => Math.max(0, ...window.longTasks.filter(([at]) => at > from).map(([, duration]) => duration)),
      shownAt,
    );
    const of = `with ${PLUGINS} plugins and ${DRAWERS} drawers`;
    tell(`the longest task after Sort is shown, while rules are asked ${of}`, longest, 'the limit', LONG_TASK_MS);
    await page.evaluate(watchFrames);
    const text = page.locator('[data-rule-text]');
    const held =
      '[...document.querySelectorAll("[data-drawer=d1] button")].find((one) => /^in it/.test(one.textContent))';
    const letters = [];
    for (const rule of ['plate', 'copper', 'spring']) {
      await text.fill('');
      await page.waitForTimeout(400);
      for (const letter of rule) {
        const before = await page.evaluate(`${held}?.textContent`);
        const time = await shown(
          page,
          () => page.keyboard.type(letter),
          `${held}?.textContent !== ${JSON.stringify(before)}`,
          600,
        );
        // Where a letter takes nothing away there is nothing to wait for.
        if (time < 600) letters.push(time);
        await page.waitForTimeout(250);
      }
    }
    tell(
      `a letter of a rule is written, and what it takes is shown ${of}`,
      middle(letters),
      'the limit',
      RULE_LIMIT_MS,
    );
  });
}

/** A chest of thousands of drawers, some plugins in each. */
async function fillMany(url) {
  const db = new pg.Client(url);
  await db.connect();
  await db.query(`INSERT INTO chest (id, name, "order", selection) VALUES ('m', 'Many', 'a1', false)`);
  await db.query(
    `INSERT INTO drawer (id, "chestId", name, "order", "notInMenus", loose)
     SELECT 'm' || n, 'm', 'Drawer ' || n, 'a' || chr(65 + n / 1000) || lpad(n::text, 4, '0') || '1', false, false
     FROM generate_series(0, $1::int - 1) AS n`,
    [MANY_DRAWERS],
  );
  await db.query(
    `INSERT INTO entry (id, "drawerId", "pluginId", "order")
     SELECT 'm' || n || '/p/' || (n * 13 + at * 7), 'm' || n, 'p/' || (n * 13 + at * 7), 'a' || at
     FROM generate_series(0, $1::int - 1) AS n, generate_series(0, 7) AS at`,
    [MANY_DRAWERS],
  );
  await db.query('UPDATE studio SET "arrangementRevision" = "arrangementRevision" + 1');
  await db.end();
}

const measureChooser = (url, computer) =>
  inPage(async (page) => {
    page.setDefaultTimeout(60_000);
    await page.goto(`${url}/${computer}/load`);
    await page.getByRole('button', { name: 'Create session' }).click();
    await page.evaluate(watchFrames);
    const slot = page.getByRole('button', { name: /^Audio 1, slot 1:/ });
    await slot.click();
    const chests = page.getByRole('dialog').getByRole('group', { name: 'Chest', exact: true });
    await chests.getByRole('button', { name: 'Many' }).click();
    await page.waitForTimeout(4000);
    const [opened, typed] = [[], []];
    for (let round = 0; round < ROUNDS; round++) {
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
      await slot.focus();
      await page.waitForTimeout(500);
      opened.push(
        await shown(
          page,
          () => page.keyboard.press('Enter'),
          'document.querySelectorAll("[role=dialog] [role=option]").length > 0',
        ),
      );
      await page.waitForTimeout(1000);
      for (const letter of 'plate') {
        const before = await page.getByRole('dialog').getByRole('combobox').inputValue();
        typed.push(
          await shown(
            page,
            () => page.keyboard.type(letter),
            `document.querySelector('[role=dialog] input').value === ${JSON.stringify(before + letter)} && document.querySelector('[role=dialog] [role=listbox]').ariaBusy === 'false'`,
          ),
        );
        await page.waitForTimeout(200);
      }
    }
    const of = `in a chest of ${MANY_DRAWERS} drawers, with ${PLUGINS} plugins`;
    tell(`the chooser is opened ${of}`, middle(opened), 'the limit', SHOWN_LIMIT_MS);
    tell(`a letter is answered ${of}`, middle(typed), 'the limit', LETTER_LIMIT_MS);
  });

async function selectFirst(page, count) {
  await page.locator('[data-list]').focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Home');
  await page.evaluate((to) => {
    document.querySelector('[data-list]').scrollTop = to * 31 - 200;
  }, count);
  await page.waitForTimeout(300);
  await page.locator(`#list-row-${count - 1}`).click({ modifiers: ['Shift'] });
  await page.waitForTimeout(200);
}

/** Within the page: from the event that a hand makes to the frame in which its effect is painted. */
export function watchFrames() {
  window.untilShown = (condition, limit) => {
    const test = new Function(`return ${condition}`);
    return new Promise((done) => {
      const begin = (event) => {
        const start = event.timeStamp;
        removeEventListener('keydown', begin, true);
        removeEventListener('pointerup', begin, true);
        // A message that is sent while a frame is made arrives when that frame has been painted.
        const painted = new MessageChannel();
        painted.port1.onmessage = () => done(performance.now() - start);
        const look = (now) => {
          if (test() || now - start > limit) painted.port2.postMessage(null);
          else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
      };
      addEventListener('keydown', begin, true);
      addEventListener('pointerup', begin, true);
    });
  };
}

export async function shown(page, act, condition, limit = 5000) {
  // A busy page hears of the hand only after it has been told to listen.
  await page.evaluate(([test, most]) => void (window.waitsFor = window.untilShown(test, most)), [condition, limit]);
  await act();
  return page.evaluate(() => window.waitsFor);
}
