import { useMemo } from 'react';
import { FAVOURITES, TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';
import { itemId } from '@clever-drawer/core/chests/item';
import { drawerAndInner, drawersOfChest, pathTo, trayEntries, trayName } from '@clever-drawer/core/chests/look-up';
import { contentsOfDrawers } from '@clever-drawer/core/chests/drawer-contents';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import type { ChestId } from '@clever-drawer/core/ids';
import { offerFor } from '@clever-drawer/core/menu/slot-menu';
import { useRuled } from '../arrangement/rules/use-ruled';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/queries';
import { partedFound } from '../catalogue/parted-found';
import { asksFor, useSearch, type Found } from '../catalogue/use-search';

/** A front in the chooser: a drawer of the chest at hand, or a tray. */
export interface OfferedDrawer {
  readonly id: string;
  readonly name: string;
  readonly isTray: boolean;
  readonly ids: ReadonlySet<string>;
  readonly plugins: readonly ChosenItem[];
}

/** What a slot is offered. */
export interface Offer {
  readonly drawers: readonly OfferedDrawer[];
  /** What fits and is typed for: within the open drawer, and elsewhere (everything when none is open). */
  readonly inside: readonly ChosenItem[];
  readonly elsewhere: readonly ChosenItem[];
  /** Others of the best match's kind, when only a few have what is typed: people know the kind better than the name. */
  readonly kin: readonly ChosenItem[];
  readonly roleUnknown: number;
  /** False while the answer to what is typed is on its way, and what is shown is for what was typed before. */
  readonly isSettled: boolean;
}

const NONE: readonly ChosenItem[] = [];
const TRAY = 'tray-';
const trayFrontId = (tray: number): string => TRAY + String(tray);

/** What a slot is offered, by drawer and by typing; only what fits into it, was found at the last look and is not set aside. */
export function useOffer(
  slot: SlotKind,
  catalogue: ChosenCatalogue,
  state: Arrangement,
  chest: ChestId | null,
  wish: { typed: string; open: string | null; withUnknown: boolean },
): Offer {
  const { typed, open, withUnknown } = wish;
  const { plugins, items, roleUnknown } = useMemo(() => {
    const offer = offerFor(
      slot,
      catalogue.items.filter((item) => item.found && item.aside === null),
    );
    const items = withUnknown ? [...offer.fitting, ...offer.roleUnknown] : offer.fitting;
    const isPlugin = (item: ChosenItem): boolean => item.preset === null;
    return { plugins: items.filter(isPlugin), items, roleUnknown: offer.roleUnknown.filter(isPlugin).length };
  }, [slot, catalogue, withUnknown]);
  const ruled = useRuled(catalogue, state);
  const drawers = useMemo(
    () => drawersFor(items, catalogue, state, chest, ruled),
    [items, catalogue, state, chest, ruled],
  );
  const opened = drawers.find((one) => one.id === open);
  const own = opened?.plugins ?? NONE;
  const foundInside = useSearch(own, typed, 'drawer');
  const foundAll = useSearch(items, typed, 'slot');
  const isSettled = !asksFor(typed) || (foundAll?.typed === typed && foundInside?.typed === typed);
  return useMemo(() => {
    const inside = inOrder(own, foundInside);
    // An open drawer shows itself alone; once something is typed, the rest follows behind it.
    const rest =
      opened !== undefined && typed === '' ? [] : foundAll === null ? plugins : partedInOrder(items, foundAll);
    const elsewhere = rest.filter((plugin) => opened?.ids.has(plugin.id) !== true);
    return {
      drawers,
      inside,
      elsewhere,
      kin: typed === '' ? [] : kinOf([...inside, ...elsewhere], plugins),
      roleUnknown,
      isSettled,
    };
  }, [drawers, foundInside, foundAll, own, opened, typed, plugins, items, roleUnknown, isSettled]);
}

const inOrder = (plugins: readonly ChosenItem[], found: Found | null): readonly ChosenItem[] =>
  found === null
    ? plugins
    : Array.from(found.numbers, (number) => plugins[number]).filter((plugin) => plugin !== undefined);

/** Plugins, and behind them the presets that are named by what is typed. */
function partedInOrder(items: readonly ChosenItem[], found: Found): readonly ChosenItem[] {
  const { plugins, presets } = partedFound(items, found);
  return [...Array.from(plugins, (number) => items[number]).filter((item) => item !== undefined), ...presets];
}

const FEW = 8;

function kinOf(found: readonly ChosenItem[], plugins: readonly ChosenItem[]): ChosenItem[] {
  const kind = found.find((plugin) => plugin.types.length > 0)?.types[0];
  if (kind === undefined || found.length > FEW) return [];
  const shown = new Set(found.map((plugin) => plugin.id));
  return plugins.filter((plugin) => plugin.types[0] === kind && !shown.has(plugin.id));
}

function drawersFor(
  plugins: readonly ChosenItem[],
  catalogue: ChosenCatalogue,
  state: Arrangement,
  chest: ChestId | null,
  ruled: Ruled,
): OfferedDrawer[] {
  const fitting = new Set(plugins.map((plugin) => plugin.id));
  const contents = contentsOfDrawers(state, catalogue.byId, ruled);
  const front = (id: string, name: string, isTray: boolean, all: readonly ChosenItem[]): OfferedDrawer => {
    const own = [
      ...new Map(all.filter((plugin) => fitting.has(plugin.id)).map((plugin) => [plugin.id, plugin])).values(),
    ];
    return { id, name, isTray, plugins: own, ids: new Set(own.map((plugin) => plugin.id)) };
  };
  const trays = TRAYS.filter((tray) => tray === FAVOURITES || trayEntries(state, tray).length > 0).map((tray) =>
    front(
      trayFrontId(tray),
      trayName(state, tray),
      true,
      trayEntries(state, tray)
        .map((entry) => catalogue.byId.get(itemId(entry)))
        .filter((plugin) => plugin !== undefined),
    ),
  );
  const drawers = (chest === null ? [] : drawersOfChest(state, chest)).map((drawer) => {
    const inside = drawerAndInner(state, drawer.id).flatMap((one) =>
      (contents.get(one.id) ?? []).map((content) => content.plugin),
    );
    return front(
      drawer.id,
      pathTo(state, drawer.id)
        .map((one) => one.name)
        .join(' › '),
      false,
      inside,
    );
  });
  return [...trays, ...drawers];
}
