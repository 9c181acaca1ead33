import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import type { SearchText } from '@clever-drawer/core/search/search-index';
import type { ChosenPlugin } from './queries';
import type { Searcher } from './search.worker';

/** What was found: places in the list of plugins, best first; null while nothing is typed, or the first answer is on its way. */
export interface Found {
  readonly plugins: readonly ChosenPlugin[];
  readonly typed: string;
  readonly numbers: Uint32Array;
}

const textOf = (plugin: ChosenPlugin): SearchText => ({
  names: plugin.name === plugin.givenName ? [plugin.name] : [plugin.name, plugin.givenName],
  more: [
    ...(plugin.vendor === null ? [] : [plugin.vendor]),
    ...plugin.types.map((type) => TYPE_TREE[type].label),
    ...(plugin.naming?.tags ?? []),
    ...(plugin.naming?.stripLabel == null ? [] : [plugin.naming.stripLabel]),
  ],
});

/** One worker for all visits: what it was filled with last is what it still knows. */
let searcher: Remote<Searcher> | null = null;
let filledWith: readonly ChosenPlugin[] | null = null;

function fill(plugins: readonly ChosenPlugin[]): Promise<void> {
  if (filledWith === plugins) return Promise.resolve();
  searcher ??= wrap<Searcher>(new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }));
  filledWith = plugins;
  // Calls are answered one after the other: what is asked after this is asked of the new index.
  return searcher.fill(plugins.map(textOf));
}

/** Searches the catalogue in a worker; the newest question wins, and what was found last stays in sight until the next answer. */
export function useSearch(plugins: readonly ChosenPlugin[], typed: string): Found | null {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    // After the list is painted: the first letter comes a moment later at the earliest.
    const timer = setTimeout(() => void fill(plugins), 50);
    return () => clearTimeout(timer);
  }, [plugins]);
  const asks = typed.trim() !== '';
  useEffect(() => {
    if (!asks) return undefined;
    let isLatest = true;
    void fill(plugins);
    void searcher?.find(typed).then((numbers) => {
      if (isLatest) setFound({ plugins, typed, numbers });
    });
    return () => {
      isLatest = false;
    };
  }, [asks, typed, plugins]);
  // Numbers are places in the list that they were found in.
  return asks && found?.plugins === plugins ? found : null;
}
