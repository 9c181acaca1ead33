/** The thread that reads and checks one large request. */
import { parentPort, workerData } from 'node:worker_threads';
import type { EndpointKey } from '@clever-drawer/contract/api-types';
import { HttpError } from './http-error.js';
import { chunkJson } from './chunk-json.js';
import { readBody } from './read-body.js';
import type { Told } from './read-body-in-worker.js';

const { key, bytes } = workerData as { readonly key: EndpointKey; readonly bytes: Uint8Array };
const tell = (told: Told): void => parentPort?.postMessage(told);

try {
  const parcels = chunkJson(readBody(key, bytes));
  // One at a time, when the last one has been taken over: many that wait are taken over in one go, and hold the server.
  const next = (): void => {
    const step = parcels.next();
    tell(step.done === true ? { isWhole: true } : { parcel: step.value });
  };
  parentPort?.on('message', next);
  next();
} catch (error) {
  if (!(error instanceof HttpError)) throw error;
  tell({ problem: error.problem, detail: error.message, errors: error.errors });
}
