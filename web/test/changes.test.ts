/** A wish of a window: sent before it is shown when nothing else is under way, and taken over by its mark when it is large. */
import { QueryClient } from '@tanstack/react-query';
import type { ChangeAnswer } from '@clever-drawer/contract/responses';
import type { ChangeRequest } from '@clever-drawer/contract/intents';
import { hashEditResults } from '@clever-drawer/core/chests/edit';
import { runToCompletion } from '@clever-drawer/core/stepwise';
import { arrangementKey, knownIn } from '../src/arrangement/arrangement-query';
import { changesOf } from '../src/arrangement/changes';
import { opened } from '../src/arrangement/window-state';
import { keys } from '../src/catalogue/queries';
import { after, catalogueOf, CHEST, COMPUTER, d, drawer, EMPTY, p, plugin, PlainServer } from './support';

const PLATES = Array.from({ length: 1500 }, (_, at) => plugin(`Plate ${String(at)}`));
const ids = PLATES.map((one) => one.id);
const names = new Map(PLATES.map((one) => [one.id as string, one.name]));
const nameOf = (id: string): string | undefined => names.get(id);

let client: QueryClient;
let server: PlainServer;
/** What was asked of the server, and what the window showed in the drawer at that moment. */
let asked: { readonly what: string; readonly shown: number }[];
let spoil: (answer: ChangeAnswer) => ChangeAnswer;
const realFetch = globalThis.fetch;
const shown = (): number => knownIn(client, COMPUTER)?.state.entry.size ?? -1;

beforeEach(() => {
  const start = after(
    EMPTY,
    nameOf,
    { kind: 'make-chest', id: CHEST, name: 'Everyday', slots: null },
    drawer('A'),
    drawer('B'),
  );
  server = new PlainServer(start, nameOf);
  client = new QueryClient();
  client.setQueryData(keys.catalogue(COMPUTER), catalogueOf(PLATES));
  client.setQueryData(arrangementKey(COMPUTER), opened(server.view()));
  asked = [];
  spoil = (answer) => answer;
  globalThis.fetch = async (input, init) => {
    const what = typeof input === 'string' ? (input.split('/').at(-1) ?? '') : '';
    asked.push({ what, shown: shown() });
    await new Promise((done) => setTimeout(done, 5));
    if (what === 'arrangement') return Response.json(server.view());
    const { intents, mark = '', brief = false } = JSON.parse(init?.body as string) as ChangeRequest;
    const saved = server.change(1, intents, mark);
    const isLarge = brief && saved.edits.length >= 1000;
    const comesTo = isLarge ? runToCompletion(hashEditResults(saved.edits)) : null;
    return Response.json(spoil({ ...saved, edits: isLarge ? null : saved.edits, comesTo }));
  };
});
afterEach(() => {
  globalThis.fetch = realFetch;
  client.clear();
});

const file = (drawerId: string, pluginIds: readonly string[]) =>
  ({ kind: 'file', drawerIds: [d(drawerId)], pluginIds: pluginIds.map(p) }) as const;

it('is sent at once, shown meanwhile, and what the server says of it takes its place', async () => {
  const made = changesOf(client, COMPUTER).make(file('A', ids.slice(0, 3)));
  expect([asked, shown()]).toEqual([[{ what: 'changes', shown: 0 }], 3]);
  expect(await made).toBe(true);
  expect([knownIn(client, COMPUTER)?.held.state.entry.size, knownIn(client, COMPUTER)?.pending]).toEqual([3, []]);
});

it('of thousands is taken over by its mark, and nothing is fetched', async () => {
  expect(await changesOf(client, COMPUTER).make(file('A', ids))).toBe(true);
  const window = knownIn(client, COMPUTER);
  expect([window?.held.state.entry.size, window?.held.revision, window?.isBehind]).toEqual([1500, 2, false]);
  expect([...(window?.held.state.entry.values() ?? [])]).toEqual([...server.state.entry.values()]);
  expect(asked.map((one) => one.what)).toEqual(['changes']);
  // What can be undone is known, with its rows.
  expect(window?.history.done.at(-1)?.edits.length).toBe(1500);
});

it('that came to something else than was planned is saved all the same, and everything is fetched', async () => {
  spoil = (answer) => ({ ...answer, comesTo: '1500-0' });
  expect(await changesOf(client, COMPUTER).make(file('A', ids))).toBe(true);
  expect(asked.map((one) => one.what)).toEqual(['changes', 'arrangement']);
  const window = knownIn(client, COMPUTER);
  expect([window?.held.state.entry.size, window?.failure, window?.isBehind]).toEqual([1500, null, false]);
});

it('waits its turn behind another one, which it is built on', async () => {
  const changes = changesOf(client, COMPUTER);
  const all = [changes.make(file('A', ids.slice(0, 2))), changes.make(file('B', ids.slice(0, 4)))];
  expect([asked.length, shown()]).toEqual([1, 6]);
  expect(await Promise.all(all)).toEqual([true, true]);
  expect(asked.map((one) => one.shown)).toEqual([0, 6]);
  expect(server.state.entry.size).toBe(6);
});

it('that is refused is put back, and told once', async () => {
  globalThis.fetch = () =>
    Promise.resolve(
      Response.json(
        { type: 'urn:clever-drawer:problem:conflict', detail: 'This drawer is not there any more.' },
        { status: 409 },
      ),
    );
  expect(await changesOf(client, COMPUTER).make(file('A', ids.slice(0, 3)))).toBe(false);
  const window = knownIn(client, COMPUTER);
  expect([window?.state.entry.size, window?.failure?.reason]).toEqual([0, 'This drawer is not there any more.']);
});
