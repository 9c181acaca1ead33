import { Worker } from 'node:worker_threads';
import type { ScanMessage, ScanOrder } from './scan-worker.js';
import type { ScanProgress, ScanResult } from './run-scan.js';

/** Runs a scan in a thread of its own, so that the caller goes on answering. Rejects only when the thread itself dies. */
export function scanInThread(
  folders: readonly string[],
  options: { readonly onProgress: (progress: ScanProgress) => void; readonly signal: AbortSignal },
): Promise<ScanResult> {
  const order: ScanOrder = { folders };
  const worker = new Worker(new URL('./scan-worker.js', import.meta.url), { workerData: order });
  const cancel = (): void => worker.postMessage('cancel');
  options.signal.addEventListener('abort', cancel, { once: true });
  if (options.signal.aborted) cancel();
  return new Promise<ScanResult>((resolve, reject) => {
    worker.on('message', (message: ScanMessage) => {
      if ('progress' in message) options.onProgress(message.progress);
      else resolve(message.result);
    });
    worker.on('error', reject);
    worker.on('exit', (code) => reject(new Error(`the scan thread ended early (code ${String(code)})`)));
  }).finally(() => options.signal.removeEventListener('abort', cancel));
}
