import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { PackedEdits } from '@clever-drawer/core/chests/packed-edits';
import type { PluginId } from '@clever-drawer/core/ids';
import type { LoadWay } from '@clever-drawer/core/menu/use';
import { ComputerRow } from './computer.js';

/**
 * The journal of changes, for undo and redo: what was done, at which computer, as data with its inverse. `seq` is the studio's revision that the step made,
 * `form` the form of its rows (ROW_FORM in core), `moved` the plugins that builds belonged to before, where the step grouped them otherwise.
 * Many edits stand in it column by column.
 */
@Entity('change')
@Index(['computerId', 'seq'], { where: 'NOT undone' })
@Index('change_undone', ['computerId', 'seq'], { where: 'undone' })
export class ChangeRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @Column('uuid') computerId: string;
  @PrimaryColumn('integer') seq: number;
  @Column('text') label: string;
  @Column('jsonb') edits: Edit[] | PackedEdits;
  @Column('boolean', { default: false }) undone: boolean;
  @Column('timestamptz', { default: () => 'now()' }) madeAt: Date;
  @Column('integer', { default: 1 }) form: number;
  /** The browser window that made the step, as it names itself; null for scripts. */
  @Column('text', { nullable: true }) window: string | null;
  @Column('jsonb', { nullable: true }) moved: Readonly<Record<string, PluginId>> | null;
}

/** One load of a plugin into a slot: how it was reached, how long that took, the step of the journal that did it, and whether that was undone. */
@Entity('load')
@Index(['computerId', 'loadedAt'])
@Index(['computerId', 'change'])
export class LoadRow {
  @PrimaryColumn('uuid') id: string;
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @Column('uuid') computerId: string;
  /** A plugin of the catalogue, or an own entry. */
  @Column('text') pluginId: string;
  /** The key of the preset that was loaded; null for the plugin itself. */
  @Column('text', { nullable: true }) preset: string | null;
  @Column('uuid', { nullable: true }) buildId: string | null;
  @Column('text') slotId: string;
  /** The place as it was then: kind of slot, kind and name of lane, name of session, the item that stood before it. Null where it is not known. */
  @Column('text', { nullable: true }) slotKind: string | null;
  @Column('text', { nullable: true }) laneKind: string | null;
  @Column('text', { nullable: true }) lane: string | null;
  @Column('text', { nullable: true }) session: string | null;
  @Column('text', { nullable: true }) before: string | null;
  @Column('text') way: LoadWay;
  @Column('integer') milliseconds: number;
  /** Keys and clicks from opening the chooser to choosing. */
  @Column('integer', { nullable: true }) keys: number | null;
  @Column('integer', { nullable: true }) clicks: number | null;
  @Column('timestamptz', { default: () => 'now()' }) loadedAt: Date;
  /** Null for loads of before this was kept: they count. */
  @Column('integer', { nullable: true }) change: number | null;
  @Column('boolean', { default: false }) undone: boolean;
}
