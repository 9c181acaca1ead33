import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm';
import type { Criterion } from '@clever-drawer/core/catalogue/preference';
import type { Role } from '@clever-drawer/core/catalogue/role';
import type { TypeId } from '@clever-drawer/core/catalogue/type-tree';
import type { AsideReason } from '@clever-drawer/core/chests/set-aside';
import type { Format } from '@clever-drawer/core/facts/format';
import { ComputerRow } from './computer.js';

// What the producer put right. Columns bear the names of the fields in core, so that rows go in and out as JSON. Nothing here refers to the rows
// of the catalogue: a scan may take those away and bring them back.

@Entity('choice')
export class ChoiceRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text', { nullable: true }) role: Role | null;
  @Column('jsonb', { nullable: true }) types: TypeId[] | null;
  @Column('text', { nullable: true }) vendor: string | null;
  @Column('text', { nullable: true }) buildId: string | null;
}

@Entity('held_build')
export class HeldBuildRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') pluginId: string;
  @Column('text') fromPluginId: string;
  @Column('boolean') whole: boolean;
}

@Entity('vendor_spelling')
export class VendorSpellingRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') key: string;
  @Column('text') name: string;
}

@Entity('preference')
export class PreferenceRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('jsonb') criteria: Criterion[];
  @Column('jsonb') formats: Format[];
}

@Entity('naming')
export class NamingRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text', { nullable: true }) nickname: string | null;
  @Column('text', { nullable: true }) stripLabel: string | null;
  @Column('text', { nullable: true }) note: string | null;
  @Column('jsonb') tags: string[];
}

@Entity('aside')
export class AsideRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') pluginId: string;
  @Column('text', { nullable: true }) buildId: string | null;
  @Column('text') reason: AsideReason;
  @Column('text', { nullable: true }) until: string | null;
}

@Entity('face')
export class FaceRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') picture: string;
}

@Entity('look')
export class LookRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') at: string;
}

/** A picture that the producer gave, named by the SHA-256 of its bytes; kept for as long as undo may bring it back. */
@Entity('picture')
export class PictureRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') type: string;
  @Column('bytea') bytes: Buffer;
}
