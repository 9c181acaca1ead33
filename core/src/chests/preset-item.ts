import { bankAndName } from '../catalogue/plugin-presets.js';
import type { ItemId, PluginId, PresetKey } from '../ids.js';
import { itemId, itemParts, presetTitle } from './item.js';
import type { Arrangement } from './arrangement.js';
import type { Naming } from './rows/naming.js';
import type { Chosen } from './with-choices.js';

type Plugin = Chosen & { readonly id: ItemId; readonly name: string; readonly found: boolean };

/** A plugin, or a preset of one: with all that is known of its plugin, under a name of its own. */
export type ItemOf<P extends Plugin> = Omit<P, 'id'> & { readonly id: ItemId };

/**
 * A preset of a plugin as something that can be filed, named and loaded like a plugin. `isHere`: this computer has it; without it, or without its plugin, it counts
 * as not found.
 */
export function presetItem<P extends Plugin>(
  plugin: P,
  key: PresetKey,
  naming: Naming | undefined,
  isHere: boolean,
): ItemOf<P> {
  const { pluginId } = itemParts(plugin.id);
  const givenName = presetTitle(plugin.name, key);
  return {
    ...plugin,
    id: itemId({ pluginId, preset: key }),
    givenName,
    name: naming?.nickname ?? givenName,
    naming: naming ?? null,
    preset: { key, ...bankAndName(key), plugin: plugin.name },
    found: plugin.found && isHere,
  };
}

/** The presets that stand in drawers, on trays, in slots and in chains, or have names of their own. */
export function arrangedPresets(
  state: Pick<Arrangement, 'entry' | 'trayEntry' | 'slot' | 'chainPart' | 'naming'>,
): ReadonlySet<ItemId> {
  const found = new Set<ItemId>();
  const note = ({
    pluginId,
    preset,
  }: {
    readonly pluginId: PluginId | null;
    readonly preset: PresetKey | null;
  }): void => {
    if (pluginId !== null && preset !== null) found.add(itemId({ pluginId, preset }));
  };
  for (const row of state.entry.values()) note(row);
  for (const row of state.trayEntry.values()) note(row);
  for (const row of state.slot.values()) note(row);
  for (const row of state.chainPart.values()) note(row);
  for (const { id } of state.naming.values()) note(itemParts(id));
  return found;
}

/** Items by id: plugins, those of their presets that this computer has, and those that are arranged. Presets of plugins that are not there are left out. */
export function itemsById<P extends Plugin>(
  plugins: readonly P[],
  present: ReadonlySet<ItemId>,
  arranged: Iterable<ItemId>,
  namings: Arrangement['naming'],
): Map<ItemId, P | ItemOf<P>> {
  const byId = new Map<ItemId, P | ItemOf<P>>(plugins.map((plugin) => [plugin.id, plugin]));
  const add = (id: ItemId): void => {
    if (byId.has(id)) return;
    const { pluginId, preset } = itemParts(id);
    const plugin = byId.get(pluginId) as P | undefined;
    if (plugin !== undefined && preset !== null)
      byId.set(id, presetItem(plugin, preset, namings.get(id), present.has(id)));
  };
  for (const id of present) add(id);
  for (const id of arranged) add(id);
  return byId;
}
