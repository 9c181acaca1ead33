import type { Role } from './role.js';

/** Families of types, in the order in which a chest or ribbon lists them. */
export const FAMILIES = {
  dynamics: 'dynamics',
  'eq-and-filter': 'EQ and filter',
  space: 'space',
  time: 'time',
  modulation: 'modulation',
  colour: 'colour',
  pitch: 'pitch',
  stereo: 'stereo',
  repair: 'repair',
  strips: 'strips and chains',
  keys: 'keys',
  synths: 'synths and samplers',
  acoustic: 'acoustic and voice',
  drums: 'drums and noises',
  notes: 'notes',
  measuring: 'measuring',
  utility: 'utilities',
} as const;
/** Types of one kind belong to a family. */
export type FamilyId = keyof typeof FAMILIES;

interface TypeEntry {
  readonly family: FamilyId;
  readonly roles: readonly Role[];
  readonly label: string;
}

const tree = {} as Record<string, TypeEntry>;
const add = <Id extends string>(
  family: FamilyId,
  roles: readonly Role[],
  labels: Readonly<Record<Id, string>>,
): readonly Id[] => {
  for (const [id, label] of Object.entries<string>(labels)) tree[id] = { family, roles, label };
  return Object.keys(labels) as Id[];
};
const effect: readonly Role[] = ['audio-effect'];
const instrument: readonly Role[] = ['instrument'];

// "dynamics", "modulation", "pitch", "spatial", "spectral" and "analyser" are for plugins that name no more than the kind.
const ids = [
  ...add('dynamics', effect, {
    compressor: 'compressor',
    limiter: 'limiter',
    gate: 'gate',
    expander: 'expander',
    'de-esser': 'de-esser',
    'transient-shaper': 'transient shaper',
    'multiband-dynamics': 'multiband dynamics',
    dynamics: 'dynamics',
  }),
  ...add('eq-and-filter', effect, { eq: 'EQ', filter: 'filter' }),
  ...add('space', effect, { reverb: 'reverb' }),
  ...add('time', effect, { delay: 'delay', looper: 'looper', granular: 'granular', glitch: 'glitch' }),
  ...add('modulation', effect, {
    chorus: 'chorus',
    flanger: 'flanger',
    phaser: 'phaser',
    tremolo: 'tremolo',
    vibrato: 'vibrato',
    'auto-pan': 'auto-pan',
    rotary: 'rotary',
    'ring-modulator': 'ring modulator',
    modulation: 'modulation',
  }),
  ...add('colour', effect, {
    saturation: 'saturation',
    distortion: 'distortion',
    'amp-simulator': 'amp simulator',
    tape: 'tape and vinyl',
    'bit-crusher': 'bit crusher',
  }),
  ...add('pitch', effect, {
    'pitch-shifter': 'pitch shifter',
    'pitch-correction': 'pitch correction',
    harmoniser: 'harmoniser',
    vocoder: 'vocoder',
    'frequency-shifter': 'frequency shifter',
    spectral: 'spectral',
    pitch: 'pitch',
  }),
  ...add('stereo', effect, {
    'stereo-imager': 'stereo imager',
    panner: 'panner',
    surround: 'surround',
    ambisonics: 'ambisonics',
    'ambisonic-encoder': 'ambisonic encoder',
    'ambisonic-decoder': 'ambisonic decoder',
    'ambisonic-rotator': 'ambisonic rotator',
    spatial: 'spatial',
  }),
  ...add('repair', effect, { restoration: 'restoration' }),
  ...add('strips', effect, {
    'channel-strip': 'channel strip',
    'mastering-chain': 'mastering chain',
    'multi-effect': 'multi-effect',
  }),
  ...add('keys', instrument, { piano: 'piano', 'electric-piano': 'electric piano', organ: 'organ' }),
  ...add('synths', instrument, {
    synth: 'synth',
    'analog-synth': 'analog-style synth',
    'digital-synth': 'digital synth',
    sampler: 'sampler',
  }),
  ...add('acoustic', instrument, {
    strings: 'strings',
    brass: 'brass',
    guitar: 'guitar',
    bass: 'bass',
    voice: 'voice',
  }),
  ...add('drums', instrument, {
    'drum-machine': 'drum machine',
    percussion: 'percussion',
    'sound-effects': 'sound effects',
  }),
  ...add('notes', ['midi-effect'], {
    arpeggiator: 'arpeggiator',
    chords: 'chords',
    'note-filter': 'note filter',
    'note-mapper': 'note mapper',
    velocity: 'velocity',
    'midi-delay': 'MIDI delay',
    sequencer: 'sequencer',
  }),
  ...add('measuring', ['tool'], {
    'spectrum-analyser': 'spectrum analyser',
    'loudness-meter': 'loudness meter',
    'level-meter': 'level meter',
    oscilloscope: 'oscilloscope',
    'correlation-meter': 'correlation meter',
    tuner: 'tuner',
    'test-generator': 'test generator',
    analyser: 'analyser',
  }),
  ...add('notes', ['tool', 'midi-effect'], { 'envelope-lfo': 'envelope and LFO' }),
  ...add('utility', ['tool'], { metronome: 'metronome', 'control-signal': 'control signal' }),
  ...add('utility', ['audio-effect', 'midi-effect', 'tool'], { utility: 'utility' }),
] as const;

/** A type of plugin, by its id in the tree. */
export type TypeId = (typeof ids)[number];

/** Every type id, in family order. */
export const TYPE_IDS: readonly TypeId[] = ids;

/** The tree of types: each with its family, the roles it belongs to, and its trade name. */
export const TYPE_TREE: Readonly<Record<TypeId, TypeEntry>> = tree as Record<TypeId, TypeEntry>;

/** The family that a type belongs to. */
export const familyOf = (type: TypeId): FamilyId => TYPE_TREE[type].family;
