import { useCallback, useMemo, useRef, useState } from 'react';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import { LAST_LOOK } from '@clever-drawer/core/chests/rows/look';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import { useChanges } from '../arrangement/changes';
import type { WindowState } from '../arrangement/window-state';
import type { ChosenCatalogue } from '../catalogue/queries';
import { useSearch } from '../catalogue/use-search';
import { useAfterPaint } from '../lib/use-after-paint';
import { useComputer } from '../lib/use-computer';
import { useSteadyList } from '../lib/use-steady';
import { useKept } from '../lib/use-stored';
import type { DeskBox } from './desk-boxes';
import { useDrop } from './drag/use-drop';
import { bringBackWish, toFileQueue, trayWish } from './filing/desk-wishes';
import { useFiling } from './filing/use-filing';
import { useSortView } from './find/use-sort-view';
import { useListed } from './list/use-listed';
import { useSubject } from './list/use-subject';
import { useDeskKeys, type DeskKeys } from './use-desk-keys';

const NONE_LIT: ReadonlySet<string> = new Set();

/** All that the two sides of Sort have in common: what is looked at, what is selected, what goes on. */
export type Desk = ReturnType<typeof useDesk>;

/** The desk of Sort as it stands, and what can be done at it; its keys hold from now on. */
export function useDesk(catalogue: ChosenCatalogue, { state }: WindowState) {
  const changes = useChanges(useComputer().id);
  const viewing = useSortView();
  const { view } = viewing;
  const chest = chestsOf(state).find((one) => one.id === view.chest) ?? chestsOf(state)[0] ?? null;
  const found = useSearch(catalogue.items, view.typed);
  // The drawers show a change at once; what it means for a list of tens of thousands follows when there is time.
  const listed = useListed(catalogue, useAfterPaint(state), chest?.id ?? null, view, found);
  const subject = useSubject(listed.ids);
  const { ids: chosen, selection } = subject;
  const [box, setBox] = useState<DeskBox | null>(null);
  const [making, setMaking] = useState<DrawerId | null | undefined>(undefined);
  const [about, setAbout] = useState<ItemId | null>(null);
  const [queue, setQueue] = useState<readonly ItemId[] | null>(null);
  const [lit, setLit] = useState<ReadonlySet<string>>(NONE_LIT);
  const filing = useFiling(state, chest, changes);
  const [pictures, setPictures] = useKept('pictures');
  const open = useSteadyList(view.open);
  const left = useRef<HTMLDivElement>(null);
  const drop = useDrop(state, changes);
  const seenAt = state.look.get(LAST_LOOK)?.at ?? catalogue.firstArrival;
  const light = useCallback((ids: readonly string[]) => setLit(ids.length === 0 ? NONE_LIT : new Set(ids)), []);

  const hasChosen = chosen.length > 0;
  const focusList = (): void => left.current?.querySelector<HTMLElement>('[data-list]')?.focus();
  const openBox = (kind: DeskBox['kind'], ids: readonly ItemId[] = chosen): void => setBox({ kind, ids });
  const workThrough = (): void => setQueue(toFileQueue(catalogue, listed.places, seenAt));
  // A plugin of which only some builds are set aside has something to bring back too.
  const withAside = useMemo(() => new Set([...state.aside.values()].map((aside) => aside.pluginId)), [state.aside]);
  const someAside = withAside.size > 0 && chosen.some((id) => withAside.has(pluginOfItem(id)));
  const keys: DeskKeys = {
    file: hasChosen && chest !== null ? () => openBox('file') : null,
    fileAgain: hasChosen && filing.again.length > 0 ? () => filing.file(chosen, filing.again) : null,
    putRight: hasChosen ? () => openBox('right') : null,
    setAside: () => openBox('aside'),
    bringBack: someAside ? () => void changes.make(bringBackWish(catalogue, chosen)) : null,
    names: hasChosen ? () => openBox('names') : null,
    tray: hasChosen ? (tray) => void changes.make(trayWish(state, tray, chosen)) : null,
    offTrays: hasChosen ? () => void changes.make({ kind: 'clear-trays', trays: TRAYS, pluginIds: chosen }) : null,
    newDrawer: chest === null ? null : () => setMaking(null),
    toFile: chest === null ? null : workThrough,
    pictures: () => setPictures(!pictures),
  };
  useDeskKeys(keys, box !== null || making !== undefined);

  return {
    catalogue,
    state,
    changes,
    viewing,
    chest,
    listed,
    subject,
    box,
    openBox,
    closeBox: () => {
      setBox(null);
      // The keyboard goes on with what is to be filed.
      if (queue !== null) requestAnimationFrame(() => document.querySelector<HTMLElement>('[data-to-file]')?.focus());
    },
    making,
    setMaking,
    about,
    setAbout,
    queue,
    workThrough,
    leaveQueue: () => {
      setQueue(null);
      requestAnimationFrame(focusList);
    },
    lit,
    light,
    filing,
    pictures,
    open,
    left,
    /** Out of the search line: on to the best match. */
    intoList: () => {
      focusList();
      selection.moveTo(0, false);
    },
    drop,
    seenAt,
    keys,
  };
}
