import { existsSync } from 'node:fs';
import { basename, dirname, join, sep } from 'node:path';
import { watch } from 'chokidar';
import { LV2_MANIFEST, readerFor } from '@clever-drawer/core/facts/readers';
import { DATABASE, isBelow, isMadeUp } from './folder-sense.js';

/** Tells of places that arrived or vanished in watched folders. */
export interface FolderWatch {
  /** Watches these folders and no others from now on. */
  readonly folders: (paths: readonly string[]) => Promise<void>;
  readonly close: () => Promise<void>;
}

/** Why a folder is not watched, or not wholly: it holds too much, the system watches no more, it is gone (it may be named again when it is back), or the system ended it. */
export type WhyGivenUp = 'too-large' | 'no-more-watches' | 'missing' | 'failed';

/** How far watching goes. */
export interface WatchLimits {
  /** Where the application keeps its own data, which is never watched; null when there is none. */
  readonly ownData: string | null;
  /** Of a folder with more entries than this none is watched. */
  readonly most: number;
  /** Told of a folder that is not watched, or not wholly. */
  readonly onGivenUp: (folder: string, why: WhyGivenUp) => void;
}

/** Far more than plugin folders hold (common practice: some thousands; bundles are not looked into). Watching takes some 6 kB for each. */
export const MAX_WATCHED = 30_000;

/** Installers write for a while: a place is told of once nothing new has come for so long. */
const SETTLED_MS = 1500;

/** An LV2 bundle is one whatever its name. */
const hasManifest = (folder: string): boolean => existsSync(join(folder, LV2_MANIFEST));

/** The bundle or file that a path belongs to; null for what can be no plugin. `above` is the watched folder. */
export function placeOf(path: string, isFolder: boolean, above: string): string | null {
  const isPlace = readerFor(basename(path), isFolder) !== undefined || (isFolder && hasManifest(path));
  let found: string | null = isPlace ? path : null;
  for (let folder = dirname(path); folder.startsWith(above + sep); folder = dirname(folder)) {
    if (readerFor(basename(folder), true) !== undefined || hasManifest(folder)) found = folder;
  }
  // Of an LV2 bundle that is gone only the name of its manifest still tells.
  if (found === null && basename(path) === LV2_MANIFEST && dirname(path) !== above) return dirname(path);
  return found;
}

/** Called with a place, whether it arrived or vanished, and when that was last seen (milliseconds since 1970). */
export type OnChange = (place: string, kind: 'arrived' | 'vanished', seenAt: number) => void;

/**
 * Watches folders for plugins that come and go. Bundles are not looked into, so that a large collection costs one watch per folder; what was
 * there at the beginning is not told.
 */
export function watchFolders(
  onChange: OnChange,
  limits: WatchLimits = { ownData: null, most: MAX_WATCHED, onGivenUp: () => undefined },
): FolderWatch {
  const watching = new Map<string, () => Promise<void>>();
  return {
    folders: async (paths) => {
      for (const [path, stop] of watching) {
        if (!paths.includes(path)) {
          watching.delete(path);
          await stop();
        }
      }
      for (const path of paths) {
        if (watching.has(path)) continue;
        const onGivenUp: WatchLimits['onGivenUp'] = (folder, why) => {
          if (why === 'missing') {
            void watching.get(folder)?.();
            watching.delete(folder);
          }
          limits.onGivenUp(folder, why);
        };
        watching.set(path, watchOne(path, onChange, { ...limits, onGivenUp }));
      }
    },
    close: async () => {
      await Promise.all([...watching.values()].map((stop) => stop()));
      watching.clear();
    },
  };
}

function watchOne(folder: string, onChange: OnChange, { ownData, most, onGivenUp }: WatchLimits): () => Promise<void> {
  const waiting = new Map<string, NodeJS.Timeout>();
  const insideBundle = (path: string): boolean => {
    for (let above = dirname(path); above.startsWith(folder); above = dirname(above)) {
      if (above !== folder && readerFor(basename(above), true) !== undefined) return true;
    }
    return false;
  };
  let isTooLarge = false;
  const seen = new Set<string>();
  /** What is made up by the system, or our own, is never gone into; and a folder of more than so many entries is given up as a whole. */
  const isLeftAlone = (path: string): boolean => {
    if (isTooLarge || isMadeUp(path) || (ownData !== null && isBelow(path, join(ownData, DATABASE)))) return true;
    if (seen.size < most) seen.add(path);
    else if (!seen.has(path)) {
      isTooLarge = true;
      seen.clear();
      onGivenUp(folder, 'too-large');
      void watcher.close();
    }
    return isTooLarge;
  };
  const watcher = watch(folder, {
    ignoreInitial: true,
    ignored: (path) => isLeftAlone(path) || insideBundle(path),
    followSymlinks: true,
    ignorePermissionErrors: true,
  });
  const tell = (kind: 'arrived' | 'vanished', isFolder: boolean) => (path: string) => {
    const place = placeOf(path, isFolder, folder);
    if (place === null) return;
    const seenAt = Date.now();
    clearTimeout(waiting.get(place));
    waiting.set(
      place,
      setTimeout(() => {
        waiting.delete(place);
        onChange(place, kind, seenAt);
      }, SETTLED_MS),
    );
  };
  watcher.on('add', tell('arrived', false)).on('addDir', tell('arrived', true)).on('change', tell('arrived', false));
  watcher.on('unlink', tell('vanished', false)).on('unlinkDir', tell('vanished', true));
  // That the folder itself is gone (a disk was taken off, say) is told by the system alone.
  let looks: NodeJS.Timeout | undefined;
  watcher.on('raw', () => {
    looks ??= setTimeout(() => {
      looks = undefined;
      if (!existsSync(folder)) onGivenUp(folder, 'missing');
    }, SETTLED_MS);
  });
  // A folder that can't be watched is scanned by hand as before.
  watcher.on('error', (error) => {
    // inotify(7): the limit of watches, or of open files, is reached.
    const isFull = ['ENOSPC', 'EMFILE'].includes((error as NodeJS.ErrnoException).code ?? '');
    onGivenUp(folder, isFull ? 'no-more-watches' : 'failed');
  });
  return async () => {
    clearTimeout(looks);
    for (const timer of waiting.values()) clearTimeout(timer);
    await watcher.close();
  };
}
