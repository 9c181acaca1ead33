import type { QueryClient } from '@tanstack/react-query';
import type { SavedChange } from '@clever-drawer/contract/responses';
import { regroups } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { refetchLoads, mayLoad } from '../catalogue/refetch-loads';
import { keys, invalidateCatalogueQueries } from '../catalogue/queries';

/** Fetches what a saved change makes stale besides the arrangement: the catalogue, loads, plugin folders. */
export function refreshAfter(client: QueryClient, computer: ComputerId, saved: SavedChange): void {
  if (regroups(saved.edits)) invalidateCatalogueQueries(client, computer);
  if (mayLoad(saved)) void refetchLoads(client, computer);
  if (saved.edits.some((edit) => edit.of === 'ownEntry'))
    void client.invalidateQueries({ queryKey: keys.filesHere(computer) });
  if (saved.edits.some((edit) => edit.of === 'fileFolder'))
    for (const queryKey of [keys.fileFolders(computer), keys.files(computer), keys.filesHere(computer)])
      void client.invalidateQueries({ queryKey });
  if (saved.edits.some((edit) => edit.of === 'pluginFolder'))
    for (const queryKey of [keys.folders(computer), keys.proposed(computer)])
      void client.invalidateQueries({ queryKey });
}
