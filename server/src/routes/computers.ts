import { randomUUID } from 'node:crypto';
import { dirname, resolve } from 'node:path';
import { toColumnsStepwise } from '@clever-drawer/contract/columns';
import type { NotWatched } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { addFolder, folderWithPath, removeFolder, switchFolder } from '@clever-drawer/core/chests/change-folders';
import type { Change } from '@clever-drawer/core/chests/edit';
import { UNCHANGED } from '@clever-drawer/core/chests/plan';
import type { PluginFolder } from '@clever-drawer/core/chests/rows/plugin-folder';
import { asId, type ComputerId, type PluginId } from '@clever-drawer/core/ids';
import { childFolders, FolderTimeout, type ChildFolders } from '@clever-drawer/scan/child-folders';
import { isMadeUp, isMostlyOtherFiles } from '@clever-drawer/scan/folder-sense';
import { conflict, HttpError, notFound, refused } from '../http/http-error.js';
import { computerHere } from '../http/here-only.js';
import type { Handlers } from '../http/serve.js';
import { runCooperatively } from '../run-cooperatively.js';
import { saveChange } from '../store/change-journal.js';
import { loadPlugin, loadVendors } from '../store/catalogue-store.js';
import {
  addComputer,
  computerIdOf,
  findComputer,
  listComputers,
  listFolders,
  renameComputer,
} from '../store/computer-store.js';
import { loadPresets } from '../store/preset-store.js';
import { loadTraits } from '../store/trait-store.js';
import { foundNowhere, findArrangementMerge } from '../store/studio-store.js';
import { checkFolder, fullPath, WHY_NO_FOLDER } from './check-folder.js';
import type { Context } from './context.js';

type Keys =
  | `${'GET' | 'POST'} /computers`
  | 'PATCH /computers/{computer}'
  | 'GET /union'
  | `${'GET' | 'POST'} /computers/{computer}/folders`
  | `${'PATCH' | 'DELETE'} /computers/{computer}/folders/{folder}`
  | `GET /computers/{computer}/${'proposed-folders' | 'directories'}`
  | `GET /computers/{computer}/${'catalogue' | 'catalogue/columns' | 'found-nowhere' | 'traits' | 'presets' | 'vendors' | 'plugins/{plugin}'}`;

/** A folder of the list; a problem of 404 when it is not on it. */
function findFolder(state: Arrangement, id: string): PluginFolder {
  const folder = state.pluginFolder.get(id);
  if (folder === undefined) throw notFound('folder');
  return folder;
}

/** The folders in a folder; rejects with a problem in words when it can't be read. */
async function foldersIn(path: string): Promise<ChildFolders> {
  try {
    return await childFolders(path);
  } catch (error) {
    if (error instanceof FolderTimeout)
      throw refused(`${path} does not answer. Check that its disk or network share is connected, and try again.`);
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'EACCES' || code === 'EPERM') throw refused(`You have no permission to read ${path}.`);
    if (code === 'ENOTDIR') throw refused(`${path} is a file.`);
    throw refused(`There is no folder ${path} on this computer.`);
  }
}

/** Computers, their plugin folders and their catalogues as they were worked out. */
export function computerHandlers({
  source,
  arranging,
  presentFolders,
  arrivals,
  catalogues,
  here,
  ownData,
}: Context): Handlers<Keys> {
  const db = source.manager;
  const changeFolders = async (id: ComputerId, window: string | null, plan: (state: Arrangement) => Change) => {
    const done = await arranging.change(id, window, async (own, computerId, state) => {
      const change = plan(state);
      if (change.edits.length === 0) throw refused(UNCHANGED);
      return { saved: await saveChange(own, computerId, state, change, window) };
    });
    await arrivals.look();
    return done;
  };
  return {
    'GET /computers': async () => (await listComputers(db)).map((one) => ({ ...one, here: here.is(one.id) })),

    'GET /union': async () => ({ report: await findArrangementMerge(db) }),

    'POST /computers': async ({ body }) => {
      const isFirst = (await listComputers(db)).length === 0;
      const id = await addComputer(db, body);
      // A studio begins with the computer that it is begun on.
      if (isFirst) await here.settle(id);
      return { id };
    },

    'PATCH /computers/{computer}': async ({ path, body }) => {
      await renameComputer(db, await computerIdOf(db, path.computer), body.name);
    },

    'GET /computers/{computer}/folders': async ({ path }) => {
      const id = await computerIdOf(db, path.computer);
      const why = (folder: string): NotWatched | null => (here.is(id) ? arrivals.whyNot(folder) : null);
      return (await listFolders(db, id)).map((folder) => ({ ...folder, notWatched: why(folder.path) }));
    },

    'GET /computers/{computer}/proposed-folders': async ({ path }) => {
      const computer = await findComputer(db, path.computer);
      const listed = new Set((await listFolders(db, asId<ComputerId>(computer.id))).map((folder) => folder.path));
      return here.is(computer.id) ? presentFolders(computer.system).filter((folder) => !listed.has(folder.path)) : [];
    },

    'GET /computers/{computer}/directories': async ({ path: { computer }, query }) => {
      await computerHere(db, here, computer);
      const path = resolve(fullPath(query.path ?? '~'));
      if (isMadeUp(path)) throw refused(WHY_NO_FOLDER.system(path));
      const parent = dirname(path);
      return { path, parent: parent === path ? null : parent, ...(await foldersIn(path)) };
    },

    'POST /computers/{computer}/folders': async ({
      path: { computer },
      window,
      body: { path: typed, anyway = false, asks = true, watches = true },
    }) => {
      const computerId = await computerHere(db, here, computer);
      const path = fullPath(typed);
      checkFolder(resolve(path), ownData);
      if (!anyway && isMostlyOtherFiles(resolve(path)))
        throw new HttpError(
          'mostly-no-plugins',
          `Hardly anything in ${path} looks like a plugin. Add only the folders in it that hold plugins, or add it anyway: its scan takes long and lists many files as problems.`,
        );
      const folder = { id: randomUUID(), path: resolve(path), addedAt: new Date().toISOString(), asks, watches };
      const { saved } = await changeFolders(computerId, window, (state) => {
        if (folderWithPath(state, folder.path) !== undefined) throw conflict(`${folder.path} is on the list already.`);
        return addFolder(folder);
      });
      return { id: folder.id, saved };
    },

    'DELETE /computers/{computer}/folders/{folder}': async ({ path, window }) => {
      const { saved } = await changeFolders(await computerIdOf(db, path.computer), window, (state) =>
        removeFolder(findFolder(state, path.folder)),
      );
      return saved;
    },

    'PATCH /computers/{computer}/folders/{folder}': async ({ path, window, body }) => {
      const { saved } = await changeFolders(await computerHere(db, here, path.computer), window, (state) =>
        switchFolder(findFolder(state, path.folder), body),
      );
      return saved;
    },

    'GET /computers/{computer}/catalogue': async ({ path }) => catalogues.of(db, await computerIdOf(db, path.computer)),

    'GET /computers/{computer}/catalogue/columns': async ({ path }) =>
      runCooperatively(toColumnsStepwise(await catalogues.of(db, await computerIdOf(db, path.computer)))),

    'GET /computers/{computer}/traits': async ({ path }) => loadTraits(db, await computerIdOf(db, path.computer)),
    'GET /computers/{computer}/presets': async ({ path }) => loadPresets(db, await computerIdOf(db, path.computer)),

    'GET /computers/{computer}/plugins/{plugin}': async ({ path }) => {
      const plugin = await loadPlugin(db, await computerIdOf(db, path.computer), asId<PluginId>(path.plugin));
      if (plugin === null) throw notFound('plugin');
      return plugin;
    },

    'GET /computers/{computer}/found-nowhere': async ({ path }) => {
      await computerIdOf(db, path.computer);
      return foundNowhere(db);
    },

    'GET /computers/{computer}/vendors': async ({ path }) => loadVendors(db, await computerIdOf(db, path.computer)),
  };
}
