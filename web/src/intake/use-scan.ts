import type { RequestOf } from '@clever-drawer/contract/api-types';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call, wordsOf } from '../lib/api';
import { keys } from '../catalogue/queries';
import { useChanges } from '../arrangement/changes';
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

/** Adds a folder to the list; its error is shown where the folder was typed. */
export function useAddFolder() {
  const { addFolder } = useChanges(useComputer().id);
  return useMutation({ mutationFn: (folder: RequestOf<'POST /computers/{computer}/folders'>) => addFolder(folder) });
}
