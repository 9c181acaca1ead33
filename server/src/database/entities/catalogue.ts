import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { Grade } from '@clever-drawer/core/catalogue/evidence';
import type { Role } from '@clever-drawer/core/catalogue/role';
import type { TypeId } from '@clever-drawer/core/catalogue/type-tree';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { Reading } from '@clever-drawer/core/facts/place';
import { ComputerRow } from './computer.js';

/** A plugin of the studio, worked out from its builds on all computers; without builds it keeps its place. */
@Entity('plugin')
export class PluginRow {
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('text', { nullable: true }) vendor: string | null;
  @Column('text', { nullable: true }) role: Role | null;
  @Column('text', { default: 'unknown' }) roleGrade: Grade;
  @Column('jsonb') types: TypeId[];
  @Column('text', { default: 'unknown' }) typeGrade: Grade;
  @Column('jsonb', { default: [] }) contradictions: string[];
}

/** One instance of a plugin installed on a computer, with the facts of the last scan that saw it. */
@Entity('build')
@Index(['computerId', 'pluginId'])
@Index(['pluginId'])
export class BuildRow {
  @PrimaryColumn('uuid') id: string;
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @Column('uuid') computerId: string;
  @ForeignKey(() => PluginRow) @Column('text') pluginId: string;
  @Column('boolean') found: boolean;
  @Column('jsonb') facts: BuildFacts;
  /** When it was first met. */
  @Column('timestamptz', { default: () => 'now()' }) arrivedAt: Date;
  /** Whether it was there when its folder was first scanned. */
  @Column('boolean', { default: false }) arrivedWithFolder: boolean;
}

/** A place on disk as the last scan read it: what makes a rescan quick, and the problems that stand. */
@Entity('place')
export class PlaceRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') path: string;
  @Column('jsonb') stamp: readonly string[];
  @Column('jsonb') reading: Reading;
}
