/** What the keys of the desk come to, as wishes. */
import { trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { COMPARE_BY } from '@clever-drawer/core/chests/drawer-sort';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { itemId, pluginsOfItems } from '@clever-drawer/core/chests/item';
import { trayEntries } from '@clever-drawer/core/chests/look-up';
import { group } from '@clever-drawer/core/chests/row-groups';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import { isElsewhere } from '../../catalogue/presence';
import type { LineHome } from '../../parts/dragged';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import { isWanted } from '../list/is-wanted';
import { isNew, type Places } from '../ribbons/facets';
import { placeAfterMove, type LineMove } from '../../parts/list-keys';

/** Puts plugins on a tray, or off it when all of them are on it. */
export function trayWish(state: Arrangement, tray: number, pluginIds: readonly ItemId[]): Intent {
  const isOn = pluginIds.every((id) => state.trayEntry.has(trayEntryId(tray, id)));
  return { kind: isOn ? 'tray-off' : 'tray-on', tray, pluginIds };
}

/** Moves plugins in the order of a tray; null when they can't go further. */
export function reorderTrayIntent(
  state: Arrangement,
  tray: number,
  pluginIds: readonly ItemId[],
  to: LineMove,
): Intent | null {
  const order = trayEntries(state, tray).map(itemId);
  const isMoving = (id: ItemId): boolean => pluginIds.includes(id);
  const place = placeAfterMove(order, isMoving, to);
  return place === null
    ? null
    : { kind: 'place-on-tray', tray, pluginIds: order.filter(isMoving), before: place.before };
}

/** Brings plugins back with all their builds. */
export function bringBackWish(catalogue: ChosenCatalogue, ids: readonly ItemId[]): Intent {
  const pluginIds = pluginsOfItems(ids);
  const builds = pluginIds.flatMap((pluginId) =>
    (catalogue.byId.get(pluginId)?.builds ?? []).map(({ id }) => ({ id, pluginId })),
  );
  return { kind: 'bring-back', pluginIds, builds };
}

/** Whether something stands in a drawer of any chest by hand: nobody is asked about its arrival any more. */
export const isAskedAbout = (state: Arrangement, id: ItemId): boolean => group(state, 'entriesOf', id).length > 0;

/** What is to be filed: new ones that stand in no chest yet first, then the others type by type, since those of one type mostly go into the same drawers. */
export function toFileQueue(
  catalogue: ChosenCatalogue,
  places: Places,
  chest: Chest | null,
  seen: string | null,
  state: Arrangement,
): readonly ItemId[] {
  const waiting = catalogue.plugins.filter(
    (plugin) => plugin.aside === null && !isElsewhere(plugin) && !places.has(plugin.id) && isWanted(plugin, chest),
  );
  const isFresh = (plugin: ChosenItem): boolean => isNew(plugin, seen) && !isAskedAbout(state, plugin.id);
  const fresh = waiting.filter(isFresh);
  const known = waiting.filter((plugin) => !isFresh(plugin)).sort(COMPARE_BY.type);
  return [...fresh, ...known].map((plugin) => plugin.id);
}

/**
 * Takes items out of where they are on their way to another place: out of a drawer, to which drawer their names in it go along, or off a tray. None
 * for what a rule put there: nothing of it is there by hand.
 */
export function leaveWishes(
  state: Arrangement,
  ids: readonly ItemId[],
  from: LineHome,
  to: DrawerId | null,
): readonly Intent[] {
  if ('tray' in from) return [{ kind: 'tray-off', tray: from.tray, pluginIds: ids }];
  const { drawerId } = from;
  const own = ids.filter((id) => state.entry.has(entryId(drawerId, id)));
  if (own.length === 0) return [];
  const named = own.flatMap((pluginId): Intent[] => {
    const name = state.entry.get(entryId(drawerId, pluginId))?.name ?? null;
    const takesAlong = to !== null && name !== null && !state.entry.has(entryId(to, pluginId));
    return takesAlong ? [{ kind: 'name-entry', drawerId: to, pluginId, name }] : [];
  });
  return [...named, { kind: 'take-out', drawerId, pluginIds: own }];
}

/** Moves what stands in a drawer to another one: filed there with its name, and taken out here. One act of several wishes, which one undo takes back. */
export function moveWishes(
  state: Arrangement,
  pluginIds: readonly ItemId[],
  from: DrawerId,
  to: DrawerId,
): readonly Intent[] {
  const fresh = pluginIds.filter((id) => !state.entry.has(entryId(to, id)));
  const filing: Intent[] = fresh.length === 0 ? [] : [{ kind: 'file', drawerIds: [to], pluginIds: fresh }];
  return [...filing, ...leaveWishes(state, pluginIds, { drawerId: from }, to)];
}
