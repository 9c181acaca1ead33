import { useQuery, type QueryClient } from '@tanstack/react-query';
import memoizeOne from 'memoize-one';
import type { CatalogueView, PluginView, ScanView } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import { itemId, pluginOfItem } from '@clever-drawer/core/chests/item';
import { chainItems } from '@clever-drawer/core/chests/chain-item';
import { arrangedPresets, itemsById, type ItemOf } from '@clever-drawer/core/chests/preset-item';
import type { Traits } from '@clever-drawer/core/chests/rule-sources';
import { withChoices, type Chosen } from '@clever-drawer/core/chests/with-choices';
import type { ComputerId, ItemId, PluginId } from '@clever-drawer/core/ids';
import { compareNames } from '@clever-drawer/core/text/words';
import { call } from '../lib/api';
import { useComputer } from '../lib/use-computer';

/** A plugin as the producer put it right and named it. */
export type ChosenPlugin = PluginView & Chosen;
/** A plugin, or a preset of one with all that is known of its plugin. */
export type ChosenItem = ItemOf<ChosenPlugin> & {
  /** What it is called in single drawers; absent where it has no such name. */
  readonly ownNames?: readonly string[];
};

/** Whether an item is a plugin itself and no preset of one. */
export const isPlugin = (item: ChosenItem): item is ChosenPlugin => item.preset === null && item.chain === undefined;

/** The catalogue with a way to each plugin by its id. */
export interface Catalogue {
  readonly revision: number;
  readonly firstArrival: string | null;
  readonly plugins: readonly PluginView[];
  readonly byId: ReadonlyMap<PluginId, PluginView>;
}
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
  const { choice, preference, preferredBuild, naming, aside, entry, trayEntry, slot, chainPart } = state;
  const present = usePresets(useComputer().id).data ?? NO_PRESETS;
  const arranged = presetsIn(entry, trayEntry, slot, chainPart, naming);
  const chosen = chosenCatalogue(catalogue, choice, preference, preferredBuild, naming, aside, present, arranged);
  return withOwnNames(withChains(chosen, state.chain, chainPart, naming), ownNamesIn(entry));
}

interface Presets {
  readonly ids: ReadonlySet<ItemId>;
  readonly leftOut: number;
}
const NO_PRESETS: Presets = { ids: new Set(), leftOut: 0 };

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
    const rows = { choice, preference, preferredBuild, naming, aside };
    const plugins = inOrderOfName(withChoices(catalogue.plugins, rows));
    const byId: ReadonlyMap<ItemId, ChosenItem> = itemsById(plugins, present, arranged, naming);
    const presets = [...present].map((id) => byId.get(id)).filter((item) => item?.found === true);
    const items = presets.length === 0 ? plugins : [...plugins, ...(presets as ChosenItem[])];
    return { ...catalogue, plugins, byId, items, presetsLeftOut: leftOut };
  },
);

type OwnNames = ReadonlyMap<ItemId, readonly string[]>;

/** The names that items have in single drawers: the very same map as long as they are the same. */
const ownNamesIn = (() => {
  let known: OwnNames = new Map();
  return memoizeOne((entry: Arrangement['entry']): OwnNames => {
    const now = new Map<ItemId, readonly string[]>();
    for (const row of entry.values())
      if (row.name !== null) now.set(itemId(row), [...(now.get(itemId(row)) ?? []), row.name]);
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

export const keys = {
  computers: ['computers'] as const,
  folders: (id: ComputerId) => ['folders', id] as const,
  proposed: (id: ComputerId) => ['proposed', id] as const,
  scans: (id: ComputerId) => ['scans', id] as const,
  catalogue: (id: ComputerId) => ['catalogue', id] as const,
  plugin: (id: ComputerId, plugin: PluginId) => ['plugin', id, plugin] as const,
  problems: (id: ComputerId) => ['problems', id] as const,
  leftOut: (id: ComputerId) => ['left-out', id] as const,
  arrivals: (id: ComputerId) => ['arrivals', id] as const,
  traits: (id: ComputerId) => ['traits', id] as const,
  presets: (id: ComputerId) => ['presets', id] as const,
  vendors: (id: ComputerId) => ['vendors', id] as const,
  story: (scan: string) => ['story', scan] as const,
};

/** The computers of the studio. */
export const useComputers = () => useQuery({ queryKey: keys.computers, queryFn: () => call('GET /computers', {}) });

/** The plugin folders of a computer. */
export const useFolders = (id: ComputerId) =>
  useQuery({
    queryKey: keys.folders(id),
    queryFn: () => call('GET /computers/{computer}/folders', { path: { computer: id } }),
  });

/** Usual plugin folders that are not among its own. */
export const useProposedFolders = (id: ComputerId) =>
  useQuery({
    queryKey: keys.proposed(id),
    queryFn: () => call('GET /computers/{computer}/proposed-folders', { path: { computer: id } }),
  });

const WATCH_MS = 300;

/** The scans, newest first; looked at again and again while one runs. */
export const useScans = (id: ComputerId) =>
  useQuery({
    queryKey: keys.scans(id),
    queryFn: () => call('GET /computers/{computer}/scans', { path: { computer: id } }),
    refetchInterval: (query) => (query.state.data?.some(isUnderWay) ? WATCH_MS : false),
  });

/** Whether a scan runs or waits for its turn. */
export const isUnderWay = (scan: ScanView): boolean => scan.state === 'running' || scan.state === 'waiting';

/** What could not be read at the last scans. */
export const useProblems = (id: ComputerId) =>
  useQuery({
    queryKey: keys.problems(id),
    queryFn: () => call('GET /computers/{computer}/problems', { path: { computer: id } }),
  });

/** What scans looked at and left out. */
export const useLeftOut = (id: ComputerId) =>
  useQuery({
    queryKey: keys.leftOut(id),
    queryFn: () => call('GET /computers/{computer}/left-out', { path: { computer: id } }),
  });

const ARRIVALS_MS = 5000;

/** What came or went in watched folders and waits to be scanned; looked at every few seconds. */
export const useArrivals = (id: ComputerId) =>
  useQuery({
    queryKey: keys.arrivals(id),
    queryFn: () => call('GET /computers/{computer}/arrivals', { path: { computer: id } }),
    refetchInterval: ARRIVALS_MS,
  });

/** The vendors, with their spellings. */
export const useVendors = (id: ComputerId) =>
  useQuery({
    queryKey: keys.vendors(id),
    queryFn: () => call('GET /computers/{computer}/vendors', { path: { computer: id } }),
  });

/** What a scan found; fetched only when it is wanted. */
export const useStory = (scan: string, wanted: boolean) =>
  useQuery({
    queryKey: keys.story(scan),
    queryFn: () => call('GET /scans/{scan}/story', { path: { scan } }),
    enabled: wanted,
  });

/** All plugins, as they were worked out. */
export const useCatalogue = (id: ComputerId) =>
  useQuery({
    queryKey: keys.catalogue(id),
    // The server tells of every change; and to compare tens of thousands of plugins field by field costs more than it saves.
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Catalogue> => {
      const view: CatalogueView = await call('GET /computers/{computer}/catalogue', { path: { computer: id } });
      const { plugins } = view;
      return { ...view, byId: new Map(plugins.map((plugin) => [plugin.id, plugin])) };
    },
  });

/** The presets that a computer has, as items; they come when the catalogue is there already. */
export const usePresets = (id: ComputerId) =>
  useQuery({
    queryKey: keys.presets(id),
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Presets> => {
      const { presets, leftOut } = await call('GET /computers/{computer}/presets', { path: { computer: id } });
      const ids = presets.map(({ pluginId, bank, name }) => itemId({ pluginId, preset: presetKey({ bank, name }) }));
      return { ids: new Set(ids), leftOut };
    },
  });

/** What rules can ask besides; fetched only when one does. */
export const useTraits = (id: ComputerId, wanted: boolean) =>
  useQuery({
    queryKey: keys.traits(id),
    enabled: wanted,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<ReadonlyMap<PluginId, Traits>> => {
      const { plugins } = await call('GET /computers/{computer}/traits', { path: { computer: id } });
      return new Map(plugins.map((own) => [own.pluginId, own]));
    },
  });

/** All that is known of a plugin. */
export const usePluginDetail = (id: ComputerId, plugin: PluginId) =>
  useQuery({
    queryKey: keys.plugin(id, plugin),
    queryFn: () => call('GET /computers/{computer}/plugins/{plugin}', { path: { computer: id, plugin } }),
  });

/** The name of a plugin, as far as this window knows the catalogue. */
export const nameIn = (client: QueryClient, computer: ComputerId, id: PluginId): string | undefined =>
  client.getQueryData<Catalogue>(keys.catalogue(computer))?.byId.get(id)?.name;

/** The server has grouped the builds anew, or scanned: what shows the catalogue looks at it again. */
export function lookAtCatalogue(client: QueryClient, computer: ComputerId): void {
  for (const name of ['catalogue', 'traits', 'presets', 'plugin', 'vendors'])
    void client.invalidateQueries({ queryKey: [name, computer] });
}

/** Whether this window has a catalogue, and it is older than the server's. */
export const isOlderCatalogue = (client: QueryClient, computer: ComputerId, revision: number): boolean =>
  (client.getQueryData<Catalogue>(keys.catalogue(computer))?.revision ?? revision) < revision;

/** One more load of a plugin, where the catalogue shows how often it was loaded, and where rules ask when and by which way. */
export function countLoadOf(client: QueryClient, computer: ComputerId, id: PluginId, way: string): void {
  client.setQueryData<ReadonlyMap<PluginId, Traits>>(keys.traits(computer), (traits) => {
    const own = traits?.get(id);
    if (traits === undefined || own === undefined) return traits;
    const loaded = { ...own, lastLoad: new Date().toISOString(), ways: [...new Set([...own.ways, way])] };
    return new Map(traits).set(id, loaded);
  });
  client.setQueryData<Catalogue>(keys.catalogue(computer), (catalogue) => {
    const plugin = catalogue?.byId.get(id);
    if (catalogue === undefined || plugin === undefined) return catalogue;
    const counted = { ...plugin, loads: plugin.loads + 1 };
    return {
      ...catalogue,
      plugins: catalogue.plugins.map((one) => (one === plugin ? counted : one)),
      byId: new Map(catalogue.byId).set(plugin.id, counted),
    };
  });
}

/** What Intake shows of a computer is looked at again: a scan has ended, or a report was brought in. */
export function lookAtIntake(client: QueryClient, id: ComputerId): void {
  for (const name of [
    'folders',
    'scans',
    'catalogue',
    'traits',
    'presets',
    'plugin',
    'problems',
    'left-out',
    'arrivals',
    'vendors',
  ])
    void client.invalidateQueries({ queryKey: [name, id] });
}
