/** What tells plugins of one name apart where lists show the name alone. */
import type { PluginId } from '../ids.js';
import { appendToGroup } from '../lists-by-key.js';
import { joined } from '../text/words.js';

/** A plugin as far as it may be taken for another one. */
export interface NamedPlugin {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  /** The music program of an own entry; absent for a plugin. */
  readonly program?: string;
  /** Of an own entry that is a file. */
  readonly file?: string | null;
  readonly builds: readonly { readonly format: string; readonly outputs: number | null; readonly path: string }[];
}

const WIDTHS: Readonly<Record<number, string>> = { 1: 'mono', 2: 'stereo' };

const vendorOf = ({ vendor }: NamedPlugin): string => vendor ?? 'vendor unknown';
const channelsOf = ({ builds }: NamedPlugin): string => {
  const outputs = Math.max(0, ...builds.map((build) => build.outputs ?? 0));
  return outputs === 0 ? '' : (WIDTHS[outputs] ?? `${String(outputs)} channels`);
};
const formatOf = ({ builds, program }: NamedPlugin): string =>
  program ?? [...new Set(builds.map((build) => build.format))].join(' ');
const fileOf = ({ builds }: NamedPlugin): string => builds[0]?.path.split(/[\\/]/).pop() ?? '';

/** Where a file stands in its folder: all that two of one collection differ in. */
const insideOf = ({ file }: NamedPlugin): string | null => (file == null ? null : file.replace(/^[^/]*\//, ''));

const together = (...parts: readonly string[]): string => parts.filter((part) => part !== '').join(', ');

/** Vendor first, then channels or format, and the file where nothing else differs. */
const WAYS: readonly ((plugin: NamedPlugin) => string)[] = [
  vendorOf,
  (plugin) => together(vendorOf(plugin), channelsOf(plugin)),
  (plugin) => together(vendorOf(plugin), formatOf(plugin)),
  (plugin) => insideOf(plugin) ?? together(vendorOf(plugin), channelsOf(plugin), formatOf(plugin), fileOf(plugin)),
];

/** For each plugin that shares its name with another one, what tells it apart. Names are compared without case, accents and punctuation. */
export function tellApart(plugins: readonly NamedPlugin[]): ReadonlyMap<PluginId, string> {
  const groups = new Map<string, NamedPlugin[]>();
  for (const plugin of plugins) appendToGroup(groups, joined(plugin.name), plugin);
  const result = new Map<PluginId, string>();
  for (const group of groups.values()) {
    if (group.length < 2) continue;
    // Each way serves those whom it alone tells from all others; the last one serves the rest.
    let rest = group;
    for (const way of WAYS) {
      const count = new Map<string, number>();
      for (const plugin of group) count.set(way(plugin), (count.get(way(plugin)) ?? 0) + 1);
      const isLast = way === WAYS.at(-1);
      for (const plugin of rest) if (isLast || count.get(way(plugin)) === 1) result.set(plugin.id, way(plugin));
      rest = rest.filter((plugin) => !result.has(plugin.id));
      if (rest.length === 0) break;
    }
  }
  return result;
}
