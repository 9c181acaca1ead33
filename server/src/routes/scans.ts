import { reportProblem } from '@clever-drawer/core/exchange/scan-report';
import { placeOf } from '@clever-drawer/scan/watch-folders';
import { computerHere } from '../http/here-only.js';
import { refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { isBelow } from '@clever-drawer/scan/folder-sense';
import { computerIdOf, listFolders } from '../store/computer-store.js';
import { loadFaults, loadLeftOut } from '../store/place-store.js';
import { addScan, findScan, findStory, listScans, requestCancel } from '../store/scan-store.js';
import type { Context } from './context.js';

type Keys =
  | `${'GET' | 'POST'} /computers/{computer}/scans`
  | `GET /computers/{computer}/${'problems' | 'left-out' | 'arrivals'}`
  | `GET /scans/{scan}${'' | '/story'}`
  | 'POST /scans/{scan}/cancel';

function bundleOf(path: string, folders: readonly { readonly path: string }[]): string {
  const folder = folders.find((one) => isBelow(path, one.path));
  return folder === undefined ? path : (placeOf(path, false, folder.path) ?? path);
}

/** Scans: start, watch, cancel, the history with its stories; problems that stand, and arrivals. */
export function scanHandlers({ source, scans, arrivals, here }: Context): Handlers<Keys> {
  const db = source.manager;
  return {
    'GET /computers/{computer}/scans': async ({ path }) => listScans(db, await computerIdOf(db, path.computer)),

    'POST /computers/{computer}/scans': async ({ path, body: { folderIds, paths, again, problems } }) => {
      const computerId = await computerHere(db, here, path.computer);
      const all = await listFolders(db, computerId);
      if (all.length === 0) throw refused('There is no folder to scan. Add a plugin folder first.');
      const outside = paths.find((one) => !all.some((folder) => isBelow(one, folder.path)));
      if (outside !== undefined) throw refused(`${outside} is in none of the plugin folders. Add its folder first.`);
      const named = all.filter((folder) => folderIds.includes(folder.id)).map((folder) => folder.path);
      if (folderIds.length > 0 && named.length === 0) throw refused('This folder is not on the list any more.');
      // A problem names a file inside of a bundle: the bundle is what is scanned.
      const places = [...new Set(paths.map((one) => bundleOf(one, all)))];
      const everything = folderIds.length === 0 && paths.length === 0;
      const folders = everything ? all.map((folder) => folder.path) : [...named, ...places];
      const id = await addScan(db, { computerId, folders, wish: { everything, again, problems, places } });
      scans.start(computerId);
      return findScan(db, id);
    },

    'GET /computers/{computer}/problems': async ({ path, query }) => {
      const { total, list } = await loadFaults(db, await computerIdOf(db, path.computer), query);
      return { total, list: list.map(reportProblem) };
    },

    'GET /computers/{computer}/left-out': async ({ path, query }) =>
      loadLeftOut(db, await computerIdOf(db, path.computer), query),

    'GET /computers/{computer}/arrivals': async ({ path }) => arrivals.of(await computerIdOf(db, path.computer)),

    'GET /scans/{scan}/story': ({ path }) => findStory(db, path.scan),

    'GET /scans/{scan}': ({ path }) => findScan(db, path.scan),

    'POST /scans/{scan}/cancel': async ({ path }) => {
      const { id } = await findScan(db, path.scan);
      await requestCancel(db, id);
      return findScan(db, id);
    },
  };
}
