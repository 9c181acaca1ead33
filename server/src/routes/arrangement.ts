import type { ArrangementView } from '@clever-drawer/contract/responses';
import { ROW_KINDS } from '@clever-drawer/core/chests/arrangement';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { notFound } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { rowsOf } from '../store/arrangement-store.js';
import { arrangedPlugins, drawerContents, drawerSummaries } from '../store/arranged-catalogue.js';
import { listJournal, stepsOf } from '../store/change-journal.js';
import { findComputer } from '../store/computer-store.js';
import { revisionsOf } from '../store/studio-store.js';
import type { Context } from './context.js';

type Keys = `GET /computers/{computer}/${'arrangement' | 'plugins' | 'drawers' | 'drawers/{drawer}' | 'journal'}`;

/** Everything the producer arranged, to be read. */
export function arrangementHandlers({ source, arranging }: Context): Handlers<Keys> {
  return {
    'GET /computers/{computer}/arrangement': ({ path }) =>
      // One transaction of its own, so that rows and revision belong together.
      source.transaction('REPEATABLE READ', async (db) => {
        const computer = await findComputer(db, path.computer);
        const id = asId<ComputerId>(computer.id);
        const { arrangementRevision } = await revisionsOf(db);
        const rows: [string, unknown][] = [];
        for (const kind of ROW_KINDS) rows.push([kind, await rowsOf(db, id, kind)]);
        const steps = await stepsOf(db, id);
        return {
          ...Object.fromEntries(rows),
          revision: arrangementRevision,
          steps,
        } as unknown as ArrangementView;
      }),

    'GET /computers/{computer}/plugins': ({ path }) => arranging.look(path.computer, arrangedPlugins),

    'GET /computers/{computer}/drawers': ({ path }) => arranging.look(path.computer, drawerSummaries),

    'GET /computers/{computer}/drawers/{drawer}': ({ path }) =>
      arranging.look(path.computer, async (db, id, state) => {
        const drawer = state.drawer.get(path.drawer);
        if (drawer === undefined) throw notFound('drawer');
        return drawerContents(db, id, state, drawer);
      }),

    'GET /computers/{computer}/journal': async ({ path, query: { before, limit } }) => {
      await findComputer(source.manager, path.computer);
      return listJournal(source.manager, before ?? null, limit);
    },
  };
}
