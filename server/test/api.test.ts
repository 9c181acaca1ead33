import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import type {
  ArrangementView,
  CatalogueView,
  FolderView,
  ImportReport,
  PluginDetail,
  ProblemDetails,
  ProblemsView,
  SavedChange,
  ScanStory,
  ScanView,
  VendorView,
} from '@clever-drawer/contract/responses';
import { runScan } from '@clever-drawer/scan/run-scan';
import { startApi, type Api } from './support/api';

const PREFIXES =
  '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n@prefix foaf: <http://xmlns.com/foaf/0.1/> .\n';
const lv2 = (name: string, kind: string): string =>
  `${PREFIXES}<urn:${name.replace(/ /g, '-')}> a lv2:Plugin , lv2:${kind} ; doap:name ${JSON.stringify(name)} ; doap:maintainer [ foaf:name "Tollgate Sound" ] .`;

let api: Api;
let hold: Promise<void> | null = null;
let computer: string;
let plugins: string;

const put = async (name: string, kind: string): Promise<void> => {
  const file = join(plugins, `${name}.lv2`, 'manifest.ttl');
  await mkdir(dirname(file), { recursive: true });
  await writeFile(file, lv2(name, kind));
};
const get = async <T>(path: string): Promise<T> => (await api.call('GET', path)).body;
const post = <T>(path: string, body: unknown = {}): Promise<{ status: number; body: T }> =>
  api.call('POST', path, body);
const change = (intent: Record<string, unknown>) =>
  post<SavedChange & ProblemDetails>(`/computers/${computer}/changes`, { intent });
const arrangement = () => get<ArrangementView>(`/computers/${computer}/arrangement`);
const catalogue = () => get<CatalogueView>(`/computers/${computer}/catalogue`);

async function scan(wish: object = {}): Promise<ScanView> {
  return ended((await post<ScanView>(`/computers/${computer}/scans`, wish)).body.id);
}

async function ended(id: string): Promise<ScanView> {
  for (;;) {
    const now = await get<ScanView>(`/scans/${id}`);
    if (now.state !== 'running' && now.state !== 'waiting') return now;
    await new Promise((done) => setTimeout(done, 20));
  }
}

beforeAll(async () => {
  api = await startApi(async (folders, options) => {
    await hold;
    return runScan(folders, options);
  });
}, 60_000);
afterAll(() => api.stop());

beforeEach(async () => {
  computer = (await post<{ id: string }>('/computers', { name: 'Music room', system: 'linux' })).body.id;
  plugins = join(api.folder, randomUUID());
  await mkdir(plugins);
  for (const [name, kind] of [
    ['Vestry Plate', 'ReverbPlugin'],
    ['Copper EQ', 'EQPlugin'],
    ['Toybox Piano', 'InstrumentPlugin'],
  ] as const)
    await put(name, kind);
  await post(`/computers/${computer}/folders`, { path: plugins });
});

describe('who may ask', () => {
  it('refuses a Host that is not its own (DNS rebinding), and requests from other sites', async () => {
    const host = api.url.slice('http://'.length);
    expect(await api.raw('/api/health', { host })).toBe(200);
    expect(await api.raw('/api/health', { host: host.replace('127.0.0.1', 'localhost') })).toBe(200);
    expect(await api.raw('/api/health', { host: 'evil.example' })).toBe(421);
    expect(await api.raw('/api/health', { host: '127.0.0.1:1' })).toBe(421);
    expect(await api.raw('/api/computers', { host, origin: 'https://evil.example' }, 'POST')).toBe(403);
    expect(await api.raw('/api/computers', { host, origin: 'null' }, 'POST')).toBe(403);
    expect(await api.raw('/api/computers', { host, 'sec-fetch-site': 'cross-site' })).toBe(403);
    expect(await api.raw('/api/health', { host, origin: api.url })).toBe(200);
  });

  it('answers errors as problem details (RFC 9457), with security headers', async () => {
    const { status, body, headers } = await api.call('GET', '/nowhere');
    expect([status, headers.get('content-type')]).toEqual([404, 'application/problem+json; charset=utf-8']);
    expect(body).toEqual({
      type: 'about:blank',
      title: 'Not found',
      status: 404,
      detail: 'There is nothing at GET /nowhere.',
    });
    expect(headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });
});

describe('requests that do not fit', () => {
  it.each([
    ['no JSON', '/computers', '{"name":', 400, 'not JSON'],
    ['an empty name', '/computers', { name: '', system: 'linux' }, 400, 'must not be empty'],
    ['an unknown system', '/computers', { name: 'x', system: 'toaster' }, 400, 'one of'],
    ['a body that is too large', '/computers', { name: 'x'.repeat(34_000_000), system: 'mac' }, 413, 'larger'],
    ['a path that is not full', '/computers/:id/folders', { path: 'plugins' }, 400, 'not a full path'],
    ['an unknown intent', '/computers/:id/changes', { intent: { kind: 'explode' } }, 400, 'must be one of'],
    ['a tray 10', '/computers/:id/changes', { intent: { kind: 'tray-on', tray: 10, pluginIds: ['x'] } }, 400, '1 to 9'],
    [
      'a computer that is not there',
      '/computers/0/changes',
      { intent: { kind: 'delete-chest', id: 'x' } },
      404,
      'no computer',
    ],
  ])('%s', async (_what, path, body, status, words) => {
    const answer = await post<ProblemDetails>(path.replace(':id', computer), body);
    expect(answer.status).toBe(status);
    expect(JSON.stringify(answer.body)).toContain(words);
    expect(JSON.stringify(answer.body)).not.toMatch(/at .+\.ts:\d+/);
  });
});

describe('intake', () => {
  it('proposes folders, scans them, and tells what arrived', async () => {
    expect(await get(`/computers/${computer}/proposed-folders`)).toEqual([{ path: '/usr/lib/lv2', formats: ['LV2'] }]);
    expect(await scan()).toMatchObject({
      state: 'done',
      outcome: { plugins: 3, builds: 3, arrived: 3, changed: 0, vanished: 0 },
      problems: 0,
    });
    expect((await catalogue()).plugins.map((plugin) => [plugin.name, plugin.role])).toEqual([
      ['Copper EQ', 'audio-effect'],
      ['Toybox Piano', 'instrument'],
      ['Vestry Plate', 'audio-effect'],
    ]);
    expect(
      await get<PluginDetail>(
        `/computers/${computer}/plugins/${encodeURIComponent('tollgatesound/copperEq'.toLowerCase())}`,
      ),
    ).toMatchObject({ builds: [{ declaredTypes: ['EQPlugin'], sources: { name: 'manifest' } }] });
  });

  it('keeps a vanished plugin and its places, marked as not found, until it is back at another path', async () => {
    await scan();
    const chestId = randomUUID();
    const id = randomUUID();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday' });
    await change({
      kind: 'make-drawer',
      id,
      chestId,
      parentId: null,
      name: 'Space',
      rule: null,
      pluginIds: ['tollgatesound/vestryplate'],
    });
    await rm(join(plugins, 'Vestry Plate.lv2'), { recursive: true });
    expect((await scan()).outcome).toMatchObject({ vanished: 1, plugins: 2 });
    expect((await catalogue()).plugins.find((plugin) => plugin.name === 'Vestry Plate')).toMatchObject({
      found: false,
    });
    expect((await arrangement()).entry).toHaveLength(1);
    await put('sub/Vestry Plate', 'ReverbPlugin');
    await writeFile(join(plugins, 'sub/Vestry Plate.lv2/manifest.ttl'), lv2('Vestry Plate', 'ReverbPlugin'));
    expect((await scan()).outcome).toMatchObject({ returned: 1, arrived: 0, plugins: 3 });
    expect((await arrangement()).entry.map((entry) => entry.pluginId)).toEqual(['tollgatesound/vestryplate']);
  });

  it('queues a second scan, keeps what was read on cancel, and does not begin one that was cancelled while it waited', async () => {
    let go = (): void => undefined;
    hold = new Promise((done) => (go = done));
    const begin = async () => (await post<ScanView>(`/computers/${computer}/scans`)).body;
    const first = await begin();
    const [second, third] = [await begin(), await begin()];
    expect(await get(`/scans/${second.id}`)).toMatchObject({ state: 'waiting' });
    await post(`/scans/${third.id}/cancel`);
    expect(await get(`/scans/${third.id}`)).toMatchObject({ state: 'cancelled', outcome: null });
    await post(`/scans/${first.id}/cancel`);
    // The running scan learns of it when it next signs on.
    await new Promise((done) => setTimeout(done, 600));
    go();
    hold = null;
    expect((await ended(first.id)).state).toBe('cancelled');
    expect((await ended(second.id)).state).toBe('done');
    expect((await ended(third.id)).outcome).toBeNull();
  });

  it('a rescan reads only what has changed, and tells which facts of it did', async () => {
    await scan();
    expect((await scan()).outcome).toMatchObject({ unchanged: 3, changed: 0, arrived: 0 });
    await put('Copper EQ', 'CompressorPlugin');
    const again = await scan();
    expect(again.outcome).toMatchObject({ unchanged: 2, changed: 1 });
    expect(await get<ScanStory>(`/scans/${again.id}/story`)).toMatchObject([
      {
        kind: 'changed',
        name: 'Copper EQ',
        facts: [{ fact: 'declaredTypes', before: 'EQPlugin', after: 'CompressorPlugin' }],
      },
    ]);
    expect((await scan({ again: true })).outcome).toMatchObject({ unchanged: 0, changed: 0 });
  });

  it('problems stand until they are gone, whichever scan met them; failing and recovering is told once', async () => {
    await scan();
    const file = join(plugins, 'Copper EQ.lv2', 'manifest.ttl');
    await writeFile(file, 'this is no Turtle');
    const failed = await scan();
    expect(failed.outcome).toMatchObject({ failed: 1, vanished: 1 });
    expect((await scan()).outcome).toMatchObject({ failed: 0, unchanged: 3 });
    expect(await get<ProblemsView>(`/computers/${computer}/problems`)).toMatchObject([
      { code: 'turtle-broken', path: file },
    ]);
    await put('Copper EQ', 'EQPlugin');
    // "Try again" names the file that was at fault; its bundle is what is read.
    expect((await scan({ paths: [file], again: true })).outcome).toMatchObject({ recovered: 1, returned: 1 });
    expect(await get(`/computers/${computer}/problems`)).toEqual([]);
  });

  it('scans a single place, and only below its folders', async () => {
    await scan();
    await put('Hall', 'ReverbPlugin');
    await put('Room', 'ReverbPlugin');
    const one = await scan({ paths: [join(plugins, 'Hall.lv2')] });
    expect(one.outcome).toMatchObject({ arrived: 1, builds: 4, vanished: 0 });
    expect((await post<ProblemDetails>(`/computers/${computer}/scans`, { paths: ['/etc'] })).body.detail).toContain(
      'in none of the plugin folders',
    );
    await rm(join(plugins, 'Hall.lv2'), { recursive: true });
    expect((await scan({ paths: [join(plugins, 'Hall.lv2')] })).outcome).toMatchObject({ vanished: 1, failed: 0 });
  });

  it('a folder that can not be read takes nothing with it; one taken off the list does with the next scan of everything', async () => {
    await scan();
    const other = join(api.folder, randomUUID());
    await post(`/computers/${computer}/folders`, { path: other });
    expect((await scan()).outcome).toMatchObject({ failed: 1, vanished: 0 });
    const folders = await get<FolderView[]>(`/computers/${computer}/folders`);
    const path = folders.find((folder) => folder.path === plugins);
    await rename(plugins, `${plugins}-unplugged`);
    expect((await scan()).outcome).toMatchObject({ vanished: 0, failed: 1 });
    await rename(`${plugins}-unplugged`, plugins);
    await api.call('DELETE', `/computers/${computer}/folders/${path?.id ?? ''}`);
    expect((await scan()).outcome).toMatchObject({ vanished: 3, builds: 0 });
  });

  it('learns how facts were learnt, also where none has changed', async () => {
    await scan();
    await api.source.query(`UPDATE build SET facts = facts || '{"sources": {}}'::jsonb WHERE "computerId" = $1`, [
      computer,
    ]);
    await scan();
    const [eq] = (await catalogue()).plugins;
    const detail = await get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(eq?.id ?? '')}`);
    expect(detail.builds[0]?.sources).toMatchObject({ name: 'manifest', types: 'manifest', ports: 'manifest' });
  });

  it('turns the switches of a folder', async () => {
    const [folder] = await get<FolderView[]>(`/computers/${computer}/folders`);
    expect(folder).toMatchObject({ asks: true, watches: true });
    const address = `/computers/${computer}/folders/${folder?.id ?? ''}`;
    expect((await api.call('PATCH', address, { asks: false })).status).toBe(204);
    expect(await get(`/computers/${computer}/folders`)).toMatchObject([{ asks: false, watches: true }]);
    expect((await api.call('PATCH', `/computers/${computer}/folders/${randomUUID()}`, {})).status).toBe(404);
  });

  it('a scan whose process was killed counts as interrupted, and the catalogue is as before', async () => {
    const id = randomUUID();
    await api.source.query(
      `INSERT INTO scan (id, "computerId", state, folders, progress, "heartbeatAt") VALUES ($1, $2, 'running', '[]', '{"found":9,"read":1,"current":null}', now() - interval '1 minute')`,
      [id, computer],
    );
    expect(await get<ScanView>(`/scans/${id}`)).toMatchObject({ state: 'interrupted', outcome: null });
    expect((await scan()).state).toBe('done');
  });
});

describe('arranging', () => {
  const chestId = randomUUID();
  const drawerId = randomUUID();
  const ids = ['tollgatesound/copper' + 'eq', 'tollgatesound/vestryplate'];

  beforeEach(async () => {
    await scan();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday' });
    await change({
      kind: 'make-drawer',
      id: drawerId,
      chestId,
      parentId: null,
      name: 'Everyday EQ',
      rule: null,
      pluginIds: [],
    });
  });

  it('saves each change, and undoes and redoes it in words', async () => {
    const filed = await change({ kind: 'file', drawerIds: [drawerId], pluginIds: ids });
    expect(filed.body).toMatchObject({
      revision: 3,
      label: 'file 2 plugins into Everyday EQ',
      steps: { undo: 'file 2 plugins into Everyday EQ', redo: null },
    });
    expect((await arrangement()).entry).toHaveLength(2);
    expect((await post<SavedChange>(`/computers/${computer}/undo`)).body.steps).toEqual({
      undo: 'new drawer Everyday EQ',
      redo: 'file 2 plugins into Everyday EQ',
    });
    expect((await arrangement()).entry).toHaveLength(0);
    await post(`/computers/${computer}/redo`);
    expect((await arrangement()).entry).toHaveLength(2);
    expect((await post<ProblemDetails>(`/computers/${computer}/redo`)).body.detail).toBe('There is nothing to redo.');
  });

  it('a whole drawer comes back with everything inside it', async () => {
    await change({
      kind: 'make-drawer',
      id: randomUUID(),
      chestId,
      parentId: drawerId,
      name: 'Inner',
      rule: { kind: 'keywords', words: ['eq'] },
      pluginIds: ids,
    });
    const before = await arrangement();
    await change({ kind: 'delete-drawer', id: drawerId });
    expect((await arrangement()).drawer).toEqual([]);
    await post(`/computers/${computer}/undo`);
    const after = await arrangement();
    const sorted = (view: ArrangementView) => ({
      drawer: [...view.drawer].sort((a, b) => (a.id < b.id ? -1 : 1)),
      entry: [...view.entry].sort((a, b) => (a.id < b.id ? -1 : 1)),
    });
    expect(sorted(after)).toEqual(sorted(before));
  });

  it('does not undo over a row that was changed behind its back', async () => {
    await change({ kind: 'rename-drawer', id: drawerId, name: 'New name' });
    await api.source.query('UPDATE drawer SET name = $1 WHERE id = $2', ['Other', drawerId]);
    expect(await post<ProblemDetails>(`/computers/${computer}/undo`)).toMatchObject({ status: 409 });
    expect((await arrangement()).drawer[0]?.name).toBe('Other');
  });

  it('many changes at once are saved one after the other, none lost', async () => {
    const made = await Promise.all(
      Array.from({ length: 20 }, (_, index) =>
        change({
          kind: 'make-drawer',
          id: randomUUID(),
          chestId,
          parentId: null,
          name: `D${String(index)}`,
          rule: null,
          pluginIds: ids,
        }),
      ),
    );
    expect(made.map((one) => one.status)).toEqual(made.map(() => 200));
    expect((await arrangement()).drawer).toHaveLength(21);
    expect(new Set((await arrangement()).drawer.map((drawer) => drawer.order)).size).toBe(21);
    expect((await arrangement()).entry).toHaveLength(40);
  });

  it('works a chest out from the catalogue', async () => {
    await post(`/computers/${computer}/worked-out-chests`, { id: randomUUID(), name: 'By vendor', by: 'vendor' });
    const view = await arrangement();
    expect(view.drawer.map((drawer) => drawer.name).sort()).toEqual(['Everyday EQ', 'Tollgate Sound']);
    expect(view.entry).toHaveLength(3);
  });

  it('loads what fits into a slot, and writes down how', async () => {
    const lane = randomUUID();
    await change({
      kind: 'make-session',
      id: randomUUID(),
      name: 'Scene',
      lanes: [{ id: lane, kind: 'instrument', name: 'Piano', inserts: 1 }],
    });
    const load = { slotId: `${lane}/2`, pluginId: 'tollgatesound/toyboxpiano', way: 'typing', milliseconds: 1400 };
    expect((await post(`/computers/${computer}/loads`, load)).status).toBe(201);
    const [slot] = (await arrangement()).slot.filter((one) => one.id === load.slotId);
    expect(slot?.pluginId).toBe(load.pluginId);
    expect(await api.source.query('SELECT "slotId", "pluginId", "buildId", way, milliseconds FROM load')).toEqual([
      { ...load, buildId: slot?.buildId },
    ]);
    const wrong = await post<ProblemDetails>(`/computers/${computer}/loads`, { ...load, pluginId: ids[0] });
    expect([wrong.status, wrong.body.detail]).toEqual([
      422,
      'Copper EQ does not fit into this slot, which is for: instrument.',
    ]);
  });

  it('exports a document that its schema accepts, and imports it on another computer without dropping anything', async () => {
    await change({ kind: 'file', drawerIds: [drawerId], pluginIds: ids });
    await change({ kind: 'tray-on', tray: 1, pluginIds: ids });
    const document = await get<Record<string, unknown>>(`/computers/${computer}/export`);
    const schema = JSON.parse(
      await readFile(new URL('../../docs/schemas/arrangement-1.schema.json', import.meta.url), 'utf8'),
    ) as object;
    const accepts = new Ajv2020({ formats: { 'date-time': true } }).compile(schema);
    expect(accepts(document) ? [] : accepts.errors).toEqual([]);

    const other = (await post<{ id: string }>('/computers', { name: 'Puppet wagon', system: 'windows' })).body.id;
    const { status, body } = await post<ImportReport>(`/computers/${other}/import`, document);
    expect([status, body.matched, body.missing.map((one) => one.name).sort()]).toEqual([
      201,
      0,
      ['Copper EQ', 'Vestry Plate'],
    ]);
    const there = await get<ArrangementView>(`/computers/${other}/arrangement`);
    expect([there.chest.length, there.drawer.length, there.entry.length, there.trayEntry.length]).toEqual([1, 1, 2, 2]);
    expect((await get<CatalogueView>(`/computers/${other}/catalogue`)).plugins.every((plugin) => !plugin.found)).toBe(
      true,
    );
    expect(
      (await post<ProblemDetails>(`/computers/${other}/import`, { ...document, schema: 'something/else' })).body.detail,
    ).toContain('no arrangement of Clever Drawer');
  });
});

describe('what the producer puts right', () => {
  const [EQ, PLATE, PIANO] = ['tollgatesound/coppereq', 'tollgatesound/vestryplate', 'tollgatesound/toyboxpiano'];
  const detail = (id = '') => get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(id)}`);
  beforeEach(() => scan());

  it('shows the evidence for what a plugin is', async () => {
    expect(await detail(EQ)).toMatchObject({
      role: 'audio-effect',
      typeGrade: 'declared',
      evidence: [
        { for: { type: 'eq' }, from: 'class', words: 'EQPlugin' },
        { for: { role: 'audio-effect' }, from: 'class' },
        { for: { type: 'eq' }, from: 'name', words: 'eq' },
        { for: { role: 'audio-effect' }, from: 'name' },
      ],
    });
  });

  it('is kept beside the catalogue, survives a rescan, and decides what fits into a slot', async () => {
    await change({ kind: 'put-right', pluginIds: [EQ, PLATE], right: { role: 'instrument', types: ['synth'] } });
    await scan({ again: true });
    expect((await arrangement()).choice).toHaveLength(2);
    const lane = randomUUID();
    const lanes = [{ id: lane, kind: 'instrument', name: 'Piano', inserts: 0 }];
    await change({ kind: 'make-session', id: randomUUID(), name: 'Scene', lanes });
    const load = { slotId: `${lane}/2`, pluginId: EQ, way: 'typing', milliseconds: 1 };
    expect((await post(`/computers/${computer}/loads`, load)).status).toBe(201);
    await post(`/computers/${computer}/worked-out-chests`, { id: randomUUID(), name: 'By type', by: 'type' });
    expect((await arrangement()).drawer.map((drawer) => drawer.name)).toContain('synth');
    expect((await change({ kind: 'put-right', pluginIds: [EQ], right: { role: 'singer' } })).status).toBe(400);
  });

  it('joined plugins are one, also after a rescan; undo parts them and gives their places back', async () => {
    const chestId = randomUUID();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday' });
    const drawer = { kind: 'make-drawer', id: randomUUID(), chestId, parentId: null, name: 'A', rule: null };
    await change({ ...drawer, pluginIds: [PLATE] });
    const builds = (await detail(PLATE)).builds.map((build) => ({ id: build.id, pluginId: PLATE }));
    expect((await change({ kind: 'join-plugins', intoId: EQ, pluginIds: [PLATE], builds })).status).toBe(200);
    const names = async () => (await catalogue()).plugins.map((plugin) => [plugin.name, plugin.builds.length]);
    expect(await names()).toEqual([
      ['Copper EQ', 2],
      ['Toybox Piano', 1],
    ]);
    await scan({ again: true });
    expect(await names()).toEqual([
      ['Copper EQ', 2],
      ['Toybox Piano', 1],
    ]);
    expect((await arrangement()).entry.map((entry) => entry.pluginId)).toEqual([EQ]);
    await post(`/computers/${computer}/undo`);
    expect(await names()).toEqual([
      ['Copper EQ', 1],
      ['Toybox Piano', 1],
      ['Vestry Plate', 1],
    ]);
    expect((await arrangement()).entry.map((entry) => entry.pluginId)).toEqual([PLATE]);
    expect((await catalogue()).plugins.map((plugin) => plugin.id)).toEqual([EQ, PIANO, PLATE]);
  });

  it('a split stays through rescans until it is released, and builds that moved on are refused', async () => {
    await put('Copper EQ 64 bit', 'EQPlugin');
    await scan();
    const both = (await catalogue()).plugins.find((plugin) => plugin.builds.length === 2);
    // The second is another plugin by its URI; both stand apart until they are joined.
    expect(both).toBeUndefined();
    const [build] = (await detail(EQ)).builds;
    const split = { kind: 'split-plugin', pluginId: EQ, newId: randomUUID(), buildIds: [build?.id] };
    expect((await change(split)).status).toBe(200);
    await scan({ again: true });
    expect((await catalogue()).plugins.some((plugin) => plugin.id === split.newId)).toBe(true);
    expect((await change({ ...split, newId: randomUUID() })).body.detail).toContain('grouped otherwise');
    await change({ kind: 'release-builds', buildIds: [build?.id] });
    expect((await catalogue()).plugins.some((plugin) => plugin.id === split.newId)).toBe(false);
  });

  it('lists vendors with their spellings, and joins them', async () => {
    expect(await get<VendorView[]>(`/computers/${computer}/vendors`)).toEqual([
      { name: 'Tollgate Sound', plugins: 3, spellings: [{ spelling: 'Tollgate Sound', builds: 3, byHand: false }] },
    ]);
    await change({ kind: 'name-vendor', spellings: ['Tollgate Sound'], name: 'Tollgate', apart: false });
    expect((await catalogue()).plugins.map((plugin) => plugin.vendor)).toEqual(['Tollgate', 'Tollgate', 'Tollgate']);
    expect((await catalogue()).plugins.map((plugin) => plugin.id)).toEqual([EQ, PIANO, PLATE]);
  });

  it('a regrouping waits for no scan that is being written', async () => {
    const holder = api.source.createQueryRunner();
    await holder.startTransaction();
    await holder.query(`SELECT pg_advisory_xact_lock(hashtextextended('catalogue ' || $1, 0))`, [computer]);
    const wish = { kind: 'name-vendor', spellings: ['Tollgate Sound'], name: 'Tollgate', apart: false };
    expect(await change(wish)).toMatchObject({ status: 409 });
    await holder.rollbackTransaction();
    await holder.release();
    expect((await change(wish)).status).toBe(200);
  });
});

describe('the database', () => {
  it('has the schema that the entities describe', async () => {
    const { upQueries } = await api.source.driver.createSchemaBuilder().log();
    expect(upQueries.map((one) => one.query)).toEqual([]);
  });

  it('has a password of its own that only its owner may read', async () => {
    const file = join(api.folder, 'data', 'database-password');
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    expect((await readFile(file, 'utf8')).trim().length).toBeGreaterThanOrEqual(24);
  });
});
