/** The thread that reads one DAWproject. */
import { parentPort, workerData } from 'node:worker_threads';
import { readDawproject } from '@clever-drawer/core/exchange/dawproject';

parentPort?.postMessage(readDawproject(workerData as Uint8Array, new Date()));
