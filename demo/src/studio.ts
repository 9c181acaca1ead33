import { FIRST_HALVES, KIND_WORDS, SECOND_HALVES } from './names.js';
import { VENDORS, type Vendor } from './vendors.js';

/** A format in which a vendor of the demo sells. */
export type DemoFormat = Vendor['formats'][number];

/** A made-up plugin: what it is, and which builds of it are installed where. */
export interface DemoPlugin {
  readonly number: number;
  readonly name: string;
  readonly vendor: Vendor;
  readonly kind: string;
  readonly mac: readonly DemoFormat[];
  readonly windows: readonly DemoFormat[];
}

const PER_VENDOR = 11;
const INSTRUMENTS = new Set(
  'synth sampler drum-machine piano electric-piano organ strings brass guitar bass voice percussion sound-effects'.split(
    ' ',
  ),
);
const MIDI = new Set('arpeggiator chords note-filter velocity sequencer'.split(' '));
const TOOLS = new Set(
  'spectrum-analyser loudness-meter level-meter oscilloscope correlation-meter tuner test-generator'.split(' '),
);

/** The role of a plugin of the demo. */
export type DemoRole = 'instrument' | 'midi-effect' | 'tool' | 'audio-effect';

/** The role of a kind, as its maker would declare it. */
export const roleOf = (kind: string): DemoRole =>
  INSTRUMENTS.has(kind) ? 'instrument' : MIDI.has(kind) ? 'midi-effect' : TOOLS.has(kind) ? 'tool' : 'audio-effect';

/** The n-th invented word; a step that shares no factor with the number of pairs visits each pair once. */
function inventedWord(index: number): string {
  const pairs = FIRST_HALVES.length * SECOND_HALVES.length;
  const at = (index * 157 + 11) % pairs;
  return `${FIRST_HALVES[at % FIRST_HALVES.length] ?? ''}${SECOND_HALVES[Math.floor(at / FIRST_HALVES.length)] ?? ''}`;
}

/** Everything installed in the made-up studio, the same on every call. */
export function studioPlugins(): DemoPlugin[] {
  return VENDORS.flatMap((vendor, vendorIndex) =>
    Array.from({ length: PER_VENDOR }, (_, index): DemoPlugin => {
      const number = vendorIndex * PER_VENDOR + index;
      const kind = vendor.kinds[index % vendor.kinds.length] ?? 'utility';
      const words = KIND_WORDS[kind] ?? [''];
      const word = words[Math.floor(index / vendor.kinds.length + vendorIndex) % words.length] ?? '';
      const invented = inventedWord(number);
      return {
        number,
        name: `${invented} ${word}`.trim(),
        vendor,
        kind,
        // Nobody installs everything: one format here, all of them there.
        mac: vendor.formats.filter((_format, at) => (number + at) % 4 !== 3 || vendor.formats.length === 1),
        windows:
          vendor.windows && number % 2 === 0
            ? (['VST3', 'VST2', 'CLAP'] as const).filter((format) => vendor.formats.includes(format))
            : [],
      };
    }),
  );
}
