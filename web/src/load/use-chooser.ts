import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import type { LoadWay } from '@clever-drawer/contract/requests';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Lane } from '@clever-drawer/core/chests/rows/lane';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import { FAVOURITES, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { ChestId } from '@clever-drawer/core/ids';
import { chestsFor, chestSlotOf } from '@clever-drawer/core/menu/slot-menu';
import type { Changes } from '../arrangement/changes';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { useToldAtRest } from '../lib/use-told-at-rest';
import { useStored } from '../lib/use-stored';
import { takeKey } from '../keys/use-keys';
import { stepHandlers } from '../parts/list-keys';
import type { ListPart } from './chooser-list';
import { useOffer, type Offer, type OfferedDrawer } from './use-offer';

/** What was chosen, and by which way. */
export interface Chosen {
  readonly plugin: ChosenItem;
  readonly way: LoadWay;
}

/** What a slot is chosen for with. */
export interface Choosing {
  readonly slot: Slot;
  readonly lane: Lane | undefined;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly changes: Changes;
  readonly choose: (chosen: Chosen) => void;
  readonly close: () => void;
}

/** The chooser as it stands, and what can be done with it. */
export interface Chooser {
  readonly input: RefObject<HTMLInputElement | null>;
  /** The drawers' fronts, to which one key leads. */
  readonly fronts: RefObject<HTMLDivElement | null>;
  readonly typed: string;
  readonly type: (text: string) => void;
  readonly chests: readonly Chest[];
  readonly chest: string | null;
  readonly setChest: (id: string) => void;
  readonly offer: Offer;
  readonly open: string | null;
  readonly opened: OfferedDrawer | undefined;
  readonly openDrawer: (id: string | null) => void;
  readonly parts: readonly ListPart[];
  /** The place of the marked plugin among those of all parts; -1 in an empty list. */
  readonly at: number;
  readonly take: (plugin: ChosenItem) => void;
  readonly withUnknown: boolean;
  readonly setWithUnknown: (on: boolean) => void;
  /** Keys anywhere in the chooser. */
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/** Whether a key types a letter or sign. A blank presses buttons, and is typed in the line alone. */
const isTyping = ({ key, ctrlKey, metaKey, altKey }: globalThis.KeyboardEvent): boolean =>
  key.length === 1 && key !== ' ' && !ctrlKey && !metaKey && !altKey;

/** Type, arrows, Enter; or by drawer. Enter always takes what was typed for, also when the hand is faster than the search. */
export function useChooser({ slot, lane, catalogue, state, changes, choose, close }: Choosing): Chooser {
  const chestSlot = chestSlotOf(slot.kind, lane?.kind ?? 'audio');
  const chests = chestsFor(chestsOf(state), chestSlot);
  // Each kind of slot has a chest of its own that stays open.
  const kept = chestSlot === null || chests.every((one) => one.slots === null) ? 'chest' : `chest-${chestSlot}`;
  const [chest, setChest] = useStoredId(kept, chests[0]?.id ?? null, (id) => chests.some((one) => one.id === id));
  const [open, setOpen] = useStoredId('drawer', null, (id) => id.startsWith('tray-') || state.drawer.has(id));
  const [typed, setTyped] = useState('');
  const [marked, setMarked] = useState(0);
  const [withUnknown, setWithUnknown] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const fronts = useRef<HTMLDivElement>(null);
  const offer = useOffer(slot.kind, catalogue, state, chest as ChestId | null, { typed, open, withUnknown });
  const opened = offer.drawers.find((drawer) => drawer.id === open);
  const parts = [
    { heading: `in ${opened?.name ?? ''}`, plugins: opened === undefined ? [] : offer.inside },
    { heading: elsewhereHeading(opened !== undefined, typed), plugins: offer.elsewhere },
    { heading: 'more of this type', plugins: offer.kin },
  ];
  const all = parts.flatMap((part) => part.plugins);
  const at = Math.min(marked, all.length - 1);
  const current = all[at];

  const wayTo = (plugin: ChosenItem): LoadWay => {
    if (typed !== '') return 'typing';
    if (opened?.ids.has(plugin.id)) return opened.isTray ? 'tray' : 'drawer';
    return 'list';
  };
  const take = (plugin: ChosenItem): void => choose({ plugin, way: wayTo(plugin) });
  useToldAtRest(`${String(all.length)} fit`, typed !== '' && offer.isSettled);
  const takesWhenFound = useRef(false);
  useEffect(() => {
    if (!takesWhenFound.current || !offer.isSettled) return;
    takesWhenFound.current = false;
    if (current !== undefined) take(current);
  });
  const toggleFavourite = (): void => {
    if (current === undefined) return;
    const on = state.trayEntry.has(trayEntryId(FAVOURITES, current.id));
    void changes.make({ kind: on ? 'tray-off' : 'tray-on', tray: FAVOURITES, pluginIds: [current.id] });
  };
  const openDrawer = (drawer: string | null): void => {
    setOpen(drawer);
    setMarked(0);
    input.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    // Along the list, and what Enter and Tab do, are keys of the line; in the drawers they are buttons'.
    const isInLine = event.target === input.current;
    const { down, up, pageDown, pageUp } = stepHandlers(at, { count: all.length }, (to) => setMarked(Math.max(0, to)));
    const inLine = (act: () => void) => (isInLine ? act : null);
    const isHandled = takeKey('chooser', event, {
      down: inLine(down),
      up: inLine(up),
      pageDown: inLine(pageDown),
      pageUp: inLine(pageUp),
      load: inLine(() => {
        if (!offer.isSettled) takesWhenFound.current = true;
        else if (current !== undefined) take(current);
      }),
      drawers: inLine(() => fronts.current?.querySelector<HTMLElement>('[aria-pressed="true"], button')?.focus()),
      favourite: current === undefined ? null : toggleFavourite,
      back: open === null ? close : () => openDrawer(null),
    });
    // What is typed anywhere in the chooser is typed into its line.
    if (!isHandled && isTyping(event.nativeEvent) && !isInLine) input.current?.focus();
  };
  return {
    input,
    fronts,
    typed,
    type: (text) => {
      setTyped(text);
      setMarked(0);
      takesWhenFound.current = false;
    },
    chests,
    chest,
    setChest: (next) => {
      setChest(next);
      openDrawer(null);
    },
    offer,
    open,
    opened,
    openDrawer,
    parts,
    at,
    take,
    withUnknown,
    setWithUnknown,
    onKeyDown,
  };
}

const elsewhereHeading = (inDrawer: boolean, typed: string): string =>
  inDrawer ? 'elsewhere' : typed === '' ? 'everything that fits' : 'best match first';

/** The last chest and drawer stay open until they are changed. Kept in this browser, per computer. */
function useStoredId(
  what: string,
  otherwise: string | null,
  isThere: (id: string) => boolean,
): [string | null, (id: string | null) => void] {
  const [id, keep] = useStored(`chooser-${what}-${useComputer().id}`);
  return [id !== null && isThere(id) ? id : otherwise, keep];
}
