/**
 * Bytes: the two examples of the Open Sound Control 1.0 specification ("Examples of OSC messages"; from memory), and the package osc-min of the registry, which
 * shares no line with ours.
 */
import fc from 'fast-check';
import { fromBuffer, toBuffer } from 'osc-min';
import { oscBytes, pickMessage, readOsc, type OscArgument } from '../../src/exchange/osc';

const hex = (bytes: Uint8Array): string => Buffer.from(bytes).toString('hex');

describe('Open Sound Control', () => {
  it('/oscillator/4/frequency 440.0', () => {
    expect(hex(oscBytes({ address: '/oscillator/4/frequency', arguments: [{ float: 440 }] }))).toBe(
      '2f6f7363696c6c61746f722f342f6672657175656e6379002c66000043dc0000',
    );
  });
  it('/foo 1000 -1 "hello" 1.234 5.678', () => {
    const message = {
      address: '/foo',
      arguments: [{ int: 1000 }, { int: -1 }, 'hello', { float: 1.234 }, { float: 5.678 }] as OscArgument[],
    };
    expect(hex(oscBytes(message))).toBe(
      '2f666f6f000000002c69697366660000000003e8ffffffff68656c6c6f0000003f9df3b640b5b22d',
    );
  });

  it('reads and writes as osc-min does', () => {
    const text = fc.string({ unit: 'grapheme' }).map((one) => one.replaceAll('\0', ''));
    fc.assert(
      fc.property(
        fc.array(fc.oneof(text, fc.integer({ min: -(2 ** 31), max: 2 ** 31 - 1 })), { maxLength: 8 }),
        (args) => {
          const own = args.map((one): OscArgument => (typeof one === 'string' ? one : { int: one }));
          const bytes = oscBytes({ address: '/clever-drawer/pick', arguments: own });
          const theirs = toBuffer({
            address: '/clever-drawer/pick',
            args: args.map((value) =>
              typeof value === 'string' ? { type: 'string', value } : { type: 'integer', value },
            ),
          } as never);
          expect(hex(bytes)).toBe(hex(new Uint8Array(theirs.buffer, theirs.byteOffset, theirs.byteLength)));
          const back = fromBuffer(Buffer.from(bytes)) as { args: { value: unknown }[] };
          expect(back.args.map((one) => one.value)).toEqual(args);
          expect(readOsc(bytes)).toEqual({ address: '/clever-drawer/pick', arguments: own });
        },
      ),
      { seed: 13, numRuns: 300 },
    );
  });

  it('a pick is six strings in their order', () => {
    const pick = { format: 'CLAP', identifier: 'x', path: '/p', name: 'Copper EQ', lane: 'Goose', slot: 'insert' };
    expect(readOsc(oscBytes(pickMessage(pick)))?.arguments).toEqual([
      'CLAP',
      'x',
      '/p',
      'Copper EQ',
      'Goose',
      'insert',
    ]);
  });

  it('whatever bytes come, none throws, and what is cut is no message', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), (bytes) => {
        expect(() => readOsc(bytes)).not.toThrow();
      }),
      { seed: 13, numRuns: 2000 },
    );
    const whole = oscBytes({ address: '/a', arguments: ['hello', { int: 3 }] });
    for (let length = 0; length < whole.length; length++) expect(readOsc(whole.subarray(0, length))).toBeNull();
  });
});
