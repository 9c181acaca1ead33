import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { FileFoldersView } from '@clever-drawer/contract/responses';
import type { FileFolder } from '@clever-drawer/core/chests/rows/file-folder';
import type { ComputerId } from '@clever-drawer/core/ids';
import { readFiles, type FilesRead } from '@clever-drawer/scan/read-files';
import { rowsOf } from '../store/arrangement-store.js';
import { keepFiles } from '../store/file-store.js';
import { nextCatalogue } from '../store/studio-store.js';

interface Running {
  readonly cancel: AbortController;
  reading: NonNullable<FileFoldersView['reading']>;
  /** Whether it was asked for again meanwhile. */
  again: boolean;
}

/** Before it is known which folders there are. */
const BEGINNING = { folderId: '', found: 0 };

/** Reads the folders of files of this computer one at a time. A request during a reading starts another one afterwards. */
export class FileReadings {
  private readonly running = new Map<ComputerId, Running>();
  private isClosed = false;

  constructor(
    private readonly source: DataSource,
    private readonly log: Logger,
    /** Whether the server runs on a computer; folders of other computers can't be read. */
    private readonly isHere: (computerId: ComputerId) => boolean,
  ) {}

  /** The folder being read and the number of files found so far; null when none is read. */
  of(computerId: ComputerId): FileFoldersView['reading'] {
    return this.running.get(computerId)?.reading ?? null;
  }

  /** Starts reading all folders of files in the background. */
  start(computerId: ComputerId): void {
    if (this.isClosed || !this.isHere(computerId)) return;
    const running = this.running.get(computerId);
    if (running !== undefined) {
      running.again = true;
      return;
    }
    const own: Running = { cancel: new AbortController(), reading: BEGINNING, again: false };
    this.running.set(computerId, own);
    this.readAll(computerId, own)
      .catch((error: unknown) => {
        if (!own.cancel.signal.aborted && this.source.isInitialized)
          this.log.error({ err: error }, 'folders of files could not be read');
      })
      .finally(() => {
        this.running.delete(computerId);
        if (own.again) this.start(computerId);
      });
  }

  /** Cancels the reading. Files found earlier stay. */
  cancel(computerId: ComputerId): void {
    const running = this.running.get(computerId);
    if (running === undefined) return;
    // A reading that is requested after this starts another one.
    running.again = false;
    running.cancel.abort();
  }

  /** Ends all. */
  close(): void {
    this.isClosed = true;
    for (const { cancel } of this.running.values()) cancel.abort();
  }

  private async readAll(computerId: ComputerId, own: Running): Promise<void> {
    const folders = await rowsOf(this.source.manager, computerId, 'fileFolder');
    folders.sort((a, b) => (a.addedAt < b.addedAt ? -1 : 1));
    for (const folder of folders) await this.readOne(computerId, folder, own);
  }

  private async readOne(computerId: ComputerId, folder: FileFolder, own: Running): Promise<void> {
    const { signal } = own.cancel;
    own.reading = { folderId: folder.id, found: 0 };
    const onProgress = (found: number): void => {
      own.reading = { folderId: folder.id, found };
    };
    try {
      const read = await readFiles(folder.path, { endings: folder.endings, signal, onProgress });
      signal.throwIfAborted();
      await this.store(computerId, folder, read);
    } catch (error) {
      if (signal.aborted || !this.source.isInitialized) throw error;
      this.log.error({ err: error }, 'a folder of files could not be read');
      await this.store(computerId, folder, { files: [], leftOut: 0, problem: 'failed' });
    }
  }

  private store(computerId: ComputerId, folder: FileFolder, read: FilesRead): Promise<void> {
    return this.source.transaction(async (db) => {
      // All windows refetch the catalogue.
      if (await keepFiles(db, computerId, folder, read)) await nextCatalogue(db);
    });
  }
}
