import { parentPort, workerData } from 'node:worker_threads';
import { runScan, type ScanProgress, type ScanResult } from './run-scan.js';

/** What the thread is given, and what it says back. */
export interface ScanOrder {
  readonly folders: readonly string[];
}
export type ScanMessage = { readonly progress: ScanProgress } | { readonly result: ScanResult };

const port = parentPort;
if (port === null) throw new Error('scan-worker runs as a worker thread only');
const cancel = new AbortController();
port.on('message', () => cancel.abort());
const say = (message: ScanMessage): void => port.postMessage(message);

let told = 0;
const result = await runScan((workerData as ScanOrder).folders, {
  signal: cancel.signal,
  onProgress: (progress) => {
    const now = Date.now();
    if (now - told < 100) return;
    told = now;
    say({ progress });
  },
});
say({ result });
port.close();
