// npm start: the producer's own data. npm run demo: the made-up studio.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { checkNode, DEBIAN, needBuild, needDebian, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT, Stop } from './lib/run.mjs';

const args = process.argv.slice(2);
const demo = args.includes('--demo');
const unknown = args.filter((arg) => !['--demo', '--fresh'].includes(arg));

try {
  checkNode();
  if (unknown.length > 0)
    throw new Stop(`Unknown: ${unknown.join(' ')}. Known: npm run demo -- --fresh (start the demo over).`);
  if (args.includes('--fresh') && !demo)
    throw new Stop('--fresh is for the demo only; your own data is never thrown away: npm run demo -- --fresh');
  if (!process.env.DATABASE_URL || demo) await needDebian(DEBIAN.database);
  await needPackages();
  await needBuild();
  if (demo) await startDemo();
  else await startServer({});
} catch (error) {
  endWith(error);
}

async function startDemo() {
  const folder = process.env.CLEVER_DRAWER_DATA ?? join(ROOT, '.demo');
  const computers = join(folder, 'computers');
  if (args.includes('--fresh')) await startOver(folder, computers);
  const { layOutComputers } = await import(pathToFileURL(join(ROOT, 'demo/dist/lay-out-computers.js')).href);
  const { fillDemo } = await import(pathToFileURL(join(ROOT, 'demo/dist/fill-demo.js')).href);
  await layOutComputers(computers);
  await startServer({
    args: ['--without-this-computer'],
    env: { CLEVER_DRAWER_DATA: folder, DATABASE_URL: '' },
    beforeTold: (url, key) => fillDemo({ url, key }, computers, (line) => process.stderr.write(`${line}\n`)),
  });
}

async function startOver(folder, computers) {
  const running = await import('node:fs/promises').then(({ readFile }) =>
    readFile(join(folder, 'running.json'), 'utf8').then(JSON.parse, () => null),
  );
  const alive = running !== null && existsSync(`/proc/${running.pid}`);
  if (alive)
    throw new Stop(`The demo runs at ${running.url} (process ${running.pid}). Stop it first, then start it over.`);
  // Only what the demo itself made: the folder may have been named by CLEVER_DRAWER_DATA and hold other things.
  const { readFile } = await import('node:fs/promises');
  const elsewhere = await readFile(join(folder, 'database-is-in.txt'), 'utf8').then(
    (text) => text.trim(),
    () => null,
  );
  for (const path of [
    computers,
    join(folder, 'database'),
    join(folder, 'database-password'),
    join(folder, 'database-is-in.txt'),
    join(folder, 'computer-id'),
  ]) {
    await rm(path, { recursive: true, force: true });
  }
  if (elsewhere?.startsWith('/var/lib/clever-drawer/')) await rm(elsewhere, { recursive: true, force: true });
}

/** Runs the server as a child, and hands on the ways of stopping it; its exit code becomes ours. */
function startServer({ args: more = [], env = {}, beforeTold = async () => undefined }) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [join(ROOT, 'server/dist/main.js'), ...more], {
      env: { ...withoutEmpty({ ...process.env, ...env }) },
      stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    });
    let told = '';
    child.stdout.on('data', (text) => (told += text));
    child.on('message', ({ url, key }) => {
      beforeTold(url, key).then(
        () => process.stdout.write(`${told.trim()}\nCtrl+C stops it.\n`),
        (error) => {
          process.stderr.write(`The demo could not be filled: ${error.message}\nTry: npm run demo -- --fresh\n`);
          process.exitCode = 1;
          child.kill('SIGTERM');
        },
      );
    });
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill('SIGTERM'));
    child.on('exit', (code, signal) => {
      process.exitCode ||= code ?? (signal ? 1 : 0);
      resolve();
    });
  });
}

function withoutEmpty(env) {
  return Object.fromEntries(Object.entries(env).filter(([, value]) => value !== ''));
}
