import { readFile } from 'node:fs/promises';
import type { Socket } from 'node:net';
import type { RequestHandler } from 'express';
import { HttpError } from './http-error.js';
import { sendProblem } from './problem.js';

/** An end of a connection as /proc/net/tcp writes it: address and port in hexadecimal. */
interface Ends {
  readonly local: string;
  readonly remote: string;
  readonly uid: number;
}

/** The connections in a table of the kernel. proc(5), /proc/net/tcp: the second and third field, and the eighth, the user's number. */
export function endsIn(table: string): Ends[] {
  return table
    .split('\n')
    .slice(1)
    .flatMap((line) => {
      const [, local, remote, , , , , uid] = line.trim().split(/\s+/);
      return local === undefined || remote === undefined || uid === undefined
        ? []
        : [{ local, remote, uid: Number(uid) }];
    });
}

const MAPPED = '0000000000000000FFFF0000';

/** 127.0.0.1 and a port, the address in the order of the machine's bytes; from an IPv6 socket it is a mapped one. */
const endOf = (port: number, isMapped: boolean): string =>
  `${isMapped ? MAPPED : ''}0100007F:${port.toString(16).toUpperCase().padStart(4, '0')}`;

type Owner = number | 'unknown' | 'nobody';

/**
 * Who owns the other end of a connection over loopback, by the kernel's tables: a user's number; `nobody` when the kernel knows our end and no other one; `unknown`
 * where there are no such tables, or they don't tell of us either.
 */
export async function ownerOf(
  socket: Pick<Socket, 'localPort' | 'remotePort'>,
  tables: () => Promise<readonly string[]> = readTables,
): Promise<Owner> {
  const { localPort = 0, remotePort = 0 } = socket;
  const ends = (await tables()).flatMap(endsIn);
  for (const isMapped of [false, true]) {
    const [ours, theirs] = [endOf(localPort, isMapped), endOf(remotePort, isMapped)];
    const other = ends.find((one) => one.local === theirs && one.remote === ours);
    if (other !== undefined) return other.uid;
  }
  const knowsUs = [false, true].some((isMapped) =>
    ends.some((one) => one.local === endOf(localPort, isMapped) && one.remote === endOf(remotePort, isMapped)),
  );
  return knowsUs ? 'nobody' : 'unknown';
}

const readTables = async (): Promise<string[]> =>
  Promise.all(['/proc/net/tcp', '/proc/net/tcp6'].map((file) => readFile(file, 'latin1').catch(() => '')));

/**
 * Refuses requests of other users of the same computer: loopback is open to all of them. `users`: numbers of those who may besides the server's own.
 * Where the system does not tell who owns a connection, `unknown` decides.
 */
export function onlyOwnUser(
  users: readonly number[],
  unknown: RequestHandler,
  owner: (socket: Socket) => Promise<Owner> = ownerOf,
): RequestHandler {
  const may = new Set([process.getuid?.() ?? -1, ...users]);
  // Once for each connection: it stays the same one's.
  const known = new WeakMap<Socket, Promise<Owner>>();
  return (request, response, next) => {
    const { socket } = request;
    const found = known.get(socket) ?? owner(socket);
    known.set(socket, found);
    found
      .then((uid) => {
        if (uid === 'unknown') void unknown(request, response, next);
        else if (uid !== 'nobody' && may.has(uid)) next();
        else
          sendProblem(
            response,
            new HttpError(
              'other-user',
              'Another user of this computer runs this Clever Drawer. Start your own, or have that user name you in CLEVER_DRAWER_USERS.',
            ),
          );
      })
      .catch(next);
  };
}
