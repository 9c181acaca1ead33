/**
 * Other words by which people look for a type or for a word in a name: everyday words, abbreviations, and the common German, French and Spanish ones.
 * Common practice; written from memory of the trade. Plurals are understood without standing here. A word behind "~" often says something else
 * ("hall", "room"): it counts where little else is found.
 */
import { singularsOf } from '../text/singulars.js';
import { foldedWords } from '../text/words.js';
import { TYPE_TREE, type TypeId } from './type-tree.js';

const SYNONYMS: Readonly<Partial<Record<TypeId, string>>> = {
  compressor: 'comp, leveler, leveller, squash, kompressor, compresseur, compresor',
  limiter: 'lim, brickwall, maximizer, maximiser, begrenzer, limiteur, limitador',
  gate: 'noise gate, rauschsperre, ~tor, porte, puerta',
  expander: '~exp, expandeur, expansor',
  'de-esser': 'deesser, desser, sibilance',
  'transient-shaper': 'transient designer, ~attack, ~punch, transienten, transitoires, transitorios',
  'multiband-dynamics': '~multiband, mb, mehrband, multibande, multibanda, ~dynamics',
  dynamics: 'dyn, dynamik, dynamique, dinamica',
  eq: 'equalizer, equaliser, peq, geq, ~parametric, ~graphic, ~tone, entzerrer, egaliseur, egalisation, ecualizador',
  filter: 'vcf, lpf, hpf, bpf, wah, crossover, xover, filtre, filtro, frequenzweiche',
  reverb:
    'verb, ~convolution, ~convolver, ~impulse, ~ir, rev, reverberation, ~room, ~hall, ~space, ~raum, hallraum, nachhall, reverberacion, reverberation, reverbe',
  delay: 'dly, echo, ddl, slapback, verzogerung, retard, retardo, eco',
  looper: '~loop, boucle, bucle',
  granular: 'grain, grains, granulat',
  glitch: 'stutter, beat repeat, stottern',
  chorus: 'chor, ensemble, doubler, coro, choeur',
  flanger: 'flange, ~jet',
  phaser: 'phase shifter, fasador, phaseur',
  tremolo: 'trem',
  vibrato: 'vib',
  'auto-pan': 'autopan, autopanner',
  rotary: 'leslie, rotor, rotating speaker, rotary speaker, drehlautsprecher, altavoz giratorio, cabine leslie',
  'ring-modulator': 'ring mod, ringmod, ringmodulator, modulateur en anneau, modulador en anillo',
  modulation: '~mod, modulacion',
  saturation: 'sat, saturator, ~warmth, ~tube, ~valve, sattigung, rohre, ~lampe, saturacion',
  distortion:
    'dist, overdrive, od, ~drive, fuzz, booster, ~boost, clipper, verzerrer, verzerrung, ubersteuerung, distorsion, ~saturation',
  'amp-simulator':
    'amp, amps, ampsim, amp sim, amplifier, guitar amp, bass amp, cabinet, cab, verstarker, ampli, amplificador, amplificateur',
  tape: 'vinyl, cassette, tape machine, ~band, tonband, bandmaschine, ~bande, ~cinta',
  'bit-crusher': 'bitcrusher, crusher, lofi, lo fi, decimator, downsampler',
  'pitch-shifter':
    '~pitch, octaver, ~octave, transpose, transposer, detune, tonhohe, transpositeur, octavador, transposicion',
  'pitch-correction': '~tuning, intonation, tonhohenkorrektur, ~correction, correccion, afinacion',
  harmoniser: 'harmonizer, harmony, harmonie, armonizador',
  vocoder: 'vocodeur',
  'frequency-shifter': 'freq shift, frequenzschieber',
  spectral: '~spectrum, fft, spektral, espectral',
  'stereo-imager': 'widener, ~width, imager, ~stereo, mid side, ~ms, breite, largeur, anchura, estereo',
  panner: '~pan, panorama, ~balance, paneo',
  surround: 'multichannel, 5 1, 7 1, envolvente',
  ambisonics: 'ambisonic, b format, foa, hoa',
  'ambisonic-encoder': 'ambisonics, hoa',
  'ambisonic-decoder': 'ambisonics, hoa',
  'ambisonic-rotator': 'ambisonics, hoa',
  spatial: 'binaural, 3d, hrtf, raumlich, espacial',
  restoration: 'denoise, denoiser, noise reduction, declick, repair, entrauschen, restauration, restauracion',
  'channel-strip': '~strip, ~console, ~desk, preamp, kanalzug, tranche, ~canal',
  'mastering-chain': 'mastering, ~master, masterizacion',
  'multi-effect': 'multi fx, multifx, effects rack, multieffekt, multieffet, multiefecto',
  piano: '~grand, ~upright, klavier, flugel',
  'electric-piano': 'ep, e piano, epiano, piano electrique, piano electrico',
  organ: 'orgel, orgue, organo, tonewheel',
  synth: 'synthesizer, synthesiser, synthesis, sintetizador, synthetiseur, ~oscillator',
  'analog-synth': '~analog, ~analogue, analog synth, analogue synth, virtual analog, subtractive, analogsynthesizer',
  'digital-synth': '~fm, fm synth, ~wavetable, wavetable synth, ~additive, digitalsynthesizer',
  sampler: 'sample player, romper, rompler, muestreador, echantillonneur',
  strings: 'violin, cello, streicher, cordes, cuerdas',
  brass: 'trumpet, ~horn, trombone, blechblaser, cuivres, ~metales',
  guitar: 'gitarre, guitare, guitarra',
  bass: 'bass guitar, basse, bajo',
  voice: 'vocal, vocals, choir, stimme, gesang, chor, voix, voz',
  'drum-machine': '~drums, drum, drum kit, drumkit, beatbox, schlagzeug, batterie, bateria, boite a rythmes',
  percussion: 'perc, perkussion, percusion',
  'sound-effects': 'sfx, ~fx, gerausche, bruitage, efectos',
  arpeggiator: 'arp, arpeggio, arpegiador, arpegiateur',
  chords: 'chord, akkorde, accords, acordes',
  'note-filter': 'midi filter, notenfilter',
  'note-mapper': 'midi map, mapper',
  velocity: 'dynamics curve, anschlag, velocite, velocidad',
  'midi-delay': 'note delay, midi echo',
  sequencer: 'seq, step sequencer, sequenzer, sequenceur, secuenciador',
  'spectrum-analyser':
    'analyzer, analyser, spectrum analyzer, ~spectrum, fft, spectrogram, spektrum, analysator, analyseur, analizador, espectro',
  'loudness-meter': 'lufs, ebu, r128, ~meter, lautheit, sonie, sonoridad',
  'level-meter': 'vu, ppm, peak meter, ~meter, pegel, pegelmesser, vumetre, medidor, vumetro',
  oscilloscope: 'scope, oszilloskop, oszi, osciloscopio',
  'correlation-meter': 'phase meter, goniometer, corr, korrelation, vectorscope',
  tuner: 'stimmgerat, accordeur, afinador',
  'test-generator': 'tone generator, signal generator, ~sweep, ~noise, ~oscillator, testton, rauschen, bruit, ruido',
  analyser: 'analyzer, ~meter, messen, medidor, analyseur, analizador',
  'envelope-lfo': 'envelope, lfo, adsr, hullkurve, huellkurve, enveloppe, envolvente',
  metronome: '~click, click track, ~metronom, metronomo',
  'control-signal': 'cv, control voltage, steuersignal, senal de control',
  utility: '~tool, ~gain, ~volume, ~mixer, werkzeug, outil, utilidad, lautstarke, ganancia',
};

/** Words of names that people write otherwise: the words as makers write them, and what stands for them. */
const NAME_SYNONYMS: readonly (readonly [words: string, others: string])[] = [
  ['multiband', 'mb, multi band'],
  ['multi band', 'mb, multiband'],
  ['sidechain', 'sc, side chain, key'],
  ['side chain', 'sc, sidechain'],
  ['mid side', 'ms'],
  ['low pass', 'lpf, lp, lowpass, tiefpass, passe bas, pasabajos, paso bajo'],
  ['lowpass', 'lpf, lp, low pass, tiefpass, passe bas, pasabajos'],
  ['high pass', 'hpf, hp, highpass, hochpass, passe haut, pasaaltos, paso alto'],
  ['highpass', 'hpf, hp, high pass, hochpass, passe haut, pasaaltos'],
  ['band pass', 'bpf, bp, bandpass, passe bande, pasabanda'],
  ['bandpass', 'bpf, bp, band pass, passe bande, pasabanda'],
  ['parametric', 'peq, param, parametrisch, parametrique, parametrico'],
  ['graphic', 'geq, grafisch, graphique, grafico'],
  ['impulse response', 'ir, convolution, faltung'],
  ['impulse', 'ir'],
  ['noise', 'rauschen, bruit, ruido'],
  ['noise generator', 'rauschgenerator'],
  ['convolution', 'ir, impulse response, faltung'],
  ['convolver', 'ir, convolution, impulse response, faltung'],
  ['reverb', 'verb, rvb, hall'],
  ['compressor', 'comp, cmp'],
  ['limiter', 'lim'],
  ['expander', 'exp'],
  ['distortion', 'dist'],
  ['overdrive', 'od'],
  ['saturator', 'sat'],
  ['saturation', 'sat'],
  ['delay', 'dly, echo'],
  ['echo', 'delay, dly'],
  ['equalizer', 'eq, equaliser'],
  ['equaliser', 'eq, equalizer'],
  ['eq', 'equalizer, equaliser'],
  ['analyser', 'analyzer'],
  ['analyzer', 'analyser'],
  ['frequency', 'freq'],
  ['modulator', 'mod'],
  ['modulation', 'mod'],
  ['oscillator', 'osc, vco, oszillator, oscilador'],
  ['oscilloscope', 'scope, oszilloskop'],
  ['envelope', 'env, hullkurve, envolvente, enveloppe'],
  ['generator', 'gen'],
  ['noise', 'rauschen, bruit, ruido'],
  ['sine', 'sin, sinus'],
  ['crossover', 'xover, x over, frequenzweiche'],
  ['xover', 'crossover'],
  ['transient', 'transienten'],
  ['meter', 'messer, medidor, vumetre'],
  ['metronome', 'metronom, click'],
  ['vintage', 'vtg'],
  ['stereo', 'st'],
  ['mono', 'mn'],
  ['synthesizer', 'synth'],
  ['drum', 'drums'],
  ['pitch', 'tonhohe'],
  ['triple', '3, three'],
  ['double', '2'],
  ['quad', '4'],
];

const splitList = (list: string): readonly string[] =>
  list
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');

const WEAK = '~';

/** The synonyms of a type, without its label; none for a type without any. `weak`: those that often say something else. */
export function typeSynonyms(type: TypeId, weak = false): readonly string[] {
  const all = splitList(SYNONYMS[type] ?? '');
  return weak
    ? all.flatMap((one) => (one.startsWith(WEAK) ? [one.slice(WEAK.length)] : []))
    : all.filter((one) => !one.startsWith(WEAK));
}

const BY_FIRST_WORD = new Map<string, { readonly words: readonly string[]; readonly others: readonly string[] }[]>();
for (const [phrase, others] of NAME_SYNONYMS) {
  const words = phrase.split(' ');
  const first = words[0] ?? '';
  BY_FIRST_WORD.set(first, [...(BY_FIRST_WORD.get(first) ?? []), { words, others: splitList(others) }]);
}

/** Other words for what stands in a name: "sc" for "Compressor Sidechain". The words of the name are folded. */
export function nameSynonyms(words: readonly string[]): readonly string[] {
  const found: string[] = [];
  words.forEach((word, at) => {
    for (const entry of BY_FIRST_WORD.get(word) ?? [])
      if (entry.words.every((one, index) => words[at + index] === one)) found.push(...entry.others);
  });
  return found;
}

/** The types that a phrase names by its label, a synonym or the plural of one, in the order of the tree; the exact label first. */
export function typesNamed(phrase: string): readonly TypeId[] {
  const words = foldedWords(phrase);
  if (words.length === 0) return [];
  const last = words.at(-1) ?? '';
  const singular = [words.join(' '), ...singularsOf(last).map((one) => [...words.slice(0, -1), one].join(' '))];
  const labels: TypeId[] = [];
  const others: TypeId[] = [];
  for (const type of Object.keys(TYPE_TREE) as TypeId[]) {
    const label = foldedWords(TYPE_TREE[type].label).join(' ');
    if (singular.includes(label) || singular.includes(foldedWords(type).join(' '))) labels.push(type);
    else if (typeSynonyms(type).some((one) => singular.includes(foldedWords(one).join(' ')))) others.push(type);
  }
  return [...labels, ...others];
}
