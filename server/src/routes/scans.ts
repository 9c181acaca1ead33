import { Router } from 'express';
import { scanRequest } from '@clever-drawer/contract/requests';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { checked } from '../http/checked.js';
import { conflict, refused } from '../http/http-error.js';
import { runScanJob } from '../jobs/scan-job.js';
import { findComputer, listFolders } from '../store/computer-store.js';
import { addScan, findScan, listScans, requestCancel, runningScan } from '../store/scan-store.js';
import type { Context } from './context.js';

/** Scans: start, watch, cancel, and the history. */
export function scanRoutes({ source, log, scan }: Context): Router {
  const routes = Router();
  const db = source.manager;

  routes.get('/computers/:computer/scans', async (request, response) => {
    const computer = await findComputer(db, request.params.computer);
    response.json(await listScans(db, asId<ComputerId>(computer.id)));
  });

  routes.post('/computers/:computer/scans', async (request, response) => {
    const { folderIds } = checked(scanRequest, request.body);
    const job = await source.transaction(async (inner) => {
      // The lock keeps two windows from starting a scan at the same moment.
      const computerId = asId<ComputerId>((await findComputer(inner, request.params.computer, true)).id);
      if ((await runningScan(inner, computerId)) !== null) {
        throw conflict('A scan is running on this computer. Wait for its end, or cancel it.');
      }
      const all = await listFolders(inner, computerId);
      const wanted = all.filter((folder) => folderIds.length === 0 || folderIds.includes(folder.id));
      if (wanted.length === 0) throw refused('There is no folder to scan. Add a plugin folder first.');
      const folders = wanted.map((folder) => folder.path);
      return { id: await addScan(inner, computerId, folders), computerId, folders };
    });
    void runScanJob(source, log, job, scan);
    response.status(202).json(await findScan(db, job.id));
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
