import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { IdleTimer } from '../jobs/idle-timer.js';

interface Packed {
  readonly tag: string;
  readonly bytes: Promise<Buffer>;
  /** 0 until it is packed. */
  size: number;
}

/** So much is kept, in bytes and in answers; the one that was asked for longest ago goes first. */
const MAX_BYTES = 32 * 1024 * 1024;
const MAX_ANSWERS = 64;

/**
 * Answers as they were last sent, in compressed JSON: a catalogue of 50,000 plugins is neither put into words nor packed anew while its tag stays the same. They
 * are let go when nobody has asked for a while.
 */
export class PackedAnswers {
  private readonly kept = new Map<string, Packed>();
  private readonly quiet = new IdleTimer(() => this.kept.clear());

  /** The answer at an address under a tag, as gzip; made when the last one had another tag. Several that ask at a time wait for the same one. */
  of(address: string, tag: string, make: () => Promise<object>): Promise<Buffer> {
    this.quiet.asked();
    const last = this.kept.get(address);
    // Put in again, it is the youngest.
    this.kept.delete(address);
    if (last?.tag === tag) {
      this.kept.set(address, last);
      return last.bytes;
    }
    const own: Packed = { tag, bytes: make().then(packed), size: 0 };
    this.kept.set(address, own);
    own.bytes.then(
      (bytes) => {
        own.size = bytes.length;
        this.makeRoom();
      },
      () => {
        if (this.kept.get(address) === own) this.kept.delete(address);
      },
    );
    return own.bytes;
  }

  /** Lets go of all. */
  close(): void {
    this.quiet.close();
    this.kept.clear();
  }

  private makeRoom(): void {
    let bytes = [...this.kept.values()].reduce((sum, { size }) => sum + size, 0);
    for (const [address, { size }] of this.kept) {
      if (bytes <= MAX_BYTES && this.kept.size <= MAX_ANSWERS) return;
      this.kept.delete(address);
      bytes -= size;
    }
  }
}

/** Quick rather than small: nothing goes further than this computer. */
const LEVEL = 1;
/** So many bytes are packed or unpacked at a time. */
export const CHUNK = 256 * 1024;

async function packed(answer: object): Promise<Buffer> {
  const gzip = createGzip({ level: LEVEL, chunkSize: CHUNK });
  const [bytes] = await Promise.all([buffer(gzip), pipeline(Readable.from(jsonParts(answer)), gzip)]);
  return bytes;
}

const PART = 500;

/** The JSON of an answer, its long lists part by part: others are answered in between, and never is all of it there as one text. */
export function* jsonParts(answer: object): Generator<string> {
  if (Array.isArray(answer)) {
    yield* partsOfList(answer);
    return;
  }
  let before = '{';
  for (const [name, value] of Object.entries(answer) as [string, unknown][]) {
    if (value === undefined) continue;
    yield `${before}${JSON.stringify(name)}:`;
    before = ',';
    if (Array.isArray(value)) yield* partsOfList(value);
    else if (isLarge(value)) yield* jsonParts(value);
    else yield JSON.stringify(value);
  }
  yield before === '{' ? '{}' : '}';
}

/** Whether an answer holds a long list, itself or in one of its fields. */
export const isLong = (answer: unknown): answer is object =>
  (Array.isArray(answer) && answer.length > PART) ||
  isLarge(answer) ||
  (typeof answer === 'object' && answer !== null && Object.values(answer).some(isLarge));

/** A thing that holds long lists itself. */
const isLarge = (value: unknown): value is object =>
  typeof value === 'object' &&
  value !== null &&
  Object.values(value).some((inner) => Array.isArray(inner) && inner.length > PART);

function* partsOfList(list: readonly unknown[]): Generator<string> {
  yield '[';
  for (let from = 0; from < list.length; from += PART)
    yield `${from === 0 ? '' : ','}${JSON.stringify(list.slice(from, from + PART)).slice(1, -1)}`;
  yield ']';
}
