import { homedir } from 'node:os';
import { isAbsolute, join } from 'node:path';
import { whyNoFolder, type NoFolder } from '@clever-drawer/scan/folder-sense';
import { statOf } from '@clever-drawer/scan/stamp';
import { HttpError, refused } from '../http/http-error.js';

/** What is said of each reason. */
export const WHY_NO_FOLDER: Readonly<Record<NoFolder, (path: string) => string>> = {
  root: (path) => `${path} is a whole disk. Add the plugin folders on it; Intake proposes the usual ones.`,
  system: (path) =>
    `${path} belongs to the system and holds no real files. Add your plugin folders; Intake proposes the usual ones.`,
  'own-data': (path) => `${path} is where Clever Drawer keeps its own data; no plugin belongs there.`,
};

/** Told when it is added, and not only by the next scan: a slip in the path is seen at once. */
export function checkFolder(path: string, ownData: string | null): void {
  const why = whyNoFolder(path, ownData);
  if (why !== null) throw refused(WHY_NO_FOLDER[why](path));
  const found = statOf(path);
  if (found === undefined)
    throw refused(
      `There is no folder ${path} on this computer. Check the spelling, or connect the disk that it is on first.`,
    );
  if (!found.isDirectory()) throw refused(`${path} is a file. Add the folder that holds it.`);
}

/** A path as it was typed, from the top; `~` is the home folder. Throws a problem for one that begins elsewhere. */
export function fullPath(typed: string): string {
  const path = typed === '~' || typed.startsWith('~/') ? join(homedir(), typed.slice(1)) : typed;
  if (isAbsolute(path)) return path;
  throw new HttpError(
    'request-does-not-fit',
    `“${path}” is not a full path. Write it from the top, such as /usr/lib/lv2.`,
  );
}
