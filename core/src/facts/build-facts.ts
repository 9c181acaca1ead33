import type { Architecture, Format } from './format.js';

/** Where a fact of a build came from. */
export const FACT_SOURCES = [
  'manifest',
  'asked',
  'version resource',
  'bundle plist',
  'preset files',
  'picture files',
  'header',
  'file name',
] as const;
/** Where a fact of a build was read. */
export type FactSource = (typeof FACT_SOURCES)[number];

/** The facts whose source is kept. "types" and "ports" stand for all fields of their kind. */
export const SOURCED_FACTS = [
  'name',
  'vendor',
  'version',
  'description',
  'types',
  'ports',
  'architectures',
  'presets',
  'pictures',
] as const;
/** A fact whose source is kept. */
export type SourcedFact = (typeof SOURCED_FACTS)[number];

/** What another source said of a fact, and was overruled in. */
export interface OtherClaim {
  readonly fact: SourcedFact;
  readonly source: FactSource;
  readonly value: string;
}

/** Whether the plugin itself was asked: loaded in a process of its own. Null where its files tell everything. */
export const ASK_STATES = ['asked', 'switched-off', 'other-system', 'other-processor', 'failed'] as const;
/** Whether a build was asked about itself, and what came of it. */
export type AskState = (typeof ASK_STATES)[number];

/** Settings of a plugin that were found on disk. */
export interface PresetFacts {
  /** What tells it from others on this computer: an LV2 URI, or the path of its file. */
  readonly key: string;
  readonly name: string;
  /** What its maker puts it under; null when it stands alone. */
  readonly bank: string | null;
}

/** The most presets of a build that are kept by name; more are counted. */
export const PRESETS_KEPT = 10_000;
/** The most characters of the name of a preset or bank that are kept. */
export const MAX_PRESET_NAME_LENGTH = 200;

/** What one installed build says of itself. Unknown is null, never a guess; an empty list means: declares none. */
export interface BuildFacts {
  readonly format: Format;
  /**
   * LV2 URI, VST3 class id (32 hex digits), AU type/subtype/manufacturer, CLAP id, VST2 unique id (8 hex digits), LADSPA unique id/label;
   * null when it can't be read from outside and the plugin was not asked.
   */
  readonly identifier: string | null;
  /** Absolute path of the bundle or file. */
  readonly path: string;
  readonly name: string;
  readonly vendor: string | null;
  readonly version: string | null;
  /** A sentence or two by the maker. */
  readonly description: string | null;
  /** The format's own words: LV2 class, VST3 sub-categories, AU type code, CLAP features, VST2 category. */
  readonly declaredTypes: readonly string[];
  /** Number of channels of the main audio inputs and outputs; null when not declared. */
  readonly audioInputs: number | null;
  readonly audioOutputs: number | null;
  /** Channels of further audio inputs, which only steer what is done: a sidechain. Null when not declared. */
  readonly sidechainInputs: number | null;
  /** Ports for control voltage; null when not declared. */
  readonly controlInputs: number | null;
  readonly controlOutputs: number | null;
  readonly midiInput: boolean | null;
  readonly midiOutput: boolean | null;
  readonly architectures: readonly Architecture[];
  /** Presets found for it on disk; null where none were looked for. */
  readonly presets: number | null;
  /** The first PRESETS_KEPT of them, by bank and name. */
  readonly presetList: readonly PresetFacts[];
  /** Absolute paths of pictures that came with it, smallest first. */
  readonly pictures: readonly string[];
  /** Identifiers of builds that this one says it takes the place of. */
  readonly replaces: readonly string[];
  /** Where each fact came from; absent for what is unknown. */
  readonly sources: Readonly<Partial<Record<SourcedFact, FactSource>>>;
  /** What further sources said, where it differs. */
  readonly others: readonly OtherClaim[];
  readonly asked: AskState | null;
  /** What the plugin printed while it was asked, cut short; null for nothing. */
  readonly printed: string | null;
}

/** Facts with everything unknown, to be overlaid with what a reader found. */
export function unknownFacts(format: Format, path: string, name: string): BuildFacts {
  return {
    format,
    identifier: null,
    path,
    name,
    vendor: null,
    version: null,
    description: null,
    declaredTypes: [],
    audioInputs: null,
    audioOutputs: null,
    sidechainInputs: null,
    controlInputs: null,
    controlOutputs: null,
    midiInput: null,
    midiOutput: null,
    architectures: [],
    presets: null,
    presetList: [],
    pictures: [],
    replaces: [],
    sources: { name: 'file name' },
    others: [],
    asked: null,
    printed: null,
  };
}

/** What one source may tell; absent, null and empty leave what stands. */
export type Told = {
  readonly [Fact in 'name' | 'vendor' | 'version' | 'description']?: string | null;
} & Partial<Pick<BuildFacts, 'declaredTypes' | 'architectures' | (typeof PORTS)[number]>>;

const TEXTS = ['name', 'vendor', 'version', 'description'] as const;
/** The facts about ports. */
export const PORTS = [
  'audioInputs',
  'audioOutputs',
  'sidechainInputs',
  'controlInputs',
  'controlOutputs',
  'midiInput',
  'midiOutput',
] as const;

/** Facts with what a better source tells laid over what was known. What it overrules is kept as another claim. */
export function overlay(facts: BuildFacts, told: Told, source: FactSource): BuildFacts {
  const sources = { ...facts.sources };
  const others = [...facts.others];
  const result = { ...facts, sources, others };
  for (const fact of TEXTS) {
    const value = told[fact];
    if (value === null || value === undefined || value === '') continue;
    const [before, from] = [facts[fact], facts.sources[fact]];
    // A file name is only ever the last resort, and says nothing that is worth keeping beside a real name.
    if (before !== null && before !== value && from !== undefined && from !== 'file name')
      others.push({ fact, source: from, value: before });
    result[fact] = value;
    sources[fact] = source;
  }
  if (told.declaredTypes !== undefined && told.declaredTypes.length > 0) {
    if (facts.declaredTypes.length > 0 && facts.sources.types !== undefined)
      others.push({ fact: 'types', source: facts.sources.types, value: facts.declaredTypes.join(', ') });
    result.declaredTypes = told.declaredTypes;
    sources.types = source;
  }
  for (const port of PORTS) {
    const value = told[port];
    if (value === null || value === undefined) continue;
    Object.assign(result, { [port]: value });
    sources.ports = source;
  }
  if (told.architectures !== undefined && told.architectures.length > 0) {
    result.architectures = told.architectures;
    sources.architectures = source;
  }
  return result;
}
