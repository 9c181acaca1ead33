// A server on a database of its own, for as long as it is measured.
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';
import { load } from './measure.mjs';

/** Does some work with the addresses of a server and of its database and the server's process, and takes both away again. */
export async function withServer(work) {
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  chmodSync(folder, 0o755);
  const { startCluster } = await load('server/dist/database/cluster.js');
  const cluster = await startCluster(join(folder, 'data'));
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
    env: { ...process.env, PORT: '0', DATABASE_URL: cluster.url, XDG_CONFIG_HOME: folder },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  try {
    const { url } = await new Promise((done, fail) => {
      server.on('message', done);
      server.on('exit', (code) => fail(new Error(`the server ended with ${code}`)));
    });
    return await work(url, cluster.url, server.pid);
  } finally {
    const ended = new Promise((done) => server.on('exit', done));
    server.kill('SIGTERM');
    await ended;
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
