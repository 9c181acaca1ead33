import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import type { ScanView } from '@clever-drawer/contract/responses';
import { ask, wordsOf } from '../lib/api';
import { keys } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';

export interface ScanWish {
  readonly folderIds?: readonly string[];
  readonly paths?: readonly string[];
  readonly again?: boolean;
}

/** Starts a scan of some folders or places, or of all when none is named. */
export function useStartScan() {
  const { id } = useComputer();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (wish: ScanWish) => ask<ScanView>('POST', `/computers/${id}/scans`, wish),
    onSettled: () => client.invalidateQueries({ queryKey: keys.scans(id) }),
    onError: (error) => toast.error(wordsOf(error)),
  });
}

export function useCancelScan() {
  const { id } = useComputer();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (scanId: string) => ask<ScanView>('POST', `/scans/${scanId}/cancel`, {}),
    onSettled: () => client.invalidateQueries({ queryKey: keys.scans(id) }),
    onError: (error) => toast.error(wordsOf(error)),
  });
}

/** Gives the computer at hand another name. */
export function useRename() {
  const { id } = useComputer();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (name: string) => ask('PATCH', `/computers/${id}`, { name }),
    onSettled: () => client.invalidateQueries({ queryKey: keys.computers }),
    onError: (error) => toast.error(wordsOf(error)),
  });
}

/** Puts a folder on the list, or takes one off. */
export function useFolderChanges() {
  const { id } = useComputer();
  const client = useQueryClient();
  const after = async () => {
    await Promise.all([
      client.invalidateQueries({ queryKey: keys.folders(id) }),
      client.invalidateQueries({ queryKey: keys.proposed(id) }),
    ]);
  };
  const add = useMutation({
    mutationFn: (path: string) => ask('POST', `/computers/${id}/folders`, { path }),
    onSettled: after,
  });
  const remove = useMutation({
    mutationFn: (folder: string) => ask('DELETE', `/computers/${id}/folders/${folder}`),
    onSettled: after,
    onError: (error) => toast.error(wordsOf(error)),
  });
  const change = useMutation({
    mutationFn: ({ folder, ...switches }: { folder: string; asks?: boolean; watches?: boolean }) =>
      ask('PATCH', `/computers/${id}/folders/${folder}`, switches),
    onSettled: after,
    onError: (error) => toast.error(wordsOf(error)),
  });
  return { add, remove, change };
}
