import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { isOwnEntry } from '@clever-drawer/core/chests/own-entries';
import { isChain, pluginOfItem } from '@clever-drawer/core/chests/item';
import { chestsOf, pathTo } from '@clever-drawer/core/chests/look-up';
import { LAST_LOOK } from '@clever-drawer/core/chests/rows/look';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import { useChanges } from '../arrangement/changes';
import { useRuled } from '../arrangement/rules/use-ruled';
import type { WindowState } from '../arrangement/window-state';
import type { ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { hasQuery, useSearch } from '../catalogue/use-search';
import { focusWhenThere, useFocusOnArrival } from '../lib/focus';
import { useAfterPaint } from '../lib/use-after-paint';
import { useComputer } from '../lib/use-computer';
import { useSteadyList } from '../lib/use-steady';
import { useStoredFlag } from '../lib/use-stored';
import { keepVisit } from '../lib/visited';
import { makeChest } from './chest/make-chest';
import type { DeskBox } from './desk-boxes';
import { deskMemory } from './desk-memory';
import { useDrop } from './drag/use-drop';
import { focusFront } from './drawer/drawer-actions';
import { toFileQueue } from './filing/desk-wishes';
import { useIsLow } from '../lib/use-is-low';
import { FURTHER_QUESTIONS } from './ribbons/further-facets';
import { useColumns } from './list/columns';
import { useFiling } from './filing/use-filing';
import { NO_FILTERS, addressOf, useSortView } from './find/use-sort-view';
import { useListed } from './list/use-listed';
import { useActionTarget } from './list/use-subject';
import { useHeldSearch, useWhenFound } from './use-when-found';

/** What was begun while there was no chest. */
export type BegunWithoutChest =
  { readonly kind: 'file'; readonly ids: readonly ItemId[] } | { readonly kind: 'new-drawer' | 'to-file' };

const NONE_LIT: ReadonlySet<string> = new Set();

/** All that the two sides of Sort have in common: what is looked at, what is selected, what goes on. */
export type DeskState = ReturnType<typeof useDesk>;

/** The desk of Sort as it stands, and what can be done at it. */
export function useDesk(catalogue: ChosenCatalogue, { state }: WindowState) {
  const computer = useComputer();
  const memory = deskMemory(computer.id);
  const viewing = useSortView();
  const { view, look } = viewing;
  const chest = chestsOf(state).find((one) => one.id === view.chest) ?? chestsOf(state)[0] ?? null;
  const held = useHeldSearch(view.typed);
  const { asked } = held;
  const found = useSearch(catalogue.items, asked);
  const lookedAt = useMemo(() => ({ ...view, typed: asked }), [view, asked]);
  // The drawers show a change at once; what it means for a list of tens of thousands follows when there is time.
  const ruled = useRuled(catalogue, state);
  const [hasMore, showMore] = useStoredFlag('more-filters');
  const isLow = useIsLow();
  // What is filtered by is shown in any case.
  const showsFurther = hasMore || isLow || FURTHER_QUESTIONS.some((question) => view.filters[question].length > 0);
  const listed = useListed(catalogue, useAfterPaint(state), ruled, chest, lookedAt, found, showsFurther);
  const [queue, setQueue] = useState<readonly ItemId[] | null>(null);
  const [waiting, setWaiting] = useState<ItemId | null>(null);
  const waitingIds = useMemo(() => (waiting === null ? [] : [waiting]), [waiting]);
  const [about, setAbout] = useState<ItemId | null>(null);
  const subject = useActionTarget({
    listed: listed.ids,
    waiting: queue === null ? null : waitingIds,
    first: memory.selected,
    shown: about,
    show: setAbout,
  });
  const { selection } = subject;
  const isSettled = !hasQuery(asked) || found?.typed === asked;
  const whenFound = useWhenFound(held, isSettled);
  const [box, setBox] = useState<DeskBox | null>(null);
  const [making, setMaking] = useState<DrawerId | null | undefined>(undefined);
  const [lit, setLit] = useState<ReadonlySet<string>>(NONE_LIT);
  const filing = useFiling(catalogue, state, chest, useChanges(computer.id), memory.again ?? []);
  const { changes } = filing;
  const [pictures, setPictures] = useStoredFlag('pictures');
  const [columns, setColumns] = useColumns();
  const open = useSteadyList(view.open);
  const left = useRef<HTMLDivElement>(null);
  const openedFrom = useRef<Element | null>(null);
  const drop = useDrop(state, changes);
  const seenAt = state.look.get(LAST_LOOK)?.at ?? catalogue.firstArrival;
  const light = useCallback((ids: readonly string[]) => setLit(ids.length === 0 ? NONE_LIT : new Set(ids)), []);
  const keepSelected = selection.keep;
  useLayoutEffect(() => {
    Object.assign(memory, { selected: keepSelected(), again: filing.last });
  });
  useEffect(() => keepVisit(computer.id, 'sort', addressOf(view)), [computer.id, view]);

  const beginQueue = (): void => {
    subject.selectElsewhere(null);
    setAbout(null);
    setQueue(toFileQueue(catalogue, listed.places, chest, seenAt, state));
  };
  // What is left to file is known when the rules have been asked; until then the wish waits.
  const [asksToFile, setAsksToFile] = useState(false);
  const { isAnswered } = ruled;
  useEffect(() => {
    if (!asksToFile || !isAnswered) return;
    setAsksToFile(false);
    beginQueue();
    // Once for each time that it is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asksToFile, isAnswered]);

  // Without a chest there is nothing to file into: the first one is made, and what was begun goes on in it.
  const [afterFirstChest, setAfterFirstChest] = useState<BegunWithoutChest | null>(null);
  const hasChest = chest !== null;
  useEffect(() => {
    if (!hasChest || afterFirstChest === null) return;
    setAfterFirstChest(null);
    if (afterFirstChest.kind === 'file') setBox({ kind: 'file', ids: afterFirstChest.ids });
    else if (afterFirstChest.kind === 'new-drawer') setMaking(null);
    else if (isAnswered) beginQueue();
    else setAsksToFile(true);
    // Once, when the chest has come.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [hasChest, afterFirstChest]);

  useFocusOnArrival('[data-list]');

  const focusList = (): void => left.current?.querySelector<HTMLElement>('[data-list]')?.focus();
  const showAbout = (id: ItemId | null): void => {
    if (id === null) {
      const from = openedFrom.current;
      const isInPanel = document.activeElement?.closest('[data-panel]') !== null;
      if (isInPanel && from instanceof HTMLElement && from.isConnected) from.focus();
      else if (isInPanel) focusList();
    } else if (about === null) openedFrom.current = document.activeElement;
    setAbout(id);
  };
  return {
    catalogue,
    state,
    ruled,
    changes,
    viewing,
    chest,
    listed,
    subject,
    box,
    /** Lists the own entries and selects those that were just added: the next key is for them. */
    showAdded: (ids: readonly ItemId[]): void => {
      look({ typed: '', filters: { ...NO_FILTERS, state: ['own'] } });
      selection.select(ids);
    },
    /** Deletes own entries; what else is among the ids stays. */
    deleteOwn: (ids: readonly ItemId[]): void => {
      const own = ids.map(pluginOfItem).filter(isOwnEntry);
      const [only] = own;
      if (only === undefined) return;
      const words = own.length === 1 ? (catalogue.byId.get(only)?.name ?? '') : `${String(own.length)} own entries`;
      void changes
        .makeWithNotice(`${words} ${own.length === 1 ? 'is' : 'are'} deleted, also from drawers, trays and slots.`, {
          kind: 'delete-own-entries',
          ids: own,
        })
        .then((done) => {
          if (done && about !== null && own.includes(pluginOfItem(about))) setAbout(null);
        });
    },
    openBox: (kind: DeskBox['kind'], ids: readonly ItemId[] = subject.now()): void => {
      if ((kind === 'right' || kind === 'aside') && ids.length > 0 && ids.every(isChain))
        toast('A chain is what its plugins are. Correct them, or set them aside; the chain itself can be deleted.');
      else setBox({ kind, ids });
    },
    closeBox: (): void => {
      setBox(null);
      if (box?.kind === 'first-chest') setAfterFirstChest(null);
      // The keyboard goes on with what is to be filed.
      if (queue !== null) focusWhenThere('[data-to-file]');
    },
    /** Asks for the name of the first chest; what was begun goes on once it is there. */
    beginWithChest: (begun: BegunWithoutChest): void => {
      setAfterFirstChest(begun);
      setBox({ kind: 'first-chest', ids: [] });
    },
    makeFirstChest: (name: string): void => {
      setBox(null);
      void makeChest(changes, { name, slots: null, start: { kind: 'empty' } });
    },
    making,
    setMaking,
    about,
    setAbout: showAbout,
    queue,
    setWaiting: (id: ItemId | null): void => {
      setWaiting(id);
      // All about the one before does not stay below the next.
      if (id !== waiting && about !== null && pluginOfItem(about) !== id) setAbout(null);
    },
    // At once where it can be: the next key is for what it shows.
    workThrough: (): void => (isAnswered ? beginQueue() : setAsksToFile(true)),
    leaveQueue: (): void => {
      setQueue(null);
      setWaiting(null);
      focusWhenThere('[data-list]');
    },
    lit,
    light,
    filing,
    pictures,
    setPictures,
    columns,
    setColumns,
    hasMore,
    showMore,
    showsFurther,
    open,
    left,
    memory,
    focusList,
    /** Out of the search line: on to the best match, as soon as it is known. */
    intoList: (): void => {
      focusList();
      whenFound(() => {
        selection.moveTo(0, false);
        // Nothing was found after all: the line has the keyboard again.
        if (selection.now().at < 0) document.getElementById('find')?.focus();
      });
    },
    whenFound,
    /** Whether the list is the answer to what is typed, and not yet the one before. */
    isSettled,
    /** To a drawer of any chest: its chest and the drawers around it are opened, and the keyboard stands on its front. */
    goToDrawer: (id: DrawerId): void => {
      const path = pathTo(state, id);
      const target = path.at(-1);
      if (target === undefined) return;
      const outer = path.slice(0, -1).map((one) => one.id);
      const kept = target.chestId === chest?.id ? view.open : [];
      look({ chest: target.chestId, open: [...new Set([...kept, ...outer])] });
      focusFront(id);
    },
    drop,
    seenAt,
  };
}
