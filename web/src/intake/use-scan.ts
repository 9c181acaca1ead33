import type { RequestOf } from '@clever-drawer/contract/api-of';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call, wordsOf } from '../lib/api';
import { keys } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';

/** Gives the computer at hand another name. */
export function useRename() {
  const { id } = useComputer();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (name: string) => call('PATCH /computers/{computer}', { path: { computer: id }, body: { name } }),
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
    mutationFn: (folder: RequestOf<'POST /computers/{computer}/folders'>) =>
      call('POST /computers/{computer}/folders', { path: { computer: id }, body: folder }),
    onSettled: after,
  });
  const remove = useMutation({
    mutationFn: (folder: string) =>
      call('DELETE /computers/{computer}/folders/{folder}', { path: { computer: id, folder } }),
    onSettled: after,
    onError: (error) => toast.error(wordsOf(error)),
  });
  const change = useMutation({
    mutationFn: ({ folder, ...switches }: { folder: string; asks?: boolean; watches?: boolean }) =>
      call('PATCH /computers/{computer}/folders/{folder}', { path: { computer: id, folder }, body: switches }),
    onSettled: after,
    onError: (error) => toast.error(wordsOf(error)),
  });
  return { add, remove, change };
}
