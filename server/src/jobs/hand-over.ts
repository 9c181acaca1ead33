import { createSocket } from 'node:dgram';
import { oscBytes, readOsc, SLOT_ADDRESS, type OscMessage } from '@clever-drawer/core/exchange/osc';

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
    let isOver = false;
    const end = (error?: Error | null): void => {
      // A name that is looked up for long may be found out when nobody waits any more.
      if (isOver) return;
      isOver = true;
      clearTimeout(timer);
      socket.close();
      if (error == null) done();
      else fail(error);
    };
    // A name that no server knows may take long to be found out.
    const timer = setTimeout(() => end(new Error('the address was not found in time')), LONGEST_MS);
    socket.on('error', end);
    socket.send(oscBytes(message), port, host, end);
  });
}

/** What is selected in the other program. */
export interface Selected {
  readonly lane: string | null;
  readonly slot: string | null;
}

const ANSWER_MS = 300;
const MAX_CHARACTERS = 120;

/** Asks what is selected there: a message of SLOT_ADDRESS without arguments, answered by one with lane and slot. Null when nobody answers in time. */
export function askSelected({ host, port }: OscTarget): Promise<Selected | null> {
  return new Promise((done) => {
    const socket = createSocket(host.includes(':') ? 'udp6' : 'udp4');
    let isOver = false;
    const end = (selected: Selected | null): void => {
      if (isOver) return;
      isOver = true;
      clearTimeout(timer);
      socket.close();
      done(selected);
    };
    const timer = setTimeout(() => end(null), ANSWER_MS);
    socket.on('error', () => end(null));
    socket.on('message', (bytes) => {
      const message = readOsc(bytes);
      if (message?.address !== SLOT_ADDRESS) return;
      const word = (at: number): string | null => {
        const argument = message.arguments[at];
        return typeof argument === 'string' && argument !== '' ? argument.slice(0, MAX_CHARACTERS) : null;
      };
      end({ lane: word(0), slot: word(1) });
    });
    socket.send(oscBytes({ address: SLOT_ADDRESS, arguments: [] }), port, host, (error) => {
      if (error !== null) end(null);
    });
  });
}
