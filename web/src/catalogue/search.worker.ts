/** Finds in a thread of its own, so that typing never waits for it. */
import { expose, transfer } from 'comlink';
import { SearchIndex, type SearchText } from '@clever-drawer/core/search/search-index';

let index = new SearchIndex([]);

const searcher = {
  /** Takes over what can be found; numbers of results are places in this list. */
  fill(texts: readonly SearchText[]): void {
    index = new SearchIndex(texts);
  },
  find(typed: string): Uint32Array {
    const found = index.find(typed);
    return transfer(found, [found.buffer as ArrayBuffer]);
  },
};
export type Searcher = typeof searcher;

expose(searcher);
