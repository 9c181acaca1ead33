import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { System } from '@clever-drawer/core/facts/format';
import type { UnionReport } from '@clever-drawer/contract/responses';
import type { ScanEvent } from '@clever-drawer/core/catalogue/scan-story';
import type { ScanOutcome, ScanState } from '@clever-drawer/contract/responses';

/** A computer of the studio. */
@Entity('computer')
export class ComputerRow {
  @PrimaryColumn('uuid') id: string;
  @Column('text') name: string;
  @Column('text') system: System;
  @Column('timestamptz', { default: () => 'now()' }) createdAt: Date;
}

/** The studio, of which there is one. The revisions count changes of the arrangement and of the catalogues of all computers. */
@Entity('studio')
export class StudioRow {
  @PrimaryColumn('integer') id: number;
  /** Random id, renewed at every start of a server, so that revisions of replaced data are never mistaken for those of today. */
  @Column('uuid') epoch: string;
  @Column('integer', { default: 0 }) arrangementRevision: number;
  @Column('integer', { default: 0 }) catalogueRevision: number;
  /** Whether the rules by which builds are grouped are other ones than when it was last done. */
  @Column('boolean', { default: false }) regroups: boolean;
  /** What became of the arrangements of several computers when they were made one; null where there was one only. */
  @Column('jsonb', { nullable: true }) union: UnionReport | null;
  /** Whether loads are counted. */
  @Column('boolean', { default: true }) keepsUse: boolean;
  /** What was open last in menus: the ids of chests and drawers by the names of the menus. */
  @Column('jsonb', { default: {} }) lastOpen: Readonly<Record<string, string>>;
  /** Where picks are sent by Open Sound Control; null for nowhere. */
  @Column('text', { nullable: true }) oscHost: string | null;
  @Column('integer', { nullable: true }) oscPort: number | null;
}

/** A scan of everything drops what lies outside of all folders; `again` reads and asks anew what has not changed, `problems` only what could not be read or asked; `places` are single ones. */
export interface ScanWish {
  readonly places?: readonly string[];
  readonly everything?: boolean;
  readonly again?: boolean;
  readonly problems?: boolean;
}

/** One scan: its state lives here and not in the process, so that any server process can tell and cancel it. */
@Entity('scan')
@Index(['computerId', 'startedAt'])
export class ScanRow {
  @PrimaryColumn('uuid') id: string;
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @Column('uuid') computerId: string;
  @Column('text') state: ScanState;
  @Column('jsonb') folders: string[];
  @Column('jsonb') progress: { found: number; read: number; current: string | null };
  @Column('boolean', { default: false }) cancelRequested: boolean;
  @Column('timestamptz', { default: () => 'now()' }) heartbeatAt: Date;
  @Column('timestamptz', { default: () => 'now()' }) startedAt: Date;
  @Column('timestamptz', { nullable: true }) endedAt: Date | null;
  @Column('jsonb', { nullable: true }) outcome: ScanOutcome | null;
  /** How many problems it met. */
  @Column('integer', { default: 0 }) problems: number;
  /** What it is to do besides its folders. */
  @Column('jsonb', { default: {} }) wish: ScanWish;
  /** Show the details build and place; large, and only read when it is looked at. */
  @Column('jsonb', { nullable: true, select: false }) story: ScanEvent[] | null;
  @Column('text', { nullable: true }) failure: string | null;
}
