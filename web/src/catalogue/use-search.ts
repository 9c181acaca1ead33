import { wrap, type Remote } from 'comlink';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { ChosenItem } from './chosen-catalogue';
import { searchTextOf } from './search-text';
import type { Searcher, Shelf } from './search.worker';

/** What was found: places in the list of plugins, best first; null while nothing is typed, or the first answer is on its way. */
export interface Found {
  readonly plugins: readonly ChosenItem[];
  /** For what it was found: while the next answer is on its way this is not yet what is typed. */
  readonly typed: string;
  readonly numbers: Uint32Array;
}

/** One worker for all places and visits: what it was filled with last is what it still knows. */
let searcher: Remote<Searcher> | null = null;
const filledWith = new Map<Shelf, readonly ChosenItem[]>();

const theSearcher = (): Remote<Searcher> =>
  (searcher ??= wrap<Searcher>(new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' })));

/** So many are told to the worker at once; between them the screen gets its turn. */
const AT_ONCE = 2000;
/** What the worker does not know yet of what a shelf is filled with: up to where it was told. */
const waiting = new Map<Shelf, number>();

/** Tells the worker the next part of what is on a shelf; whether that was the last one. */
function tellNext(shelf: Shelf): boolean {
  const plugins = filledWith.get(shelf) ?? [];
  const from = waiting.get(shelf) ?? plugins.length;
  const to = from + AT_ONCE;
  const part = { isFirst: from === 0, isLast: to >= plugins.length };
  void theSearcher().fill(shelf, plugins.slice(from, to).map(searchTextOf), part);
  if (part.isLast) waiting.delete(shelf);
  else waiting.set(shelf, to);
  return part.isLast;
}

/** Begins to fill a shelf with other plugins. */
function begin(shelf: Shelf, plugins: readonly ChosenItem[]): void {
  if (filledWith.get(shelf) === plugins) return;
  filledWith.set(shelf, plugins);
  waiting.set(shelf, 0);
}

/** The worker, when it knows all that is on a shelf: whoever asks something does not wait for a pause. Calls are answered one after the other. */
function filled(shelf: Shelf, plugins: readonly ChosenItem[]): Remote<Searcher> {
  begin(shelf, plugins);
  while (waiting.has(shelf)) tellNext(shelf);
  return theSearcher();
}

/** Whether anything is asked for: spaces alone ask for nothing. */
export const asksFor = (typed: string): boolean => typed.trim() !== '';

/** Searches plugins in a worker; the newest question wins, and what was found last stays in sight until the next answer. */
export function useSearch(plugins: readonly ChosenItem[], typed: string, shelf: Shelf = 'catalogue'): Found | null {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    // After the list is painted: the first letter comes a moment later at the earliest.
    let timer = setTimeout(function next() {
      begin(shelf, plugins);
      if (waiting.has(shelf) && !tellNext(shelf)) timer = setTimeout(next, 0);
    }, 50);
    return () => clearTimeout(timer);
  }, [shelf, plugins]);
  const asks = asksFor(typed);
  const isEmpty = plugins.length === 0;
  useEffect(() => {
    if (!asks || isEmpty) return undefined;
    let isLatest = true;
    void filled(shelf, plugins)
      .find(shelf, typed)
      .catch((): Uint32Array => {
        // A worker that failed is left; the next letter asks a new one.
        searcher = null;
        filledWith.clear();
        waiting.clear();
        toast.error('The search failed. Type once more; reload the page if it fails again.');
        return new Uint32Array();
      })
      .then((numbers) => {
        if (!isLatest) return;
        const take = (): void => setFound({ plugins, typed, numbers });
        // What does not fit stands in a last line: it never keeps the list waiting.
        if (shelf === 'others') startTransition(take);
        else take();
      });
    return () => {
      isLatest = false;
    };
  }, [asks, isEmpty, typed, plugins, shelf]);
  // In nothing there is nothing to look for, and no answer to wait for.
  const none = useMemo(
    () => (isEmpty ? { plugins, typed, numbers: new Uint32Array() } : null),
    [isEmpty, plugins, typed],
  );
  // Numbers are places in the list that they were found in.
  return !asks ? null : (none ?? (found?.plugins === plugins ? found : null));
}
