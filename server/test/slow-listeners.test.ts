/** A window that does not listen costs the server no more than a little: its line is dropped, and it fetches anew. */
import { connect } from 'node:net';
import { setTimeout as rest } from 'node:timers/promises';
import { api, change, computer, useStudio } from './support/studio';

useStudio();

it('what waits for a window that does not read is bounded; the line is dropped, and a new one tells how far things are', async () => {
  const { hostname, port } = new URL(api.url);
  const socket = connect({ host: hostname, port: Number(port) });
  socket.write(
    `GET /api/computers/${computer}/events HTTP/1.1\r\nHost: ${hostname}:${port}\r\nAccept: text/event-stream\r\n\r\n`,
  );
  await new Promise((done) => socket.once('data', done));
  socket.pause();
  const line = { isDropped: false };
  socket.on('error', () => (line.isDropped = true));
  socket.on('close', () => (line.isDropped = true));
  // Each of them tells of some hundred kilobytes.
  const lanes = (step: number) =>
    Array.from({ length: 60 }, (_, at) => ({
      id: `00000000-0000-4000-8000-${String(step * 100 + at).padStart(12, '0')}`,
      kind: 'audio',
      name: 'x'.repeat(100),
      inserts: 16,
    }));
  for (let step = 0; step < 60; step++) {
    const session = `00000000-0000-4000-9000-${String(step).padStart(12, '0')}`;
    expect(
      (await change({ kind: 'make-session', id: session, name: `Scene ${String(step)}`, lanes: lanes(step) })).status,
    ).toBe(200);
  }
  // What the system itself had taken in is read first, and then the end is met.
  socket.resume();
  for (let tries = 0; tries < 100 && !line.isDropped; tries++) await rest(50);
  expect(line.isDropped).toBe(true);
  const response = await fetch(`${api.url}/api/computers/${computer}/events`);
  const reader = response.body?.getReader();
  let text = '';
  while (!text.includes('"kind":"now"')) text += new TextDecoder().decode((await reader?.read())?.value);
  await reader?.cancel();
}, 60_000);
