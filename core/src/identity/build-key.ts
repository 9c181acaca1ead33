import type { BuildFacts } from '../facts/build-facts.js';
import { asId, type BuildKey } from '../ids.js';

/** Formats whose identifiers are meant to be unique. VST2 ids and LADSPA ids are given twice by different makers. */
export const UNIQUE_IDENTIFIERS: ReadonlySet<string> = new Set(['LV2', 'VST3', 'AU', 'CLAP']);

/** What names a build on every computer: format and identifier, and the name where an identifier is missing or may be given twice. Never a path. */
export function buildKey({ format, identifier, name }: Pick<BuildFacts, 'format' | 'identifier' | 'name'>): BuildKey {
  const isEnough = identifier !== null && UNIQUE_IDENTIFIERS.has(format);
  return asId<BuildKey>([format, identifier ?? '', ...(isEnough ? [] : [name])].join(' '));
}
