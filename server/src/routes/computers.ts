import { Router } from 'express';
import { isAbsolute, resolve } from 'node:path';
import { computerRequest, folderChangeRequest, folderRequest, renameRequest } from '@clever-drawer/contract/requests';
import { asId, type ComputerId, type PluginId } from '@clever-drawer/core/ids';
import { checked } from '../http/checked.js';
import { HttpError, notFound } from '../http/http-error.js';
import { loadCatalogue, loadPlugin, loadVendors } from '../store/catalogue-store.js';
import {
  addComputer,
  addFolder,
  changeFolder,
  findComputer,
  listComputers,
  listFolders,
  removeFolder,
  renameComputer,
} from '../store/computer-store.js';
import type { Context } from './context.js';

/** Computers, their plugin folders and their catalogues. */
export function computerRoutes({ source, presentFolders, arrivals }: Context): Router {
  const routes = Router();
  const db = source.manager;
  const idOf = async (id: unknown): Promise<ComputerId> => asId<ComputerId>((await findComputer(db, id)).id);

  routes.get('/computers', async (_request, response) => {
    response.json(await listComputers(db));
  });

  routes.post('/computers', async (request, response) => {
    const id = await addComputer(db, checked(computerRequest, request.body));
    response.status(201).json({ id });
  });

  routes.patch('/computers/:computer', async (request, response) => {
    const { name } = checked(renameRequest, request.body);
    await renameComputer(db, await idOf(request.params.computer), name);
    response.status(204).end();
  });

  routes.get('/computers/:computer/folders', async (request, response) => {
    response.json(await listFolders(db, await idOf(request.params.computer)));
  });

  routes.get('/computers/:computer/proposed-folders', async (request, response) => {
    const computer = await findComputer(db, request.params.computer);
    const listed = new Set((await listFolders(db, asId<ComputerId>(computer.id))).map((folder) => folder.path));
    response.json(presentFolders(computer.system).filter((folder) => !listed.has(folder.path)));
  });

  routes.post('/computers/:computer/folders', async (request, response) => {
    const computer = await idOf(request.params.computer);
    const { path } = checked(folderRequest, request.body);
    if (!isAbsolute(path)) {
      throw new HttpError(
        400,
        'Not a full path',
        `“${path}” is not a full path. Write it from the top, such as /usr/lib/lv2.`,
      );
    }
    const id = await addFolder(db, computer, resolve(path));
    await arrivals.look();
    response.status(201).json({ id });
  });

  routes.delete('/computers/:computer/folders/:folder', async (request, response) => {
    await removeFolder(db, await idOf(request.params.computer), request.params.folder);
    await arrivals.look();
    response.status(204).end();
  });

  routes.patch('/computers/:computer/folders/:folder', async (request, response) => {
    const computer = await idOf(request.params.computer);
    await changeFolder(db, computer, request.params.folder, checked(folderChangeRequest, request.body));
    await arrivals.look();
    response.status(204).end();
  });

  routes.get('/computers/:computer/catalogue', async (request, response) => {
    response.json(await loadCatalogue(db, await idOf(request.params.computer)));
  });

  routes.get('/computers/:computer/plugins/:plugin', async (request, response) => {
    const plugin = await loadPlugin(db, await idOf(request.params.computer), asId<PluginId>(request.params.plugin));
    if (plugin === null) throw notFound('plugin');
    response.json(plugin);
  });

  routes.get('/computers/:computer/vendors', async (request, response) => {
    response.json(await loadVendors(db, await idOf(request.params.computer)));
  });

  return routes;
}
