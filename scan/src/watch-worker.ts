/** The thread that watches folders. */
import { parentPort, workerData } from 'node:worker_threads';
import type { WatchOrder, WatchTold } from './watch-apart.js';
import { watchFolders } from './watch-folders.js';

const tell = (told: WatchTold): void => parentPort?.postMessage(told);
const watch = watchFolders((place, kind, seenAt) => tell({ place, kind, seenAt }), {
  ...(workerData as WatchOrder),
  onGivenUp: (folder, why) => tell({ folder, why }),
});
parentPort?.on('message', (paths: readonly string[]) => {
  void watch.folders(paths).then(() => tell({ watches: paths.length }));
});
