/** What is answered about files other than plugins. */
import { ROLES } from '@clever-drawer/core/catalogue/role';
import type { PluginId } from '@clever-drawer/core/ids';
import { count, idOf, listOf, moment, one, thing, words, type Answer } from '../schema.js';

/** What keeps a folder of files from being read. */
export const FILE_FOLDER_PROBLEMS = ['missing', 'unreadable', 'refused', 'failed'] as const;

/**
 * A folder in which files are found by their endings. `files`: found by the last reading; `leftOut`: beyond what is kept, or with a name that can't be; `readAt`: null
 * before the first one. `problem`: why it could not be read; what was found before stays.
 */
export const fileFolderView = thing('ListedFileFolder', {
  id: words(),
  path: words(),
  endings: listOf(words()),
  program: words(),
  role: one(ROLES).nullable(),
  files: count(),
  leftOut: count(),
  readAt: moment().nullable(),
  problem: one(FILE_FOLDER_PROBLEMS).nullable(),
});
/** See fileFolderView. */
export type FileFolderView = Answer<typeof fileFolderView>;

/** The folders of files, and which of them is being read now, with the files found in it so far; its id is empty while the reading begins. Null when none is read. */
export const fileFoldersView = thing('FileFolders', {
  folders: listOf(fileFolderView),
  reading: thing(null, { folderId: words(), found: count() }).nullable(),
});
/** See fileFoldersView. */
export type FileFoldersView = Answer<typeof fileFoldersView>;

/** A file that was found. `id` is what its entry's id is when it becomes one. */
export const foundFile = thing('FoundFile', {
  id: idOf<PluginId>(),
  name: words(),
  file: words(),
  path: words(),
  program: words(),
  role: one(ROLES).nullable(),
});
/** See foundFile. */
export type FoundFile = Answer<typeof foundFile>;

/** Part of the files that have all typed words, or words that begin so, and how many there are. */
export const foundFiles = thing('FoundFiles', { total: count(), files: listOf(foundFile) });
/** See foundFiles. */
export type FoundFiles = Answer<typeof foundFiles>;

/** The files among the own entries, each with its full path on this computer; null where it is not there. */
export const filesHere = thing('FilesHere', {
  files: listOf(thing(null, { id: idOf<PluginId>(), path: words().nullable() })),
});
/** See filesHere. */
export type FilesHereView = Answer<typeof filesHere>;
