// 5,000 own entries and 100,000 files besides 50,000 plugins: what Sort takes, against the same without them in the same run; and what the files themselves take.
import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../lib/browser.mjs';
import { fill, measure } from './at-large.mjs';
import { inventPlugins, numbers } from './invented-plugins.mjs';
import { middle, tell } from './measure.mjs';
import { withServer } from './own-server.mjs';

const PLUGINS = 50_000;
const ENTRIES = 5000;
const FOLDERS = 500;
const FILES = 100_000;
const OF = `with ${PLUGINS} plugins, ${ENTRIES} own entries and ${FILES} other files`;
const READ_LIMIT_MS = 30_000;
const READ_AGAIN_LIMIT_MS = 5000;
const FOUND_LIMIT_MS = 500;
const AT_ONCE = 1000;

export async function benchWithFiles() {
  if (!existsSync(CHROMIUM.executablePath)) return;
  await withServer(async (url, databaseUrl) => {
    const [computer] = await (await fetch(`${url}/api/computers`)).json();
    await fill(databaseUrl, computer.id);
    const at = `${url}/api/computers/${computer.id}`;
    const before = await figures(url, computer.id, PLUGINS);
    await addEntries(at);
    await readFolder(at);
    const after = await figures(url, computer.id, PLUGINS + ENTRIES);
    for (const [what, values] of after) {
      const without = middle(before.get(what));
      tell(`${what} ${OF}`, middle(values), 'the same without own entries and files', without);
    }
    await findFiles(at);
  });
}

async function figures(url, computer, plugins) {
  const found = new Map();
  await measure(url, computer, plugins, (what, values) => found.set(what, values));
  return found;
}

async function ask(method, address, body) {
  const headers = { 'content-type': 'application/json', connection: 'close' };
  const answer = await fetch(address, {
    method,
    headers,
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${address} was answered with ${answer.status}: ${text.slice(0, 300)}`);
  return text === '' ? undefined : JSON.parse(text);
}

async function addEntries(at) {
  const invented = await inventPlugins(numbers(20261202), ENTRIES);
  const addedAt = new Date().toISOString();
  const entries = invented.map(({ name, type }, number) => ({
    id: `own:${randomUUID()}`,
    name: `${name} ${number}`,
    maker: null,
    program: `Program ${number % 5}`,
    role: 'audio-effect',
    types: [type],
    width: null,
    addedAt,
  }));
  for (let from = 0; from < ENTRIES; from += AT_ONCE)
    await ask('POST', `${at}/changes`, {
      intents: [{ kind: 'add-own-entries', entries: entries.slice(from, from + AT_ONCE) }],
    });
}

/** Files in folders of 200 each, as a large library of samples has them. */
async function readFolder(at) {
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-files-'));
  try {
    for (let number = 0; number < FOLDERS; number++) {
      mkdirSync(join(folder, `Folder ${number}`));
      for (let file = 0; file < FILES / FOLDERS; file++)
        writeFileSync(join(folder, `Folder ${number}`, `Goose call ${number * 1000 + file}.rack`), '');
    }
    const began = performance.now();
    await ask('POST', `${at}/file-folders`, { path: folder, endings: ['rack'], program: 'Racks', role: null });
    await whenRead(at);
    tell(`${FILES} other files are read for the first time`, performance.now() - began, 'the limit', READ_LIMIT_MS);
    const again = performance.now();
    await ask('POST', `${at}/file-readings`);
    await whenRead(at);
    tell(`${FILES} other files are read again`, performance.now() - again, 'the limit', READ_AGAIN_LIMIT_MS);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function whenRead(at) {
  for (;;) {
    const { folders, reading } = await ask('GET', `${at}/file-folders`);
    if (reading === null && folders[0].readAt !== null) {
      if (folders[0].files !== FILES) throw new Error(`${folders[0].files} files were found`);
      return;
    }
    await new Promise((done) => setTimeout(done, 50));
  }
}

async function findFiles(at) {
  for (const words of ['goose', 'folder 77', 'call 123']) {
    const times = [];
    for (let round = 0; round < 5; round++) {
      const began = performance.now();
      await ask('GET', `${at}/files?words=${encodeURIComponent(words)}&limit=200`);
      times.push(performance.now() - began);
    }
    tell(`files are found by \u201c${words}\u201d ${OF}`, middle(times), 'the limit', FOUND_LIMIT_MS);
  }
}
