import { workOutKind } from '../../src/catalogue/kind';
import { tradeWordsIn } from '../../src/catalogue/trade-words';
import type { BuildFacts } from '../../src/facts/build-facts';
import { wordsOf } from '../../src/text/words';
import { build } from '../builds';

const kind = (name: string, facts: Partial<BuildFacts> = {}) => workOutKind(name, [build({ name, ...facts })]);
const ports = (audioInputs: number, audioOutputs: number, midiInput: boolean, midiOutput = false) => ({
  format: 'LV2' as const,
  audioInputs,
  audioOutputs,
  midiInput,
  midiOutput,
});

describe('what a plugin declares', () => {
  it.each([
    [['Fx', 'Reverb'], 'audio-effect', ['reverb'], 'declared'],
    [['Instrument', 'Synth'], 'instrument', ['synth'], 'declared'],
    [['Fx', 'Analyzer'], 'tool', ['analyser'], 'declared'],
    [['Fx'], 'audio-effect', [], 'unknown'],
    [[], null, [], 'unknown'],
    [['Something New'], null, [], 'unknown'],
  ])('VST3 %j is %s %j', (declaredTypes, role, types, typeGrade) => {
    expect(kind('Saltlamp', { declaredTypes })).toMatchObject({ role, types, typeGrade, contradictions: [] });
  });

  it('takes the role that most builds name', () => {
    const found = workOutKind('Saltlamp', [
      build({ name: 'Saltlamp', declaredTypes: ['Fx', 'Synth'] }),
      build({ name: 'Saltlamp', format: 'AU', declaredTypes: ['aumu'] }),
      build({ name: 'Saltlamp', format: 'LV2', declaredTypes: ['InstrumentPlugin'] }),
    ]);
    expect(found.role).toBe('instrument');
    expect(found.contradictions).toEqual(['one build declares itself an instrument, another an effect']);
  });

  it('a broad class becomes the narrow type that the name adds', () => {
    expect(kind('Vestry Comp', { declaredTypes: ['Fx', 'Dynamics'] })).toMatchObject({
      types: ['compressor'],
      typeGrade: 'declared',
    });
    expect(kind('Vestry Glue', { declaredTypes: ['Fx', 'Dynamics'] }).types).toEqual(['compressor']);
    // "plate" often means a reverb, but a maker who says "Dynamics" did not mean one.
    expect(kind('Vestry Plate', { declaredTypes: ['Fx', 'Dynamics'] }).types).toEqual(['dynamics']);
  });
});

describe('what the ports leave no doubt about', () => {
  it.each([
    [ports(0, 2, true), 'instrument'],
    [ports(2, 2, false), 'audio-effect'],
    [ports(0, 0, true, true), 'midi-effect'],
    [ports(0, 1, false), 'tool'],
    [ports(0, 0, false), 'tool'],
    [ports(0, 0, false, true), 'midi-effect'],
    [ports(1, 0, false), 'tool'],
  ])('%j is %s', (facts, role) => expect(kind('Saltlamp', facts).role).toBe(role));

  it('a synth that declares itself an effect is an instrument, and the contradiction is told', () => {
    expect(kind('Saltlamp', { ...ports(0, 2, true), declaredTypes: ['DelayPlugin'] })).toMatchObject({
      role: 'instrument',
      roleGrade: 'strong',
      contradictions: ['declares itself an effect, but takes notes and no sound'],
    });
  });

  it('an effect that declares itself an instrument', () => {
    expect(kind('Saltlamp', { ...ports(2, 2, false), declaredTypes: ['InstrumentPlugin'] })).toMatchObject({
      role: 'audio-effect',
      contradictions: ['declares itself an instrument, but takes sound and no notes'],
    });
  });
});

describe('what the name says', () => {
  // Common practice: how makers call things.
  it.each([
    ['Tattermoor Comp', ['compressor'], 'strong'],
    ['CopperVerb', ['reverb'], 'strong'],
    ['DeEsser', ['de-esser'], 'strong'],
    ['De-Ess 2', ['de-esser'], 'strong'],
    ['EQ10', ['eq'], 'strong'],
    ['Tape Echo', ['delay', 'tape'], 'strong'],
    ['Toy Piano', ['piano'], 'strong'],
    ['Ringmod', ['ring-modulator'], 'strong'],
    ['Vestry Plate', ['reverb'], 'likely'],
    ['LUFS Meter', ['loudness-meter'], 'strong'],
    ['Tuner', ['tuner'], 'strong'],
  ])('%s is %j', (name, types, typeGrade) => expect(kind(name)).toMatchObject({ types, typeGrade }));

  it.each([
    'Sequentia',
    'Frequencia',
    'Compass',
    'Universe',
    'Gateau',
    'Spectacle',
    'Chore',
    'Synergy',
    'Panoply',
    'Dromedary',
  ])('letters inside other words say nothing: %s', (name) =>
    expect(kind(name)).toMatchObject({ role: null, types: [], typeGrade: 'unknown' }),
  );

  it('a word of a longer phrase does not count again', () => {
    expect(tradeWordsIn(wordsOf('Noise Gate')).map((met) => met.type)).toEqual(['gate']);
    expect(tradeWordsIn(wordsOf('Electric Piano')).map((met) => met.type)).toEqual(['electric-piano']);
  });

  it('a name does not overrule ports: a bass amp takes sound', () => {
    expect(kind('Bass', ports(1, 1, false))).toMatchObject({ role: 'audio-effect', types: [] });
  });

  it('a name against a declared class is told', () => {
    expect(kind('Vestry Reverb', { declaredTypes: ['Fx', 'Delay'] }).contradictions).toEqual([
      'declares itself delay, but its name says reverb',
    ]);
    expect(kind('Toy Piano', { declaredTypes: ['Fx'] }).contradictions).toEqual([
      'declares itself an audio effect, but its name says piano',
    ]);
  });

  it("a maker's sentence counts when it names one type, and never more than likely", () => {
    expect(kind('Saltlamp', { description: 'A stereo reverb with a long tail. Has a gain.' })).toMatchObject({
      types: ['reverb'],
      typeGrade: 'likely',
      role: 'audio-effect',
    });
    expect(kind('Saltlamp', { description: 'Reverb, delay and chorus in one.' }).types).toEqual([]);
    expect(kind('Saltlamp Plate', { description: 'A reverb' }).typeGrade).toBe('strong');
  });

  it('keeps its evidence: what, from where, how sure', () => {
    expect(kind('Vestry Comp', { declaredTypes: ['Fx'] }).evidence).toEqual([
      { for: { role: 'audio-effect' }, from: 'class', grade: 'declared', words: 'Fx', format: 'VST3' },
      { for: { type: 'compressor' }, from: 'name', grade: 'strong', words: 'comp', format: null },
      { for: { role: 'audio-effect' }, from: 'name', grade: 'strong', words: 'comp', format: null },
    ]);
  });
});

describe('which evidence wins', () => {
  const lv2 = (declaredTypes: string[], facts: Partial<BuildFacts> = {}) => ({
    ...ports(2, 2, false),
    declaredTypes,
    ...facts,
  });

  // Common practice: the noun of a name stands last in its head, before a dash, "with", "for" or a bracket.
  it.each<[string, Partial<BuildFacts>, string[]]>([
    ['Saltlamp Oscillator with Gate', ports(1, 1, false), ['test-generator']],
    ['Vestry - Compressor for drums and reverb', {}, ['compressor']],
    ['Saltlamp Compressor (with filter)', {}, ['compressor']],
    ['Allpass Delay Line', {}, ['delay']],
    ['Chorus/Flanger', {}, ['chorus', 'flanger']],
    ['Compressor and Limiter', {}, ['compressor', 'limiter']],
    ['Vestry Sidechain Gate', {}, ['gate']],
    ['Delay Compensator', { declaredTypes: ['Fx', 'Delay'] }, ['utility']],
    // A class that the noun contradicts is overruled, and a broad one gives way to it.
    ['Vestry Vocoder', lv2(['FilterPlugin']), ['vocoder']],
    ['Copper Grains', lv2(['DelayPlugin']), ['granular']],
    ['Vestry De-Esser', lv2(['CompressorPlugin']), ['de-esser']],
    ['Vestry Gate', lv2(['ExpanderPlugin']), ['gate']],
    // Bands make one type of what they are bands of.
    ['Vestry Multiband Gate', lv2(['ExpanderPlugin']), ['multiband-dynamics']],
    ['Vestry MultiBand Compressor', {}, ['multiband-dynamics']],
    ['Vestry Multiband Delay', {}, ['delay']],
    // Coarse words count where nothing else tells.
    ['Saltlamp', { format: 'VST2', declaredTypes: ['mastering'] }, ['mastering-chain']],
    ['Vestry Gate', { format: 'VST2', declaredTypes: ['mastering'] }, ['gate']],
    ['Saltlamp', lv2(['UtilityPlugin']), ['utility']],
    ['Copper Scope', lv2(['UtilityPlugin']), ['utility']],
    // What the description and a usual word agree in beats the class of another family.
    ['Vestry Plate', lv2(['DistortionPlugin'], { description: 'A reverb of sheet metal' }), ['reverb']],
    ['Tube Delay', lv2(['DelayPlugin']), ['delay', 'saturation']],
  ])('%s %j is %j', (name, facts, types) => expect(kind(name, facts).types).toEqual(types));

  it.each<[string, Partial<BuildFacts>, string, string[]]>([
    // Where no sound comes out, a class that is said of every effect says nothing (LV2 classes, CV ports).
    ['Saltlamp Sum', { ...ports(0, 0, false), declaredTypes: ['UtilityPlugin'] }, 'tool', ['utility']],
    ['ADSR Envelope', { ...ports(0, 0, false), declaredTypes: ['EnvelopePlugin'] }, 'tool', ['envelope-lfo']],
    ['ADSR Envelope', ports(1, 1, false), 'tool', ['envelope-lfo']],
    ['16 Step Sequencer', ports(0, 0, false), 'tool', ['control-signal']],
    ['Copper Oscilloscope', lv2(['UtilityPlugin']), 'tool', ['oscilloscope']],
    [
      'Note Event Map',
      { ...ports(0, 0, true, true), declaredTypes: ['UtilityPlugin'] },
      'midi-effect',
      ['note-mapper'],
    ],
    // For a MIDI effect "delay" and "filter" mean notes.
    ['Weft Delay', { ...ports(0, 0, true, true), declaredTypes: ['MIDIPlugin'] }, 'midi-effect', ['midi-delay']],
    ['Weft Filter', { ...ports(0, 0, true, true), declaredTypes: ['MIDIPlugin'] }, 'midi-effect', ['note-filter']],
    ['Weft Thru', { ...ports(0, 0, true, true), declaredTypes: ['MIDIPlugin'] }, 'midi-effect', ['utility']],
    ['Copper Click', { ...ports(0, 1, false), description: 'A metronome' }, 'tool', ['metronome']],
  ])('%s %j is a %s: %j', (name, facts, role, types) => expect(kind(name, facts)).toMatchObject({ role, types }));

  it('context decides what a word means', () => {
    expect(kind('Vestry Amplifier', ports(1, 1, false)).types).toEqual(['utility']);
    expect(kind('Vestry Guitar Amplifier', ports(1, 1, false)).types).toEqual(['amp-simulator']);
    expect(kind('Vestry Amplifier', lv2(['SimulatorPlugin'])).types).toEqual(['amp-simulator']);
    // So many channels carry an ambisonic order: (order + 1) squared.
    expect(kind('Saltlamp Decoder', ports(16, 2, false)).types).toEqual(['ambisonic-decoder']);
    expect(kind('B-Format Rotation', ports(4, 4, false)).types).toEqual(['ambisonic-rotator']);
    expect(kind('Saltlamp Decoder', ports(2, 2, false)).typeGrade).toBe('likely');
  });

  it('compounds of trade words, written as one or as two', () => {
    expect(kind('Echoverb').types).toEqual(['reverb']);
    expect(kind('Saltverb').types).toEqual(['reverb']);
    expect(kind('De Noiser').types).toEqual(['restoration']);
    expect(kind('saltsynth').types).toEqual(['synth']);
    expect(kind('Declipper').types).toEqual(['restoration']);
    for (const name of ['Navigate', 'Parameter', 'Insight']) expect(kind(name).types).toEqual([]);
  });

  it('the longest of several given names tells most, and the end of an identifier a little', () => {
    const builds = [
      build({ name: 'Eq10 - Ten bands', sources: { name: 'asked' } }),
      build({ name: 'SL One', format: 'LV2', identifier: 'urn:salt#flanger' }),
    ];
    expect(workOutKind('SL', builds).types).toEqual(['eq']);
    expect(workOutKind('SL', [build({ name: 'SL', format: 'LV2', identifier: 'urn:salt#flanger' })])).toMatchObject({
      types: ['flanger'],
      typeGrade: 'likely',
    });
  });
});

describe('how a synth makes its sound, by what makers usually call it (common practice)', () => {
  const synth = (name: string, description: string | null = null) =>
    kind(name, { declaredTypes: ['Instrument', 'Synth'], description }).types;

  it.each([
    ['Saltlamp Analog', null, ['synth', 'analog-synth']],
    ['Saltlamp', 'A virtual-analogue synthesizer with two VCOs.', ['synth', 'analog-synth']],
    ['Saltlamp', 'Subtraktiv: klingt analog.', ['synth', 'analog-synth']],
    ['Saltlamp FM', null, ['synth', 'digital-synth']],
    ['WavetableSalt', null, ['synth', 'digital-synth']],
    ['Saltlamp', '6-operator synthesizer', ['synth', 'digital-synth']],
    ['Saltlamp', 'Subtractive and additive synthesis', ['synth', 'analog-synth', 'digital-synth']],
    ['Saltlamp', 'Warm and wide.', ['synth']],
    ['Fmaj Saltlamp', null, ['synth']],
  ])('%s, %j', (name, description, types) => {
    expect(synth(name, description)).toEqual(types);
  });

  it('is asked of synths alone', () => {
    expect(kind('Analog Echo', { declaredTypes: ['Fx', 'Delay'] }).types).toEqual(['delay']);
    expect(kind('Digital Sampler', { declaredTypes: ['Instrument', 'Sampler'] }).types).toEqual(['sampler']);
  });
});
