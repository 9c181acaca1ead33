import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { promisify } from 'node:util';
import { Validator } from '@seriousme/openapi-schema-validator';
import { openApiDocument } from '@clever-drawer/contract/openapi';
import { PROBLEMS, problemType } from '@clever-drawer/contract/problems';
import type {
  ArrangedPluginView,
  DrawerContentsView,
  DrawerView,
  JournalView,
  ProblemDetails,
  SavedChange,
} from '@clever-drawer/contract/responses';
import { api, change, computer, get, post, scan, useStudio } from './support/studio';

useStudio();

const [EQ, PLATE] = ['tollgatesound/copper' + 'eq', 'tollgatesound/vestryplate'];
const chestId = randomUUID();
const drawerId = randomUUID();
const cleverId = randomUUID();
const drawer = (id: string, name: string, more: object = {}) =>
  change({ kind: 'make-drawer', id, chestId, parentId: null, name, rule: null, pluginIds: [], ...more });

beforeEach(async () => {
  await scan();
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  await drawer(drawerId, 'Space', { pluginIds: [PLATE] });
  await drawer(cleverId, 'EQs', { parentId: drawerId, rule: { kind: 'keywords', words: ['eq'] } });
});

const inDocs = (file: string): Promise<string> => readFile(new URL(`../../docs/${file}`, import.meta.url), 'utf8');

describe('the document of the interface', () => {
  it('is OpenAPI 3.1, by a validator from the registry', async () => {
    const validator = new Validator();
    const { valid, errors } = await validator.validate(JSON.parse(JSON.stringify(openApiDocument())) as never);
    expect([valid, errors, validator.version]).toEqual([true, undefined, '3.1']);
  });

  it('is the one that is published, and the one that the server sends', async () => {
    const published: unknown = JSON.parse(await inDocs('api/openapi.json'));
    expect(published).toEqual(JSON.parse(JSON.stringify(openApiDocument())));
    expect(await get('/openapi.json')).toEqual(published);
  });

  it('names each endpoint once, and no host', () => {
    const text = JSON.stringify(openApiDocument());
    const ids = [...text.matchAll(/"operationId":"(\w+)"/g)].map((match) => match[1]);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBeGreaterThan(30);
    expect(text).not.toMatch(/https?:\/\//);
  });
});

describe('what scripts read', () => {
  it('the catalogue with the producer’s names, corrections and places', async () => {
    await change({ kind: 'name-plugins', pluginIds: [PLATE], naming: { nickname: 'the big one', addTags: ['dark'] } });
    await change({ kind: 'put-right', pluginIds: [EQ], right: { role: 'tool', vendor: 'Lintel' } });
    await change({ kind: 'tray-on', tray: 2, pluginIds: [PLATE] });
    await change({ kind: 'set-aside', pluginIds: [EQ], builds: [], reason: 'demo', until: '2026-12-01' });
    const plugins = await get<ArrangedPluginView[]>(`/computers/${computer}/plugins`);
    expect(plugins.find((plugin) => plugin.id === PLATE)).toMatchObject({
      name: 'the big one',
      givenName: 'Vestry Plate',
      tags: ['dark'],
      places: {
        drawers: [{ drawerId, chest: 'Everyday', path: ['Space'], by: 'hand', name: 'the big one' }],
        trays: [2],
      },
    });
    expect(plugins.find((plugin) => plugin.id === EQ)).toMatchObject({
      role: 'tool',
      roleGrade: 'chosen',
      vendor: 'Lintel',
      aside: { reason: 'demo', until: '2026-12-01' },
      places: { drawers: [{ drawerId: cleverId, path: ['Space', 'EQs'], by: 'rule' }], trays: [] },
    });
  });

  it('each drawer and what it holds, clever ones too', async () => {
    await change({ kind: 'add-divider', id: randomUUID(), drawerId, label: 'tails', before: null });
    const drawers = await get<DrawerView[]>(`/computers/${computer}/drawers`);
    expect(drawers.map(({ name, path, plugins }) => [name, path, plugins])).toEqual([
      ['Space', ['Space'], 1],
      ['EQs', ['Space', 'EQs'], 1],
    ]);
    // In the order in which the screen shows them, with what else their fronts show.
    const first = { id: randomUUID(), name: 'Attic', chestId: drawers[0]?.chestId, parentId: null, rule: null };
    await change({ kind: 'make-drawer', ...first, pluginIds: [] });
    await change({ kind: 'set-level-sort', chestId: first.chestId, parentId: null, sort: 'name' });
    await change({ kind: 'set-sign', id: first.id, sign: 'moon' });
    const sorted = await get<DrawerView[]>(`/computers/${computer}/drawers`);
    expect(sorted.map(({ name, sign, notInMenus, divider }) => [name, sign, notInMenus, divider])).toEqual([
      ['Attic', 'moon', false, null],
      ['Space', null, false, null],
      ['EQs', null, false, null],
    ]);
    await change({ kind: 'delete-drawer', id: first.id });
    const contents = async (id: string) =>
      (await get<DrawerContentsView>(`/computers/${computer}/drawers/${id}`)).lines;
    expect(await contents(drawerId)).toEqual([
      { pluginId: PLATE, preset: null, name: 'Vestry Plate', by: 'hand', why: null, found: true },
      { divider: 'tails' },
    ]);
    expect(await contents(cleverId)).toEqual([
      { pluginId: EQ, preset: null, name: 'Copper EQ', by: 'rule', why: 'eq', found: true },
    ]);
    expect((await api.call('GET', `/computers/${computer}/drawers/${randomUUID()}`)).status).toBe(404);
  });

  it('the journal, part by part', async () => {
    await post(`/computers/${computer}/undo`);
    const first = await get<JournalView>(`/computers/${computer}/journal?limit=2`);
    expect(first.entries.map(({ label, undone }) => [label, undone])).toEqual([
      ['new drawer EQs', true],
      ['new drawer Space with 1 plugin', false],
    ]);
    const rest = await get<JournalView>(`/computers/${computer}/journal?before=${String(first.next)}`);
    expect([rest.entries.map((entry) => entry.label), rest.next]).toEqual([
      ['new chest Everyday', expect.stringMatching(/^add the folder /)],
      null,
    ]);
    expect((await api.call('GET', `/computers/${computer}/journal?limit=0`)).status).toBe(400);
  });
});

describe('tags of answers (RFC 9110, 8.8.3 and 13.1.2)', () => {
  it.each(['arrangement', 'catalogue', 'plugins', 'drawers', 'journal', 'vendors'])(
    '%s answers 304 until something has changed',
    async (what) => {
      const ask = (tag?: string) =>
        fetch(`${api.url}/api/computers/${computer}/${what}`, {
          headers: tag === undefined ? {} : { 'if-none-match': tag },
        });
      const first = await ask();
      const tag = first.headers.get('etag') ?? '';
      expect(tag).toMatch(/^W\/".+"$/);
      const again = await ask(tag);
      expect([again.status, await again.text(), again.headers.get('etag')]).toEqual([304, '', tag]);
      await change({ kind: 'name-tray', tray: 1, name: 'Goose' });
      expect((await ask(tag)).status).toBe(200);
    },
  );
});

it('every kind of failure has a type of its own that stays, a status and a title', async () => {
  const { body } = await post<ProblemDetails>(`/computers/${computer}/changes`, { intents: [] });
  expect(body).toMatchObject({ type: 'urn:clever-drawer:problem:request-does-not-fit', status: 400 });
  expect((await post<ProblemDetails>(`/computers/${computer}/redo`)).body.type).toBe(problemType('not-done'));
  expect(Object.keys(PROBLEMS)).toEqual([
    ...[
      'request-does-not-fit',
      'not-json',
      'bad-request',
      'not-signed-in',
      'other-site',
      'other-user',
      'not-found',
      'other-computer',
      'conflict',
    ],
    ...[
      'too-large',
      'not-a-picture',
      'unsupported-encoding',
      'wrong-host',
      'not-done',
      'mostly-no-plugins',
      'error',
      'database-not-reachable',
    ],
    'disk-full',
  ]);
});

it('several intents are one step: done together, undone together, or not at all', async () => {
  const wish = (...intents: object[]) =>
    post<SavedChange & ProblemDetails>(`/computers/${computer}/changes`, { intents });
  const both = await wish(
    { kind: 'rename-drawer', id: drawerId, name: 'Rooms' },
    { kind: 'set-rule', id: drawerId, rule: { kind: 'keywords', words: ['room'] } },
  );
  expect([both.body.label, both.body.edits.length]).toEqual(['rename Space to Rooms and add a rule to Rooms', 1]);
  expect(
    (await wish({ kind: 'rename-drawer', id: drawerId, name: 'x' }, { kind: 'delete-chest', id: 'gone' })).status,
  ).toBe(422);
  const undone = (await post<SavedChange>(`/computers/${computer}/undo`, { expects: both.body.number })).body;
  expect(undone).toMatchObject({ act: 'undone', number: both.body.number });
  const [first] = await get<DrawerView[]>(`/computers/${computer}/drawers`);
  expect([first?.name, first?.rule]).toEqual(['Space', null]);
});

describe('docs/api.md', () => {
  it('shows calls that work as they stand there', async () => {
    const blocks = [...(await inDocs('api.md')).matchAll(/```sh\n([\s\S]*?)```/g)].map((match) => match[1] ?? '');
    expect(blocks).toHaveLength(6);
    const env = { ...process.env, CLEVER_DRAWER: api.url, COMPUTER: computer, DRAWER: drawerId, PLUGIN: EQ };
    const run = promisify(execFile);
    const answers: unknown[][] = [];
    for (const block of blocks) {
      const own: unknown[] = [];
      // One call a line, but for those that go on in the next one.
      for (const line of block.replaceAll('\\\n', ' ').split('\n').filter(Boolean))
        own.push(JSON.parse((await run('sh', ['-c', line], { env })).stdout));
      answers.push(own);
    }
    expect(answers).toMatchObject([
      [expect.arrayContaining([expect.objectContaining({ id: computer })])],
      [[{ id: EQ }, {}, { id: PLATE }]],
      [[{ id: drawerId }, { id: cleverId }], { drawer: { name: 'Space' } }],
      [{ act: 'made', label: 'file Copper EQ into Space' }],
      [{ total: 0, files: [] }],
      [
        { entries: [{ label: 'file Copper EQ into Space' }, {}, {}, {}, {}] },
        { act: 'undone', label: 'file Copper EQ into Space' },
      ],
    ]);
  });
});
