import type { AskState, BuildFacts, Told } from './build-facts.js';
import { overlay } from './build-facts.js';
import type { Fault } from './fault.js';
import type { Reading } from './place.js';

/** What one plugin of a binary said when it was asked. */
export interface AskedPlugin extends Told {
  readonly identifier: string | null;
}

/** How asking one binary went. A binary that answers and holds no plugin is a plain library: neither plugin nor problem. */
export type Answer = { readonly fault: Fault | null; readonly printed: string | null } & (
  { readonly state: 'asked'; readonly plugins: readonly AskedPlugin[] } | { readonly state: Exclude<AskState, 'asked'> }
);

/**
 * A reading with what the plugin itself said laid over it: a build for each plugin that the binary holds (a shell holds many).
 * Without an answer the builds stay as the files tell them, and carry why.
 */
export function withAnswer(reading: Reading, answer: Answer): Reading {
  const { askable: _askable, ...rest } = reading;
  const faults = answer.fault === null ? reading.faults : [...reading.faults, answer.fault];
  const [base] = reading.builds;
  if (answer.state === 'asked' && base !== undefined)
    return { ...rest, faults, builds: answer.plugins.map((one) => overlayAsked(base, one, answer.printed)) };
  const builds = reading.builds.map((build) => ({ ...build, asked: answer.state, printed: answer.printed }));
  return { ...rest, faults, builds };
}

const overlayAsked = (base: BuildFacts, plugin: AskedPlugin, printed: string | null): BuildFacts => ({
  ...overlay(base, plugin, 'asked'),
  identifier: plugin.identifier ?? base.identifier,
  asked: 'asked',
  printed,
});
