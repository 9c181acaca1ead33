import { useQuery, type QueryClient } from '@tanstack/react-query';
import type { UsesView, UseView } from '@clever-drawer/contract/responses';
import type { ComputerId, ItemId } from '@clever-drawer/core/ids';
import type { LoadWay, Use } from '@clever-drawer/core/menu/use';
import { call } from '../lib/api';

const usesKey = (computer: ComputerId) => ['uses', computer] as const;

/** One load as this page knows it: with the session and the way. */
export interface KnownUse extends Use {
  readonly session: string | null;
  readonly way: LoadWay;
}
/** What was loaded last, newest first, and what is kept of it. */
export interface Uses extends Pick<UsesView, 'kept' | 'total' | 'since'> {
  readonly uses: readonly KnownUse[];
}

const known = ({ at, item, ...use }: UseView): KnownUse => ({ ...use, item, at: Date.parse(at) });

/** What was loaded on a computer. */
export const useUses = (computer: ComputerId) =>
  useQuery({
    queryKey: usesKey(computer),
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Uses> => {
      const view = await call('GET /computers/{computer}/uses', { path: { computer } });
      return { ...view, uses: view.uses.map(known) };
    },
  });

/** What was loaded has changed in a way that was not told: it is looked at again. */
export const lookAtUses = (client: QueryClient, computer: ComputerId): void =>
  void client.invalidateQueries({ queryKey: usesKey(computer) });

const NONE: readonly KnownUse[] = [];
/** Before anything was fetched. */
export const NO_USES: Uses = { kept: true, total: 0, since: null, uses: NONE };

/** The last use of an item; undefined when there is none. */
export const lastUseOf = (uses: readonly KnownUse[], item: ItemId): KnownUse | undefined =>
  uses.find((use) => use.item === item);
