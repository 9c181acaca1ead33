import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../lib/api';

type LastOpen = ReadonlyMap<string, string>;

const KEY = ['last-open'] as const;

/** What was open last in the menus of the studio; asked for before the first one opens. */
export const lastOpenQuery = queryOptions({
  queryKey: KEY,
  queryFn: async (): Promise<LastOpen> => {
    const { open } = await call('GET /last-open', {});
    return new Map(open.map(({ menu, id }) => [menu, id]));
  },
});

/** What was open last in a menu stays open until it is changed, in every window and on every computer of the studio. */
export function useLastOpen(
  menu: string,
  otherwise: string | null,
  isThere: (id: string) => boolean,
): [string | null, (id: string | null) => void] {
  const client = useQueryClient();
  const id = useQuery(lastOpenQuery).data?.get(menu) ?? null;
  const keep = (next: string | null): void => {
    // An answer that is on its way is older than this.
    void client.cancelQueries({ queryKey: KEY });
    client.setQueryData<LastOpen>(KEY, (known) => {
      const open = new Map(known ?? []);
      if (next === null) open.delete(menu);
      else open.set(menu, next);
      return open;
    });
    // Where it can't be noted it holds in this window.
    call('PUT /last-open', { body: { menu, id: next } }).catch(() => undefined);
  };
  return [id !== null && isThere(id) ? id : otherwise, keep];
}
