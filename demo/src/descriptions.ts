/** What the makers of the demo say of their plugins, by kind; kinds that are not listed say nothing. */
const DESCRIPTIONS: Readonly<Record<string, readonly string[]>> = {
  eq: ['Broad strokes for voices and small instruments.', 'Four bands and two shelves, with a tilt for the whole.'],
  compressor: ['Holds a voice in its place without being heard.', 'One knob, slow and even, for whole mixes.'],
  reverb: ['Small wooden rooms and the halls behind them.', 'Metal that rings for a long time.'],
  limiter: ['A ceiling that nothing passes.', 'Stops peaks and leaves the rest alone.'],
  delay: ['Repeats that grow darker.', 'Short repeats in time with the song.'],
  gate: ['Closes when nobody speaks.', 'Keeps the rattle of the stage out.'],
  chorus: ['Two slow voices beside the first.'],
  tremolo: ['Louder and softer, in time with the song.'],
  rotary: ['A horn and a drum that turn.'],
  vibrato: ['Pitch that wavers like an old reel.'],
  'auto-pan': ['From the left to the right and back.'],
  panner: ['Places a sound on the stage.'],
  filter: ['Takes away the top or the bottom, and sings in between.'],
  'stereo-imager': ['Wider or narrower, and mono below a chosen frequency.'],
  utility: ['Gain, phase and channels.'],
  synth: ['Two oscillators and a soft filter, analog style.', 'Thin leads and round basses out of wavetables.'],
  piano: ['A small upright, recorded closely.', 'A toy piano with its wooden clatter.'],
  organ: ['Reeds and bellows from a village hall.'],
  strings: ['A quartet in a dry room.'],
  brass: ['Four horns, soft and far away.'],
  guitar: ['Steel strings, plucked with a quill.'],
  voice: ['A choir of nine that sings vowels.'],
  percussion: ['Spoons, boxes and tin lids.'],
  'drum-machine': ['Sixteen steps and eight worn samples.'],
  'sound-effects': ['Thunder, wind and footsteps for the stage.'],
  'level-meter': ['A needle for each channel.'],
  'spectrum-analyser': ['Shows which frequencies sound.'],
  'loudness-meter': ['Loudness over a moment, a while and the whole.'],
  ambisonics: ['Places a sound anywhere on a sphere.'],
  surround: ['From two loudspeakers to six.'],
  arpeggiator: ['Plays a chord one note after the other.'],
  velocity: ['Evens out how hard notes are played.'],
};

/** The description of a plugin; null where its maker gives none. Every third maker leaves it out. */
export const descriptionOf = ({ number, kind }: { readonly number: number; readonly kind: string }): string | null => {
  const all = DESCRIPTIONS[kind] ?? [];
  return number % 3 === 1 ? null : (all[number % (all.length || 1)] ?? null);
};
