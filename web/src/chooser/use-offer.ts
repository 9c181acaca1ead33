import { wordsOf } from '@clever-drawer/core/text/words';
import memoizeOne from 'memoize-one';
import { useMemo } from 'react';
import type { ChestSlot } from '@clever-drawer/core/chests/rows/chest';
import type { TypeId } from '@clever-drawer/core/catalogue/type-tree';
import { FAVOURITES, TRAYS, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemId } from '@clever-drawer/core/chests/item';
import { COMPARE_BY } from '@clever-drawer/core/chests/drawer-sort';
import { trayEntries, trayName } from '@clever-drawer/core/chests/look-up';
import type { ChestId, ItemId } from '@clever-drawer/core/ids';
import { firstChoices, type FirstChoices } from '@clever-drawer/core/menu/first-choices';
import { ranked } from '@clever-drawer/core/menu/rank';
import { fits, offerFor } from '@clever-drawer/core/menu/slot-menu';
import type { Spot } from '@clever-drawer/core/menu/use';
import { useRuled } from '../arrangement/rules/use-ruled';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { mergeByRank, partedFound, type PartedFound } from '../catalogue/parted-found';
import { hasQuery, useSearch, type Found } from '../catalogue/use-search';
import type { KnownUse } from '../catalogue/uses';
import { offeredDrawers, type OfferedDrawer } from './offered-drawers';

/** A place that something is chosen for. */
export interface ChosenFor extends Spot {
  readonly slot: NonNullable<Spot['slot']>;
  /** What is in it now; null for nothing. */
  readonly now: ItemId | null;
  /** Whether a sidechain is fed there. */
  readonly sidechain: boolean;
  /** What else stands in its lane. */
  readonly present: readonly ItemId[];
  /** What it is for, where that is not told by slot and lane. */
  readonly purpose?: ChestSlot;
}

/** What a slot is offered. */
export interface Offer {
  readonly drawers: readonly OfferedDrawer[];
  readonly trays: readonly OfferedDrawer[];
  /** Before anything is typed: what is usual here, was loaded last, and is on Favourites. */
  readonly first: FirstChoices;
  /** Where a sidechain is fed: what is known to take one. */
  readonly steered: readonly ChosenItem[];
  /** What fits and is typed for: within the open drawer, and elsewhere (everything when none is open). */
  readonly inside: readonly ChosenItem[];
  readonly elsewhere: readonly ChosenItem[];
  /** Others of the best match's kind, when only a few have what is typed: people know the kind better than the name. */
  readonly kin: readonly ChosenItem[];
  /** Whether an item is among what was found; null while nothing is typed. */
  readonly isFound: ((id: ItemId) => boolean) | null;
  /** What is there and would be offered if it did fit: another role, set aside, on another computer. */
  readonly outside: readonly ChosenItem[];
  /** How many fit. */
  readonly fitting: number;
  /** Trays and drawers that are called what is typed, with what fits in them and what does not. */
  readonly named: readonly OfferedDrawer[];
}

/** What is offered, and whether it is the answer to what is typed: while that is on its way, what is shown is for what was typed before. */
export interface Offering {
  readonly offer: Offer;
  readonly isSettled: boolean;
}

const NONE: readonly ChosenItem[] = [];

/** Why an item is not offered in a slot, in a word or three; null for one that is. */
export function whyOutside(item: ChosenItem, slot: ChosenFor['slot']): string | null {
  if (!item.found) return 'not on this computer';
  if (item.aside !== null) return 'set aside';
  if (item.role === null) return 'role unknown';
  return fits(slot, item.role) ? null : ROLE_WORDS[item.role];
}
const ROLE_WORDS = {
  instrument: 'instrument',
  'audio-effect': 'audio effect',
  'midi-effect': 'MIDI effect',
  tool: 'tool',
} as const;

/** Whether one of its builds that are there is known to take a sidechain. */
export const takesSidechain = (item: ChosenItem | undefined): boolean =>
  item?.builds.some((build) => build.found && build.sidechain) === true;

interface Parted {
  readonly items: readonly ChosenItem[];
  /** Those of them that are no presets. */
  readonly plugins: readonly ChosenItem[];
  readonly ids: ReadonlySet<ItemId>;
  readonly others: readonly ChosenItem[];
}

/** What fits into a kind of slot, and what doesn't: worked out once for a catalogue, however often the chooser is opened. */
const partedFor = (() => {
  const known = new WeakMap<readonly ChosenItem[], Map<ChosenFor['slot'], Parted>>();
  return (slot: ChosenFor['slot'], all: readonly ChosenItem[]): Parted => {
    const bySlot = known.get(all) ?? new Map<ChosenFor['slot'], Parted>();
    known.set(all, bySlot);
    const before = bySlot.get(slot);
    if (before !== undefined) return before;
    const items = offerFor(
      slot,
      all.filter((item) => item.found && item.aside === null),
    ).fitting;
    const ids = new Set<ItemId>(items.map((item) => item.id));
    const others = all.filter((item) => !ids.has(item.id));
    const parted = { items, plugins: items.filter((item) => item.preset === null), ids, others };
    bySlot.set(slot, parted);
    return parted;
  };
})();

/** What a slot is offered, by use, by drawer and by typing; only what fits into it, was found at the last look and is not set aside. */
export function useOffer(
  place: ChosenFor,
  catalogue: ChosenCatalogue,
  state: Arrangement,
  chest: ChestId | null,
  uses: readonly KnownUse[],
  wish: { typed: string; open: string | null; withAll: boolean; withEmpty: boolean; openedAt: number },
): Offering {
  const { typed, open, withAll, withEmpty, openedAt } = wish;
  const { slot } = place;
  const { plugins, items, ids, others } = partedFor(slot, catalogue.items);
  const { sidechain } = place;
  const steered = useMemo(
    () => (sidechain ? plugins.filter(takesSidechain).sort(COMPARE_BY.loads) : NONE),
    [sidechain, plugins],
  );
  const ruled = useRuled(catalogue, state);
  const drawers = useMemo(
    () => offeredDrawers(ids, catalogue, state, chest, ruled),
    [ids, catalogue, state, chest, ruled],
  );
  const trays = useMemo(() => offeredTrays(ids, catalogue, state, withEmpty), [ids, catalogue, state, withEmpty]);
  const typeOf = useMemo(
    () =>
      (id: ItemId): TypeId | undefined =>
        catalogue.byId.get(id)?.types[0],
    [catalogue],
  );
  const { laneKind, lane, before, now } = place;
  const inLane = place.present.join('\n');
  const first = useMemo(() => {
    const spot = { slot, laneKind, lane, before };
    const favourites = trayEntries(state, FAVOURITES).map((entry) => itemId(entry));
    const offered = (id: ItemId): boolean => ids.has(id) && id !== now;
    const present = new Set(inLane === '' ? [] : (inLane.split('\n') as ItemId[]));
    return firstChoices(uses, spot, favourites, { now: openedAt, fits: offered, typeOf, present });
  }, [uses, slot, laneKind, lane, before, now, inLane, state, ids, typeOf, openedAt]);

  const opened = [...trays, ...drawers].find((one) => one.id === open);
  const own = opened?.plugins ?? NONE;
  // A digit alone marks one of the first choices; it is searched for as well, since names begin with digits.
  const foundInside = useSearch(own, typed, 'drawer');
  const foundAll = useSearch(items, typed, 'slot');
  const foundOthers = useSearch(others, typed, 'others');
  const asks = hasQuery(typed);
  const isSettled = !asks || (foundAll?.typed === typed && foundInside?.typed === typed);
  const { trayEntry } = state;
  const isTyped = typed !== '';
  const parted = useMemo(() => (foundAll === null ? null : partedFound(items, foundAll)), [items, foundAll]);
  const inside = useMemo(() => inOrder(own, foundInside), [own, foundInside]);
  const matched = useMemo(() => {
    const isOnTray = (id: ItemId): boolean => TRAYS.some((tray) => trayEntry.has(trayEntryId(tray, id)));
    const isSteered = (id: ItemId): boolean => sidechain && takesSidechain(catalogue.byId.get(id));
    // An open drawer shows itself alone; once something is typed, the rest follows behind it.
    const rest =
      opened !== undefined && !isTyped
        ? []
        : parted === null
          ? plugins
          : ranked(mergeByRank(parted.plugins, items, parted), { isOnTray, isSteered, usual: first.scores });
    const elsewhere = opened === undefined ? rest : rest.filter((plugin) => !opened.ids.has(plugin.id));
    return { inside, elsewhere, kin: isTyped ? kinOf([...inside, ...elsewhere], plugins) : NONE };
  }, [inside, opened, isTyped, parted, plugins, items, first, trayEntry, sidechain, catalogue]);
  const isFound = useMemo(
    () => (asks && parted !== null ? isAmong(items, parted, inside) : null),
    [asks, parted, items, inside],
  );
  const outside = useMemo(() => {
    if (!isTyped) return withAll ? others : NONE;
    return foundOthers === null ? NONE : inOrder(others, foundOthers);
  }, [isTyped, withAll, others, foundOthers]);
  const named = useMemo(
    () => (asks ? drawersNamed(typed, [...trays, ...drawers]).filter((one) => one.id !== open) : NO_DRAWERS),
    [asks, typed, trays, drawers, open],
  );
  const offer = useMemo(
    () => ({ drawers, trays, first, steered, ...matched, isFound, named, outside, fitting: plugins.length }),
    [drawers, trays, first, steered, matched, isFound, named, outside, plugins],
  );
  return { offer, isSettled };
}

const inOrder = (plugins: readonly ChosenItem[], found: Found | null): readonly ChosenItem[] =>
  plugins.length === 0
    ? NONE
    : found === null
      ? plugins
      : Array.from(found.numbers, (number) => plugins[number]).filter((plugin) => plugin !== undefined);

/** The places of items by their ids: worked out once for a list. */
const numbersIn = memoizeOne(
  (items: readonly ChosenItem[]): ReadonlyMap<ItemId, number> =>
    new Map(items.map((item, number) => [item.id, number])),
);

/** Tells of an item whether it was found. A set of tens of thousands of ids would be made anew with each letter, for the few fronts that are in sight. */
function isAmong(
  items: readonly ChosenItem[],
  { plugins, presets }: PartedFound,
  inside: readonly ChosenItem[],
): (id: ItemId) => boolean {
  const isPluginFound = new Uint8Array(items.length);
  for (const number of plugins) isPluginFound[number] = 1;
  const more = new Set([...presets.map((one) => one.item), ...inside].map((item) => item.id));
  const numbers = numbersIn(items);
  return (id) => more.has(id) || isPluginFound[numbers.get(id) ?? items.length] === 1;
}

const FEW = 8;

function kinOf(found: readonly ChosenItem[], plugins: readonly ChosenItem[]): ChosenItem[] {
  const kind = found.find((plugin) => plugin.types.length > 0)?.types[0];
  if (kind === undefined || found.length > FEW) return [];
  const shown = new Set(found.map((plugin) => plugin.id));
  return plugins.filter((plugin) => plugin.types[0] === kind && !shown.has(plugin.id));
}

const NO_DRAWERS: readonly OfferedDrawer[] = [];
const MAX_NAMED = 3;
const SHORTEST_NAME = 3;

/** The first trays and drawers whose own name has every typed word, or a word that begins with it. */
function drawersNamed(typed: string, all: readonly OfferedDrawer[]): readonly OfferedDrawer[] {
  const wanted = wordsOf(typed);
  if (wanted.join('').length < SHORTEST_NAME) return NO_DRAWERS;
  const isNamed = ({ name, plugins, unfit }: OfferedDrawer): boolean => {
    const words = wordsOf(name.split(' › ').at(-1) ?? '');
    return plugins.length + unfit.length > 0 && wanted.every((word) => words.some((one) => one.startsWith(word)));
  };
  return all.filter(isNamed).slice(0, MAX_NAMED);
}

/** The trays that hold something that fits, and with `withEmpty` those that hold nothing; Favourites always. */
function offeredTrays(
  ids: ReadonlySet<ItemId>,
  catalogue: ChosenCatalogue,
  state: Arrangement,
  withEmpty: boolean,
): OfferedDrawer[] {
  return TRAYS.flatMap((tray): OfferedDrawer[] => {
    const { sign = null, notInMenus = false } = state.trayName.get(String(tray)) ?? {};
    if (notInMenus) return [];
    const all = trayEntries(state, tray)
      .map((entry) => catalogue.byId.get(itemId(entry)))
      .filter((plugin) => plugin !== undefined);
    const plugins = all.filter((plugin) => ids.has(plugin.id));
    if (plugins.length === 0 && tray !== FAVOURITES && !withEmpty) return [];
    return [
      {
        id: `tray-${String(tray)}`,
        name: trayName(state, tray),
        sign,
        level: 'trays',
        loose: false,
        divider: null,
        tray,
        lines: plugins.map((plugin) => ({ plugin, name: plugin.name })),
        plugins,
        unfit: all.filter((plugin) => !ids.has(plugin.id)),
        ids: new Set(plugins.map((plugin) => plugin.id)),
      },
    ];
  });
}
