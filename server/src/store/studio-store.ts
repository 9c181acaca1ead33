import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { StudioRow } from '../database/entities/computer.js';

/** How far the studio is: its epoch, and counts of the changes of what is arranged and of the catalogues of its computers. */
export type Revisions = Pick<StudioRow, 'epoch' | 'arrangementRevision' | 'catalogueRevision'>;

/** The channel on which server processes of one database tell each other how far the studio is. */
export const CHANNEL = 'clever_drawer';

/** Tells this process's own news from those of others. */
export const PROCESS = randomUUID();

/** What is told on the channel when a change has been committed, or something was handed over to a music program. */
export type News = { readonly from: string } & (
  { readonly what: 'arrangement' | 'catalogue' } | { readonly what: 'used'; readonly computer: ComputerId }
);

const REVISIONS = 'SELECT epoch, "arrangementRevision", "catalogueRevision" FROM studio';

/** How far the studio is. */
export async function revisionsOf(db: EntityManager): Promise<Revisions> {
  const [row] = await db.query<[Revisions]>(REVISIONS);
  return row;
}

/** See revisionsOf; holds back every other change of what is arranged until the transaction ends. */
export async function lockStudio(db: EntityManager): Promise<Revisions> {
  const [row] = await db.query<[Revisions]>(`${REVISIONS} FOR UPDATE`);
  return row;
}

/** Gives the studio a new epoch. Every server does so when it starts: the data may be a copy that was put back, with revisions that meant something else before. */
export async function renewEpoch(db: EntityManager): Promise<void> {
  await db.query('UPDATE studio SET epoch = gen_random_uuid()');
  // Windows of other servers learn of the new epoch with the next news.
  await spread(db, { from: PROCESS, what: 'catalogue' });
}

/** Counts a change of what is arranged: its number. */
export const nextArrangement = (db: EntityManager): Promise<number> => next(db, 'arrangement');

/** Counts a change of the catalogues of the studio's computers: its number. */
export const nextCatalogue = (db: EntityManager): Promise<number> => next(db, 'catalogue');

async function next(db: EntityManager, what: 'arrangement' | 'catalogue'): Promise<number> {
  const column = `"${what}Revision"`;
  const [[row]] = await db.query<[[{ revision: number }], number]>(
    `UPDATE studio SET ${column} = ${column} + 1 RETURNING ${column} AS revision`,
  );
  // Delivered when the transaction is committed, and never when it is not.
  await spread(db, { from: PROCESS, what });
  return row.revision;
}

/** Tells every server of the studio. */
const spread = (db: EntityManager, news: News): Promise<unknown> =>
  db.query('SELECT pg_notify($1, $2)', [CHANNEL, JSON.stringify(news)]);

/** Tells the other servers that something was handed over. */
export const spreadUse = (db: EntityManager, computer: ComputerId): Promise<unknown> =>
  spread(db, { from: PROCESS, what: 'used', computer });

/** Whether builds must be grouped anew, because the rules or the computers are other ones than when it was last done. */
export const mustRegroup = async (db: EntityManager): Promise<boolean> =>
  (await db.findOneByOrFail(StudioRow, { id: 1 })).regroups;

/** What became of the arrangements of several computers when they were made one; null where there was one only. */
export const findArrangementMerge = async (db: EntityManager): Promise<StudioRow['union']> =>
  (await db.findOneByOrFail(StudioRow, { id: 1 })).union;

/** Notes that builds have been grouped by the rules of today. */
export const regrouped = (db: EntityManager): Promise<unknown> => db.update(StudioRow, { id: 1 }, { regroups: false });

/** Menus and kinds of slots are few. */
const MAX_MENUS = 200;

/** Stores which chest or drawer is open in a menu (null: none). Returns false when the number of menus exceeds the limit. */
export async function noteOpen(db: EntityManager, menu: string, id: string | null): Promise<boolean> {
  const [, changed] = await db.query<[unknown, number]>(
    `UPDATE studio SET "lastOpen" = CASE WHEN $2::text IS NULL THEN "lastOpen" - $1 ELSE "lastOpen" || jsonb_build_object($1, $2) END
     WHERE "lastOpen" ? $1 OR $2::text IS NULL OR (SELECT count(*) FROM jsonb_object_keys("lastOpen")) < $3`,
    [menu, id, MAX_MENUS],
  );
  return changed > 0;
}

/** The plugins of which no computer finds a build, in order of their ids. */
export async function foundNowhere(db: EntityManager): Promise<PluginId[]> {
  const rows = await db.query<{ id: PluginId }[]>(
    `SELECT id FROM plugin WHERE NOT EXISTS
       (SELECT 1 FROM build WHERE build."pluginId" = plugin.id AND build.found) ORDER BY id`,
  );
  return rows.map(({ id }) => id);
}
