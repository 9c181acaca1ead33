/** Paths of plugin files, of any operating system. */

const SEPARATOR = /[\\/]/;

/** The folder that a plugin file or bundle stands in; '' for a bare name. Its separators stay as they are. */
export function folderOf(path: string): string {
  const at = Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\'));
  return path.slice(0, Math.max(at, 0));
}

/** A folder and all that it is inside of, innermost first. */
export function foldersAround(folder: string): string[] {
  const around: string[] = [];
  for (let at = folder; at !== ''; at = folderOf(at)) around.push(at);
  return around;
}

/** The names of the folders between a plugin folder and a plugin file in it, outermost first. Of several roots the innermost counts; without one the last folder alone is told. */
export function innerFolders(path: string, roots: readonly string[]): readonly string[] {
  const folder = folderOf(path);
  let best = '';
  for (const root of roots) {
    const own = root.replace(/[\\/]+$/, '');
    if (
      own.length > best.length &&
      (folder === own || (folder.startsWith(own) && SEPARATOR.test(folder.charAt(own.length))))
    )
      best = own;
  }
  const names = folder
    .slice(best.length)
    .split(SEPARATOR)
    .filter((name) => name !== '');
  return best === '' ? names.slice(-1) : names;
}

/** The last name of a folder. */
export const folderName = (folder: string): string => folder.split(SEPARATOR).findLast((name) => name !== '') ?? folder;
