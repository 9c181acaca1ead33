import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import {
  clicked,
  inverted,
  movedTo,
  nothing,
  placeIn,
  stillListed,
  toggled,
  moveCursor,
  type Click,
  type Selected,
} from './selection';

/** What is selected at the moment, and where the keyboard stands (-1: nowhere). */
export interface SelectedNow<Id extends string> {
  readonly ids: ReadonlySet<Id>;
  readonly at: number;
}

/** Which rows are selected, which one the keyboard stands on, and what changes that. */
export interface Selection<Id extends string> extends SelectedNow<Id> {
  /** As it is after every key so far, drawn already or not: the next key may come before that. */
  readonly now: () => SelectedNow<Id> & { readonly id: Id | undefined };
  readonly click: (index: number, how: Click) => void;
  readonly moveTo: (index: number, stretch: boolean) => void;
  /** Goes to a row and leaves what is selected as it is. */
  readonly walkTo: (index: number) => void;
  readonly toggle: (index: number) => void;
  readonly all: () => void;
  readonly none: () => void;
  readonly invert: () => void;
  /** Selects these, also where the list shows them only in a moment. */
  readonly select: (ids: readonly Id[]) => void;
  /** To be given back as `first` when the list is shown again. */
  readonly keep: () => Selected<Id>;
}

/** Selection over the listed ids; `first` is what was selected when the list was last shown. */
export function useSelection<Id extends string>(listed: readonly Id[], first?: Selected<Id>): Selection<Id> {
  const [selected, set] = useState<Selected<Id>>(first ?? nothing);
  const latest = useRef({ selected, listed });
  useLayoutEffect(() => {
    latest.current.listed = listed;
  });
  const ids = useMemo(() => stillListed(listed, selected.ids), [selected.ids, listed]);
  const at = useMemo(() => placeIn(listed, selected.at), [selected.at, listed]);
  const change = (next: (listed: readonly Id[], old: Selected<Id>) => Selected<Id>): void => {
    latest.current.selected = next(latest.current.listed, latest.current.selected);
    set(latest.current.selected);
  };
  return {
    ids,
    at,
    now: () => {
      const { selected: own, listed: rows } = latest.current;
      const place = placeIn(rows, own.at);
      return { ids: stillListed(rows, own.ids), at: place, id: rows[place] };
    },
    click: (index, how) => change((rows, old) => clicked(rows, old, index, how)),
    moveTo: (index, stretch) => change((rows, old) => movedTo(rows, old, index, stretch)),
    walkTo: (index) => change((rows, old) => moveCursor(rows, old, index)),
    toggle: (index) => change((rows, old) => toggled(rows, old, index)),
    all: () => change((rows, old) => ({ ...old, ids: new Set(rows) })),
    none: () => change((_, old) => ({ ...old, ids: new Set() })),
    invert: () => change(inverted),
    select: (wanted) => change((_, old) => ({ ...old, ids: new Set(wanted) })),
    keep: () => latest.current.selected,
  };
}
