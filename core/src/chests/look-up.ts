/** Ways to look rows up: by chest, drawer and tray, each in order. */
import type { ChestId, DrawerId, ItemId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Chest } from './rows/chest.js';
import type { Divider } from './rows/divider.js';
import type { Drawer } from './rows/drawer.js';
import type { Entry } from './rows/entry.js';
import type { NeverIn } from './rows/never-in.js';
import type { TrayEntry } from './rows/tray-entry.js';
import { FAVOURITES } from './rows/tray-entry.js';
import { itemId } from './item.js';
import { byOrder, group } from './row-groups.js';

export { byOrder };

/** The chests, in their order. */
export const chestsOf = (state: Arrangement): Chest[] => [...state.chest.values()].sort(byOrder);

/** The drawers directly in a chest (parent null) or in a drawer, in order. */
export const drawersIn = (state: Arrangement, chestId: ChestId, parentId: DrawerId | null): readonly Drawer[] =>
  group(state, 'drawersIn', `${chestId}|${parentId ?? ''}`);

/** What was put into a drawer by hand, in order. */
export const entriesIn = (state: Arrangement, drawerId: DrawerId): readonly Entry[] =>
  group(state, 'entriesIn', drawerId);

/** What the rule of a drawer is told never to take. */
export const neversIn = (state: Arrangement, drawerId: DrawerId): readonly NeverIn[] =>
  group(state, 'neversIn', drawerId);

/** The dividers of a drawer, in order. */
export const dividersIn = (state: Arrangement, drawerId: DrawerId): readonly Divider[] =>
  group(state, 'dividersIn', drawerId);

/** What is on a tray, in its order. */
export const trayEntries = (state: Arrangement, tray: number): readonly TrayEntry[] =>
  group(state, 'onTray', String(tray));

/** The item of a place on a tray, by the place's id; null for none. */
export function itemOnTray(state: Pick<Arrangement, 'trayEntry'>, id: string | null): ItemId | null {
  const row = id === null ? undefined : state.trayEntry.get(id);
  return row === undefined ? null : itemId(row);
}

/** The name of a tray: the producer's, else its standing one. */
export const trayName = (state: Pick<Arrangement, 'trayName'>, tray: number): string =>
  state.trayName.get(String(tray))?.name ?? (tray === FAVOURITES ? 'Favourites' : `Tray ${String(tray)}`);

/** A drawer and everything inside it, outer before inner. */
export function drawerAndInner(state: Arrangement, id: DrawerId): Drawer[] {
  const first = state.drawer.get(id);
  const found = first === undefined ? [] : [first];
  // The list grows while it is walked through.
  for (const drawer of found) found.push(...group(state, 'innerDrawers', drawer.id));
  return found;
}

/** All drawers of a chest, each outer one before what is inside it. */
export const drawersOfChest = (state: Arrangement, chestId: ChestId): Drawer[] =>
  drawersIn(state, chestId, null).flatMap((drawer) => drawerAndInner(state, drawer.id));

/** The way from the chest to a drawer, outermost first, the drawer itself last. */
export function pathTo(state: Arrangement, id: DrawerId): Drawer[] {
  const path: Drawer[] = [];
  for (let drawer = state.drawer.get(id); drawer !== undefined && path.length < 1000;) {
    path.unshift(drawer);
    drawer = drawer.parentId === null ? undefined : state.drawer.get(drawer.parentId);
  }
  return path;
}
