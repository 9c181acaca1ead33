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
    [ports(0, 1, false), null],
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
    ['LUFS Meter', ['level-meter', 'loudness-meter'], 'strong'],
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
