import { useMemo, useState } from 'react';
import { clicked, movedTo, nothing, placeIn, stillListed, toggled, type Click, type Selected } from './selection';

/** Which rows are selected, which one the keyboard stands on (-1: none), and what changes that. */
export interface Selection<Id extends string> {
  readonly ids: ReadonlySet<Id>;
  readonly at: number;
  readonly click: (index: number, how: Click) => void;
  readonly moveTo: (index: number, stretch: boolean) => void;
  readonly toggle: (index: number) => void;
  readonly all: () => void;
  readonly none: () => void;
}

/** Selection over the listed ids. */
export function useSelection<Id extends string>(listed: readonly Id[]): Selection<Id> {
  const [selected, set] = useState<Selected<Id>>(nothing);
  const ids = useMemo(() => stillListed(listed, selected.ids), [selected.ids, listed]);
  const at = useMemo(() => placeIn(listed, selected.at), [selected.at, listed]);
  return {
    ids,
    at,
    click: (index, how) => set((old) => clicked(listed, old, index, how)),
    moveTo: (index, stretch) => set((old) => movedTo(listed, old, index, stretch)),
    toggle: (index) => set((old) => toggled(listed, old, index)),
    all: () => set((old) => ({ ...old, ids: new Set(listed) })),
    none: () => set((old) => ({ ...old, ids: new Set() })),
  };
}
