import { sep } from 'node:path';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { ScanProgress, ScanResult } from '@clever-drawer/scan/run-scan';
import { scanInThread } from '@clever-drawer/scan/scan-thread';
import { ScanRow } from '../database/entities/computer.js';
import { FolderRow } from '../database/entities/computer.js';
import { jsonForDatabase } from '../database/json.js';
import { applyScan } from '../store/catalogue-store.js';
import { findComputer } from '../store/computer-store.js';
import { signOn } from '../store/scan-store.js';

/** How a scan is carried out: in a thread of its own; tests may put another in its place. */
export type ScanRunner = typeof scanInThread;

const SIGN_ON_MS = 250;

/** Carries a scan out and writes its result. Never rejects: a failure becomes the scan's own, and the catalogue stays as it was. */
export async function runScanJob(
  source: DataSource,
  log: Logger,
  job: { id: string; computerId: ComputerId; folders: readonly string[] },
  run: ScanRunner = scanInThread,
): Promise<void> {
  const cancel = new AbortController();
  let progress: ScanProgress = { found: 0, read: 0, current: null };
  const timer = setInterval(() => {
    signOn(source.manager, job.id, progress).then(
      (cancelled) => cancelled && cancel.abort(),
      (error: unknown) => log.warn({ err: error }, 'a scan could not sign on'),
    );
  }, SIGN_ON_MS);
  try {
    const result = await run(job.folders, { onProgress: (now) => (progress = now), signal: cancel.signal });
    clearInterval(timer);
    await finish(source, job, result);
  } catch (error) {
    log.error({ err: error }, 'scan failed');
    const failure =
      'The scan ended with an error in Clever Drawer itself; the catalogue is as it was before. Try again.';
    await source.manager
      .update(ScanRow, { id: job.id }, { state: 'failed', endedAt: new Date(), failure })
      .catch((inner: unknown) => log.error({ err: inner }, 'the failure of a scan could not be noted'));
  } finally {
    clearInterval(timer);
  }
}

async function finish(
  source: DataSource,
  job: { id: string; computerId: ComputerId },
  result: ScanResult,
): Promise<void> {
  await source.transaction(async (db) => {
    await findComputer(db, job.computerId, true);
    const outcome = await applyScan(db, job.computerId, result.builds, wasScannedIn(result));
    await db.query(
      `UPDATE scan SET state = $2, "endedAt" = now(), outcome = $3::jsonb, faults = $4::jsonb, progress = $5::jsonb WHERE id = $1`,
      [
        job.id,
        result.cancelled ? 'cancelled' : 'done',
        JSON.stringify(outcome),
        jsonForDatabase(result.faults),
        JSON.stringify({ found: result.builds.length, read: result.builds.length, current: null }),
      ],
    );
    for (const path of result.folders) {
      await db.update(FolderRow, { computerId: job.computerId, path }, { lastScannedAt: new Date() });
    }
  });
}

/** A build may only vanish where the scan looked, to its end, and could read: not after a cancel, and not below a folder that failed. */
function wasScannedIn(result: ScanResult): (path: string) => boolean {
  if (result.cancelled) return () => false;
  const failed = result.faults.filter((fault) => fault.code !== 'binary-missing').map((fault) => fault.path);
  const below = (path: string, folder: string): boolean =>
    path === folder || path.startsWith(folder.endsWith(sep) ? folder : folder + sep);
  return (path) =>
    result.folders.some((folder) => below(path, folder)) && !failed.some((folder) => below(path, folder));
}
