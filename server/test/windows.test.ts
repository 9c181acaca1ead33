import { randomUUID } from 'node:crypto';
import { mkdtemp } from 'node:fs/promises';
import { join } from 'node:path';
import type { ProblemDetails, SavedChange, WindowEvent } from '@clever-drawer/contract/responses';
import { applyEdits, markOf } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { planChange } from '@clever-drawer/core/chests/plan-change';
import { ROW_KINDS, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asId, type DrawerId } from '@clever-drawer/core/ids';
import {
  api,
  arrangement,
  catalogue,
  change,
  computer,
  post,
  installPlugin,
  installPluginIn,
  scan,
  useStudio,
} from './support/studio';

useStudio();

const chestId = randomUUID();
const drawerId = randomUUID();

beforeEach(async () => {
  await scan();
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  await change({
    kind: 'make-drawer',
    id: drawerId,
    chestId,
    parentId: null,
    name: 'Space',
    rule: null,
    pluginIds: [],
  });
});

/** The arrangement as a window has it. */
async function stateOfWindow(): Promise<Arrangement> {
  const view = await arrangement();
  return Object.fromEntries(
    ROW_KINDS.map((kind) => [kind, new Map(view[kind].map((row) => [row.id, row]))]),
  ) as unknown as Arrangement;
}

/** A change as a window sends it, with the mark of the rows that it saw. */
function sent(state: Arrangement, intent: Intent) {
  const plan = planChange(state, intent, () => 'a plugin');
  return post<SavedChange & ProblemDetails>(`/computers/${computer}/changes`, {
    intents: [intent],
    mark: plan.ok ? markOf(plan.change.edits) : 'none',
  });
}
const rename = (name: string): Intent => ({ kind: 'rename-drawer', id: asId<DrawerId>(drawerId), name });

describe('two open windows', () => {
  it('a change of what another window has changed since is told, not overwritten', async () => {
    const both = await stateOfWindow();
    expect((await sent(both, rename('Rooms'))).status).toBe(200);
    const second = await sent(both, rename('Halls'));
    expect([second.status, second.body.detail]).toEqual([
      409,
      expect.stringContaining('Another window has just changed what “rename Rooms to Halls” touches'),
    ]);
    expect((await arrangement()).drawer[0]?.name).toBe('Rooms');
    expect((await sent(await stateOfWindow(), rename('Halls'))).status).toBe(200);
  });

  it('changes of different things are both done', async () => {
    const both = await stateOfWindow();
    await sent(both, rename('Rooms'));
    expect((await sent(both, { kind: 'name-tray', tray: 3, name: 'Goose' })).status).toBe(200);
  });

  it('undo takes back only what the window shows as the next', async () => {
    const shown = (await arrangement()).steps.undo?.number;
    const { number } = (await change({ kind: 'name-tray', tray: 3, name: 'Goose' })).body;
    const undo = await post<ProblemDetails>(`/computers/${computer}/undo`, { expects: shown });
    expect([undo.status, undo.body.detail]).toEqual([409, expect.stringContaining('name tray 3 Goose')]);
    expect((await post(`/computers/${computer}/undo`, { expects: number })).status).toBe(200);
  });

  it('each is told at once of what another one does, with all that it needs to follow, and not of its own', async () => {
    const before = await stateOfWindow();
    const listening = new AbortController();
    const response = await fetch(`${api.url}/api/computers/${computer}/events?window=mine`, {
      signal: listening.signal,
    });
    const reader = (response.body ?? new ReadableStream<Uint8Array>()).getReader();
    const events: WindowEvent[] = [];
    const until = async (count: number): Promise<void> => {
      for (let text = ''; events.length < count;) {
        text += new TextDecoder().decode((await reader.read()).value);
        for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
          const block = text.slice(0, end);
          text = text.slice(end + 2);
          if (block.startsWith('data: ')) events.push(JSON.parse(block.slice(6)) as WindowEvent);
        }
      }
    };
    const from = (window: string, name: string) =>
      fetch(`${api.url}/api/computers/${computer}/changes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-window': window },
        body: JSON.stringify({ intents: [rename(name)] }),
      });
    await until(1);
    await from('mine', 'Mine');
    await from('other', 'Other');
    await installPlugin('Late Arrival', 'DelayPlugin');
    await scan();
    await until(3);
    listening.abort();
    expect(events.map((event) => event.kind)).toEqual(['now', 'changed', 'now']);
    const [, changed] = events;
    if (changed?.kind !== 'changed') throw new Error('no change');
    expect(changed.window).toBe('other');
    expect(applyEdits(before, changed.saved.edits).drawer.get(drawerId)?.name).toBe('Other');
  });
});

describe('what the catalogue tells for sorting', () => {
  it('when each plugin arrived, how often it was loaded, and since when something is new', async () => {
    const first = await catalogue();
    expect(first.plugins.every((plugin) => plugin.arrivedAt === first.firstArrival && plugin.loads === 0)).toBe(true);
    await installPlugin('Late Arrival', 'DelayPlugin');
    await scan();
    const { plugins, firstArrival } = await catalogue();
    expect(plugins.filter((plugin) => plugin.arrivedAt > (firstArrival ?? '')).map((plugin) => plugin.name)).toEqual([
      'Late Arrival',
    ]);
  });

  it('what the first scan of a folder finds is not new, also in a folder that is added later', async () => {
    const second = await mkdtemp(join(api.folder, 'second-'));
    await installPluginIn(second, 'Ferry Echo', 'DelayPlugin');
    await post(`/computers/${computer}/folders`, { path: second });
    await scan();
    await installPlugin('Late Arrival', 'DelayPlugin');
    await installPluginIn(second, 'Ferry Gate', 'GatePlugin');
    await scan();
    const { plugins } = await catalogue();
    expect(plugins.filter((plugin) => !plugin.arrivedWithFolder).map((plugin) => plugin.name)).toEqual([
      'Ferry Gate',
      'Late Arrival',
    ]);
  });
});

describe('pictures', () => {
  // The smallest PNG: signature, header, one grey point, end (W3C PNG, 1x1).
  const PNG = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg==',
    'base64',
  );
  const send = (body: Buffer) =>
    fetch(`${api.url}/api/computers/${computer}/pictures`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: new Uint8Array(body),
    });

  it('are kept by their content, become the face of a plugin, and are given back byte by byte', async () => {
    const { picture } = (await (await send(PNG)).json()) as { picture: string };
    expect(((await (await send(PNG)).json()) as { picture: string }).picture).toBe(picture);
    const pluginId = 'tollgatesound/vestryplate';
    expect((await change({ kind: 'show-face', pluginId, picture })).body.label).toBe('set a picture for Vestry Plate');
    const response = await fetch(`${api.url}/api/computers/${computer}/pictures/${picture}`);
    expect(response.headers.get('content-type')).toBe('image/png');
    expect(Buffer.from(await response.arrayBuffer()).equals(PNG)).toBe(true);
    await post(`/computers/${computer}/undo`);
    expect((await arrangement()).face).toEqual([]);
  });

  it('anything else is refused with the remedy, and so is a face without a picture', async () => {
    const answer = await send(Buffer.from('GIF89a'));
    expect([answer.status, ((await answer.json()) as ProblemDetails).detail]).toEqual([
      415,
      'This is not a PNG, JPEG or WebP picture. Save it as one of these, and try again.',
    ]);
    expect((await send(Buffer.alloc(8_600_000))).status).toBe(413);
    const face = await change({ kind: 'show-face', pluginId: 'tollgatesound/vestryplate', picture: 'a'.repeat(64) });
    expect([face.status, face.body.detail]).toEqual([422, expect.stringContaining('has not been sent yet')]);
  });
});

it('what was arranged by hand in every way outlives a rescan and goes out and in as a document', async () => {
  const plate = 'tollgatesound/vestryplate';
  for (const intent of [
    { kind: 'file', drawerIds: [drawerId], pluginIds: [plate] },
    { kind: 'add-divider', id: randomUUID(), drawerId, label: 'long tails', before: null },
    { kind: 'name-entry', drawerId, pluginId: plate, name: 'cave' },
    {
      kind: 'name-plugins',
      pluginIds: [plate],
      naming: { nickname: 'the big one', stripLabel: 'BIG', addTags: ['dark'] },
    },
    { kind: 'set-aside', pluginIds: ['tollgatesound/copper' + 'eq'], builds: [], reason: 'demo', until: '2026-12-01' },
    { kind: 'set-sort', id: drawerId, sort: 'loads' },
    { kind: 'name-tray', tray: 2, name: 'Goose' },
    { kind: 'keep-search', id: randomUUID(), name: 'Dark', query: 'tag=dark' },
  ])
    expect((await change(intent)).status).toBe(200);
  const before = await arrangement();
  await scan({ again: true });
  const after = await arrangement();
  for (const kind of ['entry', 'divider', 'naming', 'aside', 'drawer', 'trayName', 'keptSearch'] as const)
    expect(after[kind]).toEqual(before[kind]);
  const document = (await api.call('GET', `/computers/${computer}/export`)).body;
  expect(document).toMatchObject({
    chests: [{ drawers: [{ sort: 'loads', lines: [{ plugin: plate, name: 'cave' }, { divider: 'long tails' }] }] }],
    trays: [{ tray: 2, name: 'Goose', items: [] }],
    searches: [{ name: 'Dark', query: 'tag=dark' }],
  });
  await api.empty();
  const other = (await post<{ id: string }>('/computers', { name: 'Puppet wagon', system: 'windows' })).body.id;
  expect((await post(`/computers/${other}/import`, document)).status).toBe(201);
  const again = (await api.call('GET', `/computers/${other}/export`)).body as Record<string, unknown>;
  for (const part of ['chests', 'trays', 'searches'] as const)
    expect(again[part]).toEqual((document as Record<string, unknown>)[part]);
});
