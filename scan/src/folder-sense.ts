import { readdirSync, realpathSync } from 'node:fs';
import { dirname, join, resolve, sep } from 'node:path';

/** Why a folder can be no plugin folder: the top of a disk, a folder that the system makes up, or where the application keeps its own data. */
export type NoFolder = 'root' | 'system' | 'own-data';

/** Folders that hold no files but what the kernel makes up as it is asked, without end (Filesystem Hierarchy Standard 3.0, 6.1). */
const MADE_UP = ['/proc', '/sys', '/dev'];

/** The folder of the private database in a data folder; what else lies there may be anything, such as the plugins of the demo. */
export const DATABASE = 'database';

/** Whether a whole path is a folder or lies below it. */
export const isBelow = (path: string, folder: string): boolean =>
  path === folder || path.startsWith(folder.endsWith(sep) ? folder : folder + sep);

/** Whether the system makes up what lies at a true path. */
export const isMadeUp = (real: string): boolean =>
  process.platform !== 'win32' && MADE_UP.some((folder) => real === folder || real.startsWith(`${folder}/`));

/** Why a path can be no plugin folder; null when it can be one. Where a link leads counts, too. `ownData` may be absent, and need not exist. */
export function whyNoFolder(path: string, ownData: string | null = null): NoFolder | null {
  const own = ownData === null ? [] : [resolve(ownData), realOf(resolve(ownData))];
  const isOwn = (one: string): boolean => own.some((folder) => one === folder || isBelow(one, join(folder, DATABASE)));
  for (const one of [resolve(path), realOf(resolve(path))]) {
    if (dirname(one) === one) return 'root';
    if (isMadeUp(one)) return 'system';
    if (isOwn(one)) return 'own-data';
  }
  return null;
}

function realOf(path: string): string {
  try {
    return realpathSync.native(path);
  } catch {
    return path;
  }
}

const PLUGIN_NAME = /\.(?:lv2|vst3|vst|clap|component|aaxplugin|dll|dylib)$|^(?!lib).*\.so$/i;
const FEWEST_ENTRIES = 50;
const MAX_ENTRIES = 5000;
const FEWEST_PLUGINS = 0.1;

/** Whether a folder holds a lot and hardly any of it looks like a plugin, as `/usr/lib` does. False for one that can't be read. */
export function isMostlyOtherFiles(path: string): boolean {
  try {
    const names = readdirSync(path).slice(0, MAX_ENTRIES);
    const plugins = names.filter((name) => PLUGIN_NAME.test(name)).length;
    return names.length >= FEWEST_ENTRIES && plugins < names.length * FEWEST_PLUGINS;
  } catch {
    return false;
  }
}
