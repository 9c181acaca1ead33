import type { BuildFacts } from './build-facts.js';
import { overlay, unknownFacts } from './build-facts.js';
import type { BinaryFacts } from './binary/binary-facts.js';
import type { Wanted } from './binary/read-binary.js';
import { readBinary } from './binary/read-binary.js';
import type { ReadAt } from './binary/bytes.js';
import type { Format } from './format.js';
import type { Fault } from './fault.js';
import type { Place, Reading } from './place.js';
import { NOTHING, stem } from './place.js';

// The function by which a host enters, in each format.
const ENTRIES: readonly (readonly [string, Format])[] = [
  ['GetPluginFactory', 'VST3'],
  ['clap_entry', 'CLAP'],
  ['VSTPluginMain', 'VST2'],
  ['ladspa_descriptor', 'LADSPA'],
  ['ACFRegisterPlugin', 'AAX'],
];

/** A ReadAt over one file of a place; a part that can't be read is empty. */
export const partsOf =
  (place: Place, inside: string): ReadAt =>
  async (offset, length) => {
    if (length <= 0) return new Uint8Array(0);
    const part = await place.part(inside, offset, length);
    return part.ok ? part.value : new Uint8Array(0);
  };

/** A header, or the fault that stood in its way. A file that may not be read is a fault too. */
export async function headerOf(place: Place, inside: string, wanted: Wanted = 'all'): Promise<BinaryFacts | Fault> {
  const path = inside === '' ? place.path : `${place.path}/${inside}`;
  const size = await place.size(inside);
  if (size === null) {
    // Of a place that is itself no file it is told what it is.
    const what = inside === '' ? await place.part('', 0, 1) : null;
    return what?.ok === false ? what.fault : { code: 'binary-missing', path: place.path, detail: inside };
  }
  if (size === 0) return { code: 'binary-empty', path };
  const start = await place.part(inside, 0, 16);
  if (!start.ok) return start.fault;
  return (await readBinary(partsOf(place, inside), wanted)) ?? { code: 'binary-unrecognised', path };
}

/** True for the fault of a union of facts and fault. */
export const isFault = (found: BinaryFacts | Fault): found is Fault => 'code' in found;

/** What the version resource adds to the facts of a build: product name, company, version. Microsoft VERSIONINFO. */
export function overlayVersionStrings(facts: BuildFacts, strings: Readonly<Record<string, string>>): BuildFacts {
  const told = {
    name: strings.ProductName ?? strings.FileDescription ?? null,
    vendor: strings.CompanyName ?? null,
    version: strings.ProductVersion ?? strings.FileVersion ?? null,
    // A description that only repeats the name says nothing.
    description: strings.FileDescription !== strings.ProductName ? (strings.FileDescription ?? null) : null,
  };
  return overlay(facts, told, 'version resource');
}

/**
 * Reads a single program file (.dll, .so, .dylib, .clap, .vst3 …). With `format` it is taken for that; without, its exported entry tells,
 * and a library that exports no plugin entry is neither plugin nor fault.
 */
export async function readBinaryFile(place: Place, format: Format | null): Promise<Reading> {
  const header = await headerOf(place, '');
  if (isFault(header)) return { builds: [], faults: [header] };
  const mayBe = format === null && mayBeOldVst2(header);
  const told = format ?? (mayBe ? 'VST2' : formatOf(header));
  if (told === null) return header.exports === null ? { ...NOTHING, leftOut: { reason: 'other-system' } } : NOTHING;
  const unknown = unknownFacts(told, place.path, stem(place.name));
  const facts = overlay(unknown, { architectures: header.architectures }, 'header');
  const build = overlayVersionStrings(facts, header.versionStrings);
  const unsure = mayBe ? { unsure: { keptUnasked: isVst2Path(place.path) } } : {};
  return { builds: [build], faults: [], ...unsure, ...askableOf(told, place.path, header) };
}

const ASKED_FORMATS: readonly Format[] = ['LADSPA', 'VST2', 'VST3', 'CLAP'];

/** The binary as one to be asked, when its format can be. */
export const askableOf = (format: Format, path: string, header: BinaryFacts): Pick<Reading, 'askable'> =>
  ASKED_FORMATS.includes(format) ? { askable: [{ path, kind: header.kind, architectures: header.architectures }] } : {};

function formatOf(header: BinaryFacts): Format | null {
  const exported = header.exports;
  if (exported === null) return null;
  const entry = ENTRIES.find(([name]) => exported.has(name));
  if (entry !== undefined) return entry[1];
  // In a Windows library nothing else begins with it.
  return header.kind === 'pe' && exported.has(OLD_VST2_ENTRY) ? 'VST2' : null;
}

// VST2's first entry, before "VSTPluginMain" took its place in 2.4. Common practice.
const OLD_VST2_ENTRY = 'main';

/**
 * Whether a library may be a VST2 plugin of the older kind. A program has a "main" as well, but names its interpreter; what else a "main" of a
 * library is, only the library can say.
 */
const mayBeOldVst2 = (header: BinaryFacts): boolean =>
  !header.isProgram && formatOf(header) === null && header.exports?.has(OLD_VST2_ENTRY) === true;

/** Whether a file lies in a folder that is for VST2 plugins by its name: "vst", ".vst", "lxvst", "VSTPlugins". Common practice. */
const isVst2Path = (path: string): boolean =>
  path
    .split(/[\\/]/)
    .slice(0, -1)
    .some((part) => /^\.?(?:lx|linux[-_ ]?)?vst2?(?:[-_ ]?plug-?ins?)?$/i.test(part));
