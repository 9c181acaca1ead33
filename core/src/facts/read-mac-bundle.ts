import type { BuildFacts } from './build-facts.js';
import { overlay, unknownFacts } from './build-facts.js';
import type { Fault } from './fault.js';
import type { Architecture, Format } from './format.js';
import type { Place, Reading } from './place.js';
import { stem } from './place.js';
import type { BinaryFacts } from './binary/binary-facts.js';
import { askableOf, headerOf, isFault } from './read-binary-file.js';
import type { PlistDictionary } from './read-plist.js';
import { bundlePlist, plistText } from './read-plist.js';

/** Facts of any macOS bundle: file name, then Info.plist, and the architectures of its program. No identifier and no types. */
export function overlayBundlePlist(facts: BuildFacts, plist: PlistDictionary | null): BuildFacts {
  if (plist === null) return facts;
  const name = plistText(plist, 'CFBundleDisplayName') ?? plistText(plist, 'CFBundleName');
  const version = plistText(plist, 'CFBundleShortVersionString') ?? plistText(plist, 'CFBundleVersion');
  return overlay(facts, { name, version }, 'bundle plist');
}

/** Architectures of Contents/MacOS/<program>; a fault when the program is missing, empty or no program. */
export async function bundleProgram(
  place: Place,
  plist: PlistDictionary | null,
): Promise<{ inside: string; header: BinaryFacts | null; architectures: readonly Architecture[]; faults: Fault[] }> {
  const programs = await place.list('Contents/MacOS');
  const named = plist === null ? null : plistText(plist, 'CFBundleExecutable');
  const program = named ?? programs.find((name) => name === stem(place.name)) ?? programs[0];
  const nothing = { inside: '', header: null, architectures: [] };
  if (program === undefined) {
    return { ...nothing, faults: [{ code: 'binary-missing', path: place.path, detail: 'Contents/MacOS' }] };
  }
  const inside = `Contents/MacOS/${program}`;
  const header = await headerOf(place, inside, 'header');
  return isFault(header)
    ? { ...nothing, faults: [header] }
    : { inside, header, architectures: header.architectures, faults: [] };
}

/** Reads a macOS bundle of a format that says nothing more from outside (VST2 .vst, .clap, .aaxplugin). */
export async function readMacBundle(place: Place, format: Format): Promise<Reading> {
  const top = await place.list('Contents');
  if (top.length === 0) {
    return { builds: [], faults: [{ code: 'bundle-without-manifest', path: place.path, detail: 'Contents' }] };
  }
  const { plist, faults } = await bundlePlist(place);
  const program = await bundleProgram(place, plist);
  const facts = overlayBundlePlist(unknownFacts(format, place.path, stem(place.name)), plist);
  const all = [...faults, ...program.faults];
  // Without a program that could run there is no build, only the fault.
  if (program.header === null) return { builds: [], faults: all };
  const build = overlay(facts, { architectures: program.architectures }, 'header');
  return { builds: [build], faults: all, ...askableOf(format, `${place.path}/${program.inside}`, program.header) };
}
