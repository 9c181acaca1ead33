import type { Format } from '../facts/format.js';
import type { Role } from './role.js';
import type { TypeId } from './type-tree.js';

/** What one word of a format's own classes means on our tree; role and type are each left out where the word does not tell them. */
export interface Meaning {
  readonly role?: Role;
  readonly type?: TypeId;
  /** Said of much that has no class of its own, or coarse: it counts where nothing else tells. */
  readonly weak?: true;
}

const weak = (meaning: Meaning): Meaning => ({ ...meaning, weak: true });

const fx = (type?: TypeId): Meaning => ({ role: 'audio-effect', ...(type === undefined ? {} : { type }) });
const plays = (type?: TypeId): Meaning => ({ role: 'instrument', ...(type === undefined ? {} : { type }) });
const tool = (type: TypeId): Meaning => ({ role: 'tool', type });
const only = (type: TypeId): Meaning => ({ type });

/** VST3 sub-categories: interface header, "PlugType" constants. Words without meaning here say how a plugin runs, not what it is. */
export const VST3_MEANINGS: Readonly<Record<string, Meaning>> = {
  Fx: fx(),
  Instrument: plays(),
  Analyzer: tool('analyser'),
  Delay: only('delay'),
  Distortion: only('distortion'),
  Dynamics: only('dynamics'),
  EQ: only('eq'),
  Filter: only('filter'),
  Generator: tool('test-generator'),
  Mastering: only('mastering-chain'),
  Modulation: only('modulation'),
  'Pitch Shift': only('pitch-shifter'),
  Restoration: only('restoration'),
  Reverb: only('reverb'),
  Spatial: only('spatial'),
  Surround: only('surround'),
  Tools: only('utility'),
  Vocals: {},
  Network: {},
  Drum: only('drum-machine'),
  External: {},
  Piano: only('piano'),
  Sampler: only('sampler'),
  Synth: only('synth'),
  'Up-Downmix': only('surround'),
  Ambisonics: only('ambisonics'),
  Mono: {},
  Stereo: {},
  OnlyRT: {},
  OnlyOfflineProcess: {},
  OnlyARA: {},
  NoOfflineProcess: {},
};

/** LV2 plugin classes: the core specification's class tree (lv2core.ttl). */
export const LV2_MEANINGS: Readonly<Record<string, Meaning>> = {
  GeneratorPlugin: {},
  InstrumentPlugin: plays(),
  OscillatorPlugin: tool('test-generator'),
  ConstantPlugin: weak(tool('control-signal')),
  UtilityPlugin: weak(fx('utility')),
  ConverterPlugin: weak(fx('utility')),
  AnalyserPlugin: tool('analyser'),
  MixerPlugin: weak(fx('utility')),
  FunctionPlugin: weak(fx('utility')),
  SimulatorPlugin: weak(fx()),
  ReverbPlugin: fx('reverb'),
  DelayPlugin: fx('delay'),
  ModulatorPlugin: fx('modulation'),
  PhaserPlugin: fx('phaser'),
  FlangerPlugin: fx('flanger'),
  ChorusPlugin: fx('chorus'),
  FilterPlugin: fx('filter'),
  LowpassPlugin: fx('filter'),
  BandpassPlugin: fx('filter'),
  HighpassPlugin: fx('filter'),
  CombPlugin: fx('filter'),
  AllpassPlugin: fx('filter'),
  EQPlugin: fx('eq'),
  ParaEQPlugin: fx('eq'),
  MultiEQPlugin: fx('eq'),
  SpatialPlugin: fx('spatial'),
  SpectralPlugin: weak(fx('spectral')),
  PitchPlugin: fx('pitch-shifter'),
  DistortionPlugin: fx('distortion'),
  WaveshaperPlugin: fx('distortion'),
  DynamicsPlugin: fx('dynamics'),
  AmplifierPlugin: weak(fx('utility')),
  EnvelopePlugin: weak(fx('dynamics')),
  CompressorPlugin: fx('compressor'),
  ExpanderPlugin: fx('expander'),
  LimiterPlugin: fx('limiter'),
  GatePlugin: fx('gate'),
  MIDIPlugin: { role: 'midi-effect' },
};

/** AU component types: Audio Component Services. Memory. */
export const AU_MEANINGS: Readonly<Record<string, Meaning>> = {
  aumu: plays(),
  aufx: fx(),
  aumf: fx(),
  aumi: { role: 'midi-effect' },
  augn: tool('test-generator'),
  aupn: fx('panner'),
  aumx: fx('utility'),
  aufc: fx('utility'),
  auol: fx(),
  auou: tool('utility'),
};

/** CLAP features: clap/plugin-features.h. Memory. */
export const CLAP_MEANINGS: Readonly<Record<string, Meaning>> = {
  instrument: plays(),
  'audio-effect': fx(),
  'note-effect': { role: 'midi-effect' },
  'note-detector': tool('utility'),
  analyzer: tool('analyser'),
  synthesizer: only('synth'),
  sampler: only('sampler'),
  drum: only('percussion'),
  'drum-machine': only('drum-machine'),
  filter: only('filter'),
  phaser: only('phaser'),
  equalizer: only('eq'),
  'de-esser': only('de-esser'),
  'phase-vocoder': only('spectral'),
  granular: only('granular'),
  'frequency-shifter': only('frequency-shifter'),
  'pitch-shifter': only('pitch-shifter'),
  distortion: only('distortion'),
  'transient-shaper': only('transient-shaper'),
  compressor: only('compressor'),
  expander: only('expander'),
  gate: only('gate'),
  limiter: only('limiter'),
  flanger: only('flanger'),
  chorus: only('chorus'),
  delay: only('delay'),
  reverb: only('reverb'),
  tremolo: only('tremolo'),
  glitch: only('glitch'),
  utility: only('utility'),
  'pitch-correction': only('pitch-correction'),
  restoration: only('restoration'),
  'multi-effects': only('multi-effect'),
  mixing: {},
  mastering: only('mastering-chain'),
  mono: {},
  stereo: {},
  surround: only('surround'),
  ambisonic: only('ambisonics'),
};

/** VST2 categories by number: coarse words, of which makers take the nearest. Memory. "synth" also stands for the flag by which a plugin says that it makes sound from notes. */
export const VST2_CATEGORIES = [
  'unknown',
  'effect',
  'synth',
  'analysis',
  'mastering',
  'spatialiser',
  'room effect',
  'surround effect',
  'restoration',
  'offline',
  'shell',
  'generator',
] as const;

export const VST2_MEANINGS: Readonly<Record<(typeof VST2_CATEGORIES)[number], Meaning>> = {
  unknown: {},
  effect: weak(fx()),
  // "synth" says that it plays notes: a drum machine or an organ declares the same.
  synth: plays(),
  analysis: weak(tool('analyser')),
  mastering: weak(fx('mastering-chain')),
  spatialiser: weak(fx('spatial')),
  'room effect': weak(fx('reverb')),
  'surround effect': weak(fx('surround')),
  restoration: weak(fx('restoration')),
  offline: weak(fx()),
  shell: {},
  generator: weak(tool('test-generator')),
};

const TABLES: Readonly<Partial<Record<Format, Readonly<Record<string, Meaning>>>>> = {
  VST3: VST3_MEANINGS,
  LV2: LV2_MEANINGS,
  AU: AU_MEANINGS,
  CLAP: CLAP_MEANINGS,
  VST2: VST2_MEANINGS,
};

/** What one word of a build's own classes means; nothing for a word that is in no table. */
export const meaningOf = (format: Format, word: string): Meaning => TABLES[format]?.[word] ?? {};
