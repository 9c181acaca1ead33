import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { toast } from 'sonner';
import { useEventCallback } from 'usehooks-ts';
import type { LoadWay } from '@clever-drawer/core/menu/use';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import type { LaneKind } from '@clever-drawer/core/chests/rows/lane';
import { FAVOURITES, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { BuildId, ChestId, ItemId } from '@clever-drawer/core/ids';
import { chestsFor, chestSlotOf } from '@clever-drawer/core/menu/slot-menu';
import { recentOf } from '@clever-drawer/core/menu/use';
import type { ChosenItem } from '../catalogue/chosen-catalogue';
import { NO_USES, useUses } from '../catalogue/uses';
import { takeKey } from '../keys/use-keys';
import { useComputer } from '../lib/use-computer';
import { useStored } from '../lib/use-stored';
import { useEmptyInMenus } from './use-empty-in-menus';
import { useLastOpen } from './use-last-open';
import { useToldAtRest } from '../lib/use-told-at-rest';
import { tell } from '../lib/telling';
import { openMenuHere } from '../parts/act-menu';
import { stepHandlers } from '../parts/list-keys';
import { chestsNamed } from './chests-named';
import type { Chooser, Choosing } from './chooser';
import { columnGroups, toColumn } from './column-groups';
import { CHOOSER_VIEWS, digitIn, optionGroups, type Option } from './options';
import { isInMenu, isTyping, isWithin, MODIFIERS } from './own-events';
import { useFilesOffer } from './use-files-offer';
import { useOffer, whyOutside } from './use-offer';

/** What waits for the search to answer: loading, also going on to the slot below, or choosing among builds. */
type MarkedAct = 'load' | 'load on' | 'parts';

const WAYS: Readonly<Record<Option['part'], LoadWay>> = {
  now: 'list',
  usual: 'usual',
  recent: 'recent',
  favourites: 'tray',
  steered: 'list',
  drawer: 'drawer',
  all: 'list',
  found: 'typing',
  kin: 'typing',
  files: 'typing',
  outside: 'typing',
};

/** Type, arrows, Enter; or by digit, tray or drawer. Enter always takes what was typed for, also when the hand is faster than the search. */
export function useChooser(choosing: Choosing): Chooser {
  const { place, catalogue, state, changes, typedFirst, clear, close } = choosing;
  const computer = useComputer();
  const uses = (useUses(computer.id).data ?? NO_USES).uses;
  const kind = `${place.slot}${place.laneKind === null ? '' : `-${laneGroup(place.laneKind)}`}${place.purpose === undefined ? '' : `-${place.purpose}`}`;
  const chestSlot = place.purpose ?? chestSlotOf(place.slot, place.laneKind ?? 'audio');
  const chests = chestsFor(chestsOf(state), chestSlot);
  const [chest, setChest] = useLastOpen(`chest-${kind}`, chests[0]?.id ?? null, (id) =>
    chests.some((one) => one.id === id),
  );
  const [open, setOpen] = useLastOpen(
    `drawer-${kind}`,
    null,
    (id) => id.startsWith('tray-') || state.drawer.has(id.split('/')[0] ?? ''),
  );
  const [keptView, setView] = useStored(`chooser-view-${kind}`);
  const view = CHOOSER_VIEWS.find((one) => one === keptView) ?? 'list';
  const [typed, setTyped] = useState(typedFirst);
  const [marked, setMarked] = useState<number | null>(null);
  const [ticked, setTicked] = useState<readonly ItemId[]>([]);
  const [withAll, setWithAll] = useState(false);
  const [openedAt] = useState(Date.now);
  const spent = useRef({ keys: typedFirst.length, clicks: 0, since: performance.now() });
  const input = useRef<HTMLInputElement>(null);
  const fronts = useRef<HTMLDivElement>(null);
  const perLine = useRef(1);
  const [withEmpty, setWithEmpty] = useEmptyInMenus();
  const wish = { typed, open, withAll, withEmpty, openedAt };
  const { offer, isSettled: isAnswered } = useOffer(place, catalogue, state, chest as ChestId | null, uses, wish);
  const files = useFilesOffer(place.slot, state, typed);
  const opened = [...offer.trays, ...offer.drawers].find((one) => one.id === open);
  const inColumns = view === 'drawers' && opened === undefined && typed === '';
  const digit = digitIn(typed);
  const isTyped = typed !== '';
  const { now } = place;
  // Thousands of options: made anew only when there are other ones, and not with each letter and arrow.
  const groups = useMemo(
    () =>
      inColumns
        ? columnGroups(offer)
        : optionGroups({ offer, now, catalogue, opened, isTyped, digit, withAll, files: files.items }),
    [inColumns, offer, now, catalogue, opened, isTyped, digit, withAll, files.items],
  );
  const options = useMemo(() => groups.flatMap((group) => group.options), [groups]);
  // Files are waited for only where nothing else has what is typed.
  const isSettled = isAnswered && !(files.isPending && options.every(({ part }) => part === 'outside'));
  const byDigit = digit === null ? -1 : options.findIndex((option) => option.digit === digit);
  // What is in the slot already is not what is wanted, and what does not fit is marked only where it was asked for.
  const wanted = options.findIndex(({ part }) => part !== 'now' && (withAll || part !== 'outside'));
  const firstAt = wanted < 0 ? options.findIndex(({ part }) => part === 'now') : wanted;
  const at = Math.min(marked ?? (byDigit >= 0 ? byDigit : firstAt), options.length - 1);
  const current = options[at];

  const takeItems = (
    items: readonly ChosenItem[],
    way: LoadWay,
    goesOn: boolean,
    buildId: BuildId | null = null,
  ): void => {
    const { keys, clicks, since } = spent.current;
    const milliseconds = Math.round(performance.now() - since);
    files.takeIn(items, changes, () => choosing.take({ items, way, keys, clicks, milliseconds, goesOn, buildId }));
  };
  const wayTo = ({ part }: Option): LoadWay =>
    part === 'drawer' && opened?.tray != null ? 'tray' : inColumns ? 'drawer' : WAYS[part];
  const takeMarked = (goesOn: boolean): void => {
    const itemOf = (id: ItemId): ChosenItem | undefined =>
      catalogue.byId.get(id) ?? files.items.find((item) => item.id === id);
    const several = ticked.flatMap((id) => itemOf(id) ?? []);
    if (several.length > 0) takeItems(several, 'list', goesOn);
    else if (current !== undefined) takeItems([current.item], wayTo(current), goesOn, current.buildId);
  };
  useToldAtRest(`${String(options.length)} fit`, isTyped && isSettled);
  const [partsOf, setPartsOf] = useState<ItemId | null>(null);
  const openParts = (): void => {
    if (current?.item.program === undefined) setPartsOf(current?.item.id ?? null);
    else toast(`${current.item.name} belongs to ${current.item.program} and has no builds.`);
  };
  const act = (what: MarkedAct): void => {
    if (what === 'parts') openParts();
    else takeMarked(what === 'load on');
  };
  const waiting = useRef<MarkedAct | null>(null);
  useEffect(() => {
    if (waiting.current === null || !isSettled) return;
    const what = waiting.current;
    waiting.current = null;
    act(what);
  });
  const actWhenFound = (what: MarkedAct): void => {
    // A digit's choice stands there already.
    if (!isSettled && byDigit < 0) waiting.current = what;
    else act(what);
  };
  const tick = (step: number) => (): void => {
    if (current === undefined) return;
    const { id } = current.item;
    setTicked((old) => (old.includes(id) ? old.filter((one) => one !== id) : [...old, id]));
    setMarked(Math.min(Math.max(at + step, 0), options.length - 1));
  };
  const toggleFavourite = (): void => {
    if (current === undefined) return;
    const { item } = current;
    const on = state.trayEntry.has(trayEntryId(FAVOURITES, item.id));
    files.takeIn([item], changes, () => {
      void changes.make({ kind: on ? 'tray-off' : 'tray-on', tray: FAVOURITES, pluginIds: [item.id] });
    });
  };
  const openDrawer = useEventCallback((drawer: string | null): void => {
    setOpen(drawer);
    setMarked(null);
    input.current?.focus();
  });
  const click = useEventCallback((option: Option, event: MouseEvent): void => {
    if (event.ctrlKey || event.metaKey) {
      const { id } = option.item;
      setTicked((old) => (old.includes(id) ? old.filter((one) => one !== id) : [...old, id]));
    } else takeItems([option.item], wayTo(option), event.shiftKey, option.buildId);
  });
  const again = (): boolean => {
    const last = recentOf(uses).find((id) => {
      const item = catalogue.byId.get(id);
      return item !== undefined && whyOutside(item, place.slot) === null;
    });
    const item = last === undefined ? undefined : catalogue.byId.get(last);
    if (item === undefined) return false;
    takeItems([item], 'recent', false);
    return true;
  };
  const toChest = (by: number): void => {
    const place = chests.findIndex((one) => one.id === chest);
    const next = chests[(place + by + chests.length) % chests.length];
    if (next === undefined) return;
    setChest(next.id);
    openDrawer(null);
    tell(`Chest ${next.name}`);
  };
  const named = useMemo(() => chestsNamed(typed, chests), [typed, chests]);
  const go = (to: number): void => setMarked(Math.min(Math.max(to, 0), options.length - 1));
  const onKeyDown = (event: KeyboardEvent): void => {
    // A box or a menu in front of it has keys of its own.
    if (!isWithin(event) || isInMenu(event.target)) return;
    // Along the list, and what Enter and Tab do, are keys of the line; in the drawers they are buttons'.
    const isInLine = event.target === input.current;
    const { down, up, pageDown, pageUp } = stepHandlers(at, { count: options.length }, go);
    const inLine = <Act extends (() => unknown) | null>(act: Act) => (isInLine ? act : null);
    const whenEmpty = <Act extends (() => unknown) | null>(act: Act) => (isInLine && typed === '' ? act : null);
    const isHandled = takeKey('chooser', event, {
      down: inLine(view === 'faces' ? () => go(at + perLine.current) : down),
      up: inLine(view === 'faces' ? () => go(at - perLine.current) : up),
      pageDown: inLine(pageDown),
      pageUp: inLine(pageUp),
      left: whenEmpty(view === 'faces' ? () => go(at - 1) : inColumns ? () => go(toColumn(groups, at, -1)) : null),
      right: whenEmpty(view === 'faces' ? () => go(at + 1) : inColumns ? () => go(toColumn(groups, at, 1)) : null),
      nextChest: whenEmpty(chests.length > 1 ? () => toChest(1) : null),
      previousChest: whenEmpty(chests.length > 1 ? () => toChest(-1) : null),
      load: inLine(() => actWhenFound('load')),
      loadOn: inLine(() => actWhenFound('load on')),
      parts: inLine(() => actWhenFound('parts')),
      again: whenEmpty(again),
      tick: inLine(tick(1)),
      untick: inLine(tick(-1)),
      clear: whenEmpty(clear),
      favourite: current === undefined ? null : toggleFavourite,
      menu: inLine(openMenuHere),
      drawers: inLine(() => focusFirstFront(fronts.current)),
      all: inLine(() => setWithAll(!withAll)),
      view: inLine(() => setView(CHOOSER_VIEWS[(CHOOSER_VIEWS.indexOf(view) + 1) % CHOOSER_VIEWS.length] ?? null)),
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
      setMarked(null);
      waiting.current = null;
    },
    chests,
    named,
    chest,
    setChest: (next) => {
      setChest(next);
      openDrawer(null);
    },
    offer,
    isSettled,
    uses,
    open,
    opened,
    openDrawer,
    view,
    setView,
    groups,
    options,
    at,
    mark: setMarked,
    ticked,
    click,
    partsOf: partsOf === null ? null : (catalogue.byId.get(partsOf) ?? null),
    openParts: setPartsOf,
    takeParts: (items, buildId) => takeItems(items, current === undefined ? 'list' : wayTo(current), false, buildId),
    withAll,
    setWithAll,
    withEmpty,
    setWithEmpty,
    onKeyDown,
    onFrontKey: (event) => {
      if (!/^[1-9]$/.test(event.key) || event.ctrlKey || event.metaKey || event.altKey) return false;
      const tray = offer.trays.find((one) => one.tray === Number(event.key));
      if (tray === undefined) return false;
      openDrawer(tray.id);
      return true;
    },
    counting: {
      onKeyDownCapture: (event) => {
        if (isWithin(event) && !MODIFIERS.has(event.key)) spent.current.keys++;
      },
      // A key that presses a button is no click.
      onClickCapture: (event) => {
        if (isWithin(event) && event.detail > 0) spent.current.clicks++;
      },
    },
    perLine,
  };
}

/** What is called what was typed comes first: a chest, else what is open, else the first tray. */
function focusFirstFront(fronts: HTMLElement | null): void {
  const first = ['[data-named-chest]', '[data-chooser-front][aria-pressed="true"]', 'button']
    .map((selector) => fronts?.querySelector<HTMLElement>(selector))
    .find((one) => one != null);
  first?.focus();
}

/** Buses and the master are chosen for alike; so are tracks. */
const laneGroup = (kind: LaneKind): string => (kind === 'bus' || kind === 'master' ? 'bus' : 'track');
