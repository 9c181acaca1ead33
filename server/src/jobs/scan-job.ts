import { setTimeout as rest } from 'node:timers/promises';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { Asker } from '@clever-drawer/scan/ask/asker';
import type { AskLimits } from '@clever-drawer/scan/ask/asking-process';
import type { PlaceReading } from '@clever-drawer/scan/read-place';
import { runScan, type ScanProgress } from '@clever-drawer/scan/run-scan';
import { ScanRow } from '../database/entities/computer.js';
import { isOutOfReach } from '../database/out-of-reach.js';
import { probeCrashLog } from './probe-crash-log.js';
import { finishScan } from './finish-scan.js';
import { isBelow } from '@clever-drawer/scan/folder-sense';
import { rowsOf } from '../store/arrangement-store.js';
import { loadPlaces } from '../store/place-store.js';
import { signOn, type ScanJob } from '../store/scan-store.js';

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
  const notes =
    notesIn === null ? undefined : probeCrashLog(notesIn, job.wish.again === true || job.wish.problems === true);
  const asker = new Asker(limits, undefined, notes);
  let progress: ScanProgress = { found: 0, read: 0, current: null };
  const timer = setInterval(() => {
    signOn(source.manager, job.id, progress).then(
      (cancelled) => cancelled && cancel.abort(),
      (error: unknown) => log.warn({ err: error }, 'a scan could not sign on'),
    );
  }, SIGN_ON_MS);
  try {
    const known = await standing(source, job);
    const folders = await rowsOf(source.manager, job.computerId, 'pluginFolder');
    const silent = folders.filter((folder) => !folder.asks);
    const result = await run(job.folders, {
      onProgress: (now) => (progress = now),
      signal: cancel.signal,
      known,
      added: folders.map((folder) => folder.path),
      asker,
      mayAsk: (path) => !silent.some((folder) => isBelow(path, folder.path)),
    });
    // It goes on signing on: to write down a hundred thousand places takes longer than one may be silent.
    await whenReached(() => finishScan(source, job, result), cancel.signal);
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

/** What earlier scans read, and is not to be read again. */
async function standing(source: DataSource, { computerId, wish }: ScanJob): Promise<Map<string, PlaceReading>> {
  if (wish.again === true) return new Map();
  const places = await loadPlaces(source.manager, computerId);
  if (wish.problems === true)
    for (const { path, reading } of places.values()) if (reading.faults.length > 0) places.delete(path);
  return places;
}
