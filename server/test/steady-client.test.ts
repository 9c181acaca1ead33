/** A database that ends in the very moment in which it lets somebody in: what it says then comes in one piece (PostgreSQL 15, 55.7, message formats). */
import { createServer, type AddressInfo } from 'node:net';
import { dataSourceFor } from '../src/database/data-source';
import { isOutOfReach } from '../src/database/out-of-reach';

const message = (kind: string, ...parts: Uint8Array[]): Buffer => {
  const body = Buffer.concat(parts);
  const length = Buffer.alloc(4);
  length.writeInt32BE(body.length + 4);
  return Buffer.concat([Buffer.from(kind), length, body]);
};
const LET_IN = message('R', Buffer.alloc(4));
const READY = message('Z', Buffer.from('I'));
const ENDED = message(
  'E',
  Buffer.from('SFATAL\0C57P01\0Mterminating connection due to unexpected postmaster exit\0\0'),
);

it('ends what is asked, and not the server', async () => {
  const database = createServer((line) => {
    line.on('error', () => undefined);
    line.once('data', () => line.end(Buffer.concat([LET_IN, READY, ENDED])));
  });
  await new Promise<void>((done) => database.listen(0, '127.0.0.1', done));
  const { port } = database.address() as AddressInfo;
  const source = dataSourceFor(`postgresql://drawer@127.0.0.1:${String(port)}/drawer`);
  const error = await source.initialize().then(
    () => null,
    (reason: unknown) => reason,
  );
  expect(error).toBeInstanceOf(Error);
  expect(isOutOfReach(error)).toBe(true);
  database.close();
});
