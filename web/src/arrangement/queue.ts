/** Changes on their way to the server, one after the other in the order in which they were made. The queue is the query client's own. */
import type { QueryClient } from '@tanstack/react-query';
import type { ComputerId } from '@clever-drawer/core/ids';

/** The key under which the changes of a computer's arrangement are found among what is under way. */
export const queueKey = (computer: ComputerId): readonly string[] => ['arrangement', computer];

/** Does some work after all that is under way for a computer's arrangement. */
export const queued = <T>(client: QueryClient, computer: ComputerId, work: () => Promise<T>): Promise<T> =>
  client
    .getMutationCache()
    .build(client, {
      mutationKey: queueKey(computer),
      scope: { id: queueKey(computer).join(' ') },
      mutationFn: work,
      // The server is on this machine: whether the browser has a network says nothing about it.
      networkMode: 'always',
      retry: false,
      gcTime: 0,
    })
    .execute(undefined);
