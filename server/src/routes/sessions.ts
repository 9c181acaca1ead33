import { randomUUID } from 'node:crypto';
import type { SessionReport } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { isOwnEntry, ownReferences } from '@clever-drawer/core/chests/own-entries';
import type { Session } from '@clever-drawer/core/chests/rows/session';
import { dawprojectOf } from '@clever-drawer/core/exchange/dawproject';
import { exportSession, planBringSession, type SessionDocument } from '@clever-drawer/core/exchange/session-document';
import type { Exported } from '@clever-drawer/core/exchange/export-arrangement';
import type { PluginId } from '@clever-drawer/core/ids';
import type { EntityManager } from 'typeorm';
import { notFound, refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { addMissing, loadReferences } from '../store/catalogue-store.js';
import { saveChange } from '../store/change-journal.js';
import { OWN_VERSION } from '../own-version.js';
import type { Context } from './context.js';

type Keys =
  | 'GET /computers/{computer}/sessions/{session}'
  | 'GET /computers/{computer}/sessions/{session}/dawproject'
  | 'POST /computers/{computer}/sessions'
  | 'POST /computers/{computer}/dawprojects';

/** Practice sessions out to documents and DAWprojects, and in from them. */
export function sessionHandlers({ arranging, readProject }: Context): Handlers<Keys> {
  const documentOf = (computer: string, sessionId: string): Promise<SessionDocument> =>
    arranging.look(computer, async (db, _id, state) => {
      const session: Session | undefined = state.session.get(sessionId);
      if (session === undefined) throw notFound('session');
      return exportSession(state, session, await referencesOf(db, state), new Date());
    });
  const bringIn = async (
    computer: string,
    window: string | null,
    document: SessionDocument,
    leftOut: number,
  ): Promise<SessionReport> =>
    arranging.change(computer, window, async (db, id, state) => {
      const plan = planBringSession(state, document, await referencesOf(db, state), randomUUID);
      // An own entry that is not here has no place in the catalogue: its slot keeps it until it is.
      await addMissing(
        db,
        plan.missing.filter(({ id: plugin }) => !isOwnEntry(plugin)),
      );
      const missing = plan.missing.map(({ name, vendor }) => ({ name, vendor }));
      return { session: plan.sessionId, missing, leftOut, saved: await saveChange(db, id, state, plan.change, window) };
    });
  return {
    'GET /computers/{computer}/sessions/{session}': async ({ path, response }) => {
      const document = await documentOf(path.computer, path.session);
      response.attachment(`${fileName(document.name)}.json`);
      return document;
    },
    'GET /computers/{computer}/sessions/{session}/dawproject': async ({ path, response }) => {
      const document = await documentOf(path.computer, path.session);
      const { bytes, leftOut } = dawprojectOf(document, 'Clever Drawer', OWN_VERSION);
      response
        .attachment(`${fileName(document.name)}.dawproject`)
        .type('application/zip')
        .set('X-Left-Out', String(leftOut.length))
        .send(Buffer.from(bytes));
    },
    'POST /computers/{computer}/sessions': ({ path, window, body }) => bringIn(path.computer, window, body, 0),
    'POST /computers/{computer}/dawprojects': async ({ path, window, request }) => {
      const bytes: unknown = request.body;
      if (!Buffer.isBuffer(bytes)) throw refused('Send the DAWproject as it is.');
      const read = await readProject(new Uint8Array(bytes));
      if (!read.ok) throw refused(read.why);
      return bringIn(path.computer, window, read.session, read.leftOut);
    },
  };
}

/** The plugins of the catalogue and the own entries, as sessions refer to them. */
const referencesOf = async (db: EntityManager, state: Arrangement): Promise<ReadonlyMap<PluginId, Exported>> =>
  new Map<PluginId, Exported>([...(await loadReferences(db)), ...ownReferences(state)]);

/** A name as a file's: without signs that file systems keep for themselves. */
const fileName = (name: string): string =>
  name
    .replace(/[\\/:*?"<>|\p{Cc}]/gu, ' ')
    .trim()
    .slice(0, 80) || 'session';
