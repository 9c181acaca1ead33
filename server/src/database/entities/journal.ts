import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { LoadWay } from '@clever-drawer/contract/requests';
import { PluginRow } from './catalogue.js';
import { ComputerRow } from './computer.js';

/** The journal of changes, for undo and redo: what was done, as data with its inverse. `form` is the form of its rows (ROW_FORM in core). */
@Entity('change')
@Index(['computerId', 'seq'], { where: 'NOT undone' })
@Index('change_undone', ['computerId', 'seq'], { where: 'undone' })
export class ChangeRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('integer') seq: number;
  @Column('text') label: string;
  @Column('jsonb') edits: Edit[];
  @Column('boolean', { default: false }) undone: boolean;
  @Column('timestamptz', { default: () => 'now()' }) madeAt: Date;
  @Column('integer', { default: 1 }) form: number;
}

/** One load of a plugin into a slot: how it was reached, how long that took, the step of the journal that did it, and whether that was undone. */
@Entity('load')
@Index(['computerId', 'loadedAt'])
@Index(['computerId', 'change'])
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
  /** Null for loads of before this was kept: they count. */
  @Column('integer', { nullable: true }) change: number | null;
  @Column('boolean', { default: false }) undone: boolean;
}
