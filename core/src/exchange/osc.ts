/** Open Sound Control 1.0 messages of strings and numbers, as bytes. Source: the OSC 1.0 specification (atomic types, message, padding to four bytes). */

/** An argument of a message: a string ("s"), a 32-bit whole number ("i") or a 32-bit float ("f"). */
export type OscArgument = string | { readonly int: number } | { readonly float: number };

/** A message: an address pattern and its arguments. */
export interface OscMessage {
  readonly address: string;
  readonly arguments: readonly OscArgument[];
}

/** The most bytes of a message that is read or written: what fits into one datagram. */
export const MAX_BYTES = 60_000;

const encoder = new TextEncoder();
const padded = (length: number): number => (length + 4) & ~3;

/** A string as bytes: a null byte at its end, then up to three more, so that the whole is a multiple of four. Null characters inside would end it early and are left out. */
function stringBytes(text: string): Uint8Array {
  const own = encoder.encode(text.replaceAll('\0', ''));
  const bytes = new Uint8Array(padded(own.length));
  bytes.set(own);
  return bytes;
}

function argumentBytes(argument: OscArgument): Uint8Array {
  if (typeof argument === 'string') return stringBytes(argument);
  const bytes = new Uint8Array(4);
  const view = new DataView(bytes.buffer);
  if ('int' in argument) view.setInt32(0, argument.int);
  else view.setFloat32(0, argument.float);
  return bytes;
}

const tagOf = (argument: OscArgument): string => (typeof argument === 'string' ? 's' : 'int' in argument ? 'i' : 'f');

/** The bytes of a message: address, type tags behind a comma, arguments, each padded; numbers big-endian. */
export function oscBytes({ address, arguments: given }: OscMessage): Uint8Array {
  const parts = [stringBytes(address), stringBytes(`,${given.map(tagOf).join('')}`), ...given.map(argumentBytes)];
  const bytes = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}

/** Reads a message of strings and numbers; null for anything else, whatever it is. Never throws. */
export function readOsc(bytes: Uint8Array): OscMessage | null {
  if (bytes.length > MAX_BYTES || bytes.length % 4 !== 0) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = 0;
  const text = (): string | null => {
    const end = bytes.indexOf(0, at);
    if (end < 0) return null;
    const own = new TextDecoder().decode(bytes.subarray(at, end));
    at += padded(end - at);
    return at > bytes.length ? null : own;
  };
  const address = text();
  if (address?.startsWith('/') !== true) return null;
  const tags = text();
  if (tags?.startsWith(',') !== true) return null;
  const read: OscArgument[] = [];
  for (const tag of tags.slice(1)) {
    if (tag === 's') {
      const own = text();
      if (own === null) return null;
      read.push(own);
      continue;
    }
    if ((tag !== 'i' && tag !== 'f') || at + 4 > bytes.length) return null;
    read.push(tag === 'i' ? { int: view.getInt32(at) } : { float: view.getFloat32(at) });
    at += 4;
  }
  return at === bytes.length ? { address, arguments: read } : null;
}

/** The address of the message that tells a music program what to load. */
export const PICK_ADDRESS = '/clever-drawer/pick';
/** The address of the message by which the other side tells which slot is selected there. */
export const SLOT_ADDRESS = '/clever-drawer/slot';

/** What a pick tells: texts are empty where nothing is known. */
export interface PickMessage {
  readonly format: string;
  readonly identifier: string;
  readonly path: string;
  readonly name: string;
  readonly lane: string;
  readonly slot: string;
}

/** The message of a pick: format, identifier, path, name, lane and slot, all as strings. */
export const pickMessage = ({ format, identifier, path, name, lane, slot }: PickMessage): OscMessage => ({
  address: PICK_ADDRESS,
  arguments: [format, identifier, path, name, lane, slot],
});
