import { useQuery, type QueryClient } from '@tanstack/react-query';

/** What a window knows of the server: it answers, its database is being started again, or it does not answer at all. */
export type ServerState = 'there' | 'database-gone' | 'gone';

const KEY = ['server-state'];
const waiting = new WeakMap<QueryClient, Set<() => void>>();

/** Notes what was learnt of the server, and lets those go on who wait for it. */
export function noteServer(client: QueryClient, state: ServerState): void {
  if (serverState(client) !== state) client.setQueryData<ServerState>(KEY, state);
  if (state !== 'there') return;
  for (const go of waiting.get(client) ?? []) go();
  waiting.delete(client);
}

/** What is known of the server at the moment. */
export const serverState = (client: QueryClient): ServerState => client.getQueryData<ServerState>(KEY) ?? 'there';

/** The same for what is shown. */
export const useServerState = (): ServerState =>
  useQuery<ServerState>({
    queryKey: KEY,
    queryFn: () => 'there',
    initialData: 'there',
    staleTime: Infinity,
    gcTime: Infinity,
  }).data;

/** Resolves when the server is known to answer again, or after a time in which nothing was learnt. */
export function untilServerAnswers(client: QueryClient, maxMs: number): Promise<void> {
  return new Promise((resolve) => {
    const listeners = waiting.get(client) ?? new Set();
    waiting.set(client, listeners);
    const timer = setTimeout(go, maxMs);
    function go(): void {
      clearTimeout(timer);
      listeners.delete(go);
      resolve();
    }
    listeners.add(go);
  });
}
