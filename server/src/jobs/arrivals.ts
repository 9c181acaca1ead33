import { existsSync } from 'node:fs';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { Arrival } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import { isBelow, whyNoFolder } from '@clever-drawer/scan/folder-sense';
import { MOST_WATCHED, watchFolders, type FolderWatch } from '@clever-drawer/scan/watch-folders';
import { FolderRow } from '../database/entities/computer.js';
import type { Here } from '../here.js';

/** What came or went in watched folders since their last scan. Kept in memory: a scan of everything finds it in any case. */
export class Arrivals {
  private readonly waiting = new Map<string, Arrival>();
  private readonly watch: FolderWatch;
  private folders: readonly FolderRow[] = [];

  constructor(
    private readonly source: DataSource,
    private readonly log: Logger,
    private readonly here: Pick<Here, 'is'>,
    /** Where the application keeps its own data; null when it is nowhere near. */
    private readonly ownData: string | null = null,
  ) {
    const onTooLarge = (folder: string): void =>
      log.warn(
        `${folder} holds too much to be watched. Scan it by hand, or add the folders in it that plugins lie in.`,
      );
    this.watch = watchFolders((path, kind) => this.note(path, kind), { ownData, most: MOST_WATCHED, onTooLarge });
  }

  /** Watches the folders that are switched to it, and no others. */
  async look(): Promise<void> {
    try {
      const all = await this.source.manager.findBy(FolderRow, { watches: true });
      // What a folder of another computer is called may be something else on this one.
      this.folders = all.filter((folder) => this.here.is(folder.computerId));
      const paths = [...new Set(this.folders.map((folder) => folder.path))].filter(
        // A row of an earlier version may name what is refused today.
        (path) => existsSync(path) && whyNoFolder(path, this.ownData) === null,
      );
      await this.watch.folders(paths);
    } catch (error) {
      this.log.warn({ err: error }, 'folders can not be watched');
    }
  }

  /** What waits to be scanned on a computer, newest first. */
  of(computerId: ComputerId): Arrival[] {
    const own = this.folders.filter((folder) => folder.computerId === computerId);
    return [...this.waiting.values()]
      .filter((arrival) => own.some((folder) => isBelow(arrival.path, folder.path)))
      .map(({ path, kind, at }) => ({ path, kind, at }))
      .sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  /** Takes off what lies in folders that have been scanned. */
  scanned(folders: readonly string[]): void {
    for (const path of this.waiting.keys())
      if (folders.some((folder) => isBelow(path, folder))) this.waiting.delete(path);
  }

  close(): Promise<void> {
    return this.watch.close();
  }

  private note(path: string, kind: Arrival['kind']): void {
    this.waiting.set(path, { path, kind, at: new Date().toISOString() });
  }
}
