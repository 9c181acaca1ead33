import { useLayoutEffect, useRef, useState } from 'react';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Selected } from '../../parts/selection';
import { useSelection, type Selection } from '../../parts/use-selection';
import { areOf, shownAfterSelecting, subjectOf } from './subject';

/** Where what the keys act on is seen: selected in the list, selected elsewhere (a drawer, a tray, "to file"), or shown in the panel. */
export type SubjectPlace = 'list' | 'elsewhere' | 'panel';

/** What the keys act on: what the panel shows; without a panel what was selected last, in the list or in an open drawer; in "to file" the plugin that is shown there. */
export interface Subject {
  readonly selection: Selection<ItemId>;
  readonly ids: readonly ItemId[];
  /** As it is after every key so far, drawn already or not. */
  readonly now: () => readonly ItemId[];
  readonly place: SubjectPlace;
  /** Told of what is selected in a drawer or on a tray; null gives the keys back to the list. */
  readonly selectElsewhere: (ids: readonly ItemId[] | null) => void;
}

interface Asked {
  readonly listed: readonly ItemId[];
  /** What is shown in the place of the list to be filed; null while the list is shown. */
  readonly waiting: readonly ItemId[] | null;
  /** What was selected when the list was last shown. */
  readonly first: Selected<ItemId> | undefined;
  /** What the panel shows; null while it is closed. */
  readonly shown: ItemId | null;
  /** Shows something else in the panel; null closes it. */
  readonly show: (id: ItemId | null) => void;
}

/** See Subject. The panel follows what is selected: another plugin is shown in its place, and several close it. */
export function useActionTarget({ listed, waiting, first, shown, show }: Asked): Subject {
  const [elsewhere, setElsewhere] = useState<readonly ItemId[] | null>(null);
  const latest = useRef(elsewhere);
  const latestShown = useRef(shown);
  useLayoutEffect(() => {
    latestShown.current = shown;
  });
  const own = useSelection(listed, first);
  const selectedNow = (): readonly ItemId[] => latest.current ?? waiting ?? [...own.now().ids];
  const follow = (): void => {
    const before = latestShown.current;
    if (before === null) return;
    const after = shownAfterSelecting(selectedNow(), before);
    if (after === before) return;
    latestShown.current = after;
    show(after);
  };
  const select = (ids: readonly ItemId[] | null): void => {
    latest.current = ids;
    setElsewhere(ids);
  };
  const backInList =
    <A extends readonly unknown[]>(act: (...args: A) => void) =>
    (...args: A): void => {
      select(null);
      act(...args);
      follow();
    };
  const selection: Selection<ItemId> = {
    ...own,
    click: backInList(own.click),
    moveTo: backInList(own.moveTo),
    walkTo: backInList(own.walkTo),
    toggle: backInList(own.toggle),
    all: backInList(own.all),
    none: backInList(own.none),
    invert: backInList(own.invert),
    select: backInList(own.select),
  };
  const selected = elsewhere ?? waiting ?? [...own.ids];
  const isInPanel = shown !== null && !areOf(selected, shown);
  return {
    selection: elsewhere === null && !isInPanel ? selection : { ...selection, ids: NOTHING },
    ids: subjectOf(selected, shown),
    now: () => subjectOf(selectedNow(), latestShown.current),
    place: isInPanel ? 'panel' : elsewhere === null ? 'list' : 'elsewhere',
    selectElsewhere: (ids) => {
      select(ids);
      follow();
    },
  };
}

const NOTHING: ReadonlySet<ItemId> = new Set();
