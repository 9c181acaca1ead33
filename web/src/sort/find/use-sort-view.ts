import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';

export const SORTS = ['name', 'kind', 'vendor', 'formats', 'drawers'] as const;
export type SortBy = (typeof SORTS)[number];

/** The questions of the ribbons, by the names that the address has for them. */
export const QUESTIONS = ['role', 'type', 'vendor', 'format', 'state', 'tray', 'drawer', 'tag'] as const;
export type Question = (typeof QUESTIONS)[number];
export type Filters = Readonly<Record<Question, readonly string[]>>;

export const NO_FILTERS: Filters = {
  role: [],
  type: [],
  vendor: [],
  format: [],
  state: [],
  tray: [],
  drawer: [],
  tag: [],
};

/** What the address says about how Sort is looked at: it can be kept as a bookmark and outlives a reload. */
export interface SortView {
  readonly typed: string;
  readonly filters: Filters;
  /** Null shows the best match first. */
  readonly sortBy: SortBy | null;
  readonly down: boolean;
  readonly chest: string | null;
  /** Ids of the drawers that are pulled out, and of trays ("tray 1"). */
  readonly open: readonly string[];
}

export interface SortViewing {
  readonly view: SortView;
  readonly look: (change: Partial<SortView>) => void;
  /** Adds a value to a question's filter, or takes it off. */
  readonly toggle: (question: Question, value: string) => void;
  readonly clear: () => void;
  /** The search and filters as a kept search holds them, and the way back. */
  readonly query: string;
  readonly lookAgain: (query: string) => void;
}

const KEPT = ['q', ...QUESTIONS, 'by', 'down'];

export function useSortView(): SortViewing {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useTyped(params.get('q') ?? '', (text) =>
    setParams(changed(addressNow(), { typed: text }), { replace: true }),
  );
  // What is typed must not make new filters of the same.
  const filters = useMemo(() => filtersIn(params), [params]);
  const view = useMemo(
    (): SortView => ({
      typed,
      filters,
      sortBy: SORTS.find((one) => one === params.get('by')) ?? null,
      down: params.get('down') === '1',
      chest: params.get('chest'),
      open: params.getAll('open'),
    }),
    [params, filters, typed],
  );
  const look = ({ typed: text, ...change }: Partial<SortView>): void => {
    if (text !== undefined) setTyped(text);
    if (Object.keys(change).length > 0)
      setParams(changed(addressNow(), { ...change, typed: text ?? typed }), { replace: true });
  };
  const toggle = (question: Question, value: string): void => {
    const filters = filtersIn(addressNow());
    const own = filters[question];
    const next = own.includes(value) ? own.filter((one) => one !== value) : [...own, value];
    look({ filters: { ...filters, [question]: next } });
  };
  return {
    view,
    look,
    toggle,
    clear: () => look({ filters: NO_FILTERS }),
    query: keptPart(changed(params, { typed })).toString(),
    lookAgain: (query) => {
      const next = addressNow();
      for (const key of KEPT) next.delete(key);
      for (const [key, value] of new URLSearchParams(query)) if (KEPT.includes(key)) next.append(key, value);
      setTyped(next.get('q') ?? '');
      setParams(next, { replace: true });
    },
  };
}

const filtersIn = (params: URLSearchParams): Filters =>
  Object.fromEntries(QUESTIONS.map((question) => [question, params.getAll(question)])) as Record<Question, string[]>;

function keptPart(params: URLSearchParams): URLSearchParams {
  const kept = new URLSearchParams();
  for (const key of KEPT) for (const value of params.getAll(key)) kept.append(key, value);
  return kept;
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
  if (change.filters !== undefined) for (const question of QUESTIONS) put(question, change.filters[question]);
  if (change.sortBy !== undefined) put('by', [change.sortBy ?? '']);
  if (change.down !== undefined) put('down', [change.down ? '1' : '']);
  if (change.chest !== undefined) put('chest', [change.chest ?? '']);
  if (change.open !== undefined) put('open', change.open);
  return next;
}
