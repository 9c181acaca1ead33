/** The line to the server: one that is refused is tried again by the window, since the browser does not. */
import { QueryClient } from '@tanstack/react-query';
import type { WindowEvent } from '@clever-drawer/contract/responses';
import { toldOf } from '../src/arrangement/arrangement-query';
import { follow, type Line } from '../src/arrangement/other-windows';
import { COMPUTER } from './support';

type Mutable = { -readonly [Name in keyof Line]: Line[Name] } & { isClosed: boolean };

let client: QueryClient;
let lines: Mutable[];
beforeEach(() => {
  client = new QueryClient();
  lines = [];
});
afterEach(() => client.clear());

const open = (): Line => {
  const line: Mutable = { onmessage: null, onerror: null, readyState: 0, isClosed: false, close: () => undefined };
  line.close = () => (line.isClosed = true);
  lines.push(line);
  return line;
};
/** HTML, EventSource: 2 is CLOSED, which is what any answer but 200 leads to; 0 is CONNECTING, which the browser goes on with by itself. */
const fail = (line: Mutable | undefined, readyState: 0 | 2): void => {
  if (line === undefined) return;
  line.readyState = readyState;
  line.onerror?.call(line as unknown as EventSource, {} as Event);
};
const hear = (line: Mutable | undefined, event: WindowEvent): void =>
  void line?.onmessage?.call(line as unknown as EventSource, { data: JSON.stringify(event) } as MessageEvent<string>);
const now = (arrangementRevision: number): WindowEvent => ({ kind: 'now', arrangementRevision, catalogueRevision: 1 });
const after = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

it('is opened again by the window when it was refused, and heard', async () => {
  const followed = follow(client, COMPUTER, open, 10);
  hear(lines[0], now(3));
  fail(lines[0], 2);
  expect(lines.length).toBe(1);
  while (lines.length < 2) await after(5);
  hear(lines[1], now(7));
  expect(toldOf(client, COMPUTER)).toBe(7);
  followed.close();
  expect(lines.map((line) => line.isClosed)).toEqual([false, true]);
});

it('is left to the browser where that goes on by itself, and to nobody once it is closed', async () => {
  const followed = follow(client, COMPUTER, open, 10);
  fail(lines[0], 0);
  await after(60);
  expect(lines.length).toBe(1);
  fail(lines[0], 2);
  followed.close();
  await after(60);
  expect(lines.length).toBe(1);
});
