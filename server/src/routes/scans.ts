import { Router } from 'express';
import { scanRequest } from '@clever-drawer/contract/requests';
import { reportProblem } from '@clever-drawer/core/exchange/scan-report';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { placeOf } from '@clever-drawer/scan/watch-folders';
import { checked } from '../http/checked.js';
import { refused } from '../http/http-error.js';
import { findComputer, isBelow, listFolders } from '../store/computer-store.js';
import { loadFaults } from '../store/place-store.js';
import { addScan, findScan, findStory, listScans, requestCancel } from '../store/scan-store.js';
import type { Context } from './context.js';

function bundleOf(path: string, folders: readonly { readonly path: string }[]): string {
  const folder = folders.find((one) => isBelow(path, one.path));
  return folder === undefined ? path : (placeOf(path, false, folder.path) ?? path);
}

/** Scans: start, watch, cancel, the history with its stories; problems that stand, and arrivals. */
export function scanRoutes({ source, scans, arrivals }: Context): Router {
  const routes = Router();
  const db = source.manager;

  routes.get('/computers/:computer/scans', async (request, response) => {
    const computer = await findComputer(db, request.params.computer);
    response.json(await listScans(db, asId<ComputerId>(computer.id)));
  });

  routes.post('/computers/:computer/scans', async (request, response) => {
    const { folderIds, paths, again } = checked(scanRequest, request.body);
    const computerId = asId<ComputerId>((await findComputer(db, request.params.computer)).id);
    const all = await listFolders(db, computerId);
    if (all.length === 0) throw refused('There is no folder to scan. Add a plugin folder first.');
    const outside = paths.find((path) => !all.some((folder) => isBelow(path, folder.path)));
    if (outside !== undefined) throw refused(`${outside} is in none of the plugin folders. Add its folder first.`);
    const named = all.filter((folder) => folderIds.includes(folder.id)).map((folder) => folder.path);
    if (folderIds.length > 0 && named.length === 0) throw refused('This folder is not on the list any more.');
    // A problem names a file inside of a bundle: the bundle is what is scanned.
    const places = [...new Set(paths.map((path) => bundleOf(path, all)))];
    const everything = folderIds.length === 0 && paths.length === 0;
    const folders = everything ? all.map((folder) => folder.path) : [...named, ...places];
    const id = await addScan(db, { computerId, folders, wish: { everything, again, places } });
    scans.start(computerId);
    response.status(202).json(await findScan(db, id));
  });

  routes.get('/computers/:computer/problems', async (request, response) => {
    const computer = await findComputer(db, request.params.computer);
    response.json((await loadFaults(db, asId<ComputerId>(computer.id))).map(reportProblem));
  });

  routes.get('/computers/:computer/arrivals', async (request, response) => {
    const computer = await findComputer(db, request.params.computer);
    response.json(arrivals.of(asId<ComputerId>(computer.id)));
  });

  routes.get('/scans/:scan/story', async (request, response) => {
    response.json(await findStory(db, request.params.scan));
  });

  routes.get('/scans/:scan', async (request, response) => {
    response.json(await findScan(db, request.params.scan));
  });

  routes.post('/scans/:scan/cancel', async (request, response) => {
    const { id } = await findScan(db, request.params.scan);
    await requestCancel(db, id);
    response.status(202).json(await findScan(db, id));
  });

  return routes;
}
