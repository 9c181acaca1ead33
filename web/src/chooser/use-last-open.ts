import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../lib/api';

type LastOpen = ReadonlyMap<string, string>;

const KEY = ['last-open'] as const;

/** The chests and drawers that were open last in the menus of the studio. */
export const lastOpenQuery = queryOptions({
  queryKey: KEY,
  queryFn: async (): Promise<LastOpen> => {
    const { open } = await call('GET /last-open', {});
    return new Map(open.map(({ menu, id }) => [menu, id]));
  },
});

/** The chest or drawer that was open last in a menu, for every window and computer of the studio, and a function that stores another one. */
export function useLastOpen(
  menu: string,
  otherwise: string | null,
  isThere: (id: string) => boolean,
): [string | null, (id: string | null) => void] {
  const client = useQueryClient();
  const id = useQuery(lastOpenQuery).data?.get(menu) ?? null;
  const keep = (next: string | null): void => {
    // A pending answer would be older than this value.
    void client.cancelQueries({ queryKey: KEY });
    client.setQueryData<LastOpen>(KEY, (known) => {
      const open = new Map(known ?? []);
      if (next === null) open.delete(menu);
      else open.set(menu, next);
      return open;
    });
    // If it can't be stored, it holds in this window.
    call('PUT /last-open', { body: { menu, id: next } }).catch(() => undefined);
  };
  return [id !== null && isThere(id) ? id : otherwise, keep];
}
