import { spawn } from 'node:child_process';
import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const START = fileURLToPath(new URL('../../scripts/start.mjs', import.meta.url));

/** Starts the demo the way its user does, on a free port and in a folder of its own; returns how to stop it. */
export default async function startDemo(): Promise<() => Promise<void>> {
  const folder = await mkdtemp(join(tmpdir(), 'clever-drawer-e2e-'));
  await chmod(folder, 0o755);
  const child = spawn(process.execPath, [START, '--demo'], {
    env: { ...process.env, PORT: '0', CLEVER_DRAWER_DATA: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((done, fail) => {
    let told = '';
    child.stdout.on('data', (text: Buffer) => {
      told += text.toString();
      const address = /answers at (http\S+)/.exec(told)?.[1];
      if (address !== undefined) done(address);
    });
    child.on('exit', (code) => fail(new Error(`the demo ended with ${String(code)}`)));
  });
  process.env.DEMO_URL = url;
  process.env.DEMO_FOLDER = folder;
  return async () => {
    child.removeAllListeners('exit');
    const ended = new Promise((done) => child.on('exit', done));
    child.kill('SIGTERM');
    await ended;
    await rm(folder, { recursive: true, force: true });
  };
}
