import { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { ComputerId } from '@clever-drawer/core/ids';
import { ScanRow } from '../database/entities/computer.js';
import { findComputer } from '../store/computer-store.js';
import { takeNextScan, type ScanJob } from '../store/scan-store.js';
import type { ScanOrder } from './scan-worker.js';

/** Carries out one scan. Never rejects. */
export type ScanRunner = (job: ScanJob) => Promise<void>;

const LOOK_AGAIN_MS = 3000;

/** Carries out the scans of each computer one after the other. The queue itself is in the database. */
export class ScanQueue {
  constructor(
    private readonly source: DataSource,
    private readonly log: Logger,
    private readonly run: ScanRunner,
    /** Told of each scan that has ended, and when it began. */
    private readonly onEnd: (job: ScanJob, startedAt: number) => void = () => undefined,
  ) {}

  /** Begins the next scan of a computer, unless one runs; goes on until none waits. */
  start(computerId: ComputerId): void {
    this.next(computerId).catch((error: unknown) => {
      // A server that stops takes the database away from under it; what waits is told as interrupted by the next start.
      if (this.source.isInitialized) this.log.error({ err: error }, 'the queue of scans');
    });
  }

  private async next(computerId: ComputerId): Promise<void> {
    for (;;) {
      const job = await this.source.transaction(async (db) => {
        // The lock keeps two windows from starting a scan at the same moment.
        await findComputer(db, computerId, true);
        return takeNextScan(db, computerId);
      });
      if (job === null) return;
      if (job === 'busy') {
        // It may run in a process that is gone: after a silence it counts as lost.
        setTimeout(() => this.start(computerId), LOOK_AGAIN_MS).unref();
        return;
      }
      const startedAt = Date.now();
      await this.run(job);
      this.onEnd(job, startedAt);
    }
  }
}

/** Runs scans in threads of their own. A thread that dies leaves the catalogue as it was. */
export const inThread =
  (source: DataSource, log: Logger, order: Omit<ScanOrder, 'logLevel' | 'job'>): ScanRunner =>
  async (job) => {
    try {
      await new Promise<void>((done, fail) => {
        const workerData: ScanOrder = { ...order, logLevel: log.level, job };
        const worker = new Worker(new URL('./scan-worker.js', import.meta.url), { workerData });
        worker.on('error', fail);
        worker.on('exit', (code) => (code === 0 ? done() : fail(new Error(`exit code ${String(code)}`))));
      });
    } catch (error) {
      log.error({ err: error }, 'the thread of a scan died');
      const failure =
        'The scan ended with an error in Clever Drawer itself; the catalogue is as it was before. Try again.';
      await source.manager
        .update(ScanRow, { id: job.id, state: 'running' }, { state: 'failed', endedAt: new Date(), failure })
        .catch((inner: unknown) => log.error({ err: inner }, 'the failure of a scan could not be noted'));
    }
  };
