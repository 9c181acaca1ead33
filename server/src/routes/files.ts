import { randomUUID } from 'node:crypto';
import { resolve } from 'node:path';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { changeFileFolder, fileFolderWithPath } from '@clever-drawer/core/chests/change-folders';
import type { Change } from '@clever-drawer/core/chests/edit';
import { UNCHANGED } from '@clever-drawer/core/chests/plan';
import type { FileFolder } from '@clever-drawer/core/chests/rows/file-folder';
import { computerHere } from '../http/here-only.js';
import { conflict, notFound, refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { saveChange } from '../store/change-journal.js';
import { computerIdOf } from '../store/computer-store.js';
import { filesWithIds, findFiles, listFileFolders } from '../store/file-store.js';
import { checkFolder, fullPath } from './check-folder.js';
import type { Context } from './context.js';

type Keys =
  | `${'GET' | 'POST'} /computers/{computer}/file-folders`
  | `${'PATCH' | 'DELETE'} /computers/{computer}/file-folders/{folder}`
  | `${'POST' | 'DELETE'} /computers/{computer}/file-readings`
  | `GET /computers/{computer}/files${'' | '/here'}`;

/** A folder of the list; a problem of 404 when it is not on it. */
function findFolder(state: Arrangement, id: string): FileFolder {
  const folder = state.fileFolder.get(id);
  if (folder === undefined) throw notFound('folder');
  return folder;
}

/** Files other than plugins: the folders that they are found in, and what is found. */
export function fileHandlers({ source, arranging, here, ownData, fileReadings }: Context): Handlers<Keys> {
  const db = source.manager;
  const changeFolders = async (computer: string, window: string | null, plan: (state: Arrangement) => Change) => {
    await computerHere(db, here, computer);
    const { saved } = await arranging.change(computer, window, async (own, computerId, state) => {
      const change = plan(state);
      if (change.edits.length === 0) throw refused(UNCHANGED);
      return { saved: await saveChange(own, computerId, state, change, window) };
    });
    return saved;
  };
  return {
    'GET /computers/{computer}/file-folders': async ({ path }) => {
      const id = await computerIdOf(db, path.computer);
      return { folders: await listFileFolders(db, id), reading: fileReadings.of(id) };
    },

    'POST /computers/{computer}/file-folders': async ({ path: { computer }, window, body }) => {
      const { path: typed, endings, program, role } = body;
      await computerHere(db, here, computer);
      const path = resolve(fullPath(typed));
      checkFolder(path, ownData);
      const folder = { id: randomUUID(), path, endings, program, role, addedAt: new Date().toISOString() };
      const saved = await changeFolders(computer, window, (state) => {
        if (fileFolderWithPath(state, path) !== undefined) throw conflict(`${path} is on the list already.`);
        return changeFileFolder(null, folder);
      });
      return { id: folder.id, saved };
    },

    'PATCH /computers/{computer}/file-folders/{folder}': ({ path, window, body }) =>
      changeFolders(path.computer, window, (state) => {
        const before = findFolder(state, path.folder);
        const { endings = before.endings, program = before.program, role = before.role } = body;
        return changeFileFolder(before, { ...before, endings, program, role });
      }),

    'DELETE /computers/{computer}/file-folders/{folder}': ({ path, window }) =>
      changeFolders(path.computer, window, (state) => changeFileFolder(findFolder(state, path.folder), null)),

    'POST /computers/{computer}/file-readings': async ({ path }) => {
      fileReadings.start(await computerHere(db, here, path.computer));
    },

    'DELETE /computers/{computer}/file-readings': async ({ path }) => {
      fileReadings.cancel(await computerHere(db, here, path.computer));
    },

    'GET /computers/{computer}/files': async ({ path, query }) =>
      findFiles(db, await computerIdOf(db, path.computer), query),

    'GET /computers/{computer}/files/here': ({ path }) =>
      arranging.look(path.computer, async (own, id, state) => {
        const ids = [...state.ownEntry.values()].flatMap((row) => (row.file === null ? [] : row.id));
        const paths = new Map((await filesWithIds(own, id, ids)).map((one) => [one.id, one.path]));
        return { files: ids.map((one) => ({ id: one, path: paths.get(one) ?? null })) };
      }),
  };
}
