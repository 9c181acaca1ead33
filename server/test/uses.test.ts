/** Use, picks and sessions over the interface. */
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import type {
  ArrangementView,
  Picked,
  ProblemDetails,
  ScanView,
  SessionReport,
  UsesView,
} from '@clever-drawer/contract/responses';
import { startApi, type Api } from './support/api';

let api: Api;
let computer: string;
const lane = randomUUID();
const session = randomUUID();
const slotId = `${lane}/1`;
let plugin: { id: string; name: string };

const at = (path: string): string => `/computers/${computer}/${path}`;
const call = async <T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<{ status: number; body: T }> => await api.call(method, path, body);
const uses = async (): Promise<UsesView> => (await call<UsesView>('GET', at('uses'))).body;
const load = (way = 'typing') =>
  call('POST', at('loads'), { slotId, pluginId: plugin.id, way, milliseconds: 900, keys: 4, clicks: 0 });

beforeAll(async () => {
  api = await startApi();
  computer = (await call<{ id: string }>('POST', '/computers', { name: 'Music room', system: 'linux' })).body.id;
  const folder = join(api.folder, 'plugins');
  const file = join(folder, 'plate.lv2', 'manifest.ttl');
  await mkdir(dirname(file), { recursive: true });
  await writeFile(
    file,
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:plate> a lv2:Plugin , lv2:ReverbPlugin ; doap:name "Vestry Plate" .',
  );
  await call('POST', at('folders'), { path: folder });
  let scan = (await call<ScanView>('POST', at('scans'), {})).body;
  while (scan.state === 'waiting' || scan.state === 'running')
    scan = (await call<ScanView>('GET', `/scans/${scan.id}`)).body;
  const { plugins } = (await call<{ plugins: { id: string; name: string }[] }>('GET', at('catalogue'))).body;
  const [first] = plugins;
  if (first === undefined) throw new Error('nothing found');
  plugin = first;
  const lanes = [{ id: lane, kind: 'audio', name: 'Goose', width: 'mono', inserts: 2 }];
  await call('POST', at('changes'), { intents: [{ kind: 'make-session', id: session, name: 'Scene', lanes }] });
}, 60_000);
afterAll(() => api.stop());

it('a load is told with its place, and no longer when it is undone', async () => {
  expect((await load()).status).toBe(201);
  const { total, uses: told } = await uses();
  expect(total).toBe(1);
  expect(told[0]).toMatchObject({
    item: plugin.id,
    slot: 'insert',
    laneKind: 'audio',
    lane: 'Goose',
    session: 'Scene',
    before: null,
    way: 'typing',
  });
  await call('POST', at('undo'), {});
  expect((await uses()).total).toBe(0);
});

it('a pick hands over the exact name and counts; nothing is sent anywhere by default', async () => {
  expect((await call('GET', '/hand-over')).body).toEqual({ host: null, port: null });
  const pick = {
    pluginId: plugin.id,
    slot: 'insert',
    session: 'Music program',
    way: 'pick',
    milliseconds: 700,
    send: true,
  };
  const tag = async () => (await api.call('GET', at('catalogue'))).headers.get('etag');
  const before = await tag();
  const { status, body } = await call<Picked>('POST', at('picks'), pick);
  expect([status, body.name, body.identifier, body.sent]).toEqual([201, 'Vestry Plate', 'urn:plate', false]);
  expect((await uses()).uses[0]).toMatchObject({ session: 'Music program', lane: null, way: 'pick' });
  // How often it was loaded stands in the catalogue: what a browser has kept of it is not the same any more.
  expect(await tag()).not.toBe(before);
  const half = await call<ProblemDetails>('PUT', '/hand-over', { host: 'localhost', port: null });
  expect([half.status, half.body.detail]).toEqual([422, 'An address has a host and a port. Give both, or neither.']);
});

it('counting is switched off, and what was counted erased, whole or from a day on', async () => {
  await call('PUT', '/use', { kept: false });
  const before = (await uses()).total;
  await load();
  expect([(await uses()).kept, (await uses()).total]).toEqual([false, before]);
  await call('PUT', '/use', { kept: true });
  await load();
  await api.source.query(`UPDATE load SET "loadedAt" = '2026-01-01' WHERE way = 'pick'`);
  // The one that was undone goes, too.
  expect((await call('DELETE', '/uses?from=2026-06-01')).body).toEqual({ loads: 2 });
  expect((await uses()).uses.map((use) => use.way)).toEqual(['pick']);
  expect((await call('DELETE', '/uses')).body).toEqual({ loads: 1 });
  expect((await uses()).total).toBe(0);
  expect((await call<ProblemDetails>('DELETE', '/uses?from=tomorrow')).status).toBe(400);
});

it('a session’s document is what its schema says, and comes back; a damaged DAWproject is refused in words', async () => {
  const { body: document } = await call<object>('GET', at(`sessions/${session}`));
  const schema = JSON.parse(
    await readFile(new URL('../../docs/schemas/session-1.schema.json', import.meta.url), 'utf8'),
  ) as object;
  const accepts = new Ajv2020({ formats: { 'date-time': true } }).compile(schema);
  expect(accepts(document) ? [] : accepts.errors).toEqual([]);
  const { status, body } = await call<SessionReport>('POST', at('sessions'), document);
  expect([status, body.missing]).toEqual([201, []]);
  const state = (await call<ArrangementView>('GET', at('arrangement'))).body;
  expect(state.lane.filter((one) => one.sessionId === body.session).map((one) => [one.name, one.width])).toEqual([
    ['Goose', 'mono'],
  ]);
  const response = await fetch(`${api.url}/api${at('dawprojects')}`, {
    method: 'POST',
    body: new Uint8Array([80, 75, 3, 4]),
    headers: { 'content-type': 'application/octet-stream' },
  });
  expect([response.status, ((await response.json()) as ProblemDetails).detail]).toEqual([
    422,
    expect.stringContaining('not a DAWproject'),
  ]);
});

it('a host that there is none of is told of in words, and the server goes on', async () => {
  await call('PUT', '/hand-over', { host: 'no-such-host.invalid', port: 9010 });
  const pick = {
    pluginId: plugin.id,
    slot: 'insert',
    session: 'Music program',
    way: 'pick',
    milliseconds: 1,
    send: true,
  };
  const refused = await call<ProblemDetails>('POST', at('picks'), pick);
  expect([refused.status, refused.body.detail]).toEqual([422, expect.stringContaining('could not be sent')]);
  expect((await call('GET', '/hand-over/selected')).body).toEqual({ lane: null, slot: null });
  await call('PUT', '/hand-over', { host: null, port: null });
  // Longer than a name is looked up for: what comes then finds nobody waiting.
  await new Promise((done) => setTimeout(done, 500));
  expect((await call<{ ok: boolean }>('GET', '/health')).body.ok).toBe(true);
});

it('a load that is reported later counts for when it was, and none for a time to come', async () => {
  const later = { slotId, pluginId: plugin.id, way: 'typing', milliseconds: 900 };
  const then = '2025-06-14T20:30:00+02:00';
  expect((await call('POST', at('loads'), { ...later, at: then })).status).toBe(201);
  const { since, uses: told } = await uses();
  expect(since).toBe('2025-06-14T18:30:00.000Z');
  expect(told.at(-1)?.at).toBe('2025-06-14T18:30:00.000Z');
  for (const wrong of [new Date(Date.now() + 86_400_000).toISOString(), '14 June', '2025-02-31T25:00:00Z'])
    expect((await call('POST', at('loads'), { ...later, at: wrong })).status).toBe(400);
  await call('POST', at('undo'));
});

it('an own entry is filed by a rule, loaded, counted, handed over by name, and deleted out of its slot', async () => {
  const id = `own:${randomUUID()}`;
  const entry = { name: 'Stage Reverb', maker: null, program: 'Marquee Desk', role: 'audio-effect', types: ['reverb'] };
  const addedAt = new Date().toISOString();
  const add = { kind: 'add-own-entries', entries: [{ id, ...entry, width: 'stereo', addedAt }] };
  expect(await call('POST', at('changes'), { intents: [add] })).toMatchObject({
    status: 200,
    body: { label: 'add Stage Reverb' },
  });
  const chestId = randomUUID();
  const drawerId = randomUUID();
  const rule = { kind: 'written', text: 'type:reverb AND width:stereo AND vendor:marquee' };
  await call('POST', at('changes'), {
    intents: [
      { kind: 'make-chest', id: chestId, name: 'Everyday', slots: null },
      { kind: 'make-drawer', id: drawerId, chestId, parentId: null, name: 'By rule', rule, pluginIds: [] },
    ],
  });
  const { body: drawer } = await call<{ lines: { pluginId: string }[] }>('GET', at(`drawers/${drawerId}`));
  expect(drawer.lines.map((line) => line.pluginId)).toEqual([id]);
  const wish = { slotId, pluginId: id, way: 'typing', milliseconds: 900, keys: 4, clicks: 0 };
  expect((await call('POST', at('loads'), wish)).status).toBe(201);
  const slotNow = async () =>
    (await call<ArrangementView>('GET', at('arrangement'))).body.slot.find((one) => one.id === slotId);
  expect(await slotNow()).toMatchObject({ pluginId: id, buildId: null });
  const { body: plugins } = await call<{ id: string; loads: number; program: string | null }[]>('GET', at('plugins'));
  expect(plugins.find((one) => one.id === id)).toMatchObject({ loads: 1, program: 'Marquee Desk' });
  const picked = { slot: 'insert', session: 'Music program', way: 'pick', milliseconds: 1, keys: 1, clicks: 0 };
  expect(await call<Picked>('POST', at('picks'), { pluginId: id, ...picked })).toMatchObject({
    status: 201,
    body: { name: 'Stage Reverb', path: null, identifier: null, sent: false },
  });
  // A session that goes out and comes in again keeps it in its slot.
  const { body: document } = await call<{ plugins: object[] }>('GET', at(`sessions/${session}`));
  expect(document.plugins).toContainEqual({ id, name: 'Stage Reverb', vendor: 'Marquee Desk', builds: [] });
  const { body: brought } = await call<SessionReport>('POST', at('sessions'), document);
  expect(brought.missing).toEqual([]);
  const { body: now } = await call<ArrangementView>('GET', at('arrangement'));
  expect(now.slot.filter((one) => one.pluginId === id)).toHaveLength(2);
  await call('POST', at('undo'), {});
  await call('POST', at('changes'), { intents: [{ kind: 'delete-own-entries', ids: [id] }] });
  expect(await slotNow()).toMatchObject({ pluginId: null });
  await call('POST', at('undo'), {});
  expect(await slotNow()).toMatchObject({ pluginId: id });
});

it('a certain build is loaded; one that is not there is refused', async () => {
  const { plugins } = (await call<{ plugins: { id: string; builds: { id: string }[] }[] }>('GET', at('catalogue')))
    .body;
  const buildId = plugins[0]?.builds[0]?.id;
  const wish = { slotId, pluginId: plugin.id, way: 'typing', milliseconds: 1, keys: 1, clicks: 0 };
  expect((await call('POST', at('loads'), { ...wish, buildId })).status).toBe(201);
  const refused = await call<ProblemDetails>('POST', at('loads'), { ...wish, buildId: randomUUID() });
  expect(refused.status).toBe(422);
  expect(refused.body.detail).toMatch(/^This build of Vestry Plate was not found/);
});

it('what was open last in a menu is noted for the studio, and forgotten', async () => {
  const open = async (): Promise<unknown> => (await call<{ open: unknown }>('GET', '/last-open')).body.open;
  const note = async (menu: string, id: string | null): Promise<number> =>
    (await call('PUT', '/last-open', { menu, id })).status;
  expect(await open()).toEqual([]);
  expect([await note('drawer-insert-track', 'd'), await note('drawer-insert-track', 'e')]).toEqual([204, 204]);
  expect(await open()).toEqual([{ menu: 'drawer-insert-track', id: 'e' }]);
  expect(await note('drawer-insert-track', null)).toBe(204);
  expect(await open()).toEqual([]);
  expect(await note('DROP TABLE', 'd')).toBe(400);
  const letters = 'abcdefghijklmnopqrstuvwxyz';
  for (let number = 0; number < 200; number++)
    await note(`menu-${letters.charAt(number % 26)}${letters.charAt(Math.floor(number / 26))}`, 'd');
  expect([await note('one-more', 'd'), await note('menu-aa', 'e')]).toEqual([422, 204]);
});
