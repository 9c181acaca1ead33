import type { AskState, BuildFacts, Told } from './build-facts.js';
import { overlay, type PORTS, MAX_PRESET_NAME_LENGTH, PRESETS_KEPT, type PresetFacts } from './build-facts.js';
import type { Fault } from './fault.js';
import type { LeftOutReason } from './left-out.js';
import type { Reading } from './place.js';

/** What one plugin of a binary said when it was asked. */
export interface AskedPlugin extends Told {
  readonly identifier: string | null;
  /** What it calls the product that it is; kept beside the name where it says more. */
  readonly product?: string | null;
  /** The names of the programs that it holds. */
  readonly programs?: readonly string[];
}

/** The ports that one plugin of a binary has, as it said itself. */
export type AskedPorts = Pick<AskedPlugin, 'identifier'> & Pick<Told, (typeof PORTS)[number]>;

/** What plugins said, with the ports that they told of in a second answer. */
export const withPorts = (plugins: readonly AskedPlugin[], ports: readonly AskedPorts[]): AskedPlugin[] =>
  plugins.map((plugin) => ({ ...plugin, ...ports.find((one) => one.identifier === plugin.identifier) }));

/** How asking one binary went. A binary that answers and holds no plugin is a plain library: neither plugin nor problem. */
export type Answer = { readonly fault: Fault | null; readonly printed: string | null } & (
  { readonly state: 'asked'; readonly plugins: readonly AskedPlugin[] } | { readonly state: Exclude<AskState, 'asked'> }
);

/**
 * A reading with what the plugin itself said laid over it: a build for each plugin that the binary holds (a shell holds many).
 * Without an answer the builds stay as the files tell them, and carry why.
 */
export function withAnswer(reading: Reading, answer: Answer): Reading {
  const { askable: _askable, unsure, ...rest } = reading;
  const faults = answer.fault === null ? reading.faults : [...reading.faults, answer.fault];
  const [base] = reading.builds;
  if (answer.state === 'asked' && base !== undefined)
    return { ...rest, faults, builds: answer.plugins.map((one) => overlayAsked(base, one, answer.printed)) };
  if (unsure?.keptUnasked === false)
    return { ...rest, faults, builds: [], leftOut: { reason: WITHOUT_ANSWER[answer.state] } };
  const builds = reading.builds.map((build) => ({ ...build, asked: answer.state, printed: answer.printed }));
  return { ...rest, faults, builds };
}

const WITHOUT_ANSWER: Readonly<Record<AskState, LeftOutReason>> = {
  asked: 'no-plugin',
  failed: 'no-plugin',
  'switched-off': 'unasked',
  'other-system': 'other-system',
  'other-processor': 'other-system',
};

function overlayAsked(base: BuildFacts, plugin: AskedPlugin, printed: string | null): BuildFacts {
  const { product = null, programs = [] } = plugin;
  const called = plugin.name == null ? base : overlay(base, { name: product }, 'asked');
  const facts = overlay(called, plugin, 'asked');
  return {
    ...withPrograms(facts, programs),
    identifier: plugin.identifier ?? base.identifier,
    asked: 'asked',
    printed,
  };
}

/** Programs are presets that the plugin holds itself. One alone is how it starts, and no choice. */
function withPrograms(facts: BuildFacts, programs: readonly string[]): BuildFacts {
  if (programs.length < 2) return facts;
  const presetList = programs.slice(0, PRESETS_KEPT).map((name, index): PresetFacts => ({
    key: `program ${String(index + 1)}`,
    name: name.slice(0, MAX_PRESET_NAME_LENGTH),
    bank: null,
  }));
  return { ...facts, presets: programs.length, presetList, sources: { ...facts.sources, presets: 'asked' } };
}
