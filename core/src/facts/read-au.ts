import type { BuildFacts, Told } from './build-facts.js';
import { overlay, unknownFacts } from './build-facts.js';
import type { Place, Reading } from './place.js';
import { stem } from './place.js';
import { bundleProgram, overlayBundlePlist } from './read-mac-bundle.js';
import type { PlistDictionary } from './read-plist.js';
import { bundlePlist, plistDictionaries, plistText } from './read-plist.js';

// What the type code says of notes; the other types leave it open. Memory.
const TAKES_NOTES: Readonly<Record<string, boolean>> = { aumu: true, aumf: true, aumi: true, aufx: false };

/** Reads an AU component bundle by its Info.plist (Audio Component Services; the key names and types in part from memory). */
export async function readAu(place: Place): Promise<Reading> {
  const { plist, faults } = await bundlePlist(place);
  if (plist === null && faults.length === 0) {
    const detail = 'Contents/Info.plist';
    return { builds: [], faults: [{ code: 'bundle-without-manifest', path: place.path, detail }] };
  }
  const program = await bundleProgram(place, plist);
  const unknown = overlayBundlePlist(unknownFacts('AU', place.path, stem(place.name)), plist);
  const base = overlay(unknown, { architectures: program.architectures }, 'header');
  const all = [...faults, ...program.faults];
  if (program.faults.length > 0) return { builds: [], faults: all };
  const components = plist === null ? [] : plistDictionaries(plist, 'AudioComponents');
  // An older component keeps its description in a resource fork: known by its bundle alone.
  if (components.length === 0) return { builds: [base], faults: all };
  return { builds: components.map((component) => overlayComponent(base, component)), faults: all };
}

function overlayComponent(base: BuildFacts, component: PlistDictionary): BuildFacts {
  const code = (key: string): string | null => plistCode(component, key);
  const [type, subtype, manufacturer] = [code('type'), code('subtype'), code('manufacturer')];
  const full = plistText(component, 'name');
  const colon = full?.indexOf(':') ?? -1;
  const vendor = full !== null && colon > 0 ? full.slice(0, colon).trim() : null;
  const name = full === null ? null : full.slice(colon + 1).trim() || null;
  const version = componentVersion(component.version);
  const told: Told = {
    name,
    vendor,
    version,
    // Many repeat the name there, with or without the vendor; that says nothing new.
    description: [full, name].includes(plistText(component, 'description'))
      ? null
      : plistText(component, 'description'),
    declaredTypes: type === null ? [] : [type],
    midiInput: type === null ? null : (TAKES_NOTES[type] ?? null),
  };
  return {
    ...overlay(base, told, 'manifest'),
    identifier: type && subtype && manufacturer ? `${type}/${subtype}/${manufacturer}` : null,
  };
}

/** A four-character code keeps its blanks ("EQ  "); anything else is no code. */
function plistCode(component: PlistDictionary, key: string): string | null {
  const value = component[key];
  return typeof value === 'string' && value.length === 4 ? value : null;
}

/** 0xMMMMmmbb as "M.m.b"; null for 0 and for what is no number. */
export function componentVersion(value: unknown): string | null {
  if (typeof value !== 'number' || value <= 0) return null;
  return `${Math.floor(value / 0x10000)}.${Math.floor(value / 0x100) % 0x100}.${value % 0x100}`;
}
