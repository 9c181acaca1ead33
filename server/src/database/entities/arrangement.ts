import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { ChestSlot, LaneKind, SlotKind } from '@clever-drawer/core/chests/arrangement';
import type { DrawerSort } from '@clever-drawer/core/chests/drawer-sort';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { Rule } from '@clever-drawer/core/rules/rule';
import type { LoadWay } from '@clever-drawer/contract/requests';
import { PluginRow } from './catalogue.js';
import { ComputerRow } from './computer.js';

// Ids are only unique together with the computer: the same arrangement may be imported on two of them.
// Columns bear the names of the fields in core, so that rows go in and out as JSON.

@Entity('chest')
export class ChestRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('text') order: string;
  @Column('jsonb', { nullable: true }) slots: ChestSlot[] | null;
}

@Entity('drawer')
@Index(['computerId', 'chestId'])
@ForeignKey(() => ChestRow, ['computerId', 'chestId'], ['computerId', 'id'])
@ForeignKey(() => DrawerRow, ['computerId', 'parentId'], ['computerId', 'id'])
export class DrawerRow {
  @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') chestId: string;
  @Column('text', { nullable: true }) parentId: string | null;
  @Column('text') name: string;
  @Column('text') order: string;
  @Column('jsonb', { nullable: true }) rule: Rule | null;
  @Column('text', { nullable: true }) sort: DrawerSort | null;
}

@Entity('entry')
@Index(['computerId', 'drawerId', 'pluginId'], { unique: true })
@ForeignKey(() => DrawerRow, ['computerId', 'drawerId'], ['computerId', 'id'])
@ForeignKey(() => PluginRow, ['computerId', 'pluginId'], ['computerId', 'id'])
export class EntryRow {
  @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') drawerId: string;
  @Column('text') pluginId: string;
  @Column('text') order: string;
  @Column('text', { nullable: true }) name: string | null;
}

@Entity('divider')
@Index(['computerId', 'drawerId'])
@ForeignKey(() => DrawerRow, ['computerId', 'drawerId'], ['computerId', 'id'])
export class DividerRow {
  @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') drawerId: string;
  @Column('text') label: string;
  @Column('text') order: string;
}

@Entity('tray_name')
export class TrayNameRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
}

@Entity('kept_search')
export class KeptSearchRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('text') query: string;
  @Column('text') order: string;
}

@Entity('tray_entry')
@Index(['computerId', 'tray', 'pluginId'], { unique: true })
@ForeignKey(() => PluginRow, ['computerId', 'pluginId'], ['computerId', 'id'])
export class TrayEntryRow {
  @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('smallint') tray: number;
  @Column('text') pluginId: string;
  @Column('text') order: string;
}

@Entity('session')
export class SessionRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('text') order: string;
}

@Entity('lane')
@ForeignKey(() => SessionRow, ['computerId', 'sessionId'], ['computerId', 'id'])
export class LaneRow {
  @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') sessionId: string;
  @Column('text') kind: LaneKind;
  @Column('text') name: string;
  @Column('text') order: string;
}

@Entity('slot')
@ForeignKey(() => LaneRow, ['computerId', 'laneId'], ['computerId', 'id'])
@ForeignKey(() => PluginRow, ['computerId', 'pluginId'], ['computerId', 'id'])
export class SlotRow {
  @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') laneId: string;
  @Column('text') kind: SlotKind;
  @Column('text') order: string;
  @Column('text', { nullable: true }) pluginId: string | null;
  @Column('text', { nullable: true }) buildId: string | null;
}

/** The journal of changes, for undo and redo: what was done, as data with its inverse. */
@Entity('change')
export class ChangeRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('integer') seq: number;
  @Column('text') label: string;
  @Column('jsonb') edits: Edit[];
  @Column('boolean', { default: false }) undone: boolean;
  @Column('timestamptz', { default: () => 'now()' }) madeAt: Date;
}

/** One load of a plugin into a slot: how it was reached, and how long that took. */
@Entity('load')
@Index(['computerId', 'loadedAt'])
@ForeignKey(() => PluginRow, ['computerId', 'pluginId'], ['computerId', 'id'])
export class LoadRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') computerId: string;
  @Column('text') pluginId: string;
  @Column('uuid', { nullable: true }) buildId: string | null;
  @Column('text') slotId: string;
  @Column('text') way: LoadWay;
  @Column('integer') milliseconds: number;
  @Column('timestamptz', { default: () => 'now()' }) loadedAt: Date;
}
