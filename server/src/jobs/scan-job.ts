import { setTimeout as rest } from 'node:timers/promises';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { Asker } from '@clever-drawer/scan/ask/asker';
import type { AskLimits } from '@clever-drawer/scan/ask/asking-process';
import { runScan, type ScanProgress, type ScanResult } from '@clever-drawer/scan/run-scan';
import { FolderRow, ScanRow } from '../database/entities/computer.js';
import { isOutOfReach } from '../database/out-of-reach.js';
import { jsonForDatabase } from '../database/json.js';
import { askNotes } from './ask-notes.js';
import { isBelow } from '@clever-drawer/scan/folder-sense';
import { loadPlaces } from '../store/place-store.js';
import { applyScan } from '../store/scan-result-store.js';
import { forgetOldStories, signOn, type ScanJob } from '../store/scan-store.js';

const SIGN_ON_MS = 250;

/** Carries a scan out and writes its result. Never rejects: a failure becomes the scan's own, and the catalogue stays as it was. */
export async function runScanJob(
  source: DataSource,
  log: Logger,
  job: ScanJob,
  limits: AskLimits,
  run: typeof runScan = runScan,
  /** Where it is noted which plugins are being asked; null for nowhere. */
  notesIn: string | null = null,
): Promise<void> {
  const cancel = new AbortController();
  const notes = notesIn === null ? undefined : askNotes(notesIn, job.wish.again === true);
  const asker = new Asker(limits, undefined, notes);
  let progress: ScanProgress = { found: 0, read: 0, current: null };
  const timer = setInterval(() => {
    signOn(source.manager, job.id, progress).then(
      (cancelled) => cancelled && cancel.abort(),
      (error: unknown) => log.warn({ err: error }, 'a scan could not sign on'),
    );
  }, SIGN_ON_MS);
  try {
    const known = job.wish.again === true ? new Map() : await loadPlaces(source.manager, job.computerId);
    const folders = await source.manager.findBy(FolderRow, { computerId: job.computerId });
    const silent = folders.filter((folder) => !folder.asks);
    const result = await run(job.folders, {
      onProgress: (now) => (progress = now),
      signal: cancel.signal,
      known,
      added: folders.map((folder) => folder.path),
      asker,
      mayAsk: (path) => !silent.some((folder) => isBelow(path, folder.path)),
    });
    clearInterval(timer);
    await whenReached(() => finish(source, job, result), cancel.signal);
  } catch (error) {
    log.error({ err: error }, 'scan failed');
    const failure =
      'The scan ended with an error in Clever Drawer itself; the catalogue is as it was before. Try again.';
    await source.manager
      .update(ScanRow, { id: job.id }, { state: 'failed', endedAt: new Date(), failure })
      .catch((inner: unknown) => log.error({ err: inner }, 'the failure of a scan could not be noted'));
  } finally {
    clearInterval(timer);
    asker.close();
  }
}

/** So long what was read waits for a database that is not to be had. */
const WAITS_MS = 120_000;

/** Does something with the database, again and again while that is not to be had: what a scan has read is not lost over a database that is started again. */
async function whenReached<T>(work: () => Promise<T>, signal: AbortSignal): Promise<T> {
  const until = Date.now() + WAITS_MS;
  for (let pause = 500; ; pause = Math.min(pause * 2, 10_000)) {
    try {
      return await work();
    } catch (error) {
      if (!isOutOfReach(error) || signal.aborted || Date.now() + pause > until) throw error;
      await rest(pause);
    }
  }
}

async function finish(source: DataSource, job: ScanJob, result: ScanResult): Promise<void> {
  await source.transaction(async (db) => {
    const { outcome, story } = await applyScan(db, job.computerId, result, job.wish);
    const read = result.places.length;
    await db.query(
      `UPDATE scan SET state = $2, "endedAt" = clock_timestamp(), outcome = $3::jsonb, faults = $4::jsonb, progress = $5::jsonb, story = $6::jsonb
       WHERE id = $1`,
      [
        job.id,
        result.cancelled ? 'cancelled' : 'done',
        JSON.stringify(outcome),
        jsonForDatabase(result.faults),
        JSON.stringify({ found: read, read, current: null }),
        jsonForDatabase(story),
      ],
    );
    await forgetOldStories(db, job.computerId);
    for (const path of result.folders) {
      await db.update(FolderRow, { computerId: job.computerId, path }, { lastScannedAt: new Date() });
    }
  });
}
