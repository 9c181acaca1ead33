import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { FilesRead } from '@clever-drawer/scan/read-files';
import { ComputerRow } from './computer.js';

/** A file other than a plugin, as the last reading of its folder found it. */
@Entity('other_file')
@Index(['computerId', 'id'])
@Index('other_file_words', { synchronize: false })
export class OtherFileRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') folderId: string;
  /** Its path in the folder, with forward slashes. */
  @PrimaryColumn('text') inside: string;
  /** See OtherFile in core. */
  @Column('text') id: string;
  @Column('text') name: string;
  @Column('text') file: string;
  @Column('tsvector') words: string;
}

/** How a folder of files was read last. */
@Entity('file_folder_reading')
export class FileFolderReadingRow {
  @ForeignKey(() => ComputerRow, { onDelete: 'CASCADE' }) @PrimaryColumn('uuid') computerId: string;
  @PrimaryColumn('text') folderId: string;
  @Column('timestamptz') readAt: Date;
  @Column('integer') files: number;
  @Column('integer') leftOut: number;
  @Column('text', { nullable: true }) problem: FilesRead['problem'];
}
