/** The thread that reads and checks one large request. */
import { parentPort, workerData } from 'node:worker_threads';
import type { EndpointKey } from '@clever-drawer/contract/api-of';
import { HttpError } from './http-error.js';
import { readBody } from './read-body.js';
import { AT_ONCE, type Told } from './read-body-apart.js';

const { key, bytes } = workerData as { readonly key: EndpointKey; readonly bytes: Uint8Array };
const tell = (told: Told): void => parentPort?.postMessage(told);

try {
  const body = readBody(key, bytes) as Readonly<Record<string, unknown>>;
  const short: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(body)) {
    if (!Array.isArray(value) || value.length <= AT_ONCE) short[name] = value;
    else for (let at = 0; at < value.length; at += AT_ONCE) tell({ name, part: value.slice(at, at + AT_ONCE) });
  }
  tell({ short });
} catch (error) {
  if (!(error instanceof HttpError)) throw error;
  tell({ problem: error.problem, detail: error.message, errors: error.errors });
}
