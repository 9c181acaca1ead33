import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { Role } from '@clever-drawer/core/catalogue/role';
import type { TypeId } from '@clever-drawer/core/catalogue/type-tree';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { ComputerRow } from './computer.js';

/** A plugin of a computer's catalogue; without found builds it keeps its place and counts as not found. */
@Entity('plugin')
export class PluginRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('text', { nullable: true }) vendor: string | null;
  @Column('text', { nullable: true }) role: Role | null;
  @Column('jsonb') types: TypeId[];
  @Column('timestamptz', { default: () => 'now()' }) arrivedAt: Date;
}

/** One installed instance of a plugin, with the facts of the last scan that saw it. */
@Entity('build')
@Index(['computerId', 'pluginId'])
@ForeignKey(() => PluginRow, ['computerId', 'pluginId'], ['computerId', 'id'], { onDelete: 'CASCADE' })
export class BuildRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') computerId: string;
  @Column('text') pluginId: string;
  @Column('boolean') found: boolean;
  @Column('jsonb') facts: BuildFacts;
}
