import { useState } from 'react';
import type { ItemId } from '@clever-drawer/core/ids';
import { useSelection, type Selection } from '../../parts/use-selection';

/** What the keys act on: what was selected last, in the list or in an open drawer. */
export interface Subject {
  readonly selection: Selection<ItemId>;
  readonly ids: readonly ItemId[];
  readonly isElsewhere: boolean;
  /** Told of what is selected in a drawer or on a tray. */
  readonly selectElsewhere: (ids: readonly ItemId[]) => void;
}

/** What the keys act on. */
export function useSubject(listed: readonly ItemId[]): Subject {
  const [elsewhere, setElsewhere] = useState<readonly ItemId[] | null>(null);
  const own = useSelection(listed);
  const backInList =
    <A extends readonly unknown[]>(act: (...args: A) => void) =>
    (...args: A): void => {
      setElsewhere(null);
      act(...args);
    };
  const selection: Selection<ItemId> = {
    ...own,
    click: backInList(own.click),
    moveTo: backInList(own.moveTo),
    toggle: backInList(own.toggle),
    all: backInList(own.all),
    none: backInList(own.none),
  };
  return {
    selection: elsewhere === null ? selection : { ...selection, ids: NOTHING },
    ids: elsewhere ?? [...own.ids],
    isElsewhere: elsewhere !== null,
    selectElsewhere: setElsewhere,
  };
}

const NOTHING: ReadonlySet<ItemId> = new Set();
