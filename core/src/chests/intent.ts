import type { BuildId, ChestId, DrawerId, LaneId, PluginId, SessionId, SlotId } from '../ids.js';
import type { Rule } from '../rules/rule.js';
import type { LaneKind } from './arrangement.js';

/**
 * What a producer wants done to the arrangement. New things bring their id along, so that screen and server plan the very same change.
 * `before` is the neighbour in front of which something goes; null is the end.
 */
export type Intent =
  | { kind: 'make-chest'; id: ChestId; name: string }
  | { kind: 'rename-chest'; id: ChestId; name: string }
  | { kind: 'delete-chest'; id: ChestId }
  | {
      kind: 'make-drawer';
      id: DrawerId;
      chestId: ChestId;
      parentId: DrawerId | null;
      name: string;
      rule: Rule | null;
      pluginIds: readonly PluginId[];
    }
  | { kind: 'rename-drawer'; id: DrawerId; name: string }
  | { kind: 'set-rule'; id: DrawerId; rule: Rule | null }
  | { kind: 'move-drawer'; id: DrawerId; parentId: DrawerId | null; before: DrawerId | null }
  | { kind: 'delete-drawer'; id: DrawerId }
  | { kind: 'file'; drawerIds: readonly DrawerId[]; pluginIds: readonly PluginId[] }
  | { kind: 'take-out'; drawerId: DrawerId; pluginIds: readonly PluginId[] }
  | { kind: 'tray-on'; tray: number; pluginIds: readonly PluginId[] }
  | { kind: 'tray-off'; tray: number; pluginIds: readonly PluginId[] }
  | { kind: 'load'; slotId: SlotId; pluginId: PluginId; buildId: BuildId | null }
  | { kind: 'clear-slot'; slotId: SlotId }
  | { kind: 'make-session'; id: SessionId; name: string; lanes: readonly NewLane[] };

export interface NewLane {
  readonly id: LaneId;
  readonly kind: LaneKind;
  readonly name: string;
  readonly inserts: number;
}

export type IntentKind = Intent['kind'];
