import { queryOptions, useIsMutating, useQuery, type QueryClient } from '@tanstack/react-query';
import type { ArrangementView } from '@clever-drawer/contract/responses';
import { itemNames } from '@clever-drawer/core/chests/item';
import type { NameOf } from '@clever-drawer/core/chests/plan';
import type { ComputerId } from '@clever-drawer/core/ids';
import { catalogueIn } from '../catalogue/queries';
import { call } from '../lib/api';
import { queueKey } from './queue';
import { fetched, opened, type WindowState } from './window-state';

/** The key of a computer's arrangement in this window. */
export const arrangementKey = (computer: ComputerId) => ['arrangement', computer] as const;

/** See useArrangement; to be asked for ahead. */
export const arrangementQuery = (computer: ComputerId) =>
  queryOptions({
    queryKey: arrangementKey(computer),
    // The server tells of every change, and the window takes each over by itself.
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async ({ client }): Promise<WindowState> => {
      const view = await latest(client, computer);
      const window = knownIn(client, computer);
      return window === undefined ? opened(view) : fetched(window, view, namesIn(client, computer));
    },
  });

/** Everything arranged, as this window shows it: maybe ahead of the server by what is being saved. */
export const useArrangement = (computer: ComputerId) => useQuery(arrangementQuery(computer));

/** How many changes of this window are under way. */
export const useUnderWay = (computer: ComputerId): number => useIsMutating({ mutationKey: queueKey(computer) });

/** What this window knows at the moment; undefined before it has learnt anything. */
export const knownIn = (client: QueryClient, computer: ComputerId): WindowState | undefined =>
  client.getQueryData<WindowState>(arrangementKey(computer));

/** Brings what this window knows on, if it knows anything. */
export function bring(
  client: QueryClient,
  computer: ComputerId,
  on: (window: WindowState, nameOf: NameOf) => WindowState,
) {
  const window = knownIn(client, computer);
  if (window === undefined) return;
  const next = on(window, namesIn(client, computer));
  if (next !== window) client.setQueryData<WindowState>(arrangementKey(computer), next);
}

/** The names of plugins, as this window knows the catalogue at the moment. */
export function namesIn(client: QueryClient, computer: ComputerId): NameOf {
  // Looked up once, and not for each of 50,000 names.
  const [catalogue, state] = [catalogueIn(client, computer), knownIn(client, computer)?.state];
  return itemNames(
    (id) => catalogue?.byId.get(id)?.name ?? state?.chain.get(id)?.name ?? state?.ownEntry.get(id)?.name,
  );
}

const toldKey = (computer: ComputerId) => ['told', computer] as const;

/** How far the server has announced to be; `epoch` is null before it has said which it is in. */
export interface Announced {
  readonly epoch: string | null;
  readonly revision: number;
}
const NOTHING_ANNOUNCED: Announced = { epoch: null, revision: 0 };

/** Notes how far the server has announced to be, so that no older answer is taken for the latest. Revisions of another epoch begin anew. */
export const noteTold = (
  client: QueryClient,
  computer: ComputerId,
  { epoch, revision }: { readonly epoch?: string; readonly revision: number },
): void =>
  void client.setQueryData<Announced>(toldKey(computer), (known = NOTHING_ANNOUNCED) =>
    epoch === undefined || epoch === known.epoch
      ? { ...known, revision: Math.max(known.revision, revision) }
      : { epoch, revision },
  );

/** The last revision that the server has announced. */
export const lastAnnouncedRevision = (client: QueryClient, computer: ComputerId): Announced =>
  client.getQueryData<Announced>(toldKey(computer)) ?? NOTHING_ANNOUNCED;

/** Whether something is as new as what the server has announced. */
const isAsNewAs = (
  { epoch, revision }: { readonly epoch: string; readonly revision: number },
  announced: Announced,
): boolean => (announced.epoch === null || announced.epoch === epoch) && revision >= announced.revision;

/** Whether this window lacks something that the server has announced. */
export function isBehindServer(client: QueryClient, computer: ComputerId): boolean {
  const window = knownIn(client, computer);
  return window !== undefined && (window.isBehind || !isAsNewAs(window.held, lastAnnouncedRevision(client, computer)));
}

const MAX_TRIES = 3;

/** Everything arranged, as new as what the server has told of: a look that began before may come back after. */
async function latest(client: QueryClient, computer: ComputerId): Promise<ArrangementView> {
  for (let tries = 1; ; tries++) {
    const view = await call('GET /computers/{computer}/arrangement', { path: { computer } });
    if (tries === MAX_TRIES || isAsNewAs(view, lastAnnouncedRevision(client, computer))) return view;
  }
}

/** Fetches everything, and takes it over. */
export async function resync(client: QueryClient, computer: ComputerId): Promise<void> {
  const view = await latest(client, computer);
  bring(client, computer, (window, nameOf) => fetched(window, view, nameOf));
}
