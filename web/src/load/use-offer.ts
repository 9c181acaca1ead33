import { useMemo } from 'react';
import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import { FAVOURITES, TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';
import { drawerAndInner, drawersOfChest, pathTo, trayEntries, trayName } from '@clever-drawer/core/chests/look-up';
import { contentsOfDrawers } from '@clever-drawer/core/chests/drawer-contents';
import type { ChestId } from '@clever-drawer/core/ids';
import { offerFor } from '@clever-drawer/core/menu/slot-menu';
import { Finder, type Findable } from '@clever-drawer/core/search/find-plugins';
import type { ChosenCatalogue, ChosenPlugin } from '../catalogue/queries';

/** A front in the chooser: a drawer of the chest at hand, or a tray. */
export interface OfferedDrawer {
  readonly id: string;
  readonly name: string;
  readonly isTray: boolean;
  readonly ids: ReadonlySet<string>;
  readonly plugins: readonly ChosenPlugin[];
}

export interface Offer {
  readonly drawers: readonly OfferedDrawer[];
  /** What fits and is typed for: within the open drawer, and elsewhere (everything when none is open). */
  readonly inside: readonly ChosenPlugin[];
  readonly elsewhere: readonly ChosenPlugin[];
  /** Others of the best match's kind, when only a few have what is typed: people know the kind better than the name. */
  readonly kin: readonly ChosenPlugin[];
  readonly roleUnknown: number;
}

interface Offered extends Findable {
  readonly plugin: ChosenPlugin;
}

const finderOf = (plugins: readonly ChosenPlugin[]): Finder<Offered> =>
  new Finder(
    plugins.map((plugin) => ({
      plugin,
      name: plugin.name,
      names: [plugin.givenName],
      more: [plugin.vendor ?? '', ...plugin.types.map((type) => TYPE_TREE[type].label)],
    })),
  );

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
  const { plugins, roleUnknown } = useMemo(() => {
    const offer = offerFor(
      slot,
      catalogue.plugins.filter((plugin) => plugin.found && plugin.aside === null),
    );
    return {
      plugins: withUnknown ? [...offer.fitting, ...offer.roleUnknown] : offer.fitting,
      roleUnknown: offer.roleUnknown.length,
    };
  }, [slot, catalogue, withUnknown]);
  const drawers = useMemo(() => drawersFor(plugins, catalogue, state, chest), [plugins, catalogue, state, chest]);
  const finder = useMemo(() => finderOf(plugins), [plugins]);
  const opened = drawers.find((one) => one.id === open);
  const insideFinder = useMemo(() => finderOf(opened?.plugins ?? []), [opened]);
  return useMemo(() => {
    const inside = insideFinder.find(typed).map((one) => one.plugin);
    // An open drawer shows itself alone; once something is typed, the rest follows behind it.
    const rest = opened !== undefined && typed === '' ? [] : finder.find(typed).map((one) => one.plugin);
    const elsewhere = rest.filter((plugin) => opened?.ids.has(plugin.id) !== true);
    return {
      drawers,
      inside,
      elsewhere,
      kin: typed === '' ? [] : kinOf([...inside, ...elsewhere], plugins),
      roleUnknown,
    };
  }, [drawers, finder, insideFinder, opened, typed, plugins, roleUnknown]);
}

const FEW = 8;

function kinOf(found: readonly ChosenPlugin[], plugins: readonly ChosenPlugin[]): ChosenPlugin[] {
  const kind = found.find((plugin) => plugin.types.length > 0)?.types[0];
  if (kind === undefined || found.length > FEW) return [];
  const shown = new Set(found.map((plugin) => plugin.id));
  return plugins.filter((plugin) => plugin.types[0] === kind && !shown.has(plugin.id));
}

function drawersFor(
  plugins: readonly ChosenPlugin[],
  catalogue: ChosenCatalogue,
  state: Arrangement,
  chest: ChestId | null,
): OfferedDrawer[] {
  const fitting = new Set(plugins.map((plugin) => plugin.id));
  const contents = contentsOfDrawers(state, catalogue.byId);
  const front = (id: string, name: string, isTray: boolean, all: readonly ChosenPlugin[]): OfferedDrawer => {
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
        .map((entry) => catalogue.byId.get(entry.pluginId))
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
