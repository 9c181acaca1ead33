import type { Arrangement } from './arrangement.js';
import { sameRow, type Change } from './edit.js';
import type { FileFolder } from './rows/file-folder.js';
import type { PluginFolder } from './rows/plugin-folder.js';

/** The switches of a plugin folder that may be turned. */
export type FolderSwitches = Partial<Pick<PluginFolder, 'asks' | 'watches'>>;

/** The folder with a path; undefined when it is not on the list. */
export const folderWithPath = (state: Arrangement, path: string): PluginFolder | undefined =>
  [...state.pluginFolder.values()].find((folder) => folder.path === path);

/** Adds a folder to the list. The caller has checked that its path is not on it. */
export const addFolder = (folder: PluginFolder): Change => ({
  label: `add the folder ${folder.path}`,
  edits: [{ of: 'pluginFolder', id: folder.id, before: null, after: folder }],
});

/** Removes a folder from the list; its builds stay in the catalogue until the next scan of everything. */
export const removeFolder = (folder: PluginFolder): Change => ({
  label: `remove the folder ${folder.path}`,
  edits: [{ of: 'pluginFolder', id: folder.id, before: folder, after: null }],
});

/** Turns switches of a folder. Without a difference the change has no edits. */
export function switchFolder(
  folder: PluginFolder,
  { asks = folder.asks, watches = folder.watches }: FolderSwitches,
): Change {
  const after = { ...folder, asks, watches };
  const turned = [
    ...(asks === folder.asks ? [] : [`${asks ? 'load' : 'don’t load'} plugins`]),
    ...(watches === folder.watches ? [] : [watches ? 'watch for arrivals' : 'don’t watch for arrivals']),
  ];
  return {
    label: `${turned.join(' and ')} in ${folder.path}`,
    edits: turned.length === 0 ? [] : [{ of: 'pluginFolder', id: folder.id, before: folder, after }],
  };
}

/** The folder of files with a path; undefined when it is not on the list. */
export const fileFolderWithPath = (state: Arrangement, path: string): FileFolder | undefined =>
  [...state.fileFolder.values()].find((folder) => folder.path === path);

/** Adds, changes or (`after` null) removes a folder of files. Without a difference the change has no edits. */
export function changeFileFolder(before: FileFolder | null, after: FileFolder | null): Change {
  const id = before?.id ?? after?.id ?? '';
  const path = before?.path ?? after?.path ?? '';
  const verb = before === null ? 'add' : after === null ? 'remove' : 'change';
  return {
    label: `${verb} the folder of files ${path}`,
    edits: sameRow(before, after) ? [] : [{ of: 'fileFolder', id, before, after }],
  };
}
