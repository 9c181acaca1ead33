import type { TypeId } from './type-tree.js';

/**
 * Trade words and abbreviations by which makers name what a plugin is. Common practice. "compress*" is the beginning of a word, "comp" a whole
 * one (a number or "mk" behind it does no harm: "Comp2"); several words stand side by side or joined: "ring mod" fits "RingMod" and "ringmod".
 */
export const WORDS: Readonly<Partial<Record<TypeId, { strong?: string; likely?: string }>>> = {
  compressor: {
    strong: 'comp, compress*, leveler, leveller, levelling amplifier',
    likely: 'glue, opto, vca, fet, squash, leveling, sustainer',
  },
  limiter: {
    strong: 'limit*, lim, brickwall, peak stop',
    likely: 'maximizer, maximiser, ceiling',
  },
  gate: { strong: 'gate, noise gate, gater', likely: 'sluice' },
  expander: { strong: 'expander, expand', likely: 'upward' },
  'de-esser': { strong: 'de ess*, deess*, sibilan*', likely: '' },
  'transient-shaper': {
    strong: 'transient*, transient designer',
    likely: 'punch',
  },
  'multiband-dynamics': {
    strong:
      'multiband comp*, multiband dynamics, multiband gate, multiband limit*, multiband expander, mb comp*, multiband dynamic processor',
    likely: 'multiband, multi band',
  },
  dynamics: {
    strong: 'dynamics, dynamic processor, dynamics processor',
    likely: 'dyn, ducker',
  },
  eq: {
    strong: 'eq, equali*, graphic eq, parametric eq, tilt eq, parametric filter',
    likely: 'shelf, shelving, parametric, tilt, passive, emphasis, brightener, loudness compensat*',
  },
  filter: {
    strong:
      'filter, filters, low pass, lowpass, high pass, highpass, band pass, bandpass, allpass, all pass, notch, vcf, lpf, hpf, bpf, wah, autowah, wah wah, crossover, x over, xover, envelope filter',
    likely: 'lp, hp, bp, ladder, svf, comb, resonator, formant, sweep',
  },
  reverb: {
    strong: 'reverb*, verb, convolver, convolution, impulse response*',
    likely: 'plate, hall, room, chamber, spring, ambience, space, early reflections, ir, cathedral',
  },
  delay: { strong: 'delay*, echo*, dly, ping pong, pingpong', likely: 'slap, slapback, repeats, multitap' },
  granular: { strong: 'granul*, grains, grain', likely: 'cloud' },
  glitch: { strong: 'glitch*, stutter*, beat repeat', likely: 'buffer' },
  chorus: {
    strong: 'chorus*, chor, ensemble chorus',
    likely: 'ensemble, multivoice, doubler',
  },
  flanger: { strong: 'flang*', likely: 'jet' },
  phaser: { strong: 'phaser, phasers, phasor, phasing', likely: 'swirl' },
  tremolo: { strong: 'tremolo, trem', likely: 'chopper' },
  vibrato: { strong: 'vibrato, vib', likely: 'wobble' },
  'auto-pan': {
    strong: 'auto pan*, ping pong pan',
    likely: '',
  },
  rotary: { strong: 'rotary, rotating speaker, rotary speaker', likely: 'whirl' },
  'ring-modulator': { strong: 'ring mod*, ringmod*', likely: 'ring' },
  modulation: { strong: '', likely: 'modulator, modulation' },
  saturation: {
    strong: 'saturat*, sat, exciter, bass enhancer, harmonic enhancer',
    likely: 'warm*, harmonics, tube, valve, triode, enhancer, booster',
  },
  distortion: {
    strong: 'distort*, dist, overdrive, fuzz*, waveshap*, clipper, foldback, foldover, wave shaper',
    likely: 'drive, dirt, clip, crunch, boost',
  },
  'amp-simulator': {
    strong:
      'amp sim*, ampsim, cabinet, cab sim*, amp simulator, guitar amp, bass amp, guitar amplif*, bass amplif*, tone stack',
    likely: 'amp, amplifier, amplification, combo, cab, stack, speaker',
  },
  tape: {
    strong: 'tape machine, tape sim*, tape saturat*, vinyl*, gramophone',
    likely: 'tape, reel, turntable',
  },
  'bit-crusher': {
    strong: 'bit crush*, bitcrush*, crusher, decimator, bitreduc*, lofi, lo fi',
    likely: 'crush, sample rate, downsampl*, 8 bit, degrade',
  },
  'pitch-shifter': {
    strong: 'pitch shift*, pitchshift*, octaver, pitch scaler, sub octave*, suboctave*',
    likely: 'octave, detune, pitch, transpose, transposer',
  },
  'pitch-correction': { strong: 'pitch correct*, retune', likely: 'intonation, tune' },
  harmoniser: { strong: 'harmoni[sz]er, harmoni[sz]e', likely: 'harmony, fifths' },
  vocoder: {
    strong: 'vocoder, vocode, talk box',
    likely: 'talker',
  },
  'frequency-shifter': { strong: 'frequency shift*, freq shift*', likely: '' },
  spectral: { strong: 'spectral', likely: '' },
  'stereo-imager': {
    strong: 'imager, stereo width, image width, stereo widen*, stereo imag*, widener, stereoizer, stereo enhanc*',
    likely: 'width, wide, widen, wider, narrower, mid side, ms, spread, haas',
  },
  panner: { strong: 'panner, panning, pan', likely: 'balance, placer, binaural panner' },
  surround: { strong: 'surround panner', likely: 'surround, 5 1, upmix, downmix' },
  ambisonics: {
    strong: 'ambisonic*',
    likely: 'ambi, binaural, soundfield, amb',
  },
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
      'gain, trim, mixer, volume, mono to stereo, stereo to mono, ms to stereo, stereo to ms, dc remov*, dc offset, phase switch, phase invert*, phase rotat*, attenuat*, dither*, mute, a b switch, switch, fader, crossfad*, inverter, patchbay, delay compensat*, compensation delay, latency compensat*, sample rate convert*, splitter, x fade',
    likely:
      'inv, mix, sum, router, routing, utility, converter, const*, difference, product, ratio, tool, tools, toolbox, latency, branch, balance, identity, null, matrix, multiplexer, thru, offset, karaoke',
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
  voice: {
    strong: 'choir',
    likely: 'vocal',
  },
  'drum-machine': { strong: 'drum machine, drum*, beat box, beatbox, drumkit', likely: 'kick, snare, beats' },
  percussion: { strong: 'percussion, percussive', likely: 'clatter, bells, shaker' },
  'sound-effects': { strong: 'sound effects, foley', likely: 'thunder, footsteps, wind machine' },
  arpeggiator: { strong: 'arp, arpeggi*', likely: '' },
  chords: { strong: 'chorder, chords, chord generator', likely: 'chord' },
  'note-filter': {
    strong:
      'note filter, key range, midi filter, channel filter, midi channel filter, midi key range, range filter, event filter',
    likely: 'note toggle, blocker',
  },
  velocity: { strong: 'velocity*, midi velocity*', likely: 'touch' },
  'midi-delay': { strong: 'midi delay, midi echo, note delay', likely: '' },
  sequencer: {
    strong: 'sequencer, step sequencer, step seq',
    likely: 'seq',
  },
  looper: { strong: 'looper, loop station, live looper', likely: 'loops' },
  'ambisonic-encoder': { strong: 'ambisonic encoder, uhj encoder', likely: 'encoder' },
  'ambisonic-decoder': { strong: 'ambisonic decoder, uhj decoder', likely: 'decoder' },
  'ambisonic-rotator': { strong: 'ambisonic rotat*, scene rotator', likely: 'rotator, rotation' },
  'note-mapper': {
    strong:
      'note map*, event map*, cc map*, channel map*, midi map*, key map*, key split, note transpos*, midi transpos*',
    likely: 'scale quanti*, enforce scale, chromatic transpose, to cc, cc to note, to pc, unisono',
  },
  'envelope-lfo': {
    strong: 'lfo, adsr, dahdsr, envelope generator, envelope follower, envelope tracker, ad envelope, adsr envelope',
    likely: 'envelope',
  },
  metronome: { strong: 'metronome, click track', likely: '' },
  'control-signal': {
    strong: 'control signal, sample and hold, slew limiter, control voltage',
    likely: 'quanti[sz]er, clock, trigger, control',
  },
  'spectrum-analyser': {
    strong: 'spectrum*, spectrogram, sonogram, spectrum analy*, fft analy*',
    likely: 'spectral display',
  },
  'loudness-meter': { strong: 'loudness meter, lufs, ebu*', likely: 'loudness, r128' },
  'level-meter': {
    strong: 'vu, ppm, level meter, peak meter, vu meter, k meter, true peak, truepeak meter, rms meter, peak monitor',
    likely: 'k20, k14, k12, dbtp, dpm, metering, meter',
  },
  oscilloscope: { strong: 'oscilloscope', likely: 'scope' },
  'correlation-meter': { strong: 'correlat*, phase meter, goniometer, phase correlation', likely: 'vectorscope' },
  tuner: { strong: 'tuner', likely: 'pitch fork' },
  'test-generator': {
    strong:
      'test tone, test tones, tone generator, noise generator, sine generator, sine wave, signal generator, test signal, oscillator, vco, white noise, pink noise, noise source, wave generator',
    likely: 'noise, osc, sine, sawtooth, triangle, square wave, pulse wave',
  },
  analyser: {
    strong: 'analy[sz]er, visuali[sz]er, latency meter, bit meter, frequency meter, phase detector',
    likely: 'analysis, histogram, detector',
  },
};
