import { randomUUID } from 'node:crypto';
import { Not, type EntityManager } from 'typeorm';
import type { ComputerId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { fold } from '@clever-drawer/core/text/words';
import type { ComputerView, FolderView } from '@clever-drawer/contract/responses';
import type { ComputerRequest } from '@clever-drawer/contract/requests';
import { ComputerRow } from '../database/entities/computer.js';
import { isUuid } from '../http/checked.js';
import { conflict, notFound } from '../http/http-error.js';
import { nextCatalogue } from './studio-store.js';

/** All computers with the sizes of their catalogues, oldest first. */
export async function listComputers(db: EntityManager): Promise<Omit<ComputerView, 'here'>[]> {
  return db.query<Omit<ComputerView, 'here'>[]>(`
    SELECT c.id, c.name, c.system,
           (SELECT count(DISTINCT b."pluginId")::int FROM build b WHERE b."computerId" = c.id) AS plugins,
           (SELECT count(*)::int FROM build b WHERE b."computerId" = c.id AND b.found) AS builds
    FROM computer c ORDER BY c."createdAt", c.id`);
}

/** A new computer; returns its id. */
export async function addComputer(db: EntityManager, { name, system }: ComputerRequest): Promise<ComputerId> {
  const id = randomUUID();
  await db.transaction(async (own) => {
    await claimName(own, name, null);
    await own.insert(ComputerRow, { id, name, system });
    await nextCatalogue(own);
  });
  return asId<ComputerId>(id);
}

/** Rejects with a conflict when another computer has the name, whatever its capitals: texts that tell of both would contradict themselves. */
async function claimName(db: EntityManager, name: string, own: ComputerId | null): Promise<void> {
  await db.query('LOCK TABLE computer IN SHARE ROW EXCLUSIVE MODE');
  const others = await db.find(ComputerRow, own === null ? {} : { where: { id: Not(own) } });
  const same = others.find((one) => fold(one.name) === fold(name));
  if (same !== undefined) throw conflict(`A computer called “${same.name}” exists already. Choose another name.`);
}

/** Gives a computer another name. Counts as a change of the catalogue, which names computers in many answers. */
export async function renameComputer(db: EntityManager, id: ComputerId, name: string): Promise<void> {
  await db.transaction(async (own) => {
    await claimName(own, name, id);
    await own.update(ComputerRow, { id }, { name });
    await nextCatalogue(own);
  });
}

/** The computer of an id from the outside; 404 when there is none. `lock` holds back other changes of it until the transaction ends. */
export async function findComputer(db: EntityManager, id: unknown, lock = false): Promise<ComputerRow> {
  if (!isUuid(id)) throw notFound('computer');
  const found = await db.findOne(ComputerRow, {
    where: { id },
    ...(lock ? { lock: { mode: 'pessimistic_write' } } : {}),
  });
  if (found === null) throw notFound('computer');
  return found;
}

/** The id of a computer as a path names it; 404 when there is none. */
export const computerIdOf = async (db: EntityManager, id: unknown): Promise<ComputerId> =>
  asId<ComputerId>((await findComputer(db, id)).id);

/**
 * The plugin folders with the builds found in each, in the order in which they were added. A build that a link in a folder leads to belongs to that
 * folder as well as to the one that it stands in.
 */
export async function listFolders(
  db: EntityManager,
  computerId: ComputerId,
): Promise<Omit<FolderView, 'notWatched'>[]> {
  const below = (path: string): string => `(${path} = f.path OR starts_with(${path}, rtrim(f.path, '/') || '/'))`;
  return db.query<Omit<FolderView, 'notWatched'>[]>(
    // Tens of thousands of builds are of a few sets of folders: what they come to is counted by set.
    `WITH standing AS (
       SELECT id, facts->>'path' AS path FROM build WHERE "computerId" = $1 AND found
     ), doubles AS MATERIALIZED (
       SELECT path, reading->'leftOut'->>'of' AS "of" FROM place
       WHERE "computerId" = $1 AND reading->'leftOut'->>'of' IS NOT NULL
     ), reached AS (
       SELECT f.id AS folder, b.id AS build FROM standing b JOIN folder f ON f."computerId" = $1 AND ${below('b.path')}
       UNION ALL
       SELECT f.id, b.id FROM doubles p JOIN folder f ON f."computerId" = $1 AND ${below('p.path')}
         JOIN standing b ON b.path = p."of"
     ), sets AS (
       SELECT folders, count(*)::int AS builds
       FROM (SELECT array_agg(DISTINCT folder) AS folders FROM reached GROUP BY build) one GROUP BY folders
     ), shared AS (
       SELECT one.folder, other.folder AS also, sum(builds)::int AS builds
       FROM sets, unnest(folders) AS one (folder), unnest(folders) AS other (folder)
       WHERE one.folder <> other.folder GROUP BY 1, 2
     )
     SELECT f.id, f.path, f.asks, f.watches,
            (SELECT max(s."endedAt") FROM scan s WHERE s."computerId" = $1 AND s.state IN ('done', 'cancelled')
              AND s.outcome IS NOT NULL AND s.folders @> to_jsonb(f.path)) AS "lastScannedAt",
            (SELECT coalesce(sum(builds), 0)::int FROM sets WHERE f.id = ANY (folders)) AS builds,
            coalesce((SELECT jsonb_agg(jsonb_build_object('path', g.path, 'builds', s.builds) ORDER BY s.builds DESC, g.path)
              FROM shared s JOIN folder g ON g.id = s.also WHERE s.folder = f.id), '[]'::jsonb) AS also
     FROM folder f WHERE f."computerId" = $1 ORDER BY f."addedAt", f.path`,
    [computerId],
  );
}

/** A folder that is switched to being watched. */
export interface WatchedFolder {
  readonly computerId: ComputerId;
  readonly path: string;
}

/** The folders of all computers that are switched to being watched. */
export const watchedFolders = (db: EntityManager): Promise<WatchedFolder[]> =>
  db.query<WatchedFolder[]>('SELECT "computerId", path FROM folder WHERE watches');
