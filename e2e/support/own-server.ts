import { spawn, type ChildProcess } from 'node:child_process';
import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const MAIN = fileURLToPath(new URL('../../server/dist/main.js', import.meta.url));

/** A server that answers: where, the address to open, and the key that scripts send where they need one. */
export interface Server {
  readonly child: ChildProcess;
  readonly url: string;
  readonly address: string;
  readonly key: string | null;
}

/** Starts the server on a data folder, and waits until it answers. */
export function startOn(folder: string, env: Record<string, string> = {}): Promise<Server> {
  const child = spawn(process.execPath, [MAIN], {
    env: { ...process.env, PORT: '0', CLEVER_DRAWER_DATA: folder, ...env },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  return new Promise((done, fail) => {
    child.on('message', (message) => done({ child, ...(message as Omit<Server, 'child'>) }));
    child.on('exit', (code) => fail(new Error(`ended with ${String(code)}`)));
  });
}

/** Ends with the exit code of a server. */
export const ended = (child: ChildProcess): Promise<number | null> => new Promise((done) => child.on('exit', done));

/** A studio that begins empty, on this computer. */
export interface OwnStudio {
  /** A folder for plugins. */
  readonly folder: string;
  readonly placeOf: (place: string) => string;
  readonly stop: () => Promise<void>;
}

export async function startOwnStudio(): Promise<OwnStudio> {
  const outer = await mkdtemp(join(tmpdir(), 'clever-drawer-own-'));
  await chmod(outer, 0o755);
  const { child, url } = await startOn(join(outer, 'data'));
  const [computer] = (await (await fetch(`${url}/api/computers`)).json()) as { id: string }[];
  return {
    folder: join(outer, 'own-plugins'),
    placeOf: (place) => `${url}/${computer?.id ?? ''}/${place}`,
    stop: async () => {
      child.removeAllListeners('exit');
      const gone = ended(child);
      child.kill('SIGTERM');
      await gone;
      await rm(outer, { recursive: true, force: true });
    },
  };
}
