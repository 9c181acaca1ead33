import { MAX_NAME_LENGTH, MAX_QUERY_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** Search words and filters under a name, as the address of the filtered list holds them. */
export interface KeptSearch {
  readonly id: string;
  readonly name: string;
  readonly query: string;
  readonly order: string;
}

/** Saved searches as rows. */
export const KEPT_SEARCH = rowKind<KeptSearch>()({
  table: 'kept_search',
  scope: 'studio',
  columns: { id: text, name: textUpTo(MAX_NAME_LENGTH), query: textUpTo(MAX_QUERY_LENGTH), order: text },
  documented: ['name', 'query'],
});
