/** Finds in a thread of its own, so that typing never waits for it. */
import { expose, transfer } from 'comlink';
import { SearchIndex, type SearchText } from '@clever-drawer/core/search/search-index';

/** Whose plugins are searched: the catalogue's, those that fit into a slot and those that do not, those of an open drawer. Each is an index of its own, since how far a search reaches hangs on what it finds. */
export type Shelf = 'catalogue' | 'slot' | 'drawer' | 'others';

const indexes = new Map<Shelf, SearchIndex>();
/** What has come of a shelf that is being filled. */
const coming = new Map<Shelf, SearchText[]>();

const searcher = {
  /** Takes over what can be found on a shelf, part by part; numbers of results are places in the whole list. What was there is found until the last part has come. */
  fill(
    shelf: Shelf,
    texts: readonly SearchText[],
    part: { readonly isFirst: boolean; readonly isLast: boolean },
  ): void {
    const all = part.isFirst ? [] : (coming.get(shelf) ?? []);
    for (const text of texts) all.push(text);
    if (!part.isLast) coming.set(shelf, all);
    else {
      coming.delete(shelf);
      indexes.set(shelf, new SearchIndex(all));
    }
  },
  /** What fits, best first; nothing on a shelf that was never filled. */
  find(shelf: Shelf, typed: string): Uint32Array {
    const found = indexes.get(shelf)?.find(typed) ?? new Uint32Array();
    return transfer(found, [found.buffer as ArrayBuffer]);
  },
};
/** What the worker does when it is asked. */
export type Searcher = typeof searcher;

expose(searcher);
