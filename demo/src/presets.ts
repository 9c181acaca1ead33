import type { DemoPlugin } from './studio.js';

/** A made-up preset; a bank of null: it stands alone. */
export interface DemoPreset {
  readonly name: string;
  readonly bank: string | null;
}

/** What the puppet theatre of the demo calls its settings. */
const PRESETS: readonly DemoPreset[] = [
  { name: 'Vocal Hall', bank: 'Voices' },
  { name: 'Narrator', bank: 'Voices' },
  { name: 'Giant', bank: 'Voices' },
  { name: 'Goose Solo', bank: 'Voices' },
  { name: 'Wooden Stage', bank: 'Rooms' },
  { name: 'Under the Bridge', bank: 'Rooms' },
  { name: 'Wagon at Night', bank: 'Rooms' },
  { name: 'Gentle', bank: null },
  { name: 'Curtain Up', bank: null },
  { name: 'Broken Accordion', bank: null },
];

/** The presets of a plugin, the same on both computers; every fourth plugin has none. */
export const presetsOf = ({ number }: DemoPlugin): DemoPreset[] =>
  Array.from({ length: number % 4 }, (_, at) => PRESETS[(number * 3 + at * 7) % PRESETS.length]).filter(
    (preset) => preset !== undefined,
  );
