/** What finds plugins for the lists of the page: an index for each shelf. Runs in a worker of its own; in the page where none can be started. */
import { SearchIndex } from '@clever-drawer/core/search/search-index';
import type { SearchText } from '@clever-drawer/core/search/search-text';

/** Whose plugins are searched: the catalogue's, those that fit into a slot and those that do not, those of an open drawer. Each is an index of its own, since how far a search reaches depends on what it finds. */
export type Shelf = 'catalogue' | 'slot' | 'drawer' | 'others';

/** Which part of a shelf's texts it is told. */
interface Part {
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

/** See createSearcher. */
export interface Searcher {
  /** Takes over what can be found on a shelf, part by part; numbers of results are positions in the whole list. What was there is found until the last part has come. */
  fill(shelf: Shelf, texts: readonly SearchText[], part: Part): void;
  /** What fits, best first; nothing on a shelf that was never filled. */
  find(shelf: Shelf, typed: string): Uint32Array;
}

/** A searcher that knows nothing yet. */
export function createSearcher(): Searcher {
  const indexes = new Map<Shelf, SearchIndex>();
  const coming = new Map<Shelf, SearchText[]>();
  return {
    fill(shelf, texts, part) {
      const all = part.isFirst ? [] : (coming.get(shelf) ?? []);
      for (const text of texts) all.push(text);
      if (!part.isLast) coming.set(shelf, all);
      else {
        coming.delete(shelf);
        indexes.set(shelf, new SearchIndex(all));
      }
    },
    find: (shelf, typed) => indexes.get(shelf)?.find(typed) ?? new Uint32Array(),
  };
}
