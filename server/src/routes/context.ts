import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { ReadProject } from '@clever-drawer/core/exchange/dawproject';
import type { System } from '@clever-drawer/core/facts/format';
import type { Room } from '@clever-drawer/scan/ask/room';
import type { UsualFolder } from '@clever-drawer/scan/usual-folders';
import type { EndpointKey } from '@clever-drawer/contract/api-types';
import type { Arrival, NotWatched } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { PackedAnswers } from '../http/packed-answers.js';
import type { SignIn } from '../http/sign-in.js';
import type { ArrangementService } from '../jobs/arrangement-service.js';
import type { Catalogues } from '../jobs/catalogues.js';
import type { FileReadings } from '../jobs/file-readings.js';
import type { Here } from '../here.js';
import type { ScanQueue } from '../jobs/scan-queue.js';

/** What the routes work with; put in from outside. */
export interface Context {
  readonly source: DataSource;
  readonly log: Logger;
  /** The plugin folders that this machine has, when a catalogued computer runs this system. */
  readonly presentFolders: (system: System) => UsualFolder[];
  readonly scans: ScanQueue;
  readonly arranging: ArrangementService;
  readonly catalogues: Catalogues;
  readonly fileReadings: FileReadings;
  /** Lists as they were last sent. */
  readonly packed: PackedAnswers;
  readonly here: Here;
  /** Where the application keeps its own data; null when that is in a database elsewhere. */
  readonly ownData: string | null;
  /** Numbers of the users of this computer who may use the application besides its own. */
  readonly users: readonly number[];
  /** How whoever asks signs in; null where nobody has to. `always`: also where the system tells who it is. */
  readonly signIn: (SignIn & { readonly always: boolean }) | null;
  /** In which room plugins are asked about themselves; found out once. */
  readonly askingRoom: () => Promise<Room['kind']>;
  /** Reads and checks a large request, wherever that is done; see readBody. */
  readonly readLarge: (key: EndpointKey, bytes: Uint8Array, gone: AbortSignal) => Promise<unknown>;
  /** Reads a DAWproject, wherever that is done. */
  readonly readProject: (bytes: Uint8Array) => Promise<ReadProject>;
  /** What came or went in watched folders; `look` after a folder was added, taken off or switched. */
  readonly arrivals: {
    of(computerId: ComputerId): readonly Arrival[];
    whyNot(path: string): NotWatched | null;
    look(): Promise<void>;
  };
}
