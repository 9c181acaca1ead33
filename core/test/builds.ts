import type { BuildFacts } from '../src/facts/build-facts';
import { unknownFacts } from '../src/facts/build-facts';

/** A build with the given facts and everything else unknown. */
export const build = (facts: Partial<BuildFacts> & Pick<BuildFacts, 'name'>): BuildFacts => ({
  ...unknownFacts(facts.format ?? 'VST3', facts.path ?? `/plugins/${facts.name}.vst3`, facts.name),
  ...facts,
});
