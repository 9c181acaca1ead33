import { Worker } from 'node:worker_threads';
import { resolveWorkerEntry } from './resolve-worker-entry.js';
import type { OnChange, FolderWatch, WatchLimits, WhyGivenUp } from './watch-folders.js';

/** What the thread is given. */
export type WatchOrder = Omit<WatchLimits, 'onGivenUp'>;
/** What the thread tells: of a place, of a folder that is not watched, or that it has begun with what it was last told to watch. */
export type WatchTold =
  | { readonly place: string; readonly kind: 'arrived' | 'vanished'; readonly seenAt: number }
  | { readonly folder: string; readonly why: WhyGivenUp }
  | { readonly watches: number };

const MAX_MEGABYTES = 384;

/** See watchFolders. In a thread of its own: to begin with a folder of a hundred thousand files takes seconds. It starts when there is something to watch. */
export function watchApart(onChange: OnChange, limits: WatchLimits): FolderWatch {
  const { onGivenUp, ...order } = limits;
  let thread: Worker | null = null;
  let watched: readonly string[] = [];
  const begun: (() => void)[] = [];
  const start = (): Worker => {
    const worker = new Worker(resolveWorkerEntry('watch-worker.js'), {
      workerData: order satisfies WatchOrder,
      resourceLimits: { maxOldGenerationSizeMb: MAX_MEGABYTES },
    });
    worker.unref();
    worker.on('message', (told: WatchTold) => {
      if ('place' in told) onChange(told.place, told.kind, told.seenAt);
      else if ('folder' in told) onGivenUp(told.folder, told.why);
      else begun.shift()?.();
    });
    worker.on('error', (error: NodeJS.ErrnoException) => {
      const why = error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? 'too-large' : 'failed';
      thread = null;
      for (const folder of watched) onGivenUp(folder, why);
      for (const done of begun.splice(0)) done();
    });
    return worker;
  };
  return {
    folders: (paths) => {
      watched = paths;
      if (thread === null && paths.length === 0) return Promise.resolve();
      const worker = (thread ??= start());
      return new Promise((done) => {
        begun.push(done);
        worker.postMessage(paths);
      });
    },
    close: async () => {
      const worker = thread;
      thread = null;
      for (const done of begun.splice(0)) done();
      await worker?.terminate();
    },
  };
}
