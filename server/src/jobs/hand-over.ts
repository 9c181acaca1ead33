import { createSocket } from 'node:dgram';
import { oscBytes, type OscMessage } from '@clever-drawer/core/exchange/osc';

/** Where picks are sent. */
export interface OscTarget {
  readonly host: string;
  readonly port: number;
}

const LONGEST_MS = 2000;

/** Sends one message by UDP. Nothing tells whether anybody was there; rejects only when it could not be sent at all. */
export function sendOsc({ host, port }: OscTarget, message: OscMessage): Promise<void> {
  return new Promise((done, fail) => {
    const socket = createSocket(host.includes(':') ? 'udp6' : 'udp4');
    const end = (error?: Error | null): void => {
      clearTimeout(timer);
      socket.close();
      if (error == null) done();
      else fail(error);
    };
    // A name that no server knows may take long to be found out.
    const timer = setTimeout(() => end(new Error('the address was not found in time')), LONGEST_MS);
    socket.once('error', end);
    socket.send(oscBytes(message), port, host, end);
  });
}
