import { Socket } from 'node:net';

/** Bytes of an answer that are read in a row; that many rows take a few milliseconds to parse. */
const IN_A_ROW = 65_536;

/**
 * A connection to the database, not yet opened, on which a long answer is taken in part by part: the event loop reads up to 2 MB from a socket before it turns to
 * anything else, and while 50,000 rows come in nobody would be answered. With TLS it is an ordinary one: then what comes is not read here.
 */
export function partByPart({ ssl }: { readonly ssl?: unknown }): Socket {
  const socket = new Socket();
  if (ssl !== undefined && ssl !== false) return socket;
  let read = 0;
  socket.on('data', (bytes) => {
    read += bytes.length;
    if (read < IN_A_ROW) return;
    read = 0;
    socket.pause();
    setImmediate(() => socket.resume());
  });
  return socket;
}
