import { MAX_PRESET_NAME_LENGTH, type BuildFacts, type PresetFacts } from '../facts/build-facts.js';
import type { Format } from '../facts/format.js';
import { asId, type PresetKey } from '../ids.js';
import { compareNames, joined } from '../text/words.js';

/** A preset of a plugin: the same settings in several builds, or on several computers, are one. */
export interface PluginPreset {
  readonly key: PresetKey;
  readonly name: string;
  /** Null when it stands in no bank. */
  readonly bank: string | null;
  /** The formats of the builds that have it. */
  readonly formats: readonly Format[];
}

// What parts a key, and an item's id (item-mark.ts), and the escape itself. Nothing else is escaped: an id goes into an index, which takes no long one.
const PARTING = /[%/¶]/g;
const escaped = (text: string): string => text.replace(PARTING, encodeURIComponent);

/** The key of a preset of this bank and name; a path is never part of it. */
export const presetKey = ({ bank, name }: Pick<PresetFacts, 'bank' | 'name'>): PresetKey =>
  asId<PresetKey>(`${escaped(bank ?? '')}/${escaped(name)}`);

/** The bank and name that a key is made of; a key that is none is all name. */
export function bankAndName(key: PresetKey): Pick<PresetFacts, 'bank' | 'name'> {
  const [bank = '', name = ''] = key.includes('/') ? key.split('/') : ['', key];
  return { bank: bank === '' ? null : decoded(bank), name: decoded(name) };
}

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    // Half a sign: somebody wrote it by hand.
    return text;
  }
}

/** By bank, those without one first, then by name. */
export const byBankAndName = (a: Pick<PresetFacts, 'bank' | 'name'>, b: Pick<PresetFacts, 'bank' | 'name'>): number =>
  Number(a.bank !== null) - Number(b.bank !== null) ||
  compareNames(a.bank ?? '', b.bank ?? '') ||
  compareNames(a.name, b.name);

/** The presets of a plugin over those of its builds that are there. */
export function presetsOf(
  builds: readonly (Pick<BuildFacts, 'format' | 'presetList'> & { readonly found: boolean })[],
): PluginPreset[] {
  const presets = new Map<PresetKey, PluginPreset>();
  for (const { format, presetList, found } of builds) {
    if (!found) continue;
    for (const { bank, name } of presetList) {
      const key = presetKey({ bank, name });
      const formats = presets.get(key)?.formats ?? [];
      if (!formats.includes(format)) presets.set(key, { key, name, bank, formats: [...formats, format] });
    }
  }
  return [...presets.values()].sort(byBankAndName);
}

/**
 * The bank of a preset file: the folders below the plugin's own one. Presets lie in vendor/plugin/bank, where the documents of VST3 and AU put them
 * (memory); in any other folder they stand in no bank, since where it lies must not change what a preset is.
 */
export function bankOfFile(path: string, build: Pick<BuildFacts, 'name'>): string | null {
  const folders = path.split(/[\\/]/).slice(0, -1);
  const own = folders.map(joined).lastIndexOf(joined(build.name));
  const bank = own < 0 ? [] : folders.slice(own + 1);
  return bank.length === 0 ? null : bank.join(' / ');
}

/** A name of a preset or bank cut to what is kept of it, without control characters. */
export const keptPresetName = (name: string): string =>
  name
    .replace(/[\u0000-\u001f\u007f]+/gu, ' ')
    .trim()
    .slice(0, MAX_PRESET_NAME_LENGTH);
