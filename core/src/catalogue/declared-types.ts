import type { BuildFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import type { Role } from './role.js';
import type { TypeId } from './type-tree.js';
import { TYPE_TREE } from './type-tree.js';

/** What one word of a format's own classes means on our tree; role and type are each left out where the word does not tell them. */
export interface Meaning {
  readonly role?: Role;
  readonly type?: TypeId;
}

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
  ConstantPlugin: tool('test-generator'),
  UtilityPlugin: fx('utility'),
  ConverterPlugin: fx('utility'),
  AnalyserPlugin: tool('analyser'),
  MixerPlugin: fx('utility'),
  FunctionPlugin: fx('utility'),
  SimulatorPlugin: fx(),
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
  SpectralPlugin: fx('spectral'),
  PitchPlugin: fx('pitch-shifter'),
  DistortionPlugin: fx('distortion'),
  WaveshaperPlugin: fx('distortion'),
  DynamicsPlugin: fx('dynamics'),
  AmplifierPlugin: fx('utility'),
  EnvelopePlugin: fx('dynamics'),
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

const TABLES: Readonly<Partial<Record<Format, Readonly<Record<string, Meaning>>>>> = {
  VST3: VST3_MEANINGS,
  LV2: LV2_MEANINGS,
  AU: AU_MEANINGS,
};

/** Role and types that one build declares, the types in its own order; role null and types empty where it declares none. */
export function declaredKind(facts: BuildFacts): { role: Role | null; types: TypeId[] } {
  const table = TABLES[facts.format] ?? {};
  const meanings = facts.declaredTypes.map((word) => table[word] ?? {});
  const types = [...new Set(meanings.map((meaning) => meaning.type).filter((type) => type !== undefined))];
  const roles = meanings.map((meaning) => meaning.role).filter((role) => role !== undefined);
  // An analyser that also says "Fx" is a tool: the narrower word wins, and instruments win over both.
  const declared = roles.includes('instrument')
    ? 'instrument'
    : (roles.find((role) => role !== 'audio-effect') ?? roles[0]);
  const role = declared ?? roleOfPorts(facts) ?? null;
  return { role, types: types.filter((type) => role === null || TYPE_TREE[type].roles.includes(role)) };
}

/** What the ports leave no doubt about: notes in and sound out without sound in is an instrument; notes through and no sound a MIDI effect. */
function roleOfPorts(facts: BuildFacts): Role | null {
  const { audioInputs: soundIn, audioOutputs: soundOut, midiInput, midiOutput } = facts;
  if (soundIn === null || soundOut === null) return null;
  if (soundIn === 0 && soundOut > 0 && midiInput === true) return 'instrument';
  if (soundIn > 0 && soundOut > 0) return 'audio-effect';
  if (soundIn === 0 && soundOut === 0 && midiInput === true && midiOutput === true) return 'midi-effect';
  return null;
}
