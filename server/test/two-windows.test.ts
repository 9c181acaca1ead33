/** Two windows of the page on the real server and database: whatever happens, they end with what the database holds. */
import { randomUUID } from 'node:crypto';
import { QueryClient } from '@tanstack/react-query';
import fc from 'fast-check';
import type { ArrangementView, CatalogueView, JournalView } from '@clever-drawer/contract/responses';
import { arrangementOf, type Arrangement, type RowKind, type Rows } from '@clever-drawer/core/chests/arrangement';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { asId, type ChestId, type ComputerId, type DrawerId, type PluginId } from '@clever-drawer/core/ids';
import { arrangementKey, bring, knownIn, resync } from '../../web/src/arrangement/arrangement-query';
import { changesOf, type Changes } from '../../web/src/arrangement/changes';
import { openEventStream, type Connection, type EventSourceLike } from '../../web/src/arrangement/events/event-stream';
import { follow } from '../../web/src/arrangement/other-windows';
import { queueKey } from '../../web/src/arrangement/queue';
import { opened } from '../../web/src/arrangement/window-state';
import { keys } from '../../web/src/catalogue/queries';
import { api, arrangement, catalogue, change, computer, get, scan, useStudio } from './support/studio';

useStudio();

const realFetch = globalThis.fetch;
/** What becomes of the next requests that change something; undefined lets them through. */
let fate: (() => 'not sent' | 'answer lost' | undefined) | null = null;

beforeAll(() => {
  globalThis.fetch = async (input, init) => {
    const address = typeof input === 'string' && input.startsWith('/api') ? api.url + input : input;
    const lot = init?.method === 'POST' && address !== input ? fate?.() : undefined;
    if (lot === 'not sent') throw new TypeError('fetch failed');
    const response = await realFetch(address, init);
    if (lot === 'answer lost') {
      await response.text();
      throw new TypeError('fetch failed');
    }
    return response;
  };
});
afterAll(() => {
  globalThis.fetch = realFetch;
});

const rowsOf = (view: ArrangementView): Arrangement =>
  arrangementOf(<Kind extends RowKind>(kind: Kind) => view[kind] as readonly Rows[Kind][]);

/** A line for events over fetch: what a browser's EventSource is, without its opening again by itself. */
function openLine(address: string): EventSourceLike {
  const ends = new AbortController();
  const line: EventSourceLike = { onmessage: null, onerror: null, onopen: null, close: () => ends.abort() };
  const read = async (): Promise<void> => {
    const { body } = await realFetch(api.url + address, { signal: ends.signal });
    let text = '';
    for await (const part of body as unknown as AsyncIterable<Uint8Array>) {
      text += new TextDecoder().decode(part);
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const block = text.slice(0, end);
        text = text.slice(end + 2);
        if (block.startsWith('data: '))
          line.onmessage?.call(line as EventSource, { data: block.slice(6) } as MessageEvent<string>);
      }
    }
  };
  read().catch(() => undefined);
  return line;
}

/** A window as the page has it, without the page. */
class OpenWindow {
  readonly client = new QueryClient();
  readonly changes: Changes;
  private readonly id = asId<ComputerId>(computer);
  private line: Connection | null = null;

  constructor(view: ArrangementView, plugins: CatalogueView) {
    const byId = new Map(plugins.plugins.map((plugin) => [plugin.id, plugin]));
    this.client.setQueryData(keys.catalogue(this.id), { ...plugins, byId });
    this.client.setQueryData(arrangementKey(this.id), opened(view));
    this.changes = changesOf(this.client, this.id);
    this.lineUp();
  }

  get shown() {
    const window = knownIn(this.client, this.id);
    if (window === undefined) throw new Error('the window knows nothing');
    return window;
  }

  lineUp(): void {
    this.line ??= follow(this.client, this.id, (id, listener) =>
      openEventStream(`/api/computers/${id}/events`, listener, openLine),
    );
  }

  lineDown(): void {
    this.line?.close();
    this.line = null;
  }

  get isBusy(): boolean {
    return this.client.isMutating({ mutationKey: queueKey(this.id) }) > 0;
  }

  /** Until nothing is under way and the window has heard of everything. */
  async settle(revision: () => Promise<number>): Promise<void> {
    this.lineUp();
    for (let tries = 0; tries < 400; tries++) {
      if (!this.isBusy && this.shown.held.revision >= (await revision())) return;
      await pause(10);
    }
    throw new Error('the window never came to rest');
  }

  close(): void {
    this.lineDown();
    this.client.clear();
  }
}

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
const [PLATE, EQ, PIANO] = ['vestryplate', 'coppereq', 'toyboxpiano'].map((id) =>
  asId<PluginId>(`tollgatesound/${id}`),
);
const ALL = [PLATE, EQ, PIANO].filter((id) => id !== undefined);
let chestId: ChestId;
let drawers: readonly DrawerId[];
let one: OpenWindow;
let other: OpenWindow;

beforeEach(async () => {
  fate = null;
  await scan();
  chestId = asId<ChestId>(randomUUID());
  drawers = Array.from({ length: 3 }, () => asId<DrawerId>(randomUUID()));
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  for (const [at, id] of drawers.entries())
    await change({
      kind: 'make-drawer',
      id,
      chestId,
      parentId: null,
      name: `D${String(at)}`,
      rule: null,
      pluginIds: [],
    });
  const [view, plugins] = [await arrangement(), await catalogue()];
  one = new OpenWindow(view, plugins);
  other = new OpenWindow(view, plugins);
});
afterEach(() => {
  one.close();
  other.close();
});

const drawerAt = (at: number): DrawerId => drawers[at] ?? asId<DrawerId>('');
const file = (at: number, ...pluginIds: readonly PluginId[]): Intent => ({
  kind: 'file',
  drawerIds: [drawerAt(at)],
  pluginIds,
});
const rename = (at: number, name: string): Intent => ({ kind: 'rename-drawer', id: drawerAt(at), name });

async function expectAlike(): Promise<Arrangement> {
  fate = null;
  const revision = async (): Promise<number> => (await arrangement()).revision;
  for (const window of [one, other, one, other]) await window.settle(revision);
  const view = await arrangement();
  const state = rowsOf(view);
  for (const { shown } of [one, other]) {
    expect(shown.state).toEqual(state);
    expect(shown.pending).toEqual([]);
    expect(shown.held.revision).toBe(view.revision);
  }
  return state;
}

describe('two windows on one database', () => {
  it('file thousands into one drawer at the same moment; who planned other places than it got fetches everything', async () => {
    const [mine, theirs] = ['mine', 'theirs'].map((whose) =>
      Array.from({ length: 1200 }, (_, at) => asId<PluginId>(`${whose}/${String(at)}`)),
    );
    const all = [...(mine ?? []), ...(theirs ?? [])];
    await api.source.query(
      `INSERT INTO plugin (id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions)
       SELECT id, 'Plate ' || id, NULL, NULL, 'unknown', '[]', 'unknown', '[]' FROM unnest($1::text[]) AS id`,
      [all],
    );
    await api.source.query('UPDATE studio SET "catalogueRevision" = "catalogueRevision" + 1');
    for (const { client } of [one, other])
      client.setQueryData(keys.catalogue(asId<ComputerId>(computer)), {
        ...{ revision: 99, plugins: [] },
        byId: new Map(all.map((id) => [id, { id, name: `Plate ${id}` }])),
      });
    let sent = 0;
    fate = () => {
      sent++;
      return undefined;
    };
    const saved = [one.changes.make(file(0, ...(mine ?? []))), other.changes.make(file(0, ...(theirs ?? [])))];
    expect(await Promise.all(saved)).toEqual([true, true]);
    expect(sent).toBe(2);
    const state = await expectAlike();
    expect(state.entry.size).toBe(2400);
    // Alone it is taken over by its mark: the window goes on with the very rows that it had planned.
    const before = one.shown.held.revision;
    expect(await one.changes.make({ kind: 'take-out', drawerId: drawerAt(0), pluginIds: mine ?? [] })).toBe(true);
    expect([one.shown.held.revision, one.shown.isBehind]).toEqual([before + 1, false]);
    expect((await expectAlike()).entry.size).toBe(1200);
  });

  it('file into one drawer at the same moment, and each goes on with the places that the server gave', async () => {
    await Promise.all([one.changes.make(file(0, ALL[0] as PluginId)), other.changes.make(file(0, ALL[1] as PluginId))]);
    const state = await expectAlike();
    expect(state.entry.size).toBe(2);
    const [last] = [...state.entry.values()].sort((a, b) => (a.order < b.order ? 1 : -1));
    const front = [...state.entry.values()].find((entry) => entry !== last);
    const move = {
      kind: 'place',
      drawerId: drawerAt(0),
      pluginIds: [last?.pluginId as PluginId],
      dividerIds: [],
    } as const;
    expect(await one.changes.make({ ...move, before: front?.id ?? null })).toBe(true);
    await expectAlike();
  });

  it('one renames what the other deletes', async () => {
    const deleted = one.changes.make({ kind: 'delete-drawer', id: drawerAt(0) });
    const renamed = other.changes.make(rename(0, 'Rooms'));
    expect([await deleted, await renamed].filter(Boolean).length).toBeGreaterThan(0);
    await expectAlike();
  });

  it('a request that does not arrive, and one of which only the answer is lost: each change is made once', async () => {
    const lots = ['not sent', undefined, 'answer lost', undefined] as const;
    let at = 0;
    fate = () => lots[at++ % lots.length];
    const done = await Promise.all([
      one.changes.make(rename(0, 'Sent again')),
      one.changes.make(rename(1, 'Kept')),
      one.changes.make(rename(2, 'Kept too')),
      one.changes.make(file(1, ...ALL)),
    ]);
    expect(done).toEqual([true, true, true, true]);
    const state = await expectAlike();
    expect([0, 1, 2].map((which) => state.drawer.get(drawerAt(which))?.name)).toEqual([
      'Sent again',
      'Kept',
      'Kept too',
    ]);
    const { entries } = await get<JournalView>(`/computers/${computer}/journal?limit=4`);
    expect(new Set(entries.map(({ label }) => label)).size).toBe(4);
  });

  it('what is missed while the line is down is made up for when it is up again', async () => {
    other.lineDown();
    await one.changes.make(rename(0, 'Rooms'), file(1, ...ALL));
    await one.changes.step('undo');
    await one.changes.step('redo');
    expect(other.shown.state.drawer.get(drawerAt(0))?.name).toBe('D0');
    expect((await expectAlike()).drawer.get(drawerAt(0))?.name).toBe('Rooms');
  });

  it('a look that was taken before a change never takes it back', async () => {
    const id = asId<ComputerId>(computer);
    const looking = resync(one.client, id);
    await other.changes.make(rename(0, 'Rooms'));
    await looking;
    bring(one.client, id, (window) => window);
    await expectAlike();
  });
});

describe('any interleaving', () => {
  const which = fc.constantFrom(0, 1, 2);
  const some = fc.subarray([0, 1, 2], { minLength: 1 });
  const intent = fc.oneof(
    fc.tuple(which, some).map(
      ([at, all]) =>
        () =>
          file(at, ...all.flatMap((n) => ALL[n] ?? [])),
    ),
    fc.tuple(which, fc.constantFrom('x', 'y')).map(
      ([at, name]) =>
        () =>
          rename(at, name),
    ),
    which.map((at) => (): Intent => ({ kind: 'delete-drawer', id: drawerAt(at) })),
    fc.tuple(which, which).map(([at, n]) => (): Intent => ({
      kind: 'place',
      drawerId: drawerAt(at),
      pluginIds: ALL.slice(n, n + 1),
      dividerIds: [],
      before: null,
    })),
    some.map((all) => (): Intent => ({ kind: 'tray-on', tray: 1, pluginIds: all.flatMap((n) => ALL[n] ?? []) })),
  );
  const act = fc.oneof(
    { weight: 5, arbitrary: fc.array(intent, { minLength: 1, maxLength: 2 }).map((all) => ['make', all] as const) },
    { weight: 2, arbitrary: fc.constantFrom(['undo'] as const, ['redo'] as const) },
    fc.constantFrom(['lineDown'] as const, ['lineUp'] as const),
    fc.constantFrom(['not sent'] as const, ['answer lost'] as const),
    { weight: 3, arbitrary: fc.constantFrom(['pause'] as const) },
  );

  it('of wishes, steps, failures and reconnections ends with both windows and the database equal (seeded)', async () => {
    const runs = fc.sample(fc.array(fc.tuple(fc.boolean(), act), { minLength: 10, maxLength: 40 }), {
      seed: 20261125,
      numRuns: 12,
    });
    for (const acts of runs) {
      const under: Promise<unknown>[] = [];
      for (const [isOther, [what, intents]] of acts) {
        const window = isOther ? other : one;
        if (what === 'make') under.push(window.changes.make(...intents.map((of) => of())));
        else if (what === 'undo' || what === 'redo') under.push(window.changes.step(what));
        else if (what === 'lineDown' || what === 'lineUp') window[what]();
        else if (what === 'pause') await pause(15);
        else {
          fate = () => {
            fate = null;
            return what;
          };
        }
      }
      await Promise.all(under);
      await expectAlike();
    }
  });
});
