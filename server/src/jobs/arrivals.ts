import { existsSync } from 'node:fs';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { Arrival, NotWatched } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import { isBelow, whyNoFolder } from '@clever-drawer/scan/folder-sense';
import { watchApart } from '@clever-drawer/scan/watch-apart';
import { MOST_WATCHED, type FolderWatch } from '@clever-drawer/scan/watch-folders';
import { FolderRow } from '../database/entities/computer.js';
import type { Here } from '../here.js';

const NOT_THERE: ReadonlySet<NotWatched | undefined> = new Set(['missing', 'refused']);

/** What came or went in watched folders since their last scan. Kept in memory: a scan of everything finds it in any case. */
export class Arrivals {
  private readonly waiting = new Map<string, Arrival>();
  private readonly watch: FolderWatch;
  private folders: readonly FolderRow[] = [];
  private timer: NodeJS.Timeout | undefined;
  private isClosed = false;
  /** Kept when the folders of the last look are being watched. */
  begun: Promise<void> = Promise.resolve();
  /** Folders that are switched to being watched and are not, with why. */
  private readonly givenUp = new Map<string, NotWatched>();

  constructor(
    private readonly source: DataSource,
    private readonly log: Logger,
    private readonly here: Pick<Here, 'is'>,
    /** Where the application keeps its own data; null when it is nowhere near. */
    private readonly ownData: string | null = null,
    /** After so many milliseconds it is looked whether a folder that was gone is back. */
    private readonly looksAgain = 30_000,
  ) {
    const onGivenUp = (folder: string, why: NotWatched): void => {
      this.givenUp.set(folder, why);
      if (why === 'missing') this.lookForMissing();
      log.warn({ folder, why }, 'a folder is not watched');
    };
    this.watch = watchApart((path, kind) => this.note(path, kind), { ownData, most: MOST_WATCHED, onGivenUp });
  }

  /** Watches the folders that are switched to it, and no others. */
  async look(): Promise<void> {
    try {
      const all = await this.source.manager.findBy(FolderRow, { watches: true });
      // What a folder of another computer is called may be something else on this one.
      this.folders = all.filter((folder) => this.here.is(folder.computerId));
      const wanted = [...new Set(this.folders.map((folder) => folder.path))];
      for (const path of this.givenUp.keys()) if (!wanted.includes(path)) this.givenUp.delete(path);
      const paths = wanted.filter((path) => {
        // A row of an earlier version may name what is refused today.
        const why = !existsSync(path) ? 'missing' : whyNoFolder(path, this.ownData) !== null ? 'refused' : null;
        if (why !== null) this.givenUp.set(path, why);
        else if (NOT_THERE.has(this.givenUp.get(path))) this.givenUp.delete(path);
        return why === null;
      });
      this.lookForMissing();
      // Not waited for: the thread may be busy for seconds with a large folder, and whoever added another one waits for this.
      this.begun = this.watch.folders(paths);
    } catch (error) {
      this.log.warn({ err: error }, 'folders can not be watched');
    }
  }

  /** Why a folder that is switched to it is not watched; null when it is. */
  whyNot(path: string): NotWatched | null {
    return this.givenUp.get(path) ?? null;
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
    this.isClosed = true;
    clearTimeout(this.timer);
    return this.watch.close();
  }

  /** A disk that is connected again is watched again, without anybody saying so. */
  private lookForMissing(): void {
    clearTimeout(this.timer);
    if (!this.isClosed && [...this.givenUp.values()].includes('missing'))
      this.timer = setTimeout(() => void this.look(), this.looksAgain).unref();
  }

  private note(path: string, kind: Arrival['kind']): void {
    this.waiting.set(path, { path, kind, at: new Date().toISOString() });
  }
}
