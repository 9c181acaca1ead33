import { PNG } from 'pngjs';

type Colour = readonly [number, number, number];

const [WIDTH, HEIGHT] = [180, 108];
const MARGIN = 12;
const OPAQUE = 255;
/** Red, green and blue alone, after the W3C's recommendation on PNG. */
const WITHOUT_ALPHA = 2;
/** Lines as they are, and not the best of five ways of writing each: these pictures are flat, and hundreds are made. */
const NO_FILTER = 0;

/** The face of a made-up plugin: a panel in its vendor's colour, with knobs as its number has it. A PNG file. */
export function facePng(seed: number, number: number): Uint8Array {
  const panel = hue(seed * 47, 0.55);
  const dark = hue(seed * 47, 0.25);
  const light = hue(seed * 47 + 30, 0.92);
  const knobs = 2 + (number % 3);
  const png = new PNG({ width: WIDTH, height: HEIGHT });
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      png.data.set([...colourAt(x, y, { panel, dark, light, knobs, number }), OPAQUE], (y * WIDTH + x) * 4);
    }
  }
  return PNG.sync.write(png, { colorType: WITHOUT_ALPHA, filterType: NO_FILTER });
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
