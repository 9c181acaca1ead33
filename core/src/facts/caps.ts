/** The most that is kept of what comes from outside: no file and no plugin can make a fact larger than any real one is. */
import type { BuildFacts, PresetFacts } from './build-facts.js';
import { MAX_PRESET_NAME_LENGTH, PRESETS_KEPT } from './build-facts.js';
import type { Fault } from './fault.js';
import type { FoundPreset, Reading } from './place.js';
import { fnv } from '../text/fnv.js';
import { utf8Length } from '../text/utf8-length.js';

/** Characters kept of a text; far more than real ones have (common practice). */
export const MAX_TEXT = {
  name: 200,
  vendor: 200,
  version: 100,
  description: 4000,
  printed: 2000,
  detail: 400,
} as const;
/** Characters kept of what something is known by. What is longer keeps its beginning and a mark of the whole, so that two of them stay two. */
export const MAX_IDENTIFIER = 400;
/** Plugins kept of one place. The largest collections in one file hold some hundreds (common practice). */
export const MAX_BUILDS = 1000;
/** Bytes of a path that is taken up: a row of it must fit into an index. */
export const MAX_PATH_BYTES = 2000;

const MOST = {
  faults: 50,
  types: 50,
  others: 20,
  pictures: 20,
  replaces: 50,
  projects: 1000,
  presets: 20_000,
  askable: 20,
};

/** Truncates a text without splitting a surrogate pair, and drops zero characters and lone surrogates, which PostgreSQL does not store. */
export function truncateText(text: string, most: number): string {
  // Cut first: whatever is done with it then takes as long as what is kept.
  const isHalved = text.length > most && /[\uD800-\uDBFF]/.test(text.charAt(most - 2));
  const cut = text.length > most ? `${text.slice(0, most - (isHalved ? 2 : 1))}…` : text;
  return cut.replaceAll('\0', '').toWellFormed();
}

/** Something that a thing is known by, with a mark in place of what is cut off (see fnv, from both ends). */
export function cappedKey(text: string, most: number = MAX_IDENTIFIER): string {
  if (text.length <= most) return truncateText(text, most);
  const marks = [fnv(text), fnv(text, undefined, true)];
  const mark = `#${marks.map((one) => one.toString(16).padStart(8, '0')).join('')}`;
  return truncateText(text.slice(0, most - mark.length), most) + mark;
}

/** A path that fits into an index; a longer one keeps its beginning and a mark of the whole. */
export const cappedPath = (path: string): string =>
  utf8Length(path) <= MAX_PATH_BYTES ? truncateText(path, MAX_PATH_BYTES) : cappedKey(path, MAX_PATH_BYTES / 4);

const orNull = <T>(value: T | null, cap: (value: T) => T): T | null => (value === null ? null : cap(value));

/** A fault with no more of a parser's words than are read. */
export const cappedFault = (fault: Fault): Fault => ({
  ...fault,
  path: cappedPath(fault.path),
  ...(fault.detail === undefined ? {} : { detail: truncateText(fault.detail, MAX_TEXT.detail) }),
});

const cappedPreset = <P extends PresetFacts>(preset: P): P => ({
  ...preset,
  key: cappedKey(preset.key),
  name: truncateText(preset.name, MAX_PRESET_NAME_LENGTH),
  bank: orNull(preset.bank, (bank) => truncateText(bank, MAX_PRESET_NAME_LENGTH)),
});

/** A build whose facts are no larger than any real one's. */
export function cappedBuild(build: BuildFacts): BuildFacts {
  return {
    ...build,
    identifier: orNull(build.identifier, (text) => cappedKey(text)),
    name: truncateText(build.name, MAX_TEXT.name),
    vendor: orNull(build.vendor, (text) => truncateText(text, MAX_TEXT.vendor)),
    version: orNull(build.version, (text) => truncateText(text, MAX_TEXT.version)),
    description: orNull(build.description, (text) => truncateText(text, MAX_TEXT.description)),
    printed: orNull(build.printed, (text) => truncateText(text, MAX_TEXT.printed)),
    declaredTypes: build.declaredTypes.slice(0, MOST.types).map((type) => truncateText(type, MAX_TEXT.version)),
    presetList: build.presetList.slice(0, PRESETS_KEPT).map(cappedPreset),
    pictures: build.pictures.slice(0, MOST.pictures),
    replaces: build.replaces.slice(0, MOST.replaces).map((text) => cappedKey(text)),
    others: build.others
      .slice(0, MOST.others)
      .map((other) => ({ ...other, value: truncateText(other.value, MAX_TEXT.description) })),
  };
}

const keptOf = (all: number, most: number): string => `${String(all)}, of which ${String(most)} are kept`;
const longer = <One, Other>(one: readonly One[] = [], other: readonly Other[] = []): readonly unknown[] =>
  one.length > other.length ? one : other;
const WHAT = {
  faults: 'problems',
  presets: 'presets',
  projects: 'projects and their plugins',
  askable: 'files to be asked',
} as const;

/** A reading with caps on all that it holds; what is left out is a fault that counts it. */
export function cappedReading(reading: Reading, path: string): Reading {
  const { builds, faults, presets, projects, ofProjects, askable } = reading;
  const told: Fault[] = [];
  if (builds.length > MAX_BUILDS)
    told.push({ code: 'too-many-plugins', path, detail: keptOf(builds.length, MAX_BUILDS) });
  const lists = { faults, presets, projects: longer(projects, ofProjects), askable };
  for (const [name, list] of Object.entries(lists)) {
    const most = MOST[name as keyof typeof lists];
    const { length = 0 } = list ?? {};
    if (length > most)
      told.push({
        code: 'more-than-kept',
        path,
        detail: `${WHAT[name as keyof typeof lists]}: ${keptOf(length, most)}`,
      });
  }
  const few = <T>(list: readonly T[] | undefined, most: number): readonly T[] | undefined => list?.slice(0, most);
  const kept: { -readonly [Key in keyof Reading]: Reading[Key] } = {
    ...reading,
    builds: builds.slice(0, MAX_BUILDS).map(cappedBuild),
    faults: [...told, ...faults.slice(0, MOST.faults).map(cappedFault)],
  };
  if (presets !== undefined)
    kept.presets = few(presets, MOST.presets)?.map((preset): FoundPreset => ({
      ...cappedPreset(preset),
      appliesTo: cappedKey(preset.appliesTo),
    }));
  if (projects !== undefined)
    kept.projects = few(projects, MOST.projects)?.map((one) => ({
      project: cappedKey(one.project),
      maker: truncateText(one.maker, MAX_TEXT.vendor),
    }));
  if (ofProjects !== undefined)
    kept.ofProjects = few(ofProjects, MOST.projects)?.map((one) => ({
      identifier: cappedKey(one.identifier),
      project: cappedKey(one.project),
    }));
  if (askable !== undefined) kept.askable = few(askable, MOST.askable);
  return kept;
}
