import type { BuildFacts } from '../facts/build-facts.js';
import type { NameWords } from './name-words.js';

const AMBISONIC_WORDS = new Set(['ambisonic', 'ambisonics', 'ambi', 'amb', 'hoa', 'fmh', 'uhj', 'bformat']);
// So many channels carry an ambisonic order: (order + 1) squared. Third order and above are met nowhere else.
const ORDERS = new Set([16, 25, 36, 49, 64]);
const GUITAR_WORDS =
  /\b(?:guitar|bass|tube|valve|cabinet|speaker|overdrive|preamp|distort\w*|crunch|head|stack|tone|channel|gain stage)\b/;

/** Words that mean one thing among certain others: they count as surely as a phrase of both, or for something else. */
export function inContext(named: NameWords, builds: readonly BuildFacts[]): NameWords {
  const isAmbisonic =
    named.words.some((word) => AMBISONIC_WORDS.has(word)) ||
    /\bb format\b/.test(named.words.join(' ')) ||
    builds.some((build) => ORDERS.has(build.audioInputs ?? 0) || ORDERS.has(build.audioOutputs ?? 0));
  const texts = [named.words.join(' '), ...builds.map((build) => build.description?.toLowerCase() ?? '')].join(' ');
  const isGuitar = GUITAR_WORDS.test(texts) || builds.some((build) => build.declaredTypes.includes('SimulatorPlugin'));
  const segments = named.segments.map((segment) =>
    segment.map((one) => {
      if (isAmbisonic && one.type.startsWith('ambisonic-')) return { ...one, grade: 'strong' as const };
      // An amplifier makes louder, unless it is one for a guitar.
      if (one.type === 'amp-simulator' && /^ampl/.test(one.text) && !isGuitar)
        return { ...one, type: 'utility' as const };
      return one;
    }),
  );
  return { ...named, segments, all: segments.flat() };
}
