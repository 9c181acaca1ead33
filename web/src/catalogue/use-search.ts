import type { Remote } from 'comlink';
import { startTransition, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { toast } from 'sonner';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import type { Traits } from '@clever-drawer/core/chests/rule-sources';
import type { PluginId } from '@clever-drawer/core/ids';
import { useComputer } from '../lib/use-computer';
import { useLasting } from '../lib/use-lasting';
import type { ChosenItem } from './chosen-catalogue';
import { useTraits } from './queries';
import { searchTextOf } from './search-text';
import { WorkerClient, WorkerLost } from '../lib/worker-client';
import { createSearcher, type Searcher, type Shelf } from './searcher';

/** What was found: places in the list of plugins, best first; null while nothing is typed, or the first answer is on its way. */
export interface Found {
  readonly plugins: readonly ChosenItem[];
  /** For what it was found: while the next answer is on its way this is not yet what is typed. */
  readonly typed: string;
  readonly numbers: Uint32Array;
}

/** What is searched on a shelf: items, with the descriptions of their plugins once these were fetched. */
interface Filling {
  readonly plugins: readonly ChosenItem[];
  readonly traits: ReadonlyMap<PluginId, Traits> | undefined;
}
/** What the worker was filled with last: what it still knows. */
const filledWith = new Map<Shelf, Filling>();

let generation = 0;
const listeners = new Set<() => void>();
const onGeneration = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const currentGeneration = (): number => generation;

/** Everything is searched anew: by another worker, or in the page itself. */
function forgetWorker(): void {
  filledWith.clear();
  waiting.clear();
  generation++;
  for (const listener of listeners) listener();
}

/** Searches in the page itself when no worker can be started: slower while a large catalogue is typed through, and never nothing. */
let inPage: Searcher | null = null;

/** One worker for all places and visits. */
const client = new WorkerClient<Searcher>({
  create: () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }),
  onLost: forgetWorker,
  onGivenUp: () => {
    inPage = createSearcher();
    toast.warning('Searching may be slow: a background process of this page did not start.', {
      id: 'search-in-page',
      duration: Infinity,
      action: { label: 'Reload', onClick: () => location.reload() },
    });
    forgetWorker();
  },
});

/** Calls the worker, or what stands in for it. */
const call = <Result>(
  work: (searcher: Searcher | Remote<Searcher>) => Result | PromiseLike<Result>,
): Promise<Result> =>
  inPage === null ? client.run((api) => Promise.resolve(work(api))) : Promise.resolve(work(inPage));

/** So many are told to the worker at once; between them the screen gets its turn. */
const AT_ONCE = 2000;
/** What the worker does not know yet of what a shelf is filled with: up to where it was told. */
const waiting = new Map<Shelf, number>();

/** Tells the worker the next part of what is on a shelf; whether that was the last one. */
function tellNext(shelf: Shelf): boolean {
  const { plugins = [], traits } = filledWith.get(shelf) ?? {};
  const from = waiting.get(shelf) ?? plugins.length;
  const to = from + AT_ONCE;
  const part = { isFirst: from === 0, isLast: to >= plugins.length };
  const texts = plugins
    .slice(from, to)
    .map((item) => searchTextOf(item, traits?.get(pluginOfItem(item.id))?.description ?? null));
  // A worker that is lost is told everything again.
  call((searcher) => searcher.fill(shelf, texts, part)).catch(() => undefined);
  if (part.isLast) waiting.delete(shelf);
  else waiting.set(shelf, to);
  return part.isLast;
}

/** Begins to fill a shelf with other plugins, or with descriptions where it had none. */
function begin(shelf: Shelf, filling: Filling): void {
  const last = filledWith.get(shelf);
  if (last?.plugins === filling.plugins && (last.traits !== undefined || filling.traits === undefined)) return;
  filledWith.set(shelf, filling);
  waiting.set(shelf, 0);
}

/** Finds when the worker knows all that is on a shelf: nobody who types waits for a pause. Calls are answered one after the other. */
function find(shelf: Shelf, filling: Filling, typed: string): Promise<Uint32Array> {
  begin(shelf, filling);
  while (waiting.has(shelf)) tellNext(shelf);
  return call((searcher) => searcher.find(shelf, typed));
}

const DESCRIPTIONS_AFTER_MS = 1500;

/** Whether anything is asked for: spaces alone ask for nothing. */
export const hasQuery = (typed: string): boolean => typed.trim() !== '';

/** Searches plugins in a worker; the newest question wins, and what was found last stays in sight until the next answer. */
export function useSearch(plugins: readonly ChosenItem[], typed: string, shelf: Shelf = 'catalogue'): Found | null {
  const [found, setFound] = useState<Found | null>(null);
  const workerGeneration = useSyncExternalStore(onGeneration, currentGeneration);
  const asks = hasQuery(typed);
  // Descriptions are many: they are fetched once somebody has searched, and rests.
  const rests = useLasting(asks, DESCRIPTIONS_AFTER_MS);
  const traits = useTraits(useComputer().id, rests).data;
  useEffect(() => {
    // After the list is painted: the first letter comes a moment later at the earliest.
    let timer = setTimeout(function next() {
      begin(shelf, { plugins, traits });
      if (waiting.has(shelf) && !tellNext(shelf)) timer = setTimeout(next, 0);
    }, 50);
    return () => clearTimeout(timer);
    // Loads change the traits, and descriptions do not change with them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shelf, plugins, traits === undefined, workerGeneration]);
  const isEmpty = plugins.length === 0;
  useEffect(() => {
    if (!asks || isEmpty) return undefined;
    let isLatest = true;
    find(shelf, { plugins, traits }, typed)
      .then((numbers) => {
        if (!isLatest) return;
        const take = (): void => setFound({ plugins, typed, numbers });
        // What does not fit stands in a last line: it never keeps the list waiting.
        if (shelf === 'others') startTransition(take);
        else take();
      })
      .catch((error: unknown) => {
        // The next generation asks again. A worker that answered with an error is replaced.
        if (!(error instanceof WorkerLost)) client.fail();
      });
    return () => {
      isLatest = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asks, isEmpty, typed, plugins, traits === undefined, shelf, workerGeneration]);
  // In nothing there is nothing to look for, and no answer to wait for.
  const none = useMemo(
    () => (isEmpty ? { plugins, typed, numbers: new Uint32Array() } : null),
    [isEmpty, plugins, typed],
  );
  // Numbers are places in the list that they were found in.
  return !asks ? null : (none ?? (found?.plugins === plugins ? found : null));
}
