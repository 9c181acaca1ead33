import { useQuery, type QueryClient } from '@tanstack/react-query';

const KEY = ['database-gone'];

/** Notes what the server told of its database. */
export const noteDatabase = (client: QueryClient, isThere: boolean): void =>
  void client.setQueryData<boolean>(KEY, !isThere);

/** Whether the server has told that its database is gone, and being started again. */
export const useDatabaseGone = (): boolean =>
  useQuery({ queryKey: KEY, queryFn: () => false, initialData: false, staleTime: Infinity }).data;
