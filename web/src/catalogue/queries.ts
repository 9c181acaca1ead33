import { isOwnEntry, type OwnEntryLoads } from '@clever-drawer/core/chests/own-entries';
import { queryOptions, useInfiniteQuery, useQuery, type QueryClient } from '@tanstack/react-query';
import { fromColumns } from '@clever-drawer/contract/columns';
import type { LoadCountsResponse, PluginView, ScanView } from '@clever-drawer/contract/responses';
import type { LeftOutReason } from '@clever-drawer/core/facts/left-out';
import { presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import { itemId } from '@clever-drawer/core/chests/item';
import type { Traits } from '@clever-drawer/core/chests/rule-sources';
import type { ComputerId, ItemId, PluginId } from '@clever-drawer/core/ids';
import { call } from '../lib/api';

/** The catalogue with a way to each plugin by its id. */
export interface Catalogue {
  readonly epoch: string;
  readonly revision: number;
  readonly firstArrival: string | null;
  readonly plugins: readonly PluginView[];
  readonly byId: ReadonlyMap<PluginId, PluginView>;
}
/** The presets that a computer has, and how many are more than can be searched. */
export interface Presets {
  readonly ids: ReadonlySet<ItemId>;
  readonly leftOut: number;
}
/** Before they have come, and where there are none. */
export const NO_PRESETS: Presets = { ids: new Set(), leftOut: 0 };
export const keys = {
  computers: ['computers'] as const,
  folders: (id: ComputerId) => ['folders', id] as const,
  ownEntryLoads: (id: ComputerId) => ['own-entry-loads', id] as const,
  fileFolders: (id: ComputerId) => ['file-folders', id] as const,
  files: (id: ComputerId) => ['files', id] as const,
  filesHere: (id: ComputerId) => ['files-here', id] as const,
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

/** So many entries of a long list come at once. */
export const PAGE = 500;
const nextFrom = (pages: readonly { readonly list: readonly unknown[] }[], total: number): number | undefined => {
  const shown = pages.reduce((sum, { list }) => sum + list.length, 0);
  return shown < total ? shown : undefined;
};

/** What could not be read at the last scans, part by part. */
export const useProblems = (id: ComputerId) =>
  useInfiniteQuery({
    queryKey: keys.problems(id),
    initialPageParam: 0,
    queryFn: ({ pageParam: from }) =>
      call('GET /computers/{computer}/problems', { path: { computer: id }, query: { from, limit: PAGE } }),
    getNextPageParam: ({ total }, pages) => nextFrom(pages, total),
  });

/** What scans looked at and left out, counted by reason. */
export const useLeftOut = (id: ComputerId) =>
  useQuery({
    queryKey: keys.leftOut(id),
    queryFn: () => call('GET /computers/{computer}/left-out', { path: { computer: id }, query: { limit: 0 } }),
  });

/** What scans left out for one reason, part by part. */
export const useLeftOutFor = (id: ComputerId, reason: LeftOutReason) =>
  useInfiniteQuery({
    queryKey: [...keys.leftOut(id), reason],
    initialPageParam: 0,
    queryFn: ({ pageParam: from }) =>
      call('GET /computers/{computer}/left-out', { path: { computer: id }, query: { reason, from, limit: PAGE } }),
    getNextPageParam: ({ counts }, pages) => nextFrom(pages, counts.find((one) => one.reason === reason)?.count ?? 0),
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

/** See useCatalogue; to be asked for ahead. */
export const catalogueQuery = (id: ComputerId) =>
  queryOptions({
    queryKey: keys.catalogue(id),
    // The server tells of every change; and to compare tens of thousands of plugins field by field costs more than it saves.
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Catalogue> => {
      const view = fromColumns(await call('GET /computers/{computer}/catalogue/columns', { path: { computer: id } }));
      const { plugins } = view;
      return { ...view, byId: new Map(plugins.map((plugin) => [plugin.id, plugin])) };
    },
  });

/** All plugins, as they were worked out. */
export const useCatalogue = (id: ComputerId) => useQuery(catalogueQuery(id));

/** The presets that a computer has, as items; they come when the catalogue is there already. */
export const usePresets = (id: ComputerId) =>
  useQuery({
    queryKey: keys.presets(id),
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Presets> => {
      const { presets, leftOut } = await call('GET /computers/{computer}/presets', { path: { computer: id } });
      const ids = presets.map(({ pluginId, bank, name }) => itemId({ pluginId, preset: presetKey({ bank, name }) }));
      // The very same where there are none: everything is worked out anew when they come.
      return ids.length === 0 ? NO_PRESETS : { ids: new Set(ids), leftOut };
    },
  });

/** Loads by the ids of own entries. */
export type OwnEntryLoadsById = ReadonlyMap<PluginId, OwnEntryLoads>;
/** Of no own entry. */
export const NO_LOADS: OwnEntryLoadsById = new Map();

const ownEntryLoadsIn = ({ plugins }: LoadCountsResponse): OwnEntryLoadsById =>
  new Map(
    plugins.flatMap(({ pluginId, loads, lastLoad }) => (isOwnEntry(pluginId) ? [[pluginId, { loads, lastLoad }]] : [])),
  );

/** How often own entries were loaded, which the catalogue of the computer does not tell; fetched only where there are some. */
export const useOwnEntryLoads = (id: ComputerId, wanted: boolean) =>
  useQuery({
    queryKey: keys.ownEntryLoads(id),
    enabled: wanted,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async () => ownEntryLoadsIn(await call('GET /computers/{computer}/loaded', { path: { computer: id } })),
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

/** The catalogue as this window knows it; undefined before it does. */
export const catalogueIn = (client: QueryClient, computer: ComputerId): Catalogue | undefined =>
  client.getQueryData<Catalogue>(keys.catalogue(computer));

const OF_FILES = ['file-folders', 'files', 'files-here'];

/** Invalidates the queries that show the catalogue, after a scan or after builds were regrouped. */
export function invalidateCatalogueQueries(client: QueryClient, computer: ComputerId): void {
  for (const name of ['catalogue', 'own-entry-loads', 'traits', 'presets', 'plugin', 'vendors', ...OF_FILES])
    void client.invalidateQueries({ queryKey: [name, computer] });
}

/** Whether this window has a catalogue, and it is older than the server's, or of another epoch. */
export function isOlderCatalogue(
  client: QueryClient,
  computer: ComputerId,
  now: { readonly epoch: string; readonly catalogueRevision: number },
): boolean {
  const own = catalogueIn(client, computer);
  return own !== undefined && (own.epoch !== now.epoch || own.revision < now.catalogueRevision);
}

/** Applies load counts from the server to the cached catalogue and to the facts that rules use. Unchanged plugins keep their identity. */
export function applyLoadCounts(client: QueryClient, computer: ComputerId, loaded: LoadCountsResponse): void {
  const counts = new Map(loaded.plugins.map((one) => [one.pluginId, one]));
  client.setQueryData<OwnEntryLoadsById>(keys.ownEntryLoads(computer), (known) =>
    known === undefined ? known : ownEntryLoadsIn(loaded),
  );
  client.setQueryData<ReadonlyMap<PluginId, Traits>>(keys.traits(computer), (traits) => {
    const other = [...(traits ?? [])].flatMap(([id, own]): [PluginId, Traits][] => {
      const { lastLoad = null, ways = [] } = counts.get(id) ?? {};
      return own.lastLoad === lastLoad && own.ways.length === ways.length ? [] : [[id, { ...own, lastLoad, ways }]];
    });
    return other.length === 0 ? traits : new Map([...(traits ?? []), ...other]);
  });
  client.setQueryData<Catalogue>(keys.catalogue(computer), (catalogue) => {
    const other = new Map<PluginId, PluginView>();
    for (const plugin of catalogue?.plugins ?? []) {
      const { loads = 0, lastLoad = null } = counts.get(plugin.id) ?? {};
      if (plugin.loads !== loads || plugin.lastLoad !== lastLoad) other.set(plugin.id, { ...plugin, loads, lastLoad });
    }
    return catalogue === undefined || other.size === 0
      ? catalogue
      : {
          ...catalogue,
          plugins: catalogue.plugins.map((one) => other.get(one.id) ?? one),
          byId: new Map([...catalogue.byId, ...other]),
        };
  });
}

/** What Intake shows of a computer is looked at again: a scan has ended, or a report was brought in. */
export function invalidateIntakeQueries(client: QueryClient, id: ComputerId): void {
  for (const name of [
    'folders',
    'scans',
    'catalogue',
    'own-entry-loads',
    'traits',
    'presets',
    'plugin',
    'problems',
    'left-out',
    'arrivals',
    'vendors',
    ...OF_FILES,
  ])
    void client.invalidateQueries({ queryKey: [name, id] });
}
