import type { ArrangementView } from '@clever-drawer/contract/responses';
import { ROW_KINDS } from '@clever-drawer/core/chests/arrangement';
import { notFound } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { arrangedPlugins, drawerContents, drawerSummaries, type Looked } from '../store/arranged-catalogue.js';
import { listJournal, stepsOf } from '../store/change-journal.js';
import { findComputer } from '../store/computer-store.js';
import type { Context } from './context.js';

type Keys = `GET /computers/{computer}/${'arrangement' | 'plugins' | 'drawers' | 'drawers/{drawer}' | 'journal'}`;

/** Everything the producer arranged, to be read. */
export function arrangementHandlers({ source, arranging, catalogues }: Context): Handlers<Keys> {
  const look = <T>(computer: string, work: (looked: Looked) => Promise<T>): Promise<T> =>
    arranging.look(computer, async (db, id, state) => {
      const { plugins } = await catalogues.of(db, id);
      return work({ db, id, plugins, state });
    });
  return {
    'GET /computers/{computer}/arrangement': ({ path }) =>
      arranging.look(path.computer, async (db, id, state, { epoch, arrangementRevision: revision }) => {
        const rows = ROW_KINDS.map((kind) => [kind, [...state[kind].values()]] as const);
        return {
          ...Object.fromEntries(rows),
          epoch,
          revision,
          steps: await stepsOf(db, id),
        } as unknown as ArrangementView;
      }),

    'GET /computers/{computer}/plugins': ({ path }) => look(path.computer, arrangedPlugins),

    'GET /computers/{computer}/drawers': ({ path }) => look(path.computer, drawerSummaries),

    'GET /computers/{computer}/drawers/{drawer}': ({ path }) =>
      look(path.computer, (looked) => {
        const drawer = looked.state.drawer.get(path.drawer);
        if (drawer === undefined) throw notFound('drawer');
        return drawerContents(looked, drawer);
      }),

    'GET /computers/{computer}/journal': async ({ path, query: { before, limit, edits } }) => {
      await findComputer(source.manager, path.computer);
      return listJournal(source.manager, { before: before ?? null, limit, withEdits: edits === 'yes' });
    },
  };
}
