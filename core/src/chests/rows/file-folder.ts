import { ROLES, type Role } from '../../catalogue/role.js';
import { MAX_FOLDER_PATH_LENGTH } from './plugin-folder.js';
import { MAX_NAME_LENGTH, oneOf, orNull, rowKind, text, textsUpTo, textUpTo } from './row-kind.js';

/** The most characters of a file name ending. */
export const MAX_ENDING_LENGTH = 20;
/** The most endings of a folder. */
export const MAX_ENDINGS = 50;

/** A folder of a computer in which files other than plugins are found by their endings: a program's own presets, racks, samples. */
export interface FileFolder {
  readonly id: string;
  /** Full path, as the computer's system writes it. */
  readonly path: string;
  /** In small letters and without the dot: "rack". */
  readonly endings: readonly string[];
  /** The music program or collection that its files belong to. */
  readonly program: string;
  /** What its files are; null where their names tell it. */
  readonly role: Role | null;
  /** ISO time. */
  readonly addedAt: string;
}

/** Folders of other files as rows. */
export const FILE_FOLDER = rowKind<FileFolder>()({
  table: 'file_folder',
  scope: 'computer',
  columns: {
    id: text,
    path: textUpTo(MAX_FOLDER_PATH_LENGTH),
    endings: textsUpTo(MAX_ENDING_LENGTH),
    program: textUpTo(MAX_NAME_LENGTH),
    role: orNull(oneOf(ROLES)),
    addedAt: text,
  },
  indexes: [{ columns: ['path'], unique: true }],
});
