import { Worker } from 'node:worker_threads';
import type { ReadProject } from '@clever-drawer/core/exchange/dawproject';

const LONGEST_MS = 20_000;
const MAX_MEGABYTES = 512;

/** Reads a DAWproject in a thread of its own, which is ended when it takes too long or too much memory: the server goes on answering. */
export function readProjectInWorker(bytes: Uint8Array): Promise<ReadProject> {
  return new Promise((done) => {
    const worker = new Worker(new URL('./read-project-worker.js', import.meta.url), {
      workerData: bytes,
      resourceLimits: { maxOldGenerationSizeMb: MAX_MEGABYTES },
    });
    const end = (read: ReadProject): void => {
      clearTimeout(timer);
      void worker.terminate();
      done(read);
    };
    const tooMuch =
      'Reading this DAWproject took too long or too much memory. Export the tracks without their notes and automation.';
    const timer = setTimeout(() => end({ ok: false, why: tooMuch }), LONGEST_MS);
    worker.once('message', end);
    worker.once('error', () => end({ ok: false, why: tooMuch }));
  });
}
