// How long the server takes to answer others while it scans and writes 5,000 builds.
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';
import { writeBundles } from './invented-lv2.mjs';
import { tell } from './measure.mjs';

const BUILDS = 5000;
const EVERY_MS = 20;
const IDLE_REQUESTS = 200;

export async function benchServing() {
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  chmodSync(folder, 0o755);
  writeBundles(join(folder, 'plugins'), BUILDS);
  // The private database is measured, also where another one is set.
  const { DATABASE_URL: _other, ...withoutDatabase } = process.env;
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
    env: { ...withoutDatabase, PORT: '0', CLEVER_DRAWER_DATA: join(folder, 'data') },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  try {
    const { url } = await new Promise((done, fail) => {
      server.on('message', done);
      server.on('exit', (code) => fail(new Error(`the server ended with ${code}`)));
    });
    const ask = (path, method = 'GET', body) =>
      fetch(`${url}/api${path}`, {
        method,
        ...(body ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } } : {}),
      });
    const [computer] = await (await ask('/computers')).json();
    await ask(`/computers/${computer.id}/folders`, 'POST', { path: join(folder, 'plugins') });
    const idle = await times(ask, computer.id, (count) => count < IDLE_REQUESTS);
    const scan = await (await ask(`/computers/${computer.id}/scans`, 'POST', {})).json();
    let runs = true;
    const watch = setInterval(async () => {
      const { state } = await (await ask(`/scans/${scan.id}`)).json();
      runs = state === 'running' || state === 'waiting';
    }, 200);
    const busy = await times(ask, computer.id, () => runs);
    clearInterval(watch);
    const p95 = (values) => values.sort((a, b) => a - b)[Math.floor(values.length * 0.95)];
    tell(
      `answers to others while ${BUILDS} builds are scanned and written, 95th percentile of ${busy.length}`,
      p95(busy),
      'the same without a scan',
      p95(idle),
    );
  } finally {
    const ended = new Promise((done) => server.on('exit', done));
    server.kill('SIGTERM');
    await ended;
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Milliseconds of requests, one after the other: the page's lists, and a change of the arrangement now and then. */
async function times(ask, computer, goesOn) {
  const taken = [];
  while (goesOn(taken.length)) {
    const turn = taken.length % 4;
    const start = performance.now();
    const answer =
      turn === 0
        ? await ask(`/computers/${computer}`, 'PATCH', { name: `Music room ${taken.length}` })
        : turn === 1
          ? await ask(`/computers/${computer}/changes`, 'POST', {
              intents: [{ kind: 'make-chest', id: crypto.randomUUID(), name: 'Everyday', slots: null }],
            })
          : await ask(turn === 2 ? '/computers' : `/computers/${computer}/folders`);
    await answer.text();
    taken.push(performance.now() - start);
    await new Promise((done) => setTimeout(done, EVERY_MS));
  }
  return taken;
}
