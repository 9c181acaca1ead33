/** The catalogue as the producer has it: put right and named, with presets and chains. */
import { tellApart } from '@clever-drawer/core/identity/tell-apart';
import memoizeOne from 'memoize-one';
import type { PluginView } from '@clever-drawer/contract/responses';
import { asidesOf } from '@clever-drawer/core/chests/asides';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chainItems } from '@clever-drawer/core/chests/chain-item';
import { itemId, pluginOfItem } from '@clever-drawer/core/chests/item';
import { ownPlugins, withOwnPlugins } from '@clever-drawer/core/chests/own-entries';
import { arrangedPresets, itemsById, type ItemOf } from '@clever-drawer/core/chests/preset-item';
import { withChoices, type Chosen } from '@clever-drawer/core/chests/with-choices';
import { appendToGroup } from '@clever-drawer/core/lists-by-key';
import type { ItemId } from '@clever-drawer/core/ids';
import { compareNames } from '@clever-drawer/core/text/words';
import { useComputer } from '../lib/use-computer';
import { useFilesHere, type FilesHere } from './files';
import {
  NO_LOADS,
  NO_PRESETS,
  useOwnEntryLoads,
  usePresets,
  type OwnEntryLoadsById,
  type Catalogue,
  type Presets,
} from './queries';

/** A plugin as the producer put it right and named it. */
export type ChosenPlugin = PluginView & Chosen & { readonly apart?: string };
/** A plugin, or a preset of one with all that is known of its plugin. */
export type ChosenItem = ItemOf<ChosenPlugin> & {
  /** What it is called in single drawers; absent where it has no such name. */
  readonly ownNames?: readonly string[];
  /** What tells it apart from others of its name; absent where no other has it. */
  readonly apart?: string;
};

/** Whether an item is a plugin itself and no preset of one. */
export const isPlugin = (item: ChosenItem): item is ChosenPlugin => item.preset === null && item.chain === undefined;

/** See useChosen. */
export interface ChosenCatalogue {
  readonly revision: number;
  readonly firstArrival: string | null;
  readonly plugins: readonly ChosenPlugin[];
  /** Plugins, the presets that this computer has, and those that are arranged. */
  readonly byId: ReadonlyMap<ItemId, ChosenItem>;
  /** The plugins, and behind them the presets that this computer has: what can be searched. */
  readonly items: readonly ChosenItem[];
  /** Presets that are more than can be searched. */
  readonly presetsLeftOut: number;
}

/** The catalogue as the producer put it right. */
export function useChosen(catalogue: Catalogue, state: Arrangement): ChosenCatalogue {
  const { choice, preference, preferredBuild, naming, entry, trayEntry, slot, chainPart } = state;
  const present = usePresets(useComputer().id).data ?? NO_PRESETS;
  const arranged = presetsIn(entry, trayEntry, slot, chainPart, naming);
  const loaded = useOwnEntryLoads(useComputer().id, state.ownEntry.size > 0).data ?? NO_LOADS;
  const filesHere = useFilesHere(useComputer().id, state.ownEntry);
  const all = withOwnEntries(catalogue, state.ownEntry, loaded, filesHere);
  const chosen = chosenCatalogue(all, choice, preference, preferredBuild, naming, asidesOf(state), present, arranged);
  return withOwnNames(withChains(chosen, state.chain, chainPart, naming), ownNamesIn(entry));
}

/** The same with the own entries among the plugins, in order of name. */
const withOwnEntries = memoizeOne(
  (
    catalogue: Catalogue,
    ownEntry: Arrangement['ownEntry'],
    loaded: OwnEntryLoadsById,
    filesHere: FilesHere | null,
  ): Catalogue =>
    ownEntry.size === 0
      ? catalogue
      : {
          ...catalogue,
          plugins: withOwnPlugins(
            catalogue.plugins,
            ownPlugins(
              { ownEntry },
              {
                loadsOf: (id) => loaded.get(id),
                isFileHere: (id) => (filesHere?.has(id) === true ? filesHere.get(id) !== null : undefined),
              },
            ),
          ),
        },
);

/** The plugin of an item; undefined for a chain, which is none. */
export function pluginIn(catalogue: ChosenCatalogue, id: ItemId): ChosenPlugin | undefined {
  const plugin = catalogue.byId.get(pluginOfItem(id));
  return plugin !== undefined && isPlugin(plugin) ? plugin : undefined;
}

/** The presets that are arranged: the very same set as long as they are the same. */
const presetsIn = (() => {
  let known: ReadonlySet<ItemId> = new Set();
  return memoizeOne(
    (
      entry: Arrangement['entry'],
      trayEntry: Arrangement['trayEntry'],
      slot: Arrangement['slot'],
      chainPart: Arrangement['chainPart'],
      naming: Arrangement['naming'],
    ): ReadonlySet<ItemId> => {
      const now = arrangedPresets({ entry, trayEntry, slot, chainPart, naming });
      if (now.size !== known.size || [...now].some((id) => !known.has(id))) known = now;
      return known;
    },
  );
})();

const NONE_HERE: Arrangement['asideHere'] = new Map();

const chosenCatalogue = memoizeOne(
  (
    catalogue: Catalogue,
    choice: Arrangement['choice'],
    preference: Arrangement['preference'],
    preferredBuild: Arrangement['preferredBuild'],
    naming: Arrangement['naming'],
    aside: Arrangement['aside'],
    { ids: present, leftOut }: Presets,
    arranged: ReadonlySet<ItemId>,
  ): ChosenCatalogue => {
    const rows = { choice, preference, preferredBuild, naming, aside, asideHere: NONE_HERE };
    const plugins = withApart(inOrderOfName(withChoices(catalogue.plugins, rows)));
    const byId: ReadonlyMap<ItemId, ChosenItem> = itemsById(plugins, present, arranged, naming);
    const presets = [...present].map((id) => byId.get(id)).filter((item) => item?.found === true);
    const items = presets.length === 0 ? plugins : [...plugins, ...(presets as ChosenItem[])];
    return { ...catalogue, plugins, byId, items, presetsLeftOut: leftOut };
  },
);

/** The same with what tells plugins of one name apart. */
function withApart(plugins: readonly ChosenPlugin[]): readonly ChosenPlugin[] {
  const apart = tellApart(plugins);
  if (apart.size === 0) return plugins;
  return plugins.map((plugin) => {
    const own = apart.get(plugin.id);
    return own === undefined ? plugin : { ...plugin, apart: own };
  });
}

type OwnNames = ReadonlyMap<ItemId, readonly string[]>;

/** The names that items have in single drawers: the very same map as long as they are the same. */
const ownNamesIn = (() => {
  let known: OwnNames = new Map();
  return memoizeOne((entry: Arrangement['entry']): OwnNames => {
    const now = new Map<ItemId, string[]>();
    for (const row of entry.values()) if (row.name !== null) appendToGroup(now, itemId(row), row.name);
    const isSame =
      now.size === known.size && [...now].every(([id, names]) => known.get(id)?.join('\n') === names.join('\n'));
    if (!isSame) known = now;
    return known;
  });
})();

/** The same with the names that items have in single drawers, by which they are found too. */
const withOwnNames = memoizeOne((catalogue: ChosenCatalogue, names: OwnNames): ChosenCatalogue => {
  if (names.size === 0) return catalogue;
  const byId = new Map(catalogue.byId);
  for (const [id, ownNames] of names) {
    const item = byId.get(id);
    if (item !== undefined) byId.set(id, { ...item, ownNames });
  }
  const named = <Item extends ChosenItem>(item: Item): Item =>
    names.has(item.id) ? (byId.get(item.id) as Item) : item;
  return { ...catalogue, byId, plugins: catalogue.plugins.map(named), items: catalogue.items.map(named) };
});

/** The same with the chains, behind all that can be searched. */
const withChains = memoizeOne(
  (
    catalogue: ChosenCatalogue,
    chain: Arrangement['chain'],
    chainPart: Arrangement['chainPart'],
    naming: Arrangement['naming'],
  ): ChosenCatalogue => {
    if (chain.size === 0) return catalogue;
    const chains = chainItems({ chain, chainPart, naming }, catalogue.byId) as ChosenItem[];
    const byId = new Map(catalogue.byId);
    for (const one of chains) byId.set(one.id, one);
    return { ...catalogue, byId, items: [...catalogue.items, ...chains] };
  },
);

/** The catalogue comes in order of its given names; those with a nickname go where that belongs. */
function inOrderOfName(plugins: readonly ChosenPlugin[]): readonly ChosenPlugin[] {
  const renamed = plugins.filter((plugin) => plugin.name !== plugin.givenName);
  if (renamed.length === 0) return plugins;
  renamed.sort((a, b) => compareNames(a.name, b.name));
  const merged: ChosenPlugin[] = [];
  let at = 0;
  for (const plugin of plugins) {
    if (plugin.name !== plugin.givenName) continue;
    for (let next = renamed[at]; next !== undefined && compareNames(next.name, plugin.name) < 0; next = renamed[++at])
      merged.push(next);
    merged.push(plugin);
  }
  return [...merged, ...renamed.slice(at)];
}
