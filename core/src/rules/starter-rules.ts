/** A rule for a usual type or need, ready to be taken. */
export interface StarterRule {
  readonly name: string;
  readonly text: string;
}

/** The starter rules in the order in which a chest of them stands: what most is reached for first, leftovers last. */
export const STARTER_RULES: readonly StarterRule[] = [
  { name: 'New this month', text: 'arrived:30d' },
  { name: 'EQ and filters', text: 'family:eq-and-filter' },
  { name: 'Compressors', text: 'type:compressor OR (type:multiband-dynamics AND NOT (gate OR expander OR limiter))' },
  { name: 'Limiters', text: 'type:limiter OR (type:multiband-dynamics AND limiter)' },
  {
    name: 'Gates and shapers',
    text: 'type:gate OR type:expander OR type:transient-shaper OR type:de-esser OR (type:multiband-dynamics AND (gate OR expander))',
  },
  { name: 'Reverbs', text: 'type:reverb' },
  { name: 'Delays', text: 'type:delay OR type:looper' },
  { name: 'Movement', text: 'family:modulation' },
  { name: 'Dirt', text: 'family:colour AND NOT type:amp-simulator' },
  { name: 'Amps', text: 'type:amp-simulator' },
  { name: 'Pitch and voice', text: 'family:pitch' },
  { name: 'Width and place', text: 'family:stereo' },
  { name: 'Cleaning up', text: 'family:repair' },
  { name: 'Strips and chains', text: 'family:strips' },
  { name: 'Synths', text: 'type:synth' },
  { name: 'Samplers', text: 'type:sampler' },
  { name: 'Keys', text: 'family:keys' },
  { name: 'Acoustic', text: 'family:acoustic' },
  { name: 'Drums and noises', text: 'family:drums' },
  { name: 'Notes', text: 'role:midi-effect' },
  { name: 'Meters and tuners', text: 'family:measuring' },
  { name: 'With sidechain', text: 'is:sidechain' },
  { name: 'Never loaded', text: 'loads:0 AND NOT is:aside' },
];
