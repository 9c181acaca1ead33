import { useMemo } from 'react';
import type { PluginView } from '@clever-drawer/contract/responses';
import {
  byOrder,
  chestsOf,
  drawerAndInner,
  FAVOURITES,
  pathTo,
  trayEntries,
  type Arrangement,
  type SlotKind,
} from '@clever-drawer/core/chests/arrangement';
import { contentsOfDrawers } from '@clever-drawer/core/chests/drawer-contents';
import type { ChestId } from '@clever-drawer/core/ids';
import { offerFor } from '@clever-drawer/core/menu/slot-menu';
import { Finder, type Findable } from '@clever-drawer/core/search/find-plugins';
import type { Catalogue } from '../shared/queries';

/** A front in the chooser: a drawer of the chest at hand, or the Favourites. */
export interface OfferedDrawer {
  readonly id: string;
  readonly name: string;
  readonly isTray: boolean;
  readonly ids: ReadonlySet<string>;
  readonly plugins: readonly PluginView[];
}

export interface Offer {
  readonly drawers: readonly OfferedDrawer[];
  /** What fits and is typed for: within the open drawer, and elsewhere (everything when none is open). */
  readonly inside: readonly PluginView[];
  readonly elsewhere: readonly PluginView[];
  /** Others of the best match's kind, when only a few have what is typed: people know the kind better than the name. */
  readonly kin: readonly PluginView[];
  readonly roleUnknown: number;
}

interface Offered extends Findable {
  readonly plugin: PluginView;
}

const finderOf = (plugins: readonly PluginView[]): Finder<Offered> =>
  new Finder(plugins.map((plugin) => ({ plugin, name: plugin.name, more: plugin.vendor ?? '' })));

export const FAVOURITES_ID = 'tray-1';

/** What a slot is offered, by drawer and by typing; only what fits into it and was found at the last look. */
export function useOffer(
  slot: SlotKind,
  catalogue: Catalogue,
  state: Arrangement,
  chest: ChestId | null,
  wish: { typed: string; open: string | null; withUnknown: boolean },
): Offer {
  const { typed, open, withUnknown } = wish;
  const { plugins, roleUnknown } = useMemo(() => {
    const offer = offerFor(
      slot,
      catalogue.plugins.filter((plugin) => plugin.found),
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

function kinOf(found: readonly PluginView[], plugins: readonly PluginView[]): PluginView[] {
  const kind = found.find((plugin) => plugin.types.length > 0)?.types[0];
  if (kind === undefined || found.length > FEW) return [];
  const shown = new Set(found.map((plugin) => plugin.id));
  return plugins.filter((plugin) => plugin.types[0] === kind && !shown.has(plugin.id));
}

function drawersFor(
  plugins: readonly PluginView[],
  catalogue: Catalogue,
  state: Arrangement,
  chest: ChestId | null,
): OfferedDrawer[] {
  const fitting = new Set(plugins.map((plugin) => plugin.id));
  const contents = contentsOfDrawers(state, catalogue.byId);
  const front = (id: string, name: string, isTray: boolean, all: readonly PluginView[]): OfferedDrawer => {
    const own = [
      ...new Map(all.filter((plugin) => fitting.has(plugin.id)).map((plugin) => [plugin.id, plugin])).values(),
    ];
    return { id, name, isTray, plugins: own, ids: new Set(own.map((plugin) => plugin.id)) };
  };
  const favourites = trayEntries(state, FAVOURITES).map((entry) => catalogue.byId.get(entry.pluginId));
  const drawers = chestDrawers(state, chest).map((drawer) => {
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
  return [
    front(
      FAVOURITES_ID,
      'Favourites',
      true,
      favourites.filter((plugin) => plugin !== undefined),
    ),
    ...drawers,
  ];
}

/** All drawers of a chest, each outer one before what is inside it. */
function chestDrawers(state: Arrangement, chest: ChestId | null) {
  const top = [...state.drawer.values()]
    .filter((drawer) => drawer.chestId === chest && drawer.parentId === null)
    .sort(byOrder);
  return top.flatMap((drawer) => drawerAndInner(state, drawer.id));
}

export const firstChest = (state: Arrangement): ChestId | null => chestsOf(state)[0]?.id ?? null;
