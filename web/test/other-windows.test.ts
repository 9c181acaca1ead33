/** What a window makes of the events that it hears: how far the server is, in which epoch, and that it answers. */
import { QueryClient } from '@tanstack/react-query';
import type { WindowEvent } from '@clever-drawer/contract/responses';
import { arrangementKey, isBehindServer, knownIn, lastAnnouncedRevision } from '../src/arrangement/arrangement-query';
import type { StreamListener } from '../src/arrangement/events/event-stream';
import { follow } from '../src/arrangement/other-windows';
import { serverState } from '../src/arrangement/server-state';
import { opened } from '../src/arrangement/window-state';
import { COMPUTER, EMPTY, PlainServer } from './support';

let client: QueryClient;
let listener: StreamListener | null;
const realFetch = globalThis.fetch;
beforeEach(() => {
  client = new QueryClient();
  listener = null;
  follow(client, COMPUTER, (_computer, own) => {
    listener = own;
    return { close: () => undefined };
  });
});
afterEach(() => {
  client.clear();
  globalThis.fetch = realFetch;
});

const hear = (event: WindowEvent): void => listener?.onData(JSON.stringify(event));
const now = (epoch: string, arrangementRevision: number): WindowEvent => ({
  kind: 'now',
  epoch,
  arrangementRevision,
  catalogueRevision: 1,
});

it('remembers the highest revision within an epoch, and begins anew in another one', () => {
  hear(now('a', 7));
  hear(now('a', 3));
  expect(lastAnnouncedRevision(client, COMPUTER)).toEqual({ epoch: 'a', revision: 7 });
  hear(now('b', 2));
  expect(lastAnnouncedRevision(client, COMPUTER)).toEqual({ epoch: 'b', revision: 2 });
});

it('takes an older state over when the data was replaced by a copy', async () => {
  const server = new PlainServer(EMPTY, () => undefined);
  client.setQueryData(arrangementKey(COMPUTER), opened({ ...server.view(), epoch: 'a', revision: 9 }));
  globalThis.fetch = () => Promise.resolve(Response.json({ ...server.view(), epoch: 'b', revision: 4 }));
  hear(now('b', 4));
  for (let tries = 0; tries < 100 && isBehindServer(client, COMPUTER); tries++)
    await new Promise((resolve) => setTimeout(resolve, 5));
  const held = knownIn(client, COMPUTER)?.held;
  expect([held?.epoch, held?.revision]).toEqual(['b', 4]);
});

it('knows whether the server and its database answer', () => {
  listener?.onState(false);
  expect(serverState(client)).toBe('gone');
  listener?.onState(true);
  expect(serverState(client)).toBe('there');
  hear({ kind: 'database', isThere: false });
  expect(serverState(client)).toBe('database-gone');
  hear(now('a', 1));
  expect(serverState(client)).toBe('there');
});
