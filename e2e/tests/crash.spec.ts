import { chmod, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { ended, startOn } from '../support/own-server';

test('what was changed before a kill -9 is there after it, at once and when the database had stopped meanwhile; Ctrl+C ends with 0', async () => {
  const outer = await mkdtemp(join(tmpdir(), 'clever-drawer-crash-'));
  await chmod(outer, 0o755);
  const folder = join(outer, 'data');
  const names: string[] = [];
  for (const wait of [0, 5000]) {
    const { child, url } = await startOn(folder);
    const [computer] = (await (await fetch(`${url}/api/computers`)).json()) as { id: string }[];
    const path = `${url}/api/computers/${computer?.id ?? ''}`;
    const name = `Chest after ${String(wait)}`;
    const body = JSON.stringify({ intents: [{ kind: 'make-chest', id: crypto.randomUUID(), name, slots: null }] });
    const { status } = await fetch(`${path}/changes`, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json' },
    });
    expect(status).toBe(200);
    names.push(name);
    const gone = ended(child);
    child.kill('SIGKILL');
    await gone;
    // At once the running database is taken over; after a while it has stopped by itself, since nobody owns it.
    await new Promise((done) => setTimeout(done, wait));
    const again = await startOn(folder);
    const { chest } = (await (await fetch(path.replace(url, again.url) + '/arrangement')).json()) as {
      chest: { name: string }[];
    };
    expect(chest.map((one) => one.name).sort()).toEqual([...names].sort());
    const stopped = ended(again.child);
    again.child.kill('SIGINT');
    expect(await stopped).toBe(0);
    await expect(readFile(join(folder, 'running.json'))).rejects.toThrow();
  }
  await rm(outer, { recursive: true, force: true });
});
