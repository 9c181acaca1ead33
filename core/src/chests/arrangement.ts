import type { BuildId, ChestId, DrawerId, LaneId, PluginId, SessionId, SlotId } from '../ids.js';
import type { Rule } from '../rules/rule.js';
import type { Choice, HeldBuild, PreferenceRow, VendorSpelling } from './by-hand.js';

/** One whole arrangement of drawers. */
export interface Chest {
  readonly id: ChestId;
  readonly name: string;
  /** Order key among its siblings, compared as plain text. */
  readonly order: string;
}

/** A folder in a chest; with a rule it is a clever drawer and fills itself besides what was put in by hand. */
export interface Drawer {
  readonly id: DrawerId;
  readonly chestId: ChestId;
  readonly parentId: DrawerId | null;
  readonly name: string;
  readonly order: string;
  readonly rule: Rule | null;
}

/** A plugin's place in a drawer. Its id is made of both, so that a plugin can't stand in a drawer twice. */
export interface Entry {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly pluginId: PluginId;
  readonly order: string;
}

/** A plugin's place on one of the nine trays. */
export interface TrayEntry {
  readonly id: string;
  readonly tray: number;
  readonly pluginId: PluginId;
  readonly order: string;
}

/** A practice session: the stand-in for the music program. */
export interface Session {
  readonly id: SessionId;
  readonly name: string;
  readonly order: string;
}

export const LANE_KINDS = ['instrument', 'audio', 'bus', 'master'] as const;
export type LaneKind = (typeof LANE_KINDS)[number];

export interface Lane {
  readonly id: LaneId;
  readonly sessionId: SessionId;
  readonly kind: LaneKind;
  readonly name: string;
  readonly order: string;
}

export const SLOT_KINDS = ['midi-effect', 'instrument', 'insert'] as const;
export type SlotKind = (typeof SLOT_KINDS)[number];

/** A place in a lane for one plugin; empty when pluginId is null. The build is the one that was loaded. */
export interface Slot {
  readonly id: SlotId;
  readonly laneId: LaneId;
  readonly kind: SlotKind;
  readonly order: string;
  readonly pluginId: PluginId | null;
  readonly buildId: BuildId | null;
}

/** The kinds of rows that everything the producer arranged is made of. */
export interface Rows {
  chest: Chest;
  drawer: Drawer;
  entry: Entry;
  trayEntry: TrayEntry;
  session: Session;
  lane: Lane;
  slot: Slot;
  choice: Choice;
  heldBuild: HeldBuild;
  vendorSpelling: VendorSpelling;
  preference: PreferenceRow;
}
/** In an order in which each kind only refers to earlier ones. */
export const ROW_KINDS = [
  ...(['chest', 'drawer', 'entry', 'trayEntry', 'session', 'lane', 'slot'] as const),
  ...(['choice', 'heldBuild', 'vendorSpelling', 'preference'] as const),
] as const;
export type RowKind = (typeof ROW_KINDS)[number];

/** Everything that the producer arranged on one computer, by kind and id. Treated as immutable. */
export type Arrangement = { readonly [Kind in RowKind]: ReadonlyMap<string, Rows[Kind]> };

export const emptyArrangement = (): Arrangement => ({
  chest: new Map(),
  drawer: new Map(),
  entry: new Map(),
  trayEntry: new Map(),
  session: new Map(),
  lane: new Map(),
  slot: new Map(),
  choice: new Map(),
  heldBuild: new Map(),
  vendorSpelling: new Map(),
  preference: new Map(),
});

export const TRAYS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
export const FAVOURITES = 1;

export const entryId = (drawerId: DrawerId, pluginId: PluginId): string => `${drawerId}/${pluginId}`;
export const trayEntryId = (tray: number, pluginId: PluginId): string => `${String(tray)}/${pluginId}`;

type Ordered = { readonly order: string; readonly id: string };

/** By order key, as plain text and not by language, then by id, so that equal keys never change places. */
export const byOrder = (a: Ordered, b: Ordered): number =>
  a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

export const chestsOf = (state: Arrangement): Chest[] => [...state.chest.values()].sort(byOrder);

/** The drawers directly in a chest (parent null) or in a drawer, in order. */
export const drawersIn = (state: Arrangement, chestId: ChestId, parentId: DrawerId | null): Drawer[] =>
  [...state.drawer.values()].filter((one) => one.chestId === chestId && one.parentId === parentId).sort(byOrder);

/** What was put into a drawer by hand, in order. */
export const entriesIn = (state: Arrangement, drawerId: DrawerId): Entry[] =>
  [...state.entry.values()].filter((one) => one.drawerId === drawerId).sort(byOrder);

export const trayEntries = (state: Arrangement, tray: number): TrayEntry[] =>
  [...state.trayEntry.values()].filter((one) => one.tray === tray).sort(byOrder);

/** A drawer and everything inside it, outer before inner. */
export function drawerAndInner(state: Arrangement, id: DrawerId): Drawer[] {
  const found: Drawer[] = [];
  const queue = [state.drawer.get(id)];
  for (let drawer = queue.shift(); drawer !== undefined; drawer = queue.shift()) {
    found.push(drawer);
    const outer = drawer.id;
    queue.push(...[...state.drawer.values()].filter((one) => one.parentId === outer).sort(byOrder));
  }
  return found;
}

/** The way from the chest to a drawer, outermost first, the drawer itself last. */
export function pathTo(state: Arrangement, id: DrawerId): Drawer[] {
  const path: Drawer[] = [];
  for (let drawer = state.drawer.get(id); drawer !== undefined && path.length < 1000;) {
    path.unshift(drawer);
    drawer = drawer.parentId === null ? undefined : state.drawer.get(drawer.parentId);
  }
  return path;
}
