import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { Grade } from '@clever-drawer/core/catalogue/kind';
import type { Role } from '@clever-drawer/core/catalogue/role';
import type { TypeId } from '@clever-drawer/core/catalogue/type-tree';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { Reading } from '@clever-drawer/core/facts/place';
import { ComputerRow } from './computer.js';

/** A plugin of a computer's catalogue; without found builds it keeps its place and counts as not found. */
@Entity('plugin')
export class PluginRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('text', { nullable: true }) vendor: string | null;
  @Column('text', { nullable: true }) role: Role | null;
  @Column('text', { default: 'unknown' }) roleGrade: Grade;
  @Column('jsonb') types: TypeId[];
  @Column('text', { default: 'unknown' }) typeGrade: Grade;
  @Column('jsonb', { default: [] }) contradictions: string[];
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

/** A place on disk as the last scan read it: what makes a rescan quick, and the problems that stand. */
@Entity('place')
export class PlaceRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') path: string;
  @Column('jsonb') stamp: readonly string[];
  @Column('jsonb') reading: Reading;
}
