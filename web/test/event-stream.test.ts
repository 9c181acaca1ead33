/** One event stream for all windows of a browser: opened again when it breaks, shared, and closed with the last window. HTML, "Server-sent events". */
import type { WindowEvent } from '@clever-drawer/contract/responses';
import { connectEvents } from '../src/arrangement/events/connect';
import { openEventStream, type EventSourceLike, type StreamListener } from '../src/arrangement/events/event-stream';
import { StreamHub, type HubMessage } from '../src/arrangement/events/stream-hub';
import { COMPUTER } from './support';

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

describe('a stream', () => {
  let sources: (EventSourceLike & { isClosed: boolean })[];
  let states: boolean[];
  let data: string[];
  const listener: StreamListener = { onData: (text) => data.push(text), onState: (isOpen) => states.push(isOpen) };
  const open = (): EventSourceLike => {
    const source = { onmessage: null, onerror: null, onopen: null, isClosed: false, close: () => undefined };
    const own: EventSourceLike & { isClosed: boolean } = source;
    own.close = () => {
      own.isClosed = true;
    };
    sources.push(own);
    return own;
  };
  const call = (at: number, handler: 'onopen' | 'onerror'): void =>
    void sources[at]?.[handler]?.call(sources[at] as unknown as EventSource, {} as Event);
  const send = (at: number, text: string): void =>
    void sources[at]?.onmessage?.call(sources[at] as unknown as EventSource, { data: text } as MessageEvent<string>);

  beforeEach(() => {
    sources = [];
    states = [];
    data = [];
  });

  it('says when it is open and when it is not, and is opened again after a failure', async () => {
    const stream = openEventStream('/events', listener, open, { retry: 5, silence: 10_000 });
    call(0, 'onopen');
    send(0, 'first');
    call(0, 'onerror');
    expect([states, sources[0]?.isClosed]).toEqual([[true, false], true]);
    while (sources.length < 2) await pause(5);
    call(1, 'onopen');
    send(1, 'second');
    expect([states, data]).toEqual([
      [true, false, true],
      ['first', 'second'],
    ]);
    stream.close();
    call(1, 'onerror');
    await pause(30);
    expect([sources.length, sources[1]?.isClosed]).toEqual([2, true]);
  });

  it('that is silent for too long is taken for broken', async () => {
    const stream = openEventStream('/events', listener, open, { retry: 5, silence: 20 });
    call(0, 'onopen');
    while (sources.length < 2) await pause(5);
    expect(states).toEqual([true, false]);
    stream.close();
  });
});

describe('the hub of all windows', () => {
  let opened: { readonly address: string; readonly listener: StreamListener; isClosed: boolean }[];
  let hub: StreamHub;
  const windowOf = () => {
    const messages: HubMessage[] = [];
    return { messages, postMessage: (message: HubMessage) => void messages.push(message) };
  };
  const now = (arrangementRevision: number): WindowEvent => ({
    kind: 'now',
    epoch: 'e',
    arrangementRevision,
    catalogueRevision: 1,
  });

  beforeEach(() => {
    opened = [];
    hub = new StreamHub((address, listener) => {
      const one = { address, listener, isClosed: false };
      opened.push(one);
      return { close: () => (one.isClosed = true) };
    });
  });

  it('opens one stream for eight windows and closes it with the last of them', () => {
    const windows = Array.from({ length: 8 }, windowOf);
    for (const window of windows) hub.handle(window, { follow: '/events' });
    opened[0]?.listener.onData(JSON.stringify(now(4)));
    expect([opened.length, windows.map(({ messages }) => messages.length)]).toEqual([1, Array(8).fill(1)]);
    // The first one is closed in the middle: the others go on.
    for (const window of windows.slice(0, 7)) hub.handle(window, { leave: true });
    opened[0]?.listener.onData(JSON.stringify(now(5)));
    expect(windows.map(({ messages }) => messages.length)).toEqual([1, 1, 1, 1, 1, 1, 1, 2]);
    hub.handle(windows[7] ?? windowOf(), { leave: true });
    expect([opened[0]?.isClosed, hub.size]).toEqual([true, 0]);
  });

  it('tells a window that joins how far things are, with the changes since', () => {
    const [first, second] = [windowOf(), windowOf()];
    hub.handle(first, { follow: '/events' });
    opened[0]?.listener.onState(true);
    opened[0]?.listener.onData(JSON.stringify(now(4)));
    opened[0]?.listener.onData(JSON.stringify({ kind: 'changed', window: null, saved: { revision: 9 } }));
    hub.handle(second, { follow: '/events' });
    expect(second.messages).toEqual([{ isOpen: true }, { data: JSON.stringify(now(9)) }]);
  });

  it('keeps the streams of two computers apart', () => {
    const [first, second] = [windowOf(), windowOf()];
    hub.handle(first, { follow: '/one' });
    hub.handle(second, { follow: '/two' });
    opened[1]?.listener.onState(true);
    expect([first.messages, second.messages]).toEqual([[], [{ isOpen: true }]]);
    // Another computer is at hand: the window leaves the stream that it had.
    hub.handle(first, { follow: '/two' });
    expect([hub.size, opened[0]?.isClosed]).toEqual([1, true]);
  });
});

it('where a shared worker is forbidden, the window asks how far things are instead', async () => {
  const [realFetch, realWorker] = [globalThis.fetch, globalThis.SharedWorker];
  globalThis.SharedWorker = function forbidden(): never {
    throw new Error('forbidden');
  } as unknown as typeof SharedWorker;
  globalThis.fetch = () =>
    Promise.resolve(Response.json({ epoch: 'e', arrangementRevision: 4, catalogueRevision: 1, lastLoad: '0' }));
  try {
    const data: string[] = [];
    const connection = connectEvents(COMPUTER, { onData: (text) => data.push(text), onState: () => undefined });
    while (data.length === 0) await pause(5);
    connection.close();
    expect(JSON.parse(data[0] ?? '')).toMatchObject({ kind: 'now', arrangementRevision: 4 });
  } finally {
    globalThis.fetch = realFetch;
    globalThis.SharedWorker = realWorker;
  }
});
