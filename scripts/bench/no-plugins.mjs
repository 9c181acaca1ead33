// A folder of 100,000 files that are called like plugins and are none: how long a scan takes, how long others wait for an answer meanwhile, and how much memory the server holds.
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { tell } from './measure.mjs';
import { withServer } from './own-server.mjs';

const FILES = 100_000;
const IN_A_FOLDER = 1000;
const LOOK_MS = 200;
const SCAN_LIMIT_S = 60;
const WAIT_LIMIT_MS = 100;
const MEMORY_LIMIT_MB = 1000;
const OF = `of ${FILES} files that are no plugins`;

/** The head of a library for Linux, and nothing behind it. */
const ELF = Buffer.concat([Buffer.from('7f454c4602010100', 'hex'), Buffer.alloc(300, 1)]);
const KINDS = [
  ['so', ELF],
  ['dll', Buffer.from('MZ and no more')],
  ['vst3', Buffer.from('no plugin')],
  ['clap', Buffer.from('')],
];

export async function benchNoPlugins() {
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-files-'));
  try {
    for (let at = 0; at < FILES; at++) {
      const inside = join(folder, `d${Math.floor(at / IN_A_FOLDER)}`);
      if (at % IN_A_FOLDER === 0) mkdirSync(inside);
      const [ending, bytes] = KINDS[at % KINDS.length];
      writeFileSync(join(inside, `f${at}.${ending}`), bytes);
    }
    await withServer((url, _database, process) => measure(folder, url, process));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function measure(folder, url, process) {
  const ask = async (method, path, body) => {
    const answer = await fetch(`${url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!answer.ok) throw new Error(`${method} ${path} was answered with ${answer.status}`);
    return answer.json();
  };
  const [{ id }] = await ask('GET', '/computers');
  await ask('POST', `/computers/${id}/folders`, { path: folder });
  const began = performance.now();
  const scan = await ask('POST', `/computers/${id}/scans`, {});
  let longest = 0;
  for (let state = 'running'; state === 'running' || state === 'waiting';) {
    await new Promise((done) => setTimeout(done, LOOK_MS));
    const asked = performance.now();
    ({ state } = await ask('GET', `/scans/${scan.id}`));
    longest = Math.max(longest, performance.now() - asked);
  }
  tell(`a scan ${OF}`, (performance.now() - began) / 1000, 'the limit', SCAN_LIMIT_S, 's');
  tell(`the longest that others waited meanwhile, ${OF}`, longest, 'the limit', WAIT_LIMIT_MS);
  const { total, list } = await ask('GET', `/computers/${id}/problems`);
  tell(`problems in a part of their list, ${OF}`, list.length, 'all', total, 'problems');
  if (existsSync(`/proc/${process}/status`)) {
    const [, kilobytes] = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${process}/status`, 'utf8'));
    tell(`the most that the server held, ${OF}`, kilobytes / 1024, 'the limit', MEMORY_LIMIT_MB, 'MB');
  }
}
