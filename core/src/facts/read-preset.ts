import type { FoundPreset, Place, Reading } from './place.js';
import { MAX_DESCRIPTION_BYTES, NOTHING, stem } from './place.js';
import { parsePlist, plistText } from './read-plist.js';

const VST3_HEADER = 40;

/** Reads a .vstpreset: its header names the class it is for. VST3 preset format: "VST3", version, class id as 32 hex digits (memory). */
export async function readVst3Preset(place: Place): Promise<Reading> {
  const head = await place.part('', 0, VST3_HEADER);
  if (!head.ok) return { builds: [], faults: [head.fault] };
  const text = String.fromCharCode(...head.value);
  const appliesTo = text.slice(8).toUpperCase();
  if (!text.startsWith('VST3') || !/^[0-9A-F]{32}$/.test(appliesTo)) {
    return {
      builds: [],
      faults: [{ code: 'preset-broken', path: place.path, detail: 'its header is not that of a VST3 preset' }],
    };
  }
  return found({ appliesTo, key: place.path, name: stem(place.name), bank: null });
}

/** Reads an .aupreset: a property list with type, subtype and manufacturer as numbers of four characters. Memory of the AU class info keys. */
export async function readAuPreset(place: Place): Promise<Reading> {
  const bytes = await place.whole('', MAX_DESCRIPTION_BYTES);
  if (!bytes.ok) return { builds: [], faults: [bytes.fault] };
  const plist = parsePlist(bytes.value, place.path);
  if (!plist.ok) return { builds: [], faults: [{ ...plist.fault, code: 'preset-broken' }] };
  const codes = ['type', 'subtype', 'manufacturer'].map((key) => fourCharacters(plist.value[key]));
  if (codes.includes(null)) {
    return { builds: [], faults: [{ code: 'preset-broken', path: place.path, detail: 'it does not name its plugin' }] };
  }
  return found({
    appliesTo: codes.join('/'),
    key: place.path,
    name: plistText(plist.value, 'name') ?? stem(place.name),
    bank: null,
  });
}

const found = (preset: FoundPreset): Reading => ({ ...NOTHING, presets: [preset] });

/** 0x61756678 as "aufx"; null for what is no number of 32 bits. */
function fourCharacters(value: unknown): string | null {
  if (typeof value !== 'number' || !Number.isInteger(value)) return null;
  // Property lists hold the code as a signed number now and then.
  const code = value >>> 0;
  return String.fromCharCode(code >>> 24, (code >>> 16) & 0xff, (code >>> 8) & 0xff, code & 0xff);
}
