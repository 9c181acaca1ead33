/** Finds in a thread of its own, so that typing never waits for it. */
import { expose, transfer } from 'comlink';
import { createSearcher, type Searcher } from './searcher';

const searcher = createSearcher();

expose({
  fill: (...told) => searcher.fill(...told),
  find: (shelf, typed) => {
    const found = searcher.find(shelf, typed);
    return transfer(found, [found.buffer as ArrayBuffer]);
  },
} satisfies Searcher);
