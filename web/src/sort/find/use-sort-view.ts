import {
  createParser,
  debounce,
  parseAsNativeArrayOf,
  parseAsString,
  parseAsStringLiteral,
  useQueryStates,
  type inferParserType,
} from 'nuqs';
import { useMemo } from 'react';
import { useSame } from '../../lib/use-same';

/** What the list can be sorted by. */
export const SORTS = [
  'name',
  'type',
  'vendor',
  'formats',
  'drawers',
  'loads',
  'version',
  'width',
  'bits',
  'state',
  'folder',
  'arrived',
  'lastLoad',
  'aside',
] as const;
/** One of SORTS. */
export type SortBy = (typeof SORTS)[number];

/** The questions of the ribbons, by the names that the address has for them. */
export const QUESTIONS = [
  'role',
  'type',
  'vendor',
  'format',
  'state',
  'tray',
  'loaded',
  'width',
  'bits',
  'aside',
  'drawer',
  'tag',
  'folder',
] as const;
/** One of QUESTIONS. */
export type Question = (typeof QUESTIONS)[number];
/** The values that pass, question by question; none: all do. */
export type Filters = Readonly<Record<Question, readonly string[]>>;

/** Nothing is asked: everything passes. */
export const NO_FILTERS = byQuestion((): readonly string[] => []);

/** Something for each question. */
export function byQuestion<Value>(of: (question: Question) => Value): Record<Question, Value> {
  return Object.fromEntries(QUESTIONS.map((question) => [question, of(question)])) as Record<Question, Value>;
}

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

/** How Sort is looked at, and what changes that. */
export interface SortViewController {
  readonly view: SortView;
  readonly look: (change: Partial<SortView>) => void;
  /** Adds a value to a question's filter, or takes it off. */
  readonly toggle: (question: Question, value: string) => void;
  readonly clear: () => void;
  /** The search and filters as a kept search holds them, and the way back. */
  readonly query: string;
  readonly lookAgain: (query: string) => void;
}

const asSwitch = createParser<boolean>({ parse: (raw) => (raw === '1' ? true : null), serialize: () => '1' });
const asValues = parseAsNativeArrayOf(parseAsString);

const ASKED = {
  q: parseAsString.withDefault(''),
  ...byQuestion(() => asValues),
  by: parseAsStringLiteral(SORTS),
  down: asSwitch.withDefault(false),
};
const IN_ADDRESS = { ...ASKED, chest: parseAsString, open: asValues };
type InAddress = inferParserType<typeof IN_ADDRESS>;

const KEPT = ['q', ...QUESTIONS, 'by', 'down'] as const;
const SETTLES_MS = 250;
/** What is typed shows at once; the address follows when the hand rests. */
const AFTER_TYPING = { limitUrlUpdates: debounce(SETTLES_MS) };

/** How Sort is looked at, as the address has it. */
export function useSortView(): SortViewController {
  const [address, setAddress] = useQueryStates(IN_ADDRESS, { history: 'replace' });
  const { q: typed, by: sortBy, down, chest, open } = address;
  // What is typed must not make new filters of the same.
  const filters = useSame(byQuestion((question): readonly string[] => address[question]));
  const view = useMemo(
    (): SortView => ({ typed, filters, sortBy, down, chest, open }),
    [typed, filters, sortBy, down, chest, open],
  );
  const look = ({ typed: text, ...change }: Partial<SortView>): void => {
    if (text !== undefined) void setAddress({ q: text }, AFTER_TYPING);
    if (Object.keys(change).length > 0) void setAddress(inAddress(change));
  };
  return {
    view,
    look,
    // Of what holds at the moment: two changes may come before the page is drawn again.
    toggle: (question, value) =>
      void setAddress((now) => {
        const own = now[question];
        return { [question]: own.includes(value) ? own.filter((one) => one !== value) : [...own, value] };
      }),
    clear: () => look({ filters: NO_FILTERS }),
    query: queryOf(view),
    lookAgain: (query) => void setAddress(askedIn(query)),
  };
}

function inAddress({ filters, sortBy, open, ...same }: Omit<Partial<SortView>, 'typed'>): Partial<InAddress> {
  return {
    ...same,
    ...(filters === undefined ? {} : Object.fromEntries(QUESTIONS.map((one) => [one, [...filters[one]]]))),
    ...(sortBy === undefined ? {} : { by: sortBy }),
    ...(open === undefined ? {} : { open: [...open] }),
  };
}

/** What is searched, filtered and sorted by, as a kept search holds it: the way it stands in the address, without what is open. */
export function queryOf({ typed, filters, sortBy, down }: SortView): string {
  const query = new URLSearchParams();
  const values = { ...filters, q: [typed], by: [sortBy ?? ''], down: [down ? '1' : ''] };
  for (const key of KEPT) for (const value of values[key]) if (value !== '') query.append(key, value);
  return query.toString();
}

/** What a kept search asks for; what it says nothing about is asked for no more, and what is not known is left out. */
export function askedIn(query: string): inferParserType<typeof ASKED> {
  const params = new URLSearchParams(query);
  const values = byQuestion((question) => params.getAll(question));
  return {
    ...values,
    q: params.get('q') ?? '',
    // Searches that were saved earlier say "kind".
    by: SORTS.find((one) => one === (params.get('by') === 'kind' ? 'type' : params.get('by'))) ?? null,
    down: params.get('down') === '1',
  };
}

/** The whole view as the address has it. */
export function addressOf(view: SortView): string {
  const query = new URLSearchParams(queryOf(view));
  if (view.chest !== null) query.append('chest', view.chest);
  for (const id of view.open) query.append('open', id);
  return query.toString();
}
