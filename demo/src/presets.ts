import { roleOf, type DemoPlugin } from './studio.js';

/** A made-up preset; a bank of null: it stands alone. */
export interface DemoPreset {
  readonly name: string;
  readonly bank: string | null;
}

const bank = (name: string, ...presets: readonly string[]): DemoPreset[] =>
  presets.map((preset) => ({ name: preset, bank: name }));
const single = (...presets: readonly string[]): DemoPreset[] => presets.map((name) => ({ name, bank: null }));

/** Presets by what a plugin does, as the puppet theatre calls them. */
const SPACES = [
  ...bank('Voices', 'Vocal Hall', 'Narrator in the Wagon'),
  ...bank('Rooms', 'Wooden Stage', 'Under the Bridge', 'Wagon at Night'),
  ...single('Cave, Scene 3'),
];
const ECHOES = [
  ...bank('Voices', 'Slap for the Narrator', 'Giant Across the Valley'),
  ...bank('Rhythm', 'Dotted Eighths', 'Quarter Notes, Dark'),
  ...single('Goose Call'),
];
const DYNAMICS = [
  ...bank('Voices', 'Narrator, Close', 'Choir of Geese'),
  ...bank('Instruments', 'Accordion, Even', 'Tin Piano, Tamed'),
  ...single('Gentle'),
];
const TONE = [
  ...bank('Voices', 'Narrator, Clear', 'Through the Telephone'),
  ...bank('Instruments', 'Less Accordion Rattle', 'Saw, Softer'),
  ...single('Lift the Top'),
];
const COLOURS = [
  ...bank('Voices', 'Old Wireless', 'Angry Giant'),
  ...bank('Instruments', 'Broken Accordion', 'Worn Reel'),
  ...single('A Little Warmth'),
];
const MOTIONS = [
  ...bank('Slow', 'Wide and Slow', 'Fog on the River'),
  ...bank('Fast', 'Nervous Goose', 'Spinning Coin'),
  ...single('Barely There'),
];
const PITCHES = [
  ...bank('Voices', 'Octave Down Giant', 'Mouse', 'Two Witches'),
  ...bank('Correction', 'Gentle Tuning', 'Hard Tuning'),
  ...single('Fifth Above'),
];
const SOUNDS = [
  ...bank('Overture', 'Curtain Up', 'Lamplight Waltz', 'Fairground'),
  ...bank('Quiet scenes', 'Lullaby', 'Snow on the Roof'),
  ...single('Plain'),
];
const PATTERNS = [
  ...bank('Marches', 'Tin Soldiers', 'Parade of Geese'),
  ...bank('Waltzes', 'Carousel', 'Last Dance'),
  ...single('Straight Eighths'),
];
const WIDTHS = [...bank('Mixing', 'Mono Below the Voice', 'Wider Chorus'), ...single('Front Row', 'Unchanged')];

const BY_KIND: ReadonlyMap<string, readonly DemoPreset[]> = new Map(
  (
    [
      ['reverb granular', SPACES],
      ['delay glitch multi-effect', ECHOES],
      [
        'compressor limiter gate expander multiband-dynamics transient-shaper de-esser channel-strip mastering-chain',
        DYNAMICS,
      ],
      ['eq filter restoration', TONE],
      ['distortion saturation tape bit-crusher amp-simulator ring-modulator', COLOURS],
      ['chorus phaser flanger vibrato tremolo rotary auto-pan', MOTIONS],
      ['pitch-shifter harmoniser pitch-correction vocoder', PITCHES],
      ['panner stereo-imager ambisonics surround utility', WIDTHS],
    ] as const
  ).flatMap(([kinds, presets]) => kinds.split(' ').map((kind) => [kind, presets] as const)),
);

const NONE: readonly DemoPreset[] = [];

/** What there are presets of for a kind of plugin; meters and other tools have none. */
function presetsFor(kind: string): readonly DemoPreset[] {
  const role = roleOf(kind);
  return BY_KIND.get(kind) ?? (role === 'instrument' ? SOUNDS : role === 'midi-effect' ? PATTERNS : NONE);
}

/** The presets of a plugin, the same on both computers; every fourth plugin has none. */
export function presetsOf({ number, kind }: DemoPlugin): DemoPreset[] {
  const all = presetsFor(kind);
  const chosen = Array.from({ length: number % 4 }, (_, at) => all[(number + at * 2) % (all.length || 1)]);
  return [...new Set(chosen)].filter((preset) => preset !== undefined);
}
