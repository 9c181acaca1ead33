import { useRef, useState } from 'react';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Selected } from '../../parts/selection';
import { useSelection, type Selection } from '../../parts/use-selection';

/** What the keys act on: what was selected last, in the list or in an open drawer; in "to file" the plugin that is shown there. */
export interface Subject {
  readonly selection: Selection<ItemId>;
  readonly ids: readonly ItemId[];
  /** As it is after every key so far, drawn already or not. */
  readonly now: () => readonly ItemId[];
  readonly isElsewhere: boolean;
  /** Told of what is selected in a drawer or on a tray; null gives the keys back to the list. */
  readonly selectElsewhere: (ids: readonly ItemId[] | null) => void;
}

/** What the keys act on. `waiting`: what is shown in the place of the list to be filed, null while the list is shown. */
export function useSubject(
  listed: readonly ItemId[],
  waiting: readonly ItemId[] | null,
  first?: Selected<ItemId>,
): Subject {
  const [elsewhere, setElsewhere] = useState<readonly ItemId[] | null>(null);
  const latest = useRef(elsewhere);
  const select = (ids: readonly ItemId[] | null): void => {
    latest.current = ids;
    setElsewhere(ids);
  };
  const own = useSelection(listed, first);
  const backInList =
    <A extends readonly unknown[]>(act: (...args: A) => void) =>
    (...args: A): void => {
      select(null);
      act(...args);
    };
  const selection: Selection<ItemId> = {
    ...own,
    click: backInList(own.click),
    moveTo: backInList(own.moveTo),
    walkTo: backInList(own.walkTo),
    toggle: backInList(own.toggle),
    all: backInList(own.all),
    none: backInList(own.none),
  };
  return {
    selection: elsewhere === null ? selection : { ...selection, ids: NOTHING },
    ids: elsewhere ?? waiting ?? [...own.ids],
    now: () => latest.current ?? waiting ?? [...own.now().ids],
    isElsewhere: elsewhere !== null,
    selectElsewhere: select,
  };
}

const NOTHING: ReadonlySet<ItemId> = new Set();
