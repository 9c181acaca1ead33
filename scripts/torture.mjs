/**
 * npm run torture -- --kills N: kills the server, or the database under it, again and again while changes are made, and looks each time whether everything that
 * was acknowledged is there. Ends with 1 when anything was lost, or when an answer was a fault of the server's own.
 */
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { chmod, mkdtemp, readFile, rm } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';

const { values } = parseArgs({ options: { kills: { type: 'string', default: '20' } } });
const kills = Number(values.kills);
if (!Number.isInteger(kills) || kills < 1) {
  process.stderr.write('npm run torture -- --kills 20\n');
  process.exit(2);
}
const CLIENTS = 4;
const MAIN = fileURLToPath(new URL('../server/dist/main.js', import.meta.url));
const folder = await mkdtemp(join(tmpdir(), 'clever-drawer-torture-'));
await chmod(folder, 0o755);
const data = join(folder, 'data');
let server = null;
let url = '';

async function start() {
  const env = { ...process.env, PORT: '0', CLEVER_DRAWER_DATA: data, LOG_LEVEL: 'silent' };
  delete env.DATABASE_URL;
  const child = spawn(process.execPath, [MAIN], { env, stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
  const told = await new Promise((done, fail) => {
    child.once('message', done);
    child.once('exit', (code) => fail(new Error(`the server ended with ${code}`)));
  });
  child.removeAllListeners('exit');
  server = child;
  url = told.url;
}
async function postmaster() {
  const elsewhere = join(data, 'database-is-in.txt');
  const home = existsSync(elsewhere) ? (await readFile(elsewhere, 'utf8')).trim() : join(data, 'database');
  return Number((await readFile(join(home, 'data', 'postmaster.pid'), 'utf8')).split('\n')[0]);
}
const ended = (child) => new Promise((done) => child.once('exit', done));
const healthy = async () => {
  for (let tries = 0; tries < 600; tries++) {
    const status = await fetch(`${url}/api/health`).then(
      (response) => response.status,
      () => 0,
    );
    if (status === 200) return;
    await rest(100);
  }
  throw new Error('the server did not come back within a minute');
};

const acknowledged = new Set();
const faults = new Map();
let [sent, lost, isOver] = [0, 0, false];
async function client(computer) {
  while (!isOver) {
    const id = randomUUID();
    const body = JSON.stringify({ intents: [{ kind: 'make-chest', id, name: `Chest ${id}`, slots: null }] });
    sent++;
    try {
      const response = await fetch(`${url}/api/computers/${computer}/changes`, {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json' },
      });
      await response.arrayBuffer();
      if (response.status === 200) acknowledged.add(id);
      else if (response.status >= 500 && response.status !== 503)
        faults.set(response.status, (faults.get(response.status) ?? 0) + 1);
    } catch {
      // The server is gone in the middle of it: it may have been taken or not, and nothing was acknowledged.
    }
    await rest(10);
  }
}

try {
  await start();
  const [{ id: computer }] = await (await fetch(`${url}/api/computers`)).json();
  const clients = Array.from({ length: CLIENTS }, () => client(computer));
  const counts = { server: 0, database: 0 };
  for (let kill = 0; kill < kills; kill++) {
    await rest(200 + Math.random() * 1200);
    if (kill % 2 === 0) {
      counts.server++;
      const gone = ended(server);
      server.kill('SIGKILL');
      await gone;
      await start();
    } else {
      counts.database++;
      process.kill(await postmaster(), 'SIGKILL');
      await rest(300);
    }
    await healthy();
    const before = [...acknowledged];
    const { chests } = await (await fetch(`${url}/api/computers/${computer}/arrangement`)).json().then((view) => ({
      chests: new Set(JSON.stringify(view).match(/[0-9a-f-]{36}/g) ?? []),
    }));
    const missing = before.filter((id) => !chests.has(id));
    lost += missing.length;
    for (const id of missing) acknowledged.delete(id);
  }
  isOver = true;
  await Promise.all(clients);
  process.stdout.write(
    `${kills} kills (server ${counts.server}, database ${counts.database}): ${sent} changes sent, ${acknowledged.size + lost} acknowledged, ${lost} lost; ` +
      `answers of 5xx other than 503: ${[...faults].map(([status, count]) => `${status} ${count} times`).join(', ') || 'none'}\n`,
  );
  process.exitCode = lost > 0 || faults.size > 0 ? 1 : 0;
} finally {
  isOver = true;
  if (server !== null) {
    const gone = ended(server);
    server.kill('SIGTERM');
    await gone;
  }
  await rm(folder, { recursive: true, force: true });
}
