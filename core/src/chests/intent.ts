import type { BuildId, ChestId, DrawerId, LaneId, PluginId, SessionId, SlotId } from '../ids.js';
import type { Rule } from '../rules/rule.js';
import type { Preference } from '../catalogue/preference.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
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
  | { kind: 'put-right'; pluginIds: readonly PluginId[]; right: Right }
  | { kind: 'prefer-build'; pluginId: PluginId; buildId: BuildId | null }
  | { kind: 'prefer-builds'; preference: Preference | null }
  | { kind: 'join-plugins'; intoId: PluginId; pluginIds: readonly PluginId[]; builds: readonly BuildOfPlugin[] }
  | { kind: 'split-plugin'; pluginId: PluginId; newId: PluginId; buildIds: readonly BuildId[] }
  | { kind: 'release-builds'; buildIds: readonly BuildId[] }
  | { kind: 'name-vendor'; spellings: readonly string[]; name: string | null; apart: boolean }
  | { kind: 'make-session'; id: SessionId; name: string; lanes: readonly NewLane[] };

/** What is put right for plugins: a field that is absent stays, null goes back to what is worked out. */
export interface Right {
  readonly role?: Role | null;
  readonly types?: readonly TypeId[] | null;
  readonly vendor?: string | null;
}

export interface BuildOfPlugin {
  readonly id: BuildId;
  readonly pluginId: PluginId;
}

export interface NewLane {
  readonly id: LaneId;
  readonly kind: LaneKind;
  readonly name: string;
  readonly inserts: number;
}

export type IntentKind = Intent['kind'];
