import { crc32, deflateSync } from 'node:zlib';

type Colour = readonly [number, number, number];

const [WIDTH, HEIGHT] = [180, 108];
const MARGIN = 12;

/** The face of a made-up plugin: a panel in its vendor's colour, with knobs as its number has it. PNG after the W3C's recommendation. */
export function facePng(seed: number, number: number): Uint8Array {
  const panel = hue(seed * 47, 0.55);
  const dark = hue(seed * 47, 0.25);
  const light = hue(seed * 47 + 30, 0.92);
  const knobs = 2 + (number % 3);
  const rows = Buffer.alloc((WIDTH * 3 + 1) * HEIGHT);
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const colour = colourAt(x, y, { panel, dark, light, knobs, number });
      rows.set(colour, y * (WIDTH * 3 + 1) + 1 + x * 3);
    }
  }
  const head = Buffer.alloc(13);
  head.writeUInt32BE(WIDTH, 0);
  head.writeUInt32BE(HEIGHT, 4);
  // Eight bits a channel, red, green and blue.
  head.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

interface Look {
  readonly panel: Colour;
  readonly dark: Colour;
  readonly light: Colour;
  readonly knobs: number;
  readonly number: number;
}

function colourAt(x: number, y: number, { panel, dark, light, knobs, number }: Look): Colour {
  if (x < 3 || y < 3 || x >= WIDTH - 3 || y >= HEIGHT - 3) return dark;
  // A name plate above, knobs with their marks below.
  if (y > MARGIN && y < MARGIN + 16 && x > MARGIN && x < WIDTH - MARGIN) return light;
  const step = WIDTH / knobs;
  const at = Math.floor(x / step);
  const [dx, dy] = [x - step * (at + 0.5), y - HEIGHT * 0.65];
  const radius = Math.hypot(dx, dy);
  if (radius > 20) return panel;
  const turn = ((number * 7 + at * 5) % 10) / 10;
  const angle = Math.PI * (0.75 + 1.5 * turn);
  const along = dx * Math.cos(angle) + dy * Math.sin(angle);
  const across = Math.abs(dy * Math.cos(angle) - dx * Math.sin(angle));
  return along > 6 && across < 2 ? light : dark;
}

function hue(degrees: number, light: number): Colour {
  const channel = (shift: number): number => {
    const wave = 0.5 + 0.5 * Math.cos(((degrees + shift) * Math.PI) / 180);
    return Math.round(255 * light * (0.6 + 0.4 * wave));
  };
  return [channel(0), channel(-120), channel(120)];
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const whole = Buffer.alloc(body.length + 8);
  whole.writeUInt32BE(data.length, 0);
  body.copy(whole, 4);
  whole.writeUInt32BE(crc32(body), body.length + 4);
  return whole;
}
