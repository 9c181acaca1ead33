import { innerFolders } from '../facts/plugin-path.js';
import type { Arrangement } from './arrangement.js';

/** For each build that is there, the names of the folders between the plugin folder of this computer and its file, outermost first. */
export const foldersWithin = (
  builds: readonly { readonly found: boolean; readonly path: string }[],
  { pluginFolder }: Pick<Arrangement, 'pluginFolder'>,
): readonly (readonly string[])[] => {
  const roots = [...pluginFolder.values()].map((folder) => folder.path);
  return builds.flatMap(({ found, path }) => (found && path !== '' ? [innerFolders(path, roots)] : []));
};
