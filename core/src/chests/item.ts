import { bankAndName } from '../catalogue/plugin-presets.js';
import { asId, type ChainId, type ItemId, type PluginId, type PresetKey } from '../ids.js';
import { ITEM_MARK } from '../identity/item-mark.js';

/** What can stand in a drawer, on a tray and in a slot: a plugin, or a preset of one. */
export interface ItemParts {
  readonly pluginId: PluginId;
  /** Null for the plugin itself. */
  readonly preset: PresetKey | null;
}

/** A preset, as far as an item tells of it. */
export interface PresetOf {
  readonly key: PresetKey;
  readonly bank: string | null;
  readonly name: string;
  /** What its plugin is called. */
  readonly plugin: string;
}

/** The id of an item: that of the plugin, or one made of plugin and preset. */
export const itemId = ({ pluginId, preset }: ItemParts): ItemId =>
  preset === null ? pluginId : asId<ItemId>(`${pluginId}${ITEM_MARK}${preset}`);

/** With what the ids of chains begin. */
export const CHAIN_MARK = `chain${ITEM_MARK}`;
/** Whether an item is a chain. */
export const isChain = (id: ItemId): id is ChainId => id.startsWith(CHAIN_MARK);

/** The plugin and the preset that an item's id names; a chain stands where its plugin would. */
export function itemParts(id: ItemId): ItemParts {
  if (isChain(id)) return { pluginId: id as string as PluginId, preset: null };
  const at = id.lastIndexOf(ITEM_MARK);
  if (at < 0) return { pluginId: asId<PluginId>(id), preset: null };
  return { pluginId: asId<PluginId>(id.slice(0, at)), preset: asId<PresetKey>(id.slice(at + ITEM_MARK.length)) };
}

/** The plugin of an item. */
export const pluginOfItem = (id: ItemId): PluginId => itemParts(id).pluginId;

/** The plugins of items, each once. */
export const pluginsOfItems = (ids: readonly ItemId[]): PluginId[] => [...new Set(ids.map(pluginOfItem))];

/** "Copper Plate: Vocal Hall". */
export const presetTitle = (pluginName: string, preset: PresetKey): string =>
  `${pluginName}: ${bankAndName(preset).name}`;

/** The names of items, from those of plugins: undefined where there is no such plugin. */
export const itemNames =
  (nameOf: (id: PluginId) => string | undefined) =>
  (id: ItemId): string | undefined => {
    const { pluginId, preset } = itemParts(id);
    const name = nameOf(pluginId);
    return name === undefined || preset === null ? name : presetTitle(name, preset);
  };
