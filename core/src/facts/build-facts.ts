import type { Architecture, Format } from './format.js';

/** Where a fact of a build came from. */
export const FACT_SOURCES = ['manifest', 'bundle plist', 'version resource', 'header', 'file name'] as const;
export type FactSource = (typeof FACT_SOURCES)[number];

/** What one installed build says of itself. Unknown is null, never a guess; an empty list means: declares none. */
export interface BuildFacts {
  readonly format: Format;
  /** LV2 URI, VST3 class id (32 hex digits), AU type/subtype/manufacturer; null when it can't be read from outside. */
  readonly identifier: string | null;
  /** Absolute path of the bundle or file. */
  readonly path: string;
  readonly name: string;
  readonly vendor: string | null;
  readonly version: string | null;
  /** The format's own words: LV2 class, VST3 sub-categories, AU type code. */
  readonly declaredTypes: readonly string[];
  /** Number of audio channels or ports; null when not declared. */
  readonly audioInputs: number | null;
  readonly audioOutputs: number | null;
  readonly midiInput: boolean | null;
  readonly midiOutput: boolean | null;
  readonly architectures: readonly Architecture[];
  /** Presets found beside it; null where none were looked for. */
  readonly presets: number | null;
  /** Identifiers of builds that this one says it takes the place of. */
  readonly replaces: readonly string[];
  /** Where name, vendor and version came from; absent for what is null. */
  readonly sources: Readonly<Partial<Record<'name' | 'vendor' | 'version', FactSource>>>;
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
    declaredTypes: [],
    audioInputs: null,
    audioOutputs: null,
    midiInput: null,
    midiOutput: null,
    architectures: [],
    presets: null,
    replaces: [],
    sources: { name: 'file name' },
  };
}

/** Facts with the name, vendor and version that one source tells laid over what was known; null and absent leave what stands. */
export function overlay(
  facts: BuildFacts,
  told: { name?: string | null; vendor?: string | null; version?: string | null },
  source: FactSource,
): BuildFacts {
  const result = { ...facts, sources: { ...facts.sources } };
  for (const key of ['name', 'vendor', 'version'] as const) {
    const value = told[key];
    if (value === null || value === undefined || value === '') continue;
    result[key] = value;
    result.sources[key] = source;
  }
  return result;
}
