import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { reportProblem } from '@clever-drawer/core/exchange/scan-report';
import type { ComputerId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import type { ScanStory, ScanView } from '@clever-drawer/contract/responses';
import { ScanRow, type ScanWish } from '../database/entities/computer.js';
import { isUuid } from '../http/checked.js';
import { notFound } from '../http/http-error.js';

// A running scan signs on several times a second; one that has not for this long has lost its process.
const SILENCE = '15 seconds';
const KEPT = 50;

/** A scan to be carried out. */
export interface ScanJob {
  readonly id: string;
  readonly computerId: ComputerId;
  readonly folders: readonly string[];
  readonly wish: ScanWish;
}

/** Marks scans whose process is gone as interrupted: the catalogue is as it was before them. */
export const endLostScans = (db: EntityManager): Promise<unknown> =>
  db.query(
    `UPDATE scan SET state = 'interrupted', "endedAt" = "heartbeatAt"
     WHERE state = 'running' AND "heartbeatAt" < now() - interval '${SILENCE}'`,
  );

/** Scans that waited for a process that is gone will not begin any more. For the start of a server that has the data to itself. */
export const endWaitingScans = (db: EntityManager): Promise<unknown> =>
  db.query(`UPDATE scan SET state = 'interrupted', "endedAt" = now() WHERE state = 'waiting'`);

const COLUMNS = `id, state, folders, progress, outcome, problems, "startedAt", "endedAt", failure`;

/** The scans of a computer, newest first; without their stories, which are large and asked for by themselves. */
export async function listScans(db: EntityManager, computerId: ComputerId): Promise<ScanView[]> {
  await endLostScans(db);
  const rows = await db.query<ScanRow[]>(
    `SELECT ${COLUMNS} FROM scan WHERE "computerId" = $1 ORDER BY "startedAt" DESC LIMIT ${String(KEPT)}`,
    [computerId],
  );
  return rows.map(viewOf);
}

/** A scan by its id; rejects with a problem of 404 when there is none. */
export async function findScan(db: EntityManager, id: unknown): Promise<ScanView> {
  await endLostScans(db);
  const [row] = isUuid(id) ? await db.query<ScanRow[]>(`SELECT ${COLUMNS} FROM scan WHERE id = $1`, [id]) : [];
  if (row === undefined) throw notFound('scan');
  return viewOf(row);
}

/** The folders of a computer that some finished scan has covered; single places that were scanned by themselves are not among them. */
export async function foldersScanned(db: EntityManager, computerId: ComputerId): Promise<string[]> {
  const rows = await db.query<{ path: string }[]>(
    `SELECT DISTINCT one.path FROM scan, jsonb_array_elements_text(folders) AS one(path)
     WHERE "computerId" = $1 AND state = 'done' AND NOT coalesce(wish->'places', '[]'::jsonb) ? one.path`,
    [computerId],
  );
  return rows.map((row) => row.path);
}

/** What a scan did to each build and place; empty for scans of before this was kept. */
export async function findStory(db: EntityManager, id: unknown): Promise<ScanStory> {
  const row = isUuid(id) ? await db.findOne(ScanRow, { where: { id }, select: { id: true, story: true } }) : null;
  if (row === null) throw notFound('scan');
  return (row.story ?? []).map(({ fault, ...event }) => ({
    ...event,
    ...(fault === undefined ? {} : { problem: reportProblem(fault) }),
  }));
}

/** Lets go of the stories of scans that the history no longer shows. */
export const forgetOldStories = (db: EntityManager, computerId: ComputerId): Promise<unknown> =>
  db.query(
    `UPDATE scan SET story = NULL WHERE "computerId" = $1 AND story IS NOT NULL AND id NOT IN
       (SELECT id FROM scan WHERE "computerId" = $1 ORDER BY "startedAt" DESC LIMIT ${String(KEPT)})`,
    [computerId],
  );

/** Puts a scan at the end of the computer's queue. */
export async function addScan(db: EntityManager, job: Omit<ScanJob, 'id'>): Promise<string> {
  const id = randomUUID();
  const progress = { found: 0, read: 0, current: null };
  const { computerId, wish } = job;
  await db.insert(ScanRow, { id, computerId, state: 'waiting', folders: [...job.folders], wish, progress });
  return id;
}

/** The next scan of a computer, marked as running; "busy" while one runs, null when none waits. The caller's transaction holds the computer. */
export async function takeNextScan(db: EntityManager, computerId: ComputerId): Promise<ScanJob | 'busy' | null> {
  await endLostScans(db);
  const next = await db.findOne(ScanRow, { where: { computerId, state: 'waiting' }, order: { startedAt: 'ASC' } });
  if (next === null) return null;
  if (await db.existsBy(ScanRow, { computerId, state: 'running' })) return 'busy';
  await db.query(`UPDATE scan SET state = 'running', "heartbeatAt" = now() WHERE id = $1`, [next.id]);
  return { id: next.id, computerId: asId<ComputerId>(next.computerId), folders: next.folders, wish: next.wish };
}

/** Asks a running scan to stop; it keeps what it has read. One that waits does not begin. Nothing happens to one that has ended. */
export async function requestCancel(db: EntityManager, id: string): Promise<void> {
  await db.query(`UPDATE scan SET state = 'cancelled', "endedAt" = now() WHERE id = $1 AND state = 'waiting'`, [id]);
  await db.update(ScanRow, { id, state: 'running' }, { cancelRequested: true });
}

/** Signs on with the progress, and learns whether a cancel was asked for. One that has ended stays as it ended. */
export async function signOn(db: EntityManager, id: string, progress: ScanRow['progress']): Promise<boolean> {
  const [rows] = await db.query<[{ cancelRequested: boolean }[], number]>(
    `UPDATE scan SET progress = $2::jsonb, "heartbeatAt" = now() WHERE id = $1 AND state IN ('running', 'interrupted') RETURNING "cancelRequested"`,
    [id, JSON.stringify(progress)],
  );
  return rows[0]?.cancelRequested ?? true;
}

const viewOf = (row: ScanRow): ScanView => ({
  id: row.id,
  state: row.state,
  folders: row.folders,
  progress: row.progress,
  outcome: row.outcome,
  problems: row.problems,
  startedAt: row.startedAt.toISOString(),
  endedAt: row.endedAt?.toISOString() ?? null,
  failure: row.failure,
});
