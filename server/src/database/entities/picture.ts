import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A picture that the producer gave, named by the SHA-256 of its bytes; kept for as long as undo may bring it back. */
@Entity('picture')
export class PictureRow {
  @PrimaryColumn('text') id: string;
  @Column('text') type: string;
  @Column('bytea') bytes: Buffer;
}
