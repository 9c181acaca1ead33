import { useQuery } from '@tanstack/react-query';
import type {
  ArrangementView,
  Arrival,
  CatalogueView,
  ComputerView,
  FolderView,
  PluginDetail,
  PluginView,
  ProblemsView,
  ProposedFolder,
  ScanStory,
  ScanView,
  Steps,
  VendorView,
} from '@clever-drawer/contract/responses';
import { ROW_KINDS, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import { withChoices, type Chosen } from '@clever-drawer/core/chests/with-choices';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { compareNames } from '@clever-drawer/core/text/words';
import { ask } from '../lib/api';
import { rememberLast } from '../lib/remember';

/** A plugin as the producer put it right and named it. */
export type ChosenPlugin = PluginView & Chosen;

/** The catalogue with a way to each plugin by its id. */
export interface Catalogue<P extends PluginView = PluginView> {
  readonly revision: number;
  readonly firstArrival: string | null;
  readonly plugins: readonly P[];
  readonly byId: ReadonlyMap<PluginId, P>;
}
export type ChosenCatalogue = Catalogue<ChosenPlugin>;

/** The catalogue as the producer put it right. */
export function useChosen(catalogue: Catalogue, state: Arrangement): ChosenCatalogue {
  const { choice, preference, naming, aside } = state;
  return chosenCatalogue(catalogue, choice, preference, naming, aside);
}

const chosenCatalogue = rememberLast(
  (
    catalogue: Catalogue,
    choice: Arrangement['choice'],
    preference: Arrangement['preference'],
    naming: Arrangement['naming'],
    aside: Arrangement['aside'],
  ): ChosenCatalogue => {
    const plugins = inOrderOfName(withChoices(catalogue.plugins, { choice, preference, naming, aside }));
    return { ...catalogue, plugins, byId: new Map(plugins.map((plugin) => [plugin.id, plugin])) };
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

/** Everything arranged, as this window knows it: maybe ahead of the server by a change that is being saved. */
export interface Arranged {
  readonly state: Arrangement;
  readonly revision: number;
  readonly steps: Steps;
  readonly savedAt: string | null;
}

export const keys = {
  computers: ['computers'] as const,
  folders: (id: ComputerId) => ['folders', id] as const,
  proposed: (id: ComputerId) => ['proposed', id] as const,
  scans: (id: ComputerId) => ['scans', id] as const,
  catalogue: (id: ComputerId) => ['catalogue', id] as const,
  plugin: (id: ComputerId, plugin: PluginId) => ['plugin', id, plugin] as const,
  arrangement: (id: ComputerId) => ['arrangement', id] as const,
  problems: (id: ComputerId) => ['problems', id] as const,
  arrivals: (id: ComputerId) => ['arrivals', id] as const,
  vendors: (id: ComputerId) => ['vendors', id] as const,
  story: (scan: string) => ['story', scan] as const,
};

export const useComputers = () =>
  useQuery({ queryKey: keys.computers, queryFn: () => ask<ComputerView[]>('GET', '/computers') });

export const useFolders = (id: ComputerId) =>
  useQuery({ queryKey: keys.folders(id), queryFn: () => ask<FolderView[]>('GET', `/computers/${id}/folders`) });

export const useProposedFolders = (id: ComputerId) =>
  useQuery({
    queryKey: keys.proposed(id),
    queryFn: () => ask<ProposedFolder[]>('GET', `/computers/${id}/proposed-folders`),
  });

const WATCH_MS = 300;

/** The scans, newest first; looked at again and again while one runs. */
export const useScans = (id: ComputerId) =>
  useQuery({
    queryKey: keys.scans(id),
    queryFn: () => ask<ScanView[]>('GET', `/computers/${id}/scans`),
    refetchInterval: (query) => (query.state.data?.some(isUnderWay) ? WATCH_MS : false),
  });

/** Whether a scan runs or waits for its turn. */
export const isUnderWay = (scan: ScanView): boolean => scan.state === 'running' || scan.state === 'waiting';

export const useProblems = (id: ComputerId) =>
  useQuery({ queryKey: keys.problems(id), queryFn: () => ask<ProblemsView>('GET', `/computers/${id}/problems`) });

const ARRIVALS_MS = 5000;

/** What came or went in watched folders and waits to be scanned; looked at every few seconds. */
export const useArrivals = (id: ComputerId) =>
  useQuery({
    queryKey: keys.arrivals(id),
    queryFn: () => ask<Arrival[]>('GET', `/computers/${id}/arrivals`),
    refetchInterval: ARRIVALS_MS,
  });

export const useVendors = (id: ComputerId) =>
  useQuery({ queryKey: keys.vendors(id), queryFn: () => ask<VendorView[]>('GET', `/computers/${id}/vendors`) });

export const useStory = (scan: string, wanted: boolean) =>
  useQuery({
    queryKey: keys.story(scan),
    queryFn: () => ask<ScanStory>('GET', `/scans/${scan}/story`),
    enabled: wanted,
  });

export const useCatalogue = (id: ComputerId) =>
  useQuery({
    queryKey: keys.catalogue(id),
    // The server tells of every change; and to compare tens of thousands of plugins field by field costs more than it saves.
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Catalogue> => {
      const view = await ask<CatalogueView>('GET', `/computers/${id}/catalogue`);
      const { plugins } = view;
      return { ...view, byId: new Map(plugins.map((plugin) => [plugin.id, plugin])) };
    },
  });

export const usePluginDetail = (id: ComputerId, plugin: PluginId) =>
  useQuery({
    queryKey: keys.plugin(id, plugin),
    queryFn: () => ask<PluginDetail>('GET', `/computers/${id}/plugins/${encodeURIComponent(plugin)}`),
  });

export const useArrangement = (id: ComputerId) =>
  useQuery({
    queryKey: keys.arrangement(id),
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Arranged> => {
      const view = await ask<ArrangementView>('GET', `/computers/${id}/arrangement`);
      const maps = ROW_KINDS.map((kind) => [kind, new Map(view[kind].map((row) => [row.id, row]))]);
      return {
        state: Object.fromEntries(maps) as Arrangement,
        revision: view.revision,
        steps: view.steps,
        savedAt: null,
      };
    },
  });
