import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ROLES } from '@clever-drawer/core/catalogue/role';

/** Columns that the list is sorted by. */
export const SORTS = ['name', 'kind', 'vendor', 'formats', 'drawers'] as const;
export type SortBy = (typeof SORTS)[number];

export const ROLE_FILTERS = [...ROLES, 'unknown'] as const;
export type RoleFilter = (typeof ROLE_FILTERS)[number];

/** What is looked at in Sort. It lives in the address, so that it can be bookmarked and survives a reload. */
export interface SortView {
  readonly typed: string;
  readonly roles: readonly RoleFilter[];
  /** Null is the order of the search: best match first, by name otherwise. */
  readonly sortBy: SortBy | null;
  readonly down: boolean;
  readonly chest: string | null;
  readonly open: readonly string[];
}

export function useSortView(): { view: SortView; look: (change: Partial<SortView>) => void } {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useTyped(params.get('q') ?? '', (text) =>
    setParams(changed(addressNow(), { typed: text }), { replace: true }),
  );
  const view = useMemo(
    (): SortView => ({
      typed,
      roles: ROLE_FILTERS.filter((role) => params.getAll('role').includes(role)),
      sortBy: SORTS.find((one) => one === params.get('by')) ?? null,
      down: params.get('down') === '1',
      chest: params.get('chest'),
      open: params.getAll('open'),
    }),
    [params, typed],
  );
  const look = ({ typed: text, ...change }: Partial<SortView>): void => {
    if (text !== undefined) setTyped(text);
    if (Object.keys(change).length > 0)
      setParams(changed(addressNow(), { ...change, typed: text ?? typed }), { replace: true });
  };
  return { view, look };
}

/** The address as it is at this moment: two changes may come before the page is drawn again. */
const addressNow = (): URLSearchParams => new URLSearchParams(window.location.search);

const SETTLES_MS = 250;

/** What is typed shows at once; the address follows when the hand rests, and a change of the address from outside is taken over. */
function useTyped(inAddress: string, write: (text: string) => void): [string, (text: string) => void] {
  const [typed, setTyped] = useState(inAddress);
  const written = useRef(inAddress);
  const latest = useRef(write);
  useEffect(() => {
    latest.current = write;
  });
  useEffect(() => {
    if (inAddress === written.current) return;
    written.current = inAddress;
    setTyped(inAddress);
  }, [inAddress]);
  useEffect(() => {
    if (typed === written.current) return undefined;
    const timer = setTimeout(() => {
      written.current = typed;
      latest.current(typed);
    }, SETTLES_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  return [typed, setTyped];
}

function changed(old: URLSearchParams, change: Partial<SortView>): URLSearchParams {
  const next = new URLSearchParams(old);
  const put = (key: string, values: readonly string[]): void => {
    next.delete(key);
    for (const value of values) if (value !== '') next.append(key, value);
  };
  if (change.typed !== undefined) put('q', [change.typed]);
  if (change.roles !== undefined) put('role', change.roles);
  if (change.sortBy !== undefined) put('by', [change.sortBy ?? '']);
  if (change.down !== undefined) put('down', [change.down ? '1' : '']);
  if (change.chest !== undefined) put('chest', [change.chest ?? '']);
  if (change.open !== undefined) put('open', change.open);
  return next;
}
