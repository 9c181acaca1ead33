import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { reportProblem } from '@clever-drawer/core/exchange/scan-report';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { ScanView } from '@clever-drawer/contract/responses';
import { ScanRow } from '../database/entities/computer.js';
import { isUuid } from '../http/checked.js';
import { notFound } from '../http/http-error.js';

// A running scan signs on several times a second; one that has not for this long has lost its process.
const SILENCE = '15 seconds';
const KEPT = 50;

/** Marks scans whose process is gone as interrupted: the catalogue is as it was before them. */
export const endLostScans = (db: EntityManager): Promise<unknown> =>
  db.query(
    `UPDATE scan SET state = 'interrupted', "endedAt" = "heartbeatAt"
     WHERE state = 'running' AND "heartbeatAt" < now() - interval '${SILENCE}'`,
  );

/** The scans of a computer, newest first. */
export async function listScans(db: EntityManager, computerId: ComputerId): Promise<ScanView[]> {
  await endLostScans(db);
  const rows = await db.find(ScanRow, { where: { computerId }, order: { startedAt: 'DESC' }, take: KEPT });
  return rows.map(viewOf);
}

export async function findScan(db: EntityManager, id: unknown): Promise<ScanView> {
  await endLostScans(db);
  const row = isUuid(id) ? await db.findOneBy(ScanRow, { id }) : null;
  if (row === null) throw notFound('scan');
  return viewOf(row);
}

/** The scan that runs on a computer; null when none does. */
export async function runningScan(db: EntityManager, computerId: ComputerId): Promise<ScanView | null> {
  await endLostScans(db);
  const row = await db.findOneBy(ScanRow, { computerId, state: 'running' });
  return row === null ? null : viewOf(row);
}

export async function addScan(db: EntityManager, computerId: ComputerId, folders: string[]): Promise<string> {
  const id = randomUUID();
  const progress = { found: 0, read: 0, current: null };
  await db.insert(ScanRow, { id, computerId, state: 'running', folders, progress, faults: [] });
  return id;
}

/** Asks a running scan to stop; it keeps what it has read. Nothing happens to one that has ended. */
export async function requestCancel(db: EntityManager, id: string): Promise<void> {
  await db.update(ScanRow, { id, state: 'running' }, { cancelRequested: true });
}

/** Signs on with the progress, and learns whether a cancel was asked for. */
export async function signOn(db: EntityManager, id: string, progress: ScanRow['progress']): Promise<boolean> {
  const [rows] = await db.query<[{ cancelRequested: boolean }[], number]>(
    `UPDATE scan SET progress = $2::jsonb, "heartbeatAt" = now() WHERE id = $1 RETURNING "cancelRequested"`,
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
  problems: row.faults.map(reportProblem),
  startedAt: row.startedAt.toISOString(),
  endedAt: row.endedAt?.toISOString() ?? null,
  failure: row.failure,
});
