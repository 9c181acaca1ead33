import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm';
import { ComputerRow } from './computer.js';

/** A picture that the producer gave, named by the SHA-256 of its bytes; kept for as long as undo may bring it back. */
@Entity('picture')
export class PictureRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') id: string;
  @Column('text') type: string;
  @Column('bytea') bytes: Buffer;
}
