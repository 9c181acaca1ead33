import type { TypeId } from './type-tree.js';

/** How surely a word names a type: "reverb" is one, "plate" usually is. */
export type WordGrade = 'strong' | 'likely';

/**
 * Trade words and abbreviations by which makers name what a plugin is. Common practice. "compress*" is the beginning of a word, "comp" a whole
 * one (a number or "mk" behind it does no harm: "Comp2"); several words stand side by side or joined: "ring mod" fits "RingMod" and "ringmod".
 */
const WORDS: Readonly<Partial<Record<TypeId, { strong?: string; likely?: string }>>> = {
  compressor: {
    strong: 'comp, compress*, leveler, leveller, levelling amplifier',
    likely: 'glue, opto, vca, fet, squash, sidechain, leveling',
  },
  limiter: { strong: 'limit*, lim, brickwall, peak stop', likely: 'maximizer, maximiser, ceiling' },
  gate: { strong: 'gate, noise gate, gater', likely: 'sluice' },
  expander: { strong: 'expander, expand', likely: 'upward' },
  'de-esser': { strong: 'de ess*, deess*, sibilan*', likely: '' },
  'transient-shaper': { strong: 'transient*, transient designer', likely: 'attack, punch' },
  'multiband-dynamics': {
    strong: 'multiband comp*, multiband dynamics, multiband gate, multiband limit*, multiband expander, mb comp*',
    likely: '',
  },
  dynamics: { strong: 'dynamics', likely: 'dyn, ducker, sidechain' },
  eq: {
    strong: 'eq, equali*, graphic eq, parametric eq, tilt eq',
    likely: 'shelf, shelving, parametric, tilt, passive',
  },
  filter: {
    strong:
      'filter, filters, low pass, lowpass, high pass, highpass, band pass, bandpass, allpass, all pass, notch, vcf, lpf, hpf, bpf, wah, autowah, crossover',
    likely: 'lp, hp, bp, ladder, svf, comb, resonator, formant, sweep',
  },
  reverb: {
    strong: 'reverb*, verb, convolver, convolution, impulse response*',
    likely: 'plate, hall, room, chamber, spring, ambience, space, early reflections, ir, cathedral',
  },
  delay: { strong: 'delay*, echo*, dly, ping pong, pingpong', likely: 'slap, slapback, repeats, multitap' },
  granular: { strong: 'granul*, grains, grain', likely: 'cloud' },
  glitch: { strong: 'glitch*, stutter*, beat repeat', likely: 'buffer' },
  chorus: { strong: 'chorus*, chor, ensemble chorus', likely: 'ensemble, multivoice' },
  flanger: { strong: 'flang*', likely: 'jet' },
  phaser: { strong: 'phaser, phasers, phasor, phasing', likely: 'swirl' },
  tremolo: { strong: 'tremolo, trem', likely: 'chopper' },
  vibrato: { strong: 'vibrato, vib', likely: 'wobble' },
  'auto-pan': { strong: 'auto pan*, autopan*', likely: '' },
  rotary: { strong: 'rotary, rotating speaker, rotary speaker', likely: 'whirl' },
  'ring-modulator': { strong: 'ring mod*, ringmod*', likely: 'ring' },
  modulation: { strong: '', likely: 'modulator, modulation' },
  saturation: { strong: 'saturat*, sat', likely: 'warm*, exciter, harmonics, tube, valve, triode' },
  distortion: {
    strong: 'distort*, dist, overdrive, fuzz*, waveshap*, clipper, foldback, foldover',
    likely: 'drive, dirt, clip, shaper, crunch, boost',
  },
  'amp-simulator': {
    strong: 'amp sim*, ampsim, cabinet, cab sim*, amp simulator, guitar amp, bass amp',
    likely: 'amp, combo, cab, stack, speaker',
  },
  tape: { strong: 'tape machine, tape sim*, tape saturat*', likely: 'tape, reel' },
  'bit-crusher': {
    strong: 'bit crush*, bitcrush*, crusher, decimator, bitreduc*, lofi, lo fi',
    likely: 'crush, sample rate, downsampl*, 8 bit, degrade',
  },
  'pitch-shifter': {
    strong: 'pitch shift*, pitchshift*, octaver, transpose, transposer, pitch scaler',
    likely: 'shifter, octave, detune, pitch',
  },
  'pitch-correction': { strong: 'pitch correct*, retune', likely: 'intonation, tune' },
  harmoniser: { strong: 'harmoni[sz]er, harmoni[sz]e', likely: 'harmony, fifths' },
  vocoder: { strong: 'vocoder, vocode', likely: 'talker, talkbox' },
  'frequency-shifter': { strong: 'frequency shift*, freq shift*', likely: '' },
  spectral: { strong: 'spectral', likely: '' },
  'stereo-imager': {
    strong: 'imager, stereo width, stereo widen*, stereo imag*, widener, stereoizer, stereo enhanc*',
    likely: 'width, wide, widen, mid side, ms, ms to stereo, stereo to ms, spread, haas',
  },
  panner: { strong: 'panner, panning, pan', likely: 'balance, placer, binaural panner' },
  surround: { strong: 'surround panner', likely: 'surround, 5 1, upmix, downmix' },
  ambisonics: { strong: 'ambisonic*, ambi encoder, ambi decoder', likely: 'ambi, binaural, soundfield' },
  spatial: { strong: 'spatiali[sz]er', likely: 'spatial' },
  restoration: {
    strong:
      'denoise*, de noise*, declick*, de click*, dehum, de hum, declip*, de clip*, noise reduction, restor*, de crackle, decrackle',
    likely: 'repair, cleaner',
  },
  'channel-strip': { strong: 'channel strip, channelstrip, console strip', likely: 'strip, preamp' },
  'mastering-chain': { strong: 'mastering, mastering chain', likely: 'finish, finalizer' },
  'multi-effect': { strong: 'multi fx, multifx, multi effect*, multieffect*', likely: 'workshop, rack' },
  utility: {
    strong:
      'gain, trim, mixer, volume, mono to stereo, stereo to mono, dc remov*, dc offset, phase switch, phase invert*, attenuat*, dither*, mute, a b switch, switch, fader, crossfad*, inverter, patchbay',
    likely: 'inv, amplifier, mix, sum, router, utility, converter, level, const*, difference, product, ratio, tool',
  },
  piano: { strong: 'piano, grand piano, upright piano, toy piano', likely: 'grand, upright, pianos' },
  'electric-piano': { strong: 'electric piano, epiano, e piano', likely: 'tines, tine, reeds' },
  organ: { strong: 'organ, harmonium, tonewheel', likely: 'pipes, drawbar' },
  synth: {
    strong: 'synth, synthesi*, polysynth, monosynth, fm synth',
    likely: 'poly, subtractive, wavetable, analog synth, virtual analog, mono lead',
  },
  sampler: { strong: 'sampler, soundfont, sample player, rompler', likely: 'sf2, sfz, keys' },
  strings: { strong: 'strings, string ensemble, violin, cello, viola', likely: 'quartet, bowed' },
  brass: { strong: 'brass, trumpet, trombone', likely: 'horns, horn' },
  guitar: { strong: 'guitar, cittern', likely: 'lute, banjo' },
  bass: { strong: 'bassline, bass guitar, upright bass', likely: '' },
  voice: { strong: 'choir', likely: 'voices, vocal, voice' },
  'drum-machine': { strong: 'drum machine, drum*, beat box, beatbox, drumkit', likely: 'kick, snare, beats' },
  percussion: { strong: 'percussion, percussive', likely: 'clatter, bells, shaker' },
  'sound-effects': { strong: 'sound effects, foley', likely: 'thunder, footsteps, wind machine' },
  arpeggiator: { strong: 'arp, arpeggi*', likely: '' },
  chords: { strong: 'chorder, chords, chord generator', likely: 'chord' },
  'note-filter': {
    strong: 'note filter, key range, midi filter, key split, channel filter, midi channel filter, midi key range',
    likely: 'midi channel map, channel map, scale quantize, notetoggle',
  },
  velocity: { strong: 'velocity*, midi velocity*', likely: 'touch' },
  'midi-delay': { strong: 'midi delay, midi echo, note delay', likely: '' },
  sequencer: { strong: 'sequencer, step sequencer, step seq', likely: 'seq, steps' },
  'spectrum-analyser': { strong: 'spectrum*, spectrogram, sonogram, spectrum analy*, fft analy*', likely: '' },
  'loudness-meter': { strong: 'loudness meter, lufs, ebu*', likely: 'loudness, r128' },
  'level-meter': {
    strong: 'vu, ppm, level meter, peak meter, vu meter, k meter, meter, true peak, truepeak meter, rms meter',
    likely: 'k20, k14, k12, dbtp, dpm, metering',
  },
  oscilloscope: { strong: 'oscilloscope', likely: 'scope' },
  'correlation-meter': { strong: 'correlat*, phase meter, goniometer, phase correlation', likely: 'vectorscope' },
  tuner: { strong: 'tuner', likely: 'pitch fork' },
  'test-generator': {
    strong:
      'test tone, tone generator, noise generator, sine generator, signal generator, test signal, oscillator, white noise, pink noise',
    likely: 'noise, osc, sine',
  },
  analyser: { strong: 'analy[sz]er', likely: 'analysis, histogram' },
};

/** One pattern of words side by side, as regular expressions for each. */
export interface TradePhrase {
  readonly type: TypeId;
  readonly grade: WordGrade;
  readonly text: string;
  readonly words: readonly RegExp[];
  /** The words written as one; null for a single word. */
  readonly joined: RegExp | null;
  /** Place in the order in which phrases are tried. */
  readonly rank: number;
}

const NUMBER_BEHIND = '(?:mk)?(?:\\d+[a-z]?)?$';

const wordPattern = (word: string): RegExp =>
  new RegExp(`^${word.endsWith('*') ? word.slice(0, -1) : `${word}${NUMBER_BEHIND}`}`, 'u');

function phraseOf(type: TypeId, grade: WordGrade, text: string): Omit<TradePhrase, 'rank'> {
  const words = text.split(' ');
  return {
    type,
    grade,
    text,
    words: words.map(wordPattern),
    joined: words.length === 1 ? null : wordPattern(words.join('')),
  };
}

/** Every phrase; those of more words first, so that "toy piano" is met before "piano". */
export const TRADE_PHRASES: readonly TradePhrase[] = Object.entries(WORDS)
  .flatMap(([type, grades]) =>
    (['strong', 'likely'] as const).flatMap((grade) =>
      (grades[grade] ?? '')
        .split(', ')
        .filter((text) => text !== '')
        .map((text) => phraseOf(type as TypeId, grade, text)),
    ),
  )
  .sort((a, b) => b.words.length - a.words.length)
  .map((phrase, rank) => ({ ...phrase, rank }));

/** Phrases by the first letters of their first word, three at most: few of them are tried on any word. */
const BY_START = new Map<string, TradePhrase[]>();
const START = 3;
for (const phrase of TRADE_PHRASES) {
  const start = (/^[^ *]+/.exec(phrase.text)?.[0] ?? '').slice(0, START);
  BY_START.set(start, [...(BY_START.get(start) ?? []), phrase]);
}

function possibleFor(words: readonly string[]): TradePhrase[] {
  const possible = new Set<TradePhrase>();
  for (const word of words) {
    for (let length = 1; length <= START; length++)
      for (const phrase of BY_START.get(word.slice(0, length)) ?? []) possible.add(phrase);
  }
  return [...possible].sort((a, b) => a.rank - b.rank);
}

/** A trade word met in a name: the type that it names, and where it stands. */
export interface MetWord {
  readonly type: TypeId;
  readonly grade: WordGrade;
  readonly text: string;
  readonly at: number;
}

/** The trade words in a row of folded words, in order; a word that is part of a longer phrase does not count again. */
export function tradeWordsIn(words: readonly string[]): MetWord[] {
  const met: MetWord[] = [];
  const taken = new Set<number>();
  for (const phrase of possibleFor(words)) {
    for (let at = 0; at < words.length; at++) {
      const length = fits(phrase, words, at);
      if (length === 0) continue;
      const places = Array.from({ length }, (_, index) => at + index);
      if (places.some((place) => taken.has(place))) continue;
      met.push({ type: phrase.type, grade: phrase.grade, text: words.slice(at, at + length).join(' '), at });
      for (const place of places) taken.add(place);
    }
  }
  return met.sort((a, b) => a.at - b.at);
}

/** How many words the phrase covers from here; 0 when it does not fit. */
function fits(phrase: TradePhrase, words: readonly string[], at: number): number {
  if (phrase.joined?.test(words[at] ?? '')) return 1;
  const side = phrase.words.every((pattern, index) => pattern.test(words[at + index] ?? ''));
  return side ? phrase.words.length : 0;
}
