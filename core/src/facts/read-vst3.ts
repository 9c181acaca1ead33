import JSON5 from 'json5';
import type { BuildFacts } from './build-facts.js';
import { overlay, unknownFacts } from './build-facts.js';
import type { Fault } from './fault.js';
import type { Place, Reading } from './place.js';
import { decodeText, MAX_DESCRIPTION_BYTES, stem } from './place.js';
import type { BinaryFacts } from './binary/binary-facts.js';
import { askableOf, headerOf, isFault, overlayVersionStrings, readBinaryFile } from './read-binary-file.js';
import { overlayBundlePlist } from './read-mac-bundle.js';
import { bundlePlist } from './read-plist.js';

const MODULE_INFO = ['Contents/Resources/moduleinfo.json', 'Contents/moduleinfo.json'];

type Json = Record<string, unknown>;

/** Reads a VST3 bundle, or the single file that Windows also allows. VST3 module architecture: bundle layout, moduleinfo.json (in part from memory). */
export async function readVst3(place: Place): Promise<Reading> {
  if (!place.isFolder) return readBinaryFile(place, 'VST3');
  const folders = await place.list('Contents');
  const binaries = await findBinaries(place, folders);
  const info = await moduleInfo(place);
  const faults = [...info.faults, ...binaries.faults];
  if (folders.length === 0) {
    return { builds: [], faults: [{ code: 'bundle-without-manifest', path: place.path, detail: 'Contents' }] };
  }
  if (binaries.found.length === 0) {
    const missing = { code: 'binary-missing', path: place.path, detail: 'Contents' } as const;
    return { builds: [], faults: binaries.faults.length > 0 ? faults : [...faults, missing] };
  }
  const { plist, faults: plistFaults } = await bundlePlist(place);
  let base = unknownFacts('VST3', place.path, stem(place.name));
  base = overlay(base, { architectures: binaries.found.flatMap((one) => one.header.architectures) }, 'header');
  base = { ...base, architectures: [...new Set(base.architectures)] };
  base = overlayBundlePlist(base, plist);
  for (const { header } of binaries.found) base = overlayVersionStrings(base, header.versionStrings);
  const classes = info.json === null ? [] : effectClasses(info.json);
  const snapshots = await place.list(SNAPSHOTS);
  const builds = classes.map((one) => withPictures(overlayClass(base, info.json ?? {}, one), snapshots));
  const all = [...faults, ...plistFaults];
  if (builds.length > 0) return { builds, faults: all };
  const askable = binaries.found.flatMap(
    ({ inside, header }) => askableOf('VST3', `${place.path}/${inside}`, header).askable ?? [],
  );
  return { builds: [base], faults: all, askable };
}

interface FoundBinary {
  readonly inside: string;
  readonly header: BinaryFacts;
}

async function findBinaries(place: Place, folders: readonly string[]) {
  const faults: Fault[] = [];
  const found: FoundBinary[] = [];
  for (const folder of folders.filter((name) => name === 'MacOS' || /-(win|linux)$/.test(name))) {
    for (const file of await place.list(`Contents/${folder}`)) {
      if (!/\.(vst3|so)$/i.test(file) && folder !== 'MacOS') continue;
      const inside = `Contents/${folder}/${file}`;
      const header = await headerOf(place, inside, folder.endsWith('-win') ? 'all' : 'header');
      if (isFault(header)) faults.push(header);
      else found.push({ inside, header });
    }
  }
  return { faults, found };
}

const SNAPSHOTS = 'Contents/Resources/Snapshots';

/** Pictures of a class: files named by its id, the plain one before the larger ones ("…_snapshot_2.0x.png"). Memory of the VST3 documentation. */
function withPictures(build: BuildFacts, names: readonly string[]): BuildFacts {
  const { identifier } = build;
  const own = names
    .filter((name) => identifier !== null && name.toUpperCase().startsWith(`${identifier}_SNAPSHOT`))
    .filter((name) => /\.png$/i.test(name))
    .sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
  if (own.length === 0) return build;
  const pictures = own.map((name) => `${build.path}/${SNAPSHOTS}/${name}`);
  return { ...build, pictures, sources: { ...build.sources, pictures: 'picture files' } };
}

async function moduleInfo(place: Place): Promise<{ json: Json | null; faults: Fault[] }> {
  for (const inside of MODULE_INFO) {
    if ((await place.size(inside)) === null) continue;
    const bytes = await place.whole(inside, MAX_DESCRIPTION_BYTES);
    if (!bytes.ok) return { json: null, faults: [bytes.fault] };
    const path = `${place.path}/${inside}`;
    try {
      // Comments and commas before a closing bracket are allowed there: JSON5 takes both.
      const json: unknown = JSON5.parse(decodeText(bytes.value));
      if (isObject(json)) return { json, faults: [] };
      return { json: null, faults: [{ code: 'json-broken', path, detail: 'its top is not an object' }] };
    } catch (error) {
      const { lineNumber: line, message } = error as { lineNumber?: number; message: string };
      const detail = message.replace(/^JSON5: /, '').replace(/ at \d+:\d+$/, '');
      return { json: null, faults: [{ code: 'json-broken', path, detail, ...(line ? { line } : {}) }] };
    }
  }
  return { json: null, faults: [] };
}

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const textOf = (json: Json, key: string): string | null => {
  const value = json[key];
  return typeof value === 'string' && value.trim() !== '' ? value.trim() : null;
};
const listOf = (json: Json, key: string): unknown[] => (Array.isArray(json[key]) ? json[key] : []);

const effectClasses = (json: Json): Json[] =>
  listOf(json, 'Classes')
    .filter(isObject)
    .filter((one) => one.Category === 'Audio Module Class');

function overlayClass(base: BuildFacts, info: Json, one: Json): BuildFacts {
  const factory = isObject(info['Factory Info']) ? info['Factory Info'] : {};
  const identifier = classId(one.CID);
  const name = textOf(one, 'Name');
  const vendor = textOf(one, 'Vendor') ?? textOf(factory, 'Vendor');
  const version = textOf(one, 'Version') ?? textOf(info, 'Version');
  const replaces = listOf(info, 'Compatibility')
    .filter(isObject)
    .filter((entry) => classId(entry.New) === identifier && identifier !== null)
    .flatMap((entry) => listOf(entry, 'Old').map(classId))
    .filter((old) => old !== null);
  const declaredTypes = listOf(one, 'Sub Categories').filter((entry) => typeof entry === 'string');
  return { ...overlay(base, { name, vendor, version, declaredTypes }, 'manifest'), identifier, replaces };
}

/** 32 hex digits in upper case, with or without separators in the source; null for anything else. */
function classId(value: unknown): string | null {
  if (typeof value !== 'string') return null;
  const digits = value.replace(/[^0-9a-f]/gi, '').toUpperCase();
  return digits.length === 32 ? digits : null;
}
