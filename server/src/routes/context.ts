import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { System } from '@clever-drawer/core/facts/format';
import type { UsualFolder } from '@clever-drawer/scan/usual-folders';
import type { ScanRunner } from '../jobs/scan-job.js';

/** What the routes work with; put in from outside. */
export interface Context {
  readonly source: DataSource;
  readonly log: Logger;
  /** The plugin folders that this machine has, when a catalogued computer runs this system. */
  readonly presentFolders: (system: System) => UsualFolder[];
  readonly scan?: ScanRunner;
}
