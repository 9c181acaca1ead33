import type { Preference } from '../catalogue/preference.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type {
  BuildId,
  BuildKey,
  ChainId,
  ChestId,
  DrawerId,
  ItemId,
  LaneId,
  PluginId,
  SessionId,
  SlotId,
} from '../ids.js';
import type { Rule } from '../rules/rule.js';
import type { ChestSlot } from './rows/chest.js';
import type { LaneKind, LaneWidth } from './rows/lane.js';
import type { OwnEntry } from './rows/own-entry.js';
import type { SlotKind } from './rows/slot.js';
import type { DrawerSort } from './drawer-sort.js';
import type { DrawerSplit } from './drawer-split.js';
import type { LevelSort } from './level-sort.js';
import type { Sign } from './sign.js';
import type { BuildOf, KeyedBuild } from './set-aside.js';

/**
 * What a producer wants done to the arrangement. New things bring their id along, so that screen and server plan the very same change.
 * `before` is the neighbour in front of which something goes; null is the end. Where `pluginIds` are items, they may name presets of plugins as well (`item.ts`).
 */
export type Intent =
  | ChestIntent
  | DrawerIntent
  | FilingIntent
  | TrayIntent
  | NameIntent
  | SessionIntent
  | ChainIntent
  | OwnEntryIntent
  | RightIntent;

type ChestIntent =
  | { kind: 'make-chest'; id: ChestId; name: string; slots: readonly ChestSlot[] | null }
  | { kind: 'rename-chest'; id: ChestId; name: string }
  | { kind: 'set-chest-slots'; id: ChestId; slots: readonly ChestSlot[] | null }
  /** A selection holds what was chosen for it: nothing else is waiting to be filed. */
  | { kind: 'set-chest-selection'; id: ChestId; selection: boolean }
  | { kind: 'move-chest'; id: ChestId; before: ChestId | null }
  /** `label` null takes the divider in front of a chest away. */
  | { kind: 'divide-chests'; id: ChestId; label: string | null }
  /** The ids of what the copy holds are made of its own. `filled` false: its drawers, dividers and rules, and nothing that was filed by hand. */
  | { kind: 'copy-chest'; id: ChestId; newId: ChestId; name: string; filled?: boolean }
  | { kind: 'delete-chest'; id: ChestId };

type DrawerIntent =
  | {
      kind: 'make-drawer';
      id: DrawerId;
      chestId: ChestId;
      parentId: DrawerId | null;
      name: string;
      rule: Rule | null;
      pluginIds: readonly ItemId[];
    }
  | { kind: 'rename-drawer'; id: DrawerId; name: string }
  | { kind: 'set-rule'; id: DrawerId; rule: Rule | null }
  | { kind: 'set-most'; id: DrawerId; most: number | null }
  | { kind: 'set-sort'; id: DrawerId; sort: DrawerSort | null }
  | { kind: 'set-split'; id: DrawerId; split: DrawerSplit | null }
  | { kind: 'move-drawer'; id: DrawerId; chestId: ChestId; parentId: DrawerId | null; before: DrawerId | null }
  | { kind: 'copy-drawer'; id: DrawerId; newId: DrawerId; chestId: ChestId; parentId: DrawerId | null }
  | { kind: 'delete-drawer'; id: DrawerId }
  /** Puts all that drawers hold, and their inner drawers, into another one, and deletes them. */
  | { kind: 'merge-drawers'; intoId: DrawerId; ids: readonly DrawerId[] }
  | { kind: 'set-sign'; id: DrawerId; sign: Sign | null }
  /** `shown` false leaves a drawer and its inner ones out of every menu, for a while. */
  | { kind: 'show-in-menus'; id: DrawerId; shown: boolean }
  /** `label` null takes the divider in front of a drawer away. */
  | { kind: 'divide-drawers'; id: DrawerId; label: string | null }
  /** How the drawers of a level are sorted for good; `parentId` null is the chest itself. */
  | { kind: 'set-level-sort'; chestId: ChestId; parentId: DrawerId | null; sort: LevelSort | null }
  /** Gives the drawers of a level the order of these ids; `by` says what they were sorted by. */
  | { kind: 'arrange-drawers'; chestId: ChestId; parentId: DrawerId | null; ids: readonly DrawerId[]; by: LevelSort };

type FilingIntent =
  | { kind: 'file'; drawerIds: readonly DrawerId[]; pluginIds: readonly ItemId[] }
  /** Files into the chest itself, without a drawer; `id` is what holds them there, where nothing does yet. */
  | { kind: 'file-loose'; chestId: ChestId; id: DrawerId; pluginIds: readonly ItemId[] }
  /** Files plugins at one spot of a drawer, and moves those that stand in it already, and dividers, there; `before` is an entry or a divider. */
  | {
      kind: 'place';
      drawerId: DrawerId;
      pluginIds: readonly ItemId[];
      dividerIds: readonly string[];
      before: string | null;
    }
  | { kind: 'take-out'; drawerId: DrawerId; pluginIds: readonly ItemId[] }
  /** Out of every drawer that they were filed into by hand, and off every tray. */
  | { kind: 'take-out-everywhere'; pluginIds: readonly ItemId[] }
  /** Keeps what a rule takes out of its drawer, and what was put in by hand as well; `decide-by-rule` ends every exception. */
  | { kind: 'never-in'; drawerId: DrawerId; pluginIds: readonly ItemId[] }
  | { kind: 'decide-by-rule'; drawerId: DrawerId; pluginIds: readonly ItemId[] }
  /** Gives all entries and dividers of a drawer the order of these ids; `by` says what it was sorted by. */
  | { kind: 'arrange'; drawerId: DrawerId; ids: readonly string[]; by: DrawerSort }
  | { kind: 'add-divider'; id: string; drawerId: DrawerId; label: string; before: string | null }
  | { kind: 'label-divider'; id: string; label: string }
  | { kind: 'remove-divider'; id: string }
  | { kind: 'name-entry'; drawerId: DrawerId; pluginId: ItemId; name: string | null }
  /** Lets a place in a drawer load a certain build; null: the usual one. */
  | { kind: 'bind-entry'; drawerId: DrawerId; pluginId: ItemId; build: KeyedBuild | null };

type TrayIntent =
  | { kind: 'tray-on'; tray: number; pluginIds: readonly ItemId[] }
  | { kind: 'tray-off'; tray: number; pluginIds: readonly ItemId[] }
  | { kind: 'place-on-tray'; tray: number; pluginIds: readonly ItemId[]; before: ItemId | null }
  /** `pluginIds` null: whatever stands on them. */
  | { kind: 'clear-trays'; trays: readonly number[]; pluginIds: readonly ItemId[] | null }
  | { kind: 'name-tray'; tray: number; name: string | null }
  | { kind: 'set-tray-sign'; tray: number; sign: Sign | null }
  | { kind: 'show-tray-in-menus'; tray: number; shown: boolean }
  | { kind: 'swap-trays'; tray: number; with: number };

type NameIntent =
  | { kind: 'name-plugins'; pluginIds: readonly ItemId[]; naming: NewNames }
  | {
      kind: 'set-aside';
      pluginIds: readonly PluginId[];
      builds: readonly BuildOf[];
      /** One of ASIDE_REASONS, or the producer's own words. */
      reason: string;
      until: string | null;
      note?: string | null;
      /** On this computer only; else everywhere. */
      here?: boolean;
    }
  | { kind: 'bring-back'; pluginIds: readonly PluginId[]; builds: readonly BuildOf[] }
  | { kind: 'show-face'; pluginId: PluginId; picture: string | null }
  | { kind: 'keep-search'; id: string; name: string; query: string }
  | { kind: 'forget-search'; id: string }
  | { kind: 'look'; at: string };

type SessionIntent =
  | { kind: 'load'; slotId: SlotId; pluginId: ItemId; buildId: BuildId | null }
  | { kind: 'clear-slot'; slotId: SlotId }
  | { kind: 'make-session'; id: SessionId; name: string; lanes: readonly NewLane[] }
  | { kind: 'rename-session'; id: SessionId; name: string }
  /** The ids of what the copy holds are made of its own; `filled`: with the plugins in its slots. */
  | { kind: 'copy-session'; id: SessionId; newId: SessionId; name: string; filled: boolean }
  | { kind: 'mark-template'; id: SessionId; template: boolean }
  | { kind: 'move-session'; id: SessionId; before: SessionId | null }
  | { kind: 'delete-session'; id: SessionId }
  | { kind: 'add-lane'; sessionId: SessionId; lane: NewLane }
  | { kind: 'change-lane'; id: LaneId; name: string; width: LaneWidth | null }
  | { kind: 'move-lane'; id: LaneId; before: LaneId | null }
  | { kind: 'copy-lane'; id: LaneId; newId: LaneId }
  | { kind: 'delete-lane'; id: LaneId }
  | { kind: 'add-slot'; id: SlotId; laneId: LaneId; slot: SlotKind; before: SlotId | null }
  | { kind: 'delete-slot'; slotId: SlotId }
  | { kind: 'bypass'; slotId: SlotId; bypass: boolean }
  | { kind: 'feed-sidechain'; slotId: SlotId; sidechain: boolean }
  /** Puts what is in a slot into another one: what stands there comes back in exchange, or makes room for a copy. */
  | { kind: 'move-slot'; slotId: SlotId; toId: SlotId; copy: boolean };

type ChainIntent =
  | { kind: 'keep-chain'; id: ChainId; name: string; slotIds: readonly SlotId[] }
  | { kind: 'rename-chain'; id: ChainId; name: string }
  /** Gives a chain other parts, in this order; an item may be a preset. */
  | { kind: 'arrange-chain'; id: ChainId; parts: readonly { readonly item: ItemId; readonly bypass: boolean }[] }
  | { kind: 'delete-chain'; id: ChainId };

type OwnEntryIntent =
  | { kind: 'add-own-entries'; entries: readonly Omit<OwnEntry, 'file'>[] }
  /** Makes entries of files that were found, so that they can stand somewhere; those that are there already stay as they are. */
  | { kind: 'take-in-files'; entries: readonly OwnEntry[] }
  | ({ kind: 'change-own-entry'; id: PluginId } & Omit<OwnEntry, 'id' | 'addedAt' | 'file'>)
  | { kind: 'delete-own-entries'; ids: readonly PluginId[] };

type RightIntent =
  | { kind: 'put-right'; pluginIds: readonly PluginId[]; right: Right }
  | { kind: 'prefer-build'; pluginId: PluginId; buildId: BuildId | null }
  /** Keeps a build from every rule of thumb that sets builds aside; `reason` null keeps it no longer. */
  | { kind: 'keep-build'; build: KeyedBuild; reason: string | null }
  | { kind: 'note-vendor'; vendor: string; note: string | null; link: string | null }
  | { kind: 'prefer-builds'; preference: Preference | null }
  | { kind: 'join-plugins'; intoId: PluginId; pluginIds: readonly PluginId[]; builds: readonly KeyedBuild[] }
  | { kind: 'split-plugin'; pluginId: PluginId; newId: PluginId; builds: readonly KeyedBuild[] }
  | { kind: 'release-builds'; keys: readonly BuildKey[] }
  | { kind: 'name-vendor'; spellings: readonly string[]; name: string | null; apart: boolean };

/** What is put right for plugins: a field that is absent stays, null goes back to what is worked out. */
export interface Right {
  readonly role?: Role | null;
  readonly types?: readonly TypeId[] | null;
  readonly vendor?: string | null;
}

/** New names and notes: a field that is absent stays, null goes back to what the files say. */
export interface NewNames {
  readonly nickname?: string | null;
  readonly stripLabel?: string | null;
  readonly note?: string | null;
  readonly addTags?: readonly string[];
  readonly removeTags?: readonly string[];
}

/** A lane as it is wished for, with its slots. */
export interface NewLane {
  readonly id: LaneId;
  readonly kind: LaneKind;
  readonly name: string;
  readonly width?: LaneWidth | null;
  readonly inserts: number;
}

/** What names an intent. */
export type IntentKind = Intent['kind'];
/** The intent of a kind. */
export type Wish<Kind extends IntentKind> = Extract<Intent, { kind: Kind }>;
