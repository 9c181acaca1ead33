import { existsSync, statSync } from 'node:fs';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { Arrival, NotWatched } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import { isBelow, whyNoFolder } from '@clever-drawer/scan/folder-sense';
import { watchApart } from '@clever-drawer/scan/watch-apart';
import { MAX_WATCHED, type FolderWatch } from '@clever-drawer/scan/watch-folders';
import { ScanRow } from '../database/entities/computer.js';
import type { Here } from '../here.js';
import { watchedFolders, type WatchedFolder } from '../store/computer-store.js';
import type { ScanJob } from '../store/scan-store.js';

const NOT_THERE: ReadonlySet<NotWatched | undefined> = new Set(['missing', 'refused']);

/** How much later than a change, on a busy computer, the watch may tell of it. */
const WATCH_DELAY_MS = 10_000;
/** How long it is remembered what a scan covered. */
const SCAN_REMEMBERED_MS = 600_000;

/** When a file or folder was changed or moved to where it is (POSIX, "st_ctim"), in milliseconds since 1970; infinite when it is gone. */
function changedAt(path: string): number {
  return statSync(path, { throwIfNoEntry: false })?.ctimeMs ?? Infinity;
}

/** What came or went in watched folders since their last scan. Kept in memory: a scan of everything finds it in any case. */
export class Arrivals {
  private readonly waiting = new Map<string, Arrival>();
  /** When the last scan of each folder or place began and ended, of those that ended lately. */
  private readonly lastScans = new Map<string, { readonly startedAt: number; readonly endedAt: number }>();
  private readonly watch: FolderWatch;
  private folders: readonly WatchedFolder[] = [];
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
    this.watch = watchApart((path, kind, seenAt) => this.note(path, kind, seenAt), {
      ownData,
      most: MAX_WATCHED,
      onGivenUp,
    });
  }

  /** Watches the folders that are switched to it, and no others. */
  async look(): Promise<void> {
    try {
      // What a folder of another computer is called may be something else on this one.
      this.folders = (await watchedFolders(this.source.manager)).filter((folder) => this.here.is(folder.computerId));
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

  /** Takes off what a scan has covered, if it was carried out to its end. */
  async scanEnded({ id, folders }: ScanJob, startedAt: number): Promise<void> {
    try {
      if (!(await this.source.manager.existsBy(ScanRow, { id, state: 'done' }))) return;
    } catch (error) {
      this.log.warn({ err: error }, 'a scan could not be looked up');
      return;
    }
    const scanned = { startedAt, endedAt: Date.now() };
    for (const [folder, { endedAt }] of this.lastScans)
      if (endedAt < scanned.endedAt - SCAN_REMEMBERED_MS) this.lastScans.delete(folder);
    for (const folder of folders) this.lastScans.set(folder, scanned);
    for (const { path, kind, at } of this.waiting.values())
      if (this.isCovered(path, kind, Date.parse(at))) this.waiting.delete(path);
  }

  /** Whether a scan that began after a change has covered it. The watch tells of changes later than they are made. */
  private isCovered(path: string, kind: Arrival['kind'], seenAt: number): boolean {
    for (const [folder, { startedAt, endedAt }] of this.lastScans) {
      if (!isBelow(path, folder)) continue;
      if (seenAt < startedAt) return true;
      if (kind === 'arrived' && seenAt < endedAt + WATCH_DELAY_MS && changedAt(path) < startedAt) return true;
    }
    return false;
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

  private note(path: string, kind: Arrival['kind'], seenAt: number): void {
    if (this.isCovered(path, kind, seenAt)) this.waiting.delete(path);
    else this.waiting.set(path, { path, kind, at: new Date(seenAt).toISOString() });
  }
}
