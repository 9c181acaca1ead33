import type { BuildFacts } from '../facts/build-facts.js';
import { fold, wordsOf } from '../text/words.js';
import type { TypeId } from './type-tree.js';

/** How a synth makes its sound, as a further type beside "synth". What plays samples is a sampler. */
export const SYNTH_ENGINES = ['analog-synth', 'digital-synth'] as const satisfies readonly TypeId[];

/** What makers call them. Common practice: subtractive synthesis is that of analog circuits, the others came with digital ones. */
const CALLED: Readonly<Record<(typeof SYNTH_ENGINES)[number], RegExp>> = {
  'analog-synth': /\b(?:analogu?e?|subtractive|vcos?|dcos?)\b/,
  'digital-synth':
    /\b(?:digital|fm|[2468] ?op(?:erators?)?|frequency modulation|phase modulation|phase distortion|wave ?tables?|wave ?terrain|additive|resynthesis|vector synth\w*|formant synth\w*|granular synth\w*|chip ?tunes?|chip sounds?|8 ?bit|karplus strong|waveguide)\b/,
};

/** The engines that names, classes and descriptions of a synth tell; none of what is no synth. Never throws. */
export function synthEngines(types: readonly TypeId[], name: string, builds: readonly BuildFacts[]): TypeId[] {
  if (!types.includes('synth')) return [];
  const texts = builds.flatMap((build) => [build.name, build.description ?? '', ...build.declaredTypes]);
  // "VCOs" must not be cut at its capitals, "WavetableSynth" must.
  const said = [name, ...texts].map((text) => {
    const start = text.slice(0, MOST);
    return `${wordsOf(start).join(' ')} / ${fold(start).replace(/[^a-z0-9]+/g, ' ')}`;
  });
  return SYNTH_ENGINES.filter((engine) => said.some((words) => CALLED[engine].test(words)));
}

/** Of a long description the beginning says what it is. */
const MOST = 400;
