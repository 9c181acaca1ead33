import { useQuery } from '@tanstack/react-query';
import type {
  ArrangementView,
  CatalogueView,
  ComputerView,
  FolderView,
  PluginDetail,
  PluginView,
  ProposedFolder,
  ScanView,
  Steps,
} from '@clever-drawer/contract/responses';
import { ROW_KINDS, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { ask } from './api';

/** The catalogue with a way to each plugin by its id. */
export interface Catalogue {
  readonly revision: number;
  readonly plugins: readonly PluginView[];
  readonly byId: ReadonlyMap<PluginId, PluginView>;
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
    refetchInterval: (query) => (query.state.data?.[0]?.state === 'running' ? WATCH_MS : false),
  });

export const useCatalogue = (id: ComputerId) =>
  useQuery({
    queryKey: keys.catalogue(id),
    queryFn: async (): Promise<Catalogue> => {
      const { revision, plugins } = await ask<CatalogueView>('GET', `/computers/${id}/catalogue`);
      return { revision, plugins, byId: new Map(plugins.map((plugin) => [plugin.id, plugin])) };
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
