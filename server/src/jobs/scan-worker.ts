/** The thread that carries out one scan, from the disk to the database, so that the server goes on answering. */
import { workerData } from 'node:worker_threads';
import { pino } from 'pino';
import type { AskLimits } from '@clever-drawer/scan/ask/asking-process';
import { dataSourceFor } from '../database/data-source.js';
import type { ScanJob } from '../store/scan-store.js';
import { runScanJob } from './scan-job.js';

/** What the thread of a scan is told. */
export interface ScanOrder {
  readonly databaseUrl: string;
  readonly logLevel: string;
  readonly limits: AskLimits;
  readonly notesIn: string;
  readonly job: ScanJob;
}

const { databaseUrl, logLevel, limits, notesIn, job } = workerData as ScanOrder;
const log = pino({ level: logLevel }, pino.destination({ dest: 2, sync: true }));
const source = dataSourceFor(databaseUrl);
await source.initialize();
await runScanJob(source, log, job, limits, undefined, notesIn);
await source.destroy();
// Whatever still holds the thread open, the scan is over.
process.exit(0);
