import { wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import type { SearchText } from '@clever-drawer/core/search/search-index';
import type { ChosenPlugin } from '../shared/queries';
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

/** Searches the catalogue in a worker; the newest question wins, and what was found last stays in sight until the next answer. */
export function useSearch(plugins: readonly ChosenPlugin[], typed: string): Found | null {
  const searcher = useRef<Remote<Searcher> | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [filled, setFilled] = useState<readonly ChosenPlugin[] | null>(null);
  const texts = useMemo(() => plugins.map(textOf), [plugins]);
  useEffect(() => {
    const worker = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
    searcher.current = wrap<Searcher>(worker);
    return () => {
      searcher.current = null;
      worker.terminate();
    };
  }, []);
  useEffect(() => {
    let isLatest = true;
    void searcher.current?.fill(texts).then(() => isLatest && setFilled(plugins));
    return () => {
      isLatest = false;
    };
  }, [texts, plugins]);
  const asks = typed.trim() !== '';
  useEffect(() => {
    if (!asks || filled !== plugins) return undefined;
    let isLatest = true;
    void searcher.current?.find(typed).then((numbers) => {
      if (isLatest) setFound({ plugins, typed, numbers });
    });
    return () => {
      isLatest = false;
    };
  }, [asks, typed, plugins, filled]);
  // Numbers are places in the list that they were found in.
  return asks && found?.plugins === plugins ? found : null;
}
