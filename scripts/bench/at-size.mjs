// The largest studio that is thought of: 50,000 plugins in 120,000 builds on ten computers, 1,000 drawers, a million loads. What each list takes, what filing everything takes, and how much memory server and page hold.
import { once } from 'node:events';
import { existsSync, readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import pg from 'pg';
import { CHROMIUM } from '../lib/browser.mjs';
import { fill, inPage, shown, watchFrames } from './at-large.mjs';
import { tell } from './measure.mjs';
import { withServer } from './own-server.mjs';

const DRAWERS = 1000;
const COMPUTERS = 10;
const LOADS = 1_000_000;
const OF = 'with 50000 plugins, 120000 builds, 1000 drawers and 1000000 loads';
const LISTS = [
  'catalogue',
  'catalogue/columns',
  'arrangement',
  'uses',
  'loaded',
  'traits',
  'presets',
  'plugins',
  'drawers',
  'vendors',
];
const LIST_LIMIT_MS = 3000;
const SERVER_LIMIT_MB = 700;
const PAGE_LIMIT_MB = 300;
const FIRST_LIMIT_MS = 3000;
const AGAIN_LIMIT_MS = 2000;
const FILED_LIMIT_MS = 1500;
const VIEW_LIMIT_MS = 1000;
const LIST = '[data-list] [role=row]:nth-child(5)';
/** The places, the key of each, and what is there when it has opened. Sort is the last: the rest is done there. */
const VIEWS = [
  ['Load', 'Alt+l', 'main[class*="load"], .empty-note'],
  ['Intake', 'Alt+i', '#folders-title'],
  ['Keep', 'Alt+k', '#import-title'],
  ['Sort', 'Alt+s', LIST],
];
const IMPORT_LIMIT_MS = 20_000;
const OTHERS_LIMIT_MS = 100;

export async function benchAtSize() {
  await withServer(async (url, databaseUrl, process) => {
    const [computer] = await (await fetch(`${url}/api/computers`)).json();
    await fill(databaseUrl, computer.id);
    await grow(databaseUrl, computer.id);
    const api = `${url}/api/computers/${computer.id}`;
    const longest = await whileOthersAsk(api, () => measureLists(api));
    tell(`the longest that others waited while the lists were made ${OF}`, longest, 'the limit', OTHERS_LIMIT_MS);
    if (existsSync(CHROMIUM.executablePath)) await measurePage(url, computer.id);
    await measureImport(api);
    if (existsSync(`/proc/${process}/status`)) {
      const [, kilobytes] = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${process}/status`, 'utf8'));
      tell(`the most that the server held ${OF}`, kilobytes / 1024, 'the limit', SERVER_LIMIT_MB, 'MB');
    }
  });
}

async function measureLists(api) {
  for (const list of LISTS) {
    const began = performance.now();
    const answer = await fetch(`${api}/${list}`);
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`${list} was answered with ${answer.status}`);
    tell(`the list of ${list} is answered ${OF}`, performance.now() - began, 'the limit', LIST_LIMIT_MS);
  }
}

/** Does some work while somebody else asks for something small again and again: the longest that they waited, in milliseconds. */
async function whileOthersAsk(api, work) {
  const other = new Worker(new URL('asker.mjs', import.meta.url), { workerData: `${api}/scans` });
  await once(other, 'message');
  await work();
  other.postMessage('enough');
  const [longest] = await once(other, 'message');
  return longest;
}

/** Brings all that is arranged in once more, under another name. */
async function measureImport(api) {
  const document = await (await fetch(`${api}/export`)).json();
  for (const chest of document.chests) chest.name = `${chest.name} again`;
  const body = JSON.stringify(document);
  const of = `${(body.length / 1e6).toFixed(0)} MB are brought in ${OF}`;
  const longest = await whileOthersAsk(api, async () => {
    const began = performance.now();
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch(`${api}/import`, { method: 'POST', headers, body });
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`the import was answered with ${answer.status}`);
    tell(of, performance.now() - began, 'the limit', IMPORT_LIMIT_MS);
  });
  tell(`the longest that others waited while ${of}`, longest, 'the limit', OTHERS_LIMIT_MS);
}

/** More builds, drawers, computers and loads. */
async function grow(url, computer) {
  const db = new pg.Client(url);
  await db.connect();
  await db.query(
    `INSERT INTO computer (id, name, system) SELECT gen_random_uuid(), 'Computer ' || n, 'linux' FROM generate_series(2, $1::int) AS n`,
    [COMPUTERS],
  );
  const facts = `jsonb_build_object('format', $2::text, 'architectures', '["x86-64"]'::jsonb, 'version', '1.0', 'path', '/more/' || p.id,
    'asked', NULL, 'pictures', '[]'::jsonb, 'name', p.name, 'vendor', p.vendor)`;
  await db.query(
    `INSERT INTO build (id, "computerId", "pluginId", found, facts) SELECT gen_random_uuid(), $1, p.id, true, ${facts} FROM plugin p LIMIT 20000`,
    [computer, 'CLAP'],
  );
  await db.query(
    `INSERT INTO build (id, "computerId", "pluginId", found, facts)
     SELECT gen_random_uuid(), c.id, p.id, true, ${facts}
     FROM (SELECT id, row_number() OVER () AS n FROM computer WHERE id <> $1) c
     JOIN (SELECT *, row_number() OVER () AS n FROM plugin) p ON p.n % 9 = c.n - 1`,
    [computer, 'VST3'],
  );
  await db.query(
    `INSERT INTO drawer (id, "chestId", name, "order", "notInMenus", loose)
     SELECT 'e' || n, 'c', 'More ' || n, 'z' || lpad(n::text, 5, '0') || '1', false, false FROM generate_series(1, $1::int) AS n`,
    [DRAWERS - 300],
  );
  await db.query(
    `INSERT INTO load (id, "computerId", "pluginId", "buildId", "slotId", way, milliseconds, "loadedAt")
     SELECT gen_random_uuid(), $1, b."pluginId", b.id, '', 'typing', 900, now() - n * interval '1 minute'
     FROM generate_series(1, $2::int) AS n
     JOIN (SELECT id, "pluginId", row_number() OVER () AS k FROM build WHERE "computerId" = $1) b ON b.k = 1 + n % 3000`,
    [computer, LOADS],
  );
  // Two folders side by side, and one within the first; each build in a place of its own.
  await db.query(
    `INSERT INTO folder (id, "computerId", path, "addedAt", asks, watches)
     SELECT gen_random_uuid(), $1, path, '2026-12-01T12:00:00.000Z', true, true FROM unnest('{/plugins,/more,/plugins/p}'::text[]) AS path`,
    [computer],
  );
  await db.query(
    `INSERT INTO place ("computerId", path, stamp, reading)
     SELECT "computerId", facts->>'path', '{}', '{"builds": [], "faults": [], "leftOut": null}' FROM build WHERE "computerId" = $1`,
    [computer],
  );
  await db.query('UPDATE studio SET "arrangementRevision" = 2, "catalogueRevision" = 2');
  await db.query('ANALYZE');
  await db.end();
}

const isSaved = () => document.querySelector('.status-line').innerText.includes('all saved');

const measurePage = (url, computer) =>
  inPage(async (page) => {
    page.setDefaultTimeout(60_000);
    // Looked for in each frame: what waits for a locator looks for it twice a second only.
    const seen = (selector) =>
      page.waitForFunction((wanted) => document.querySelector(wanted) !== null, selector, { polling: 'raf' });
    const open = async (what, act, limit) => {
      const began = performance.now();
      await act();
      await seen(LIST);
      tell(`${what} ${OF}`, performance.now() - began, 'the limit', limit);
    };
    await open('the first list', () => page.goto(`${url}/${computer}/sort`), FIRST_LIMIT_MS);
    await page.waitForTimeout(5000);
    await open('the list after a reload', () => page.reload(), AGAIN_LIMIT_MS);
    await page.locator('[data-chest][aria-busy="false"]').waitFor();
    await page.waitForTimeout(5000);
    for (const [view, key, shows] of VIEWS) {
      const began = performance.now();
      await page.keyboard.press(key);
      await seen(shows);
      tell(`${view} is opened ${OF}`, performance.now() - began, 'the limit', VIEW_LIMIT_MS);
      await page.waitForTimeout(2000);
    }
    await page.evaluate(watchFrames);
    for (const round of ['', 'once more, ']) {
      await page.locator('[data-list]').focus();
      await page.keyboard.press('Control+a');
      await page.waitForTimeout(1000);
      await page.keyboard.press('f');
      await page.keyboard.type('More 7', { delay: 50 });
      await page.waitForTimeout(500);
      const filed = await shown(
        page,
        () => page.keyboard.press('Enter'),
        `/file 50/.test(document.querySelector(".status-line").innerText)`,
        20_000,
      );
      tell(`all 50000 are filed at once, ${round}shown ${OF}`, filed, 'the limit', FILED_LIMIT_MS);
      const saving = performance.now();
      await page.waitForFunction(isSaved, null, { timeout: 60_000, polling: 'raf' });
      tell(`that is saved ${OF}`, filed + performance.now() - saving, 'the limit', FILED_LIMIT_MS);
      await page.waitForTimeout(2000);
      if (round === '') await page.keyboard.press('Control+z');
      await page.waitForFunction(isSaved, null, { timeout: 60_000, polling: 'raf' });
      await page.waitForTimeout(4000);
    }
    const session = await page.context().newCDPSession(page);
    await session.send('HeapProfiler.collectGarbage');
    const { usedSize } = await session.send('Runtime.getHeapUsage');
    tell(`what the page holds ${OF}`, usedSize / 1_048_576, 'the limit', PAGE_LIMIT_MB, 'MB');
  });
