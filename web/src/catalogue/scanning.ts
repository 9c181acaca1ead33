import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { toast } from 'sonner';
import { call, wordsOf } from '../lib/api';
import { useComputer } from '../lib/use-computer';
import { isUnderWay, keys, invalidateIntakeQueries, useScans } from './queries';

/** What is to be scanned, and how. */
export interface ScanWish {
  readonly folderIds?: readonly string[];
  readonly paths?: readonly string[];
  readonly again?: boolean;
  /** Only what could not be read or asked. */
  readonly problems?: boolean;
}

/** Starts a scan of some folders or places, or of all when none is named. */
export function useStartScan() {
  const { id } = useComputer();
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ folderIds = [], paths = [], again = false, problems = false }: ScanWish) =>
      call('POST /computers/{computer}/scans', {
        path: { computer: id },
        body: { folderIds: [...folderIds], paths: [...paths], again, problems },
      }),
    onSettled: () => client.invalidateQueries({ queryKey: keys.scans(id) }),
    onError: (error) => toast.error(wordsOf(error)),
  });
}

/** Cancels a scan; what was read until then is kept. */
export function useCancelScan() {
  const { id } = useComputer();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (scan: string) => call('POST /scans/{scan}/cancel', { path: { scan } }),
    onSettled: () => client.invalidateQueries({ queryKey: keys.scans(id) }),
    onError: (error) => toast.error(wordsOf(error)),
  });
}

/** When a scan ends, everything that shows the catalogue looks at it again. */
export function useRefreshAfterScan(): void {
  const computer = useComputer();
  const client = useQueryClient();
  const ended = useScans(computer.id).data?.filter((scan) => !isUnderWay(scan)).length ?? null;
  const before = useRef(ended);
  useEffect(() => {
    if (before.current !== ended && before.current !== null) {
      void client.invalidateQueries({ queryKey: keys.computers });
      invalidateIntakeQueries(client, computer.id);
    }
    before.current = ended;
  }, [ended, client, computer.id]);
}
