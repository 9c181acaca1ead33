/** Large requests and answers: read apart from everything else, compressed, and answered in a word when nothing has changed. */
import { gunzipSync } from 'node:zlib';
import { request } from 'node:http';
import fc from 'fast-check';
import type { ArrangementView, ProblemDetails } from '@clever-drawer/contract/responses';
import { emptyArrangement, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemId } from '@clever-drawer/core/chests/item';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import type { PluginReference } from '@clever-drawer/core/exchange/arrangement-document';
import { exportArrangement } from '@clever-drawer/core/exchange/export-arrangement';
import type { Stepwise } from '@clever-drawer/core/stepwise';
import { asId, type ChestId, type DrawerId, type PluginId } from '@clever-drawer/core/ids';
import { chunkJson, Unpacking, type Parcel } from '../src/http/chunk-json';
import { readBodyInWorker } from '../src/http/read-body-in-worker';
import { runCooperatively } from '../src/run-cooperatively';
import { startApi, type Api } from './support/api';

let api: Api;
let computer: string;
beforeAll(async () => {
  api = await startApi();
  const { body } = await api.call('POST', '/computers', { name: 'Music room', system: 'linux' });
  computer = (body as { readonly id: string }).id;
}, 60_000);
afterAll(() => api.stop());

const COUNT = 6000;
/** A document whose one drawer holds them all; larger than what is read in the server's own thread. */
function largeDocument() {
  const state = emptyArrangement();
  const chest = { id: asId<ChestId>('c'), name: 'Large', slots: [], selection: false, order: 'a' };
  const drawer = { id: asId<DrawerId>('d'), chestId: chest.id, parentId: null, name: 'All', order: 'a' } as const;
  const entries = Array.from({ length: COUNT }, (_, at) => {
    const pluginId = asId<PluginId>(`name:plugin ${String(at)}`);
    const order = `a${String(at).padStart(5, '0')}`;
    return {
      id: entryId(drawer.id, itemId({ pluginId, preset: null })),
      drawerId: drawer.id,
      pluginId,
      preset: null,
      order,
      name: null,
      build: null,
    };
  });
  const known = entries.map(({ pluginId }): [PluginId, PluginReference] => [
    pluginId,
    { id: pluginId, name: pluginId.slice('name:'.length), vendor: null, builds: [] },
  ]);
  const full: Arrangement = {
    ...state,
    chest: new Map([[chest.id, chest]]),
    drawer: new Map([[drawer.id, { ...drawer, rule: null, sort: null, split: null, most: null, notInMenus: false }]]),
    entry: new Map(entries.map((entry) => [entry.id, entry])),
  };
  return exportArrangement(full, new Map(known), 'Music room', new Date());
}

interface Row {
  readonly id: string;
}

/** Asks as a browser does, and gives the bytes as they come over the line. */
const bytesOf = (path: string, accept: string): Promise<{ encoding: string | undefined; bytes: Buffer }> =>
  new Promise((resolve, reject) => {
    const asked = request(`${api.url}/api${path}`, { headers: { 'accept-encoding': accept } }, (response) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () =>
        resolve({ encoding: response.headers['content-encoding'], bytes: Buffer.concat(parts) }),
      );
    });
    asked.on('error', reject);
    asked.end();
  });

describe('parcels', () => {
  const together = (parcels: readonly Parcel[]): unknown => {
    const unpacking = new Unpacking();
    // As a thread hands them over: copied, so that nothing of the one side is the other's.
    for (const parcel of structuredClone(parcels)) unpacking.take(parcel);
    return unpacking.value;
  };
  it('whatever was sent is there again', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(together([...chunkJson(value)])).toEqual(value);
      }),
      { seed: 20261126 },
    );
  });
  it('what is large comes in many, however it is nested, in its order, and with names of every kind', () => {
    const lines = (from: number) =>
      Array.from({ length: 9000 }, (_, n) => ({ at: from + n, note: 'x'.repeat(n % 300) }));
    const value: unknown = JSON.parse(
      JSON.stringify({
        first: lines(0),
        deep: [{ name: 'a', inner: [{ lines: lines(1) }, 2] }, lines(2), [], 'end'],
        none: null,
      }).replace('"name"', '"__proto__"'),
    );
    const parcels = [...chunkJson(value)];
    expect(parcels.length).toBeGreaterThan(10);
    expect(Math.max(...parcels.map((parcel) => JSON.stringify(parcel).length))).toBeLessThan(
      JSON.stringify(value).length / 5,
    );
    expect(JSON.stringify(together(parcels))).toBe(JSON.stringify(value));
  });
});

it('others are answered between the steps of long work', async () => {
  let answered = 0;
  const others = setInterval(() => answered++, 1);
  function* work(): Stepwise<string> {
    for (let step = 0; step < 60; step++) {
      const until = performance.now() + 2;
      while (performance.now() < until);
      yield;
    }
    return 'done';
  }
  expect(await runCooperatively(work())).toBe('done');
  clearInterval(others);
  expect(answered).toBeGreaterThan(10);
});

it('a large document comes in whole; what is large goes out compressed, to who takes that (RFC 9110, 12.5.3)', async () => {
  const document = largeDocument();
  expect(JSON.stringify(document).length).toBeGreaterThan(262_144);
  const brought = await api.call('POST', `/computers/${computer}/import`, document);
  expect(brought.status).toBe(201);
  const path = `/computers/${computer}/arrangement`;
  const [small, plain] = [await bytesOf(path, 'gzip'), await bytesOf(path, 'identity')];
  expect([small.encoding, plain.encoding]).toEqual(['gzip', undefined]);
  expect(gunzipSync(small.bytes).equals(plain.bytes)).toBe(true);
  expect(small.bytes.length * 4).toBeLessThan(plain.bytes.length);
  const { entry } = JSON.parse(plain.bytes.toString()) as { entry: readonly unknown[] };
  expect(entry).toHaveLength(COUNT);
  // Written by several statements, and taken back and done again as one step.
  for (const [way, left] of [
    ['undo', 0],
    ['redo', COUNT],
  ] as const) {
    expect((await api.call('POST', `/computers/${computer}/${way}`, {})).status).toBe(200);
    const now = JSON.parse((await bytesOf(path, 'identity')).bytes.toString()) as { entry: readonly unknown[] };
    expect(now.entry).toHaveLength(left);
    const named = (list: readonly unknown[]) => new Map((list as readonly Row[]).map((row) => [row.id, row]));
    if (left > 0) expect(named(now.entry)).toEqual(named(entry));
  }
});

it('a large one that does not fit is refused as a small one is, with the place in it', async () => {
  const document = largeDocument();
  const refused = async (sent: unknown): Promise<ProblemDetails> => {
    const { status, body } = await api.call('POST', `/computers/${computer}/import`, sent);
    expect(status).toBe(400);
    return body;
  };
  const bad = document.plugins.map((plugin, at) => (at === COUNT - 1 ? { ...plugin, name: 7 } : plugin));
  expect((await refused({ ...document, plugins: bad })).errors?.[0]?.path).toContain(String(COUNT - 1));
  const half = document.plugins.map((plugin, at) => (at === 3 ? { ...plugin, name: '\uD83C' } : plugin));
  expect((await refused({ ...document, plugins: half })).detail).toContain('half a character');
  const broken = await fetch(`${api.url}/api/computers/${computer}/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(document).slice(0, -1),
  });
  expect([broken.status, ((await broken.json()) as ProblemDetails).type]).toEqual([
    400,
    'urn:clever-drawer:problem:not-json',
  ]);
});

it('what nobody waits for any more is not read on', async () => {
  const gone = new AbortController();
  const bytes = Buffer.from(JSON.stringify(largeDocument()));
  const reading = readBodyInWorker('POST /computers/{computer}/import', bytes, gone.signal);
  gone.abort();
  await expect(reading).rejects.toThrow('The client has gone away');
});

it('an import that is cancelled while it is read leaves nothing behind, and the next one goes on', async () => {
  const whole = largeDocument();
  const document = { ...whole, chests: whole.chests.map((chest) => ({ ...chest, name: 'Given up' })) };
  const gone = new AbortController();
  const asked = fetch(`${api.url}/api/computers/${computer}/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(document),
    signal: gone.signal,
  });
  // To start the thread that reads it takes longer than this.
  setTimeout(() => gone.abort(), 30);
  await expect(asked).rejects.toThrow();
  const again = { ...document, chests: document.chests.map((chest) => ({ ...chest, name: 'Second try' })) };
  expect((await api.call('POST', `/computers/${computer}/import`, again)).status).toBe(201);
  const { chest }: ArrangementView = (await api.call('GET', `/computers/${computer}/arrangement`)).body;
  const names = chest.map((one) => one.name);
  expect(names).toContain('Second try');
  expect(names).not.toContain('Given up');
});

it('a line that stays open is written as it comes, and not held back to be compressed', async () => {
  const gone = new AbortController();
  const line = await fetch(`${api.url}/api/computers/${computer}/events?window=w1`, { signal: gone.signal });
  expect(line.headers.get('content-encoding')).toBeNull();
  const first = await line.body?.getReader().read();
  expect(Buffer.from(first?.value as Uint8Array).toString()).toMatch(/^:/);
  gone.abort();
});
