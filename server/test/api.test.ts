import { randomUUID } from 'node:crypto';
import { readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import type { Request, Response } from 'express';
import type { Logger } from 'pino';
import type {
  ArrangementView,
  CatalogueView,
  ImportReport,
  ProblemDetails,
  SavedChange,
} from '@clever-drawer/contract/responses';
import { asId, type PluginId } from '@clever-drawer/core/ids';
import { problemHandler } from '../src/http/problem';
import { lockCatalogue } from '../src/store/catalogue-lock';
import { addMissing } from '../src/store/catalogue-store';
import { nextCatalogue } from '../src/store/studio-store';
import { api, arrangement, change, computer, get, post, scan, useStudio } from './support/studio';

useStudio();

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
      type: 'urn:clever-drawer:problem:not-found',
      title: 'Not found',
      status: 404,
      detail: 'There is nothing at GET /nowhere.',
    });
    const policy = headers.get('content-security-policy');
    for (const part of ["default-src 'self'", "object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'"])
      expect(policy).toContain(part);
    expect(policy).not.toContain('unsafe-eval');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('referrer-policy')).toBe('no-referrer');
    expect([headers.get('x-powered-by'), headers.get('server')]).toEqual([null, null]);
    expect(headers.get('access-control-allow-origin')).toBeNull();
  });

  it('takes no other methods, nor bodies that are no JSON', async () => {
    for (const method of ['PUT', 'DELETE', 'PROPFIND'])
      expect([404, 405]).toContain((await fetch(`${api.url}/api/computers`, { method })).status);
    const form = new URLSearchParams({ name: 'Music room', system: 'linux' });
    expect((await fetch(`${api.url}/api/computers`, { method: 'POST', body: form })).status).toBe(400);
  });

  it('logs what failed without what follows the path, where a code may stand', () => {
    const logged: object[] = [];
    const log = { error: (about: object) => logged.push(about) } as unknown as Logger;
    const answer = { headersSent: false, status: () => answer, type: () => answer, send: () => answer };
    const asked = {
      method: 'GET',
      path: '/computers',
      url: '/computers?code=secret',
      originalUrl: '/api/computers?code=secret',
    };
    problemHandler(log)(
      new Error('broken'),
      asked as unknown as Request,
      answer as unknown as Response,
      () => undefined,
    );
    expect(logged).toHaveLength(1);
    expect(JSON.stringify(logged)).not.toContain('secret');
  });
});

describe('requests that do not fit', () => {
  it.each([
    ['no JSON', '/computers', '{"name":', 400, 'not JSON'],
    ['an empty name', '/computers', { name: '', system: 'linux' }, 400, 'must not be empty'],
    ['an unknown system', '/computers', { name: 'x', system: 'toaster' }, 400, 'one of'],
    ['a body that is too large', '/computers', { name: 'x'.repeat(34_000_000), system: 'mac' }, 413, 'larger'],
    ['a path that is not full', '/computers/:id/folders', { path: 'plugins' }, 400, 'not a full path'],
    ['an unknown intent', '/computers/:id/changes', { intents: [{ kind: 'explode' }] }, 400, 'must be one of'],
    [
      'a tray 10',
      '/computers/:id/changes',
      { intents: [{ kind: 'tray-on', tray: 10, pluginIds: ['x'] }] },
      400,
      '1 to 9',
    ],
    [
      'a computer that is not there',
      '/computers/0/changes',
      { intents: [{ kind: 'delete-chest', id: 'x' }] },
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

describe('arranging', () => {
  const chestId = randomUUID();
  const drawerId = randomUUID();
  const ids = ['tollgatesound/copper' + 'eq', 'tollgatesound/vestryplate'];

  beforeEach(async () => {
    await scan();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
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
      revision: 4,
      label: 'file 2 plugins into Everyday EQ',
      number: 4,
      act: 'made',
      steps: { undo: { number: 4, label: 'file 2 plugins into Everyday EQ' }, redo: null },
    });
    expect((await arrangement()).entry).toHaveLength(2);
    expect((await post<SavedChange>(`/computers/${computer}/undo`)).body.steps).toEqual({
      undo: { number: 3, label: 'new drawer Everyday EQ', window: null },
      redo: { number: 4, label: 'file 2 plugins into Everyday EQ', window: null },
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
    await api.source.query('UPDATE studio SET "arrangementRevision" = "arrangementRevision" + 1');
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

  it('starts a chest again: its drawers anew, the others as they were; one step back brings all back', async () => {
    const before = await arrangement();
    const path = `/computers/${computer}/worked-out-chests`;
    const chest = before.chest.find((one) => one.id === chestId);
    const again = { id: chestId, name: 'Any', by: 'type', again: true };
    expect((await post(path, again)).status).toBe(201);
    const after = await arrangement();
    expect(after.chest).toEqual(before.chest);
    const of = ({ drawer }: typeof before, own: boolean) => drawer.filter((one) => (one.chestId === chestId) === own);
    expect(of(after, false)).toEqual(of(before, false));
    const ids = new Set(of(before, true).map((one) => one.id));
    expect(of(after, true).length).toBeGreaterThan(0);
    expect(of(after, true).some((one) => ids.has(one.id))).toBe(false);
    expect(after.entry.some((one) => ids.has(one.drawerId))).toBe(false);
    await post(`/computers/${computer}/undo`, {});
    const undone = await arrangement();
    const sorted = (rows: readonly { id: string }[]) => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(sorted(undone.drawer)).toEqual(sorted(before.drawer));
    expect(sorted(undone.entry)).toEqual(sorted(before.entry));
    expect(chest).toBeDefined();
    const gone = await post<ProblemDetails>(path, { ...again, id: randomUUID() });
    expect([gone.status, gone.body.detail]).toEqual([422, 'This chest has just been deleted. Make a new one instead.']);
    const taken = await post<ProblemDetails>(path, { ...again, again: false });
    expect(taken.status).toBe(422);
    const itself = await post<ProblemDetails>(path, { ...again, without: chestId });
    expect(itself.status).toBe(422);
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

  it('exports a document that its schema accepts, and imports it in another studio without dropping anything', async () => {
    await change({ kind: 'file', drawerIds: [drawerId], pluginIds: ids });
    await change({ kind: 'tray-on', tray: 1, pluginIds: ids });
    const document = await get<Record<string, unknown>>(`/computers/${computer}/export`);
    const schema = JSON.parse(
      await readFile(new URL('../../docs/schemas/arrangement-8.schema.json', import.meta.url), 'utf8'),
    ) as object;
    const accepts = new Ajv2020({ formats: { 'date-time': true } }).compile(schema);
    expect(accepts(document) ? [] : accepts.errors).toEqual([]);

    await api.empty();
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

describe('an import while the catalogue is written', () => {
  const imported = async () => {
    const document = await get<Record<string, unknown>>(`/computers/${computer}/export`);
    await api.empty();
    const other = (await post<{ id: string }>('/computers', { name: 'Puppet wagon', system: 'windows' })).body.id;
    return () => post<ImportReport & ProblemDetails>(`/computers/${other}/import`, document);
  };
  beforeEach(async () => {
    await scan();
    await change({ kind: 'tray-on', tray: 1, pluginIds: ['tollgatesound/coppereq'] });
  });

  it('does not wait for the scan that brings the same plugin and waits for it: it asks to be tried again', async () => {
    const again = await imported();
    const scanning = api.source.createQueryRunner();
    await scanning.startTransaction();
    await lockCatalogue(scanning.manager);
    await scanning.query(
      `INSERT INTO plugin (id, name, types) VALUES ('tollgatesound/coppereq', 'Copper EQ', '["eq"]')`,
    );
    const { status, body } = await again();
    expect([status, body.detail]).toEqual([409, 'A scan is just being written. Try again in a moment.']);
    await nextCatalogue(scanning.manager);
    await scanning.commitTransaction();
    await scanning.release();
    expect((await again()).status).toBe(201);
  });

  it('leaves a plugin alone that came in after the import was planned', async () => {
    const [id, name, vendor] = ['tollgatesound/coppereq', 'Copper EQ', 'Tollgate Sound'];
    const types = async () => (await api.source.query(`SELECT types FROM plugin WHERE id = $1`, [id])) as unknown;
    expect(await types()).toEqual([{ types: ['eq'] }]);
    await api.source.transaction((db) => addMissing(db, [{ id: asId<PluginId>(id), name, vendor, builds: [] }]));
    expect(await types()).toEqual([{ types: ['eq'] }]);
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
