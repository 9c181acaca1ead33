/** Damages files, each time in the same way for the same number. */
import { seeds } from './seeds.mjs';

/** Numbers from 0 to 1 with a seed (mulberry32, public domain). */
function numbersFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const EXTREMES = [0, 1, 0xff, 0x7f, 0x80, 0xffff, 0x7fffffff, 0x80000000, 0xffffffff];
const all = seeds();
/** The names of what is damaged. */
export const NAMES = Object.keys(all);

/** The mutant of a number: which seed it was, and the damaged place. */
export function mutant(seed, number) {
  const random = numbersFrom(seed * 1_000_003 + number);
  const below = (most) => Math.floor(random() * most);
  const name = NAMES[number % NAMES.length];
  const { name: place, files } = all[name];
  const inside = Object.keys(files);
  const wanted = inside[below(inside.length)];
  let bytes = files[wanted].slice();
  // Heads and tables tell more than what lies behind them.
  const at = () => (random() < 0.6 ? below(Math.min(bytes.length, 4096)) : below(bytes.length));
  for (let turns = 1 + below(4); turns > 0 && bytes.length > 0; turns--) {
    const from = at();
    switch (below(7)) {
      case 0:
        bytes[from] ^= 1 << below(8);
        break;
      case 1:
        bytes.fill([0, 0xff, 0x41][below(3)], from, from + 1 + below(64));
        break;
      case 2:
        bytes = bytes.slice(0, from);
        break;
      case 3: {
        const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
        const value = EXTREMES[below(EXTREMES.length)];
        if (from + 4 <= bytes.length) view.setUint32(from, value, random() < 0.5);
        break;
      }
      case 4: {
        // A stretch of it over and over.
        const part = bytes.slice(from, from + 1 + below(200));
        const again = 1 + below(random() < 0.05 ? 3000 : 20);
        const longer = new Uint8Array(bytes.length + part.length * again);
        longer.set(bytes.subarray(0, from));
        for (let turn = 0; turn < again; turn++) longer.set(part, from + turn * part.length);
        longer.set(bytes.subarray(from), from + part.length * again);
        bytes = longer;
        break;
      }
      case 5: {
        const to = at();
        bytes.copyWithin(to, from, from + 1 + below(64));
        break;
      }
      default:
        bytes = Uint8Array.from([
          ...bytes.subarray(0, Math.min(from, 100_000)),
          ...bytes.subarray(from + 1 + below(16)),
        ]);
    }
  }
  return { name, place, files: { ...files, [wanted]: bytes } };
}
