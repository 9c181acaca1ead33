import { createHash } from 'node:crypto';
import { build, buildBinary, type PlistValue } from 'plist';
import { descriptionOf } from '../descriptions.js';
import type { DemoPlugin } from '../studio.js';
import { roleOf } from '../studio.js';

/** VST3 sub-category of a kind, where the interface names one. */
const SUB_CATEGORIES: Readonly<Record<string, string>> = {
  eq: 'EQ',
  compressor: 'Dynamics',
  limiter: 'Dynamics',
  gate: 'Dynamics',
  expander: 'Dynamics',
  'de-esser': 'Dynamics',
  'multiband-dynamics': 'Dynamics',
  'transient-shaper': 'Dynamics',
  reverb: 'Reverb',
  delay: 'Delay',
  distortion: 'Distortion',
  'amp-simulator': 'Distortion',
  saturation: 'Distortion',
  'bit-crusher': 'Distortion',
  filter: 'Filter',
  chorus: 'Modulation',
  flanger: 'Modulation',
  phaser: 'Modulation',
  tremolo: 'Modulation',
  vibrato: 'Modulation',
  rotary: 'Modulation',
  'auto-pan': 'Modulation',
  'ring-modulator': 'Modulation',
  'pitch-shifter': 'Pitch Shift',
  'pitch-correction': 'Pitch Shift',
  harmoniser: 'Pitch Shift',
  restoration: 'Restoration',
  'mastering-chain': 'Mastering',
  'stereo-imager': 'Spatial',
  panner: 'Spatial',
  surround: 'Surround',
  ambisonics: 'Ambisonics',
  utility: 'Tools',
  synth: 'Synth',
  sampler: 'Sampler',
  piano: 'Piano',
  'drum-machine': 'Drum',
  percussion: 'Drum',
};

const AU_TYPES = { instrument: 'aumu', 'audio-effect': 'aufx', tool: 'aufx', 'midi-effect': 'aumi' } as const;

/** 32 hex digits that belong to a plugin and stay the same. */
export const classId = (plugin: DemoPlugin): string =>
  createHash('md5').update(`${plugin.vendor.name}/${plugin.name}`).digest('hex').toUpperCase();

/** What a VST3 build declares; `wrong` is the maker's slip of calling an instrument an effect. */
export function subCategories(plugin: DemoPlugin, slip: 'none' | 'missing' | 'wrong'): string[] {
  if (slip === 'missing') return [];
  const role = roleOf(plugin.kind);
  if (slip === 'wrong') return ['Fx'];
  const more = SUB_CATEGORIES[plugin.kind];
  if (role === 'tool') return ['Fx', plugin.kind === 'test-generator' ? 'Generator' : 'Analyzer'];
  return [role === 'instrument' ? 'Instrument' : 'Fx', ...(more === undefined ? [] : [more])];
}

/** A moduleinfo.json, with the comments and trailing commas that its format allows. */
export function moduleInfo(
  plugin: DemoPlugin,
  wish: { name: string; vendor: string; version: string; categories: readonly string[] },
): string {
  const { name, vendor, version, categories } = wish;
  return `{
  // written by the build, do not edit
  "Name": ${JSON.stringify(name)},
  "Version": ${JSON.stringify(version)},
  "Factory Info": { "Vendor": ${JSON.stringify(vendor)}, "URL": "", "E-Mail": "", "Flags": { "Unicode": true, }, },
  "Classes": [
    {
      "CID": "${classId(plugin)}",
      "Category": "Audio Module Class",
      "Name": ${JSON.stringify(name)},
      "Vendor": ${JSON.stringify(vendor)},
      "Version": ${JSON.stringify(version)},
      "SDKVersion": "VST 3.7",
      "Sub Categories": ${JSON.stringify(categories)},
      "Class Flags": 0,
      "Cardinality": 2147483647,
      "Snapshots": [],
    },
  ],
}
`;
}

/** What a bundle is to hold. */
export interface BundleWish {
  readonly identifier: string;
  readonly program: string;
  readonly name: string;
  readonly version: string;
  readonly binary: boolean;
}

/** An Info.plist, as XML or in the binary form; with AudioComponents when given. */
export function infoPlist(wish: BundleWish, components: readonly Record<string, PlistValue>[] = []): Uint8Array {
  const value: PlistValue = {
    CFBundleIdentifier: wish.identifier,
    CFBundleExecutable: wish.program,
    CFBundleName: wish.name,
    CFBundleShortVersionString: wish.version,
    CFBundlePackageType: 'BNDL',
    ...(components.length === 0 ? {} : { AudioComponents: [...components] }),
  };
  return wish.binary ? buildBinary(value) : new TextEncoder().encode(build(value));
}

/** An AU component entry. Subtypes are numbered, as four characters. */
export function audioComponent(
  plugin: DemoPlugin,
  wish: { name: string; vendor: string; version: string },
): Record<string, PlistValue> {
  const [major = 1, minor = 0, bug = 0] = wish.version.split('.').map(Number);
  return {
    type: AU_TYPES[roleOf(plugin.kind)],
    subtype: `P${String(plugin.number).padStart(3, '0')}`,
    manufacturer: plugin.vendor.code,
    name: `${wish.vendor}: ${wish.name}`,
    description: descriptionOf(plugin) ?? wish.name,
    version: major * 0x10000 + minor * 0x100 + bug,
    factoryFunction: 'PluginFactory',
    sandboxSafe: true,
  };
}
