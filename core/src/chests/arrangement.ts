import type { BuildId, ChestId, DrawerId, LaneId, PluginId, SessionId, SlotId } from '../ids.js';
import type { Rule } from '../rules/rule.js';
import type { Choice, HeldBuild, PreferenceRow, VendorSpelling } from './by-hand.js';
import type { DrawerSort } from './drawer-sort.js';
import type { Naming } from './naming.js';
import type { Aside } from './set-aside.js';

/** One whole arrangement of drawers. */
export interface Chest {
  readonly id: ChestId;
  readonly name: string;
  /** Order key among its siblings, compared as plain text. */
  readonly order: string;
  /** The slots that it is meant for; null for all. */
  readonly slots: readonly ChestSlot[] | null;
}

/** Slots that a chest can be meant for: an instrument's, an insert of a track, an insert of a bus or the master. */
export const CHEST_SLOTS = ['instrument', 'insert', 'bus'] as const;
export type ChestSlot = (typeof CHEST_SLOTS)[number];

/** A folder in a chest; with a rule it is a clever drawer and fills itself besides what was put in by hand. */
export interface Drawer {
  readonly id: DrawerId;
  readonly chestId: ChestId;
  readonly parentId: DrawerId | null;
  readonly name: string;
  readonly order: string;
  readonly rule: Rule | null;
  /** How its entries are sorted for good; null leaves them in the order given by hand. */
  readonly sort: DrawerSort | null;
}

/** A plugin's place in a drawer. Its id is made of both, so that a plugin can't stand in a drawer twice. */
export interface Entry {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly pluginId: PluginId;
  readonly order: string;
  /** A name in this drawer alone. */
  readonly name: string | null;
}

/** A line between the entries of a drawer, ordered among them; its label may be empty. */
export interface Divider {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly label: string;
  readonly order: string;
}

/** The name of a tray, by its number as text. */
export interface TrayName {
  readonly id: string;
  readonly name: string;
}

/** Search words and filters under a name, as the address of the filtered list holds them. */
export interface KeptSearch {
  readonly id: string;
  readonly name: string;
  readonly query: string;
  readonly order: string;
}

/** The picture by which a plugin is known, put there by the producer: the name of its content. */
export interface Face {
  readonly id: PluginId;
  readonly picture: string;
}

/** When the producer last looked at what had arrived; there is one row at most. */
export interface Look {
  readonly id: typeof LAST_LOOK;
  /** ISO time. */
  readonly at: string;
}
export const LAST_LOOK = 'last';

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
  divider: Divider;
  trayName: TrayName;
  naming: Naming;
  aside: Aside;
  keptSearch: KeptSearch;
  face: Face;
  look: Look;
}
/** In an order in which each kind only refers to earlier ones. */
export const ROW_KINDS = [
  ...(['chest', 'drawer', 'entry', 'trayEntry', 'session', 'lane', 'slot'] as const),
  ...(['choice', 'heldBuild', 'vendorSpelling', 'preference'] as const),
  ...(['divider', 'trayName', 'naming', 'aside', 'keptSearch', 'face', 'look'] as const),
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
  divider: new Map(),
  trayName: new Map(),
  naming: new Map(),
  aside: new Map(),
  keptSearch: new Map(),
  face: new Map(),
  look: new Map(),
});

export const TRAYS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
export const FAVOURITES = 1;

export const entryId = (drawerId: DrawerId, pluginId: PluginId): string => `${drawerId}/${pluginId}`;
export const trayEntryId = (tray: number, pluginId: PluginId): string => `${String(tray)}/${pluginId}`;
