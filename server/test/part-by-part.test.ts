/** A long answer of the database is taken in part by part: whatever else is to be done gets its turn. */
import { createHash, randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { partByPart } from '../src/database/part-by-part';

const SENT = randomBytes(8 * 1024 * 1024);
const hash = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** Reads all that a server sends; what comes, and the most that came in one turn of the event loop. */
async function readAll(socket: Socket): Promise<{ bytes: Buffer; most: number }> {
  const server = createServer((line) => line.end(SENT));
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const parts: Buffer[] = [];
  let [inTurn, most, isOpen] = [0, 0, true];
  const turn = (): void => {
    inTurn = 0;
    if (isOpen) setImmediate(turn);
  };
  turn();
  socket.connect((server.address() as AddressInfo).port, '127.0.0.1');
  // The first to listen is held up: what comes piles up meanwhile, as rows do while they are parsed.
  socket.on('data', (part: Buffer) => {
    parts.push(part);
    inTurn += part.length;
    most = Math.max(most, inTurn);
    const until = performance.now() + 2;
    while (performance.now() < until);
  });
  await once(socket, 'end');
  isOpen = false;
  server.close();
  return { bytes: Buffer.concat(parts), most };
}

it('all of it arrives, in its order, and no more than two parts in a turn', async () => {
  const { bytes, most } = await readAll(partByPart({}));
  expect([bytes.length, hash(bytes)]).toEqual([SENT.length, hash(SENT)]);
  expect(most).toBeLessThanOrEqual(2 * 65_536);
});

it('under TLS nothing of it is read here', () => {
  expect(partByPart({ ssl: true }).listenerCount('data')).toBe(0);
  expect(partByPart({ ssl: false }).listenerCount('data')).toBe(1);
});
