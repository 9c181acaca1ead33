import { Worker } from 'node:worker_threads';
import pLimit from 'p-limit';
import { resolveWorkerEntry } from '@clever-drawer/scan/resolve-worker-entry';
import type { EndpointKey } from '@clever-drawer/contract/api-types';
import { WHOLE_LISTS } from '@clever-drawer/contract/parts';
import type { ProblemName } from '@clever-drawer/contract/problems';
import { HttpError, clientGone } from './http-error.js';
import { Unpacking, weightOf, type Parcel } from './chunk-json.js';
import { checkedBody, parseBody } from './read-body.js';

/** What the thread tells: the request parcel by parcel, and that it is whole; or what is wrong. */
export type Told =
  | { readonly parcel: Parcel }
  | { readonly isWhole: true }
  | { readonly problem: ProblemName; readonly detail: string; readonly errors: HttpError['errors'] };

const LONGEST_MS = 120_000;
const MAX_MEGABYTES = 1500;
const limit = pLimit(2);

/**
 * Reads and checks a large request in a thread of its own, so that the server goes on answering; the thread is ended when it takes too long or too much
 * memory, or when `gone` is aborted, as nobody waits for it any more. What is large by nothing but a list of ids is checked at once: a thread takes longer to
 * begin. Rejects with HttpError.
 */
export async function readBodyInWorker(key: EndpointKey, bytes: Uint8Array, gone: AbortSignal): Promise<unknown> {
  const light = lightBody(key, bytes);
  if (light !== null) return light.value;
  return limit(() => (gone.aborted ? Promise.reject(clientGone()) : readOne(key, bytes, gone)));
}

const LIGHT = { key: 'POST /computers/{computer}/changes', bytes: 2_500_000, containers: 1000, values: 5000 };

/** A request that is quickly checked, checked; null for another one. Throws HttpError for what does not fit. */
function lightBody(key: EndpointKey, bytes: Uint8Array): { readonly value: unknown } | null {
  // Looked for before anything is parsed: what is nested a million times takes a second to parse.
  if (key !== LIGHT.key || bytes.length > LIGHT.bytes || containersIn(bytes) > LIGHT.containers) return null;
  const sent = parseBody(bytes);
  return weightOf(sent, LIGHT.values, WHOLE_LISTS) < LIGHT.values ? { value: checkedBody(key, sent) } : null;
}

const [LIST, OBJECT] = ['[', '{'].map((sign) => sign.charCodeAt(0));

/** How many lists and objects begin in a text of JSON, at most: such signs within texts are counted too. */
function containersIn(bytes: Uint8Array): number {
  let count = 0;
  for (const byte of bytes) if (byte === LIST || byte === OBJECT) count++;
  return count;
}

function readOne(key: EndpointKey, bytes: Uint8Array, gone: AbortSignal): Promise<unknown> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(resolveWorkerEntry('read-body-worker.js', import.meta.url), {
      workerData: { key, bytes },
      resourceLimits: { maxOldGenerationSizeMb: MAX_MEGABYTES },
    });
    const end = (act: () => void) => (): void => {
      clearTimeout(timer);
      gone.removeEventListener('abort', leave);
      void worker.terminate();
      act();
    };
    const leave = end(() => reject(clientGone()));
    const tooMuch = (): void =>
      reject(
        new HttpError('too-large', 'Reading this took too long or too much memory. Send it in several smaller parts.'),
      );
    const timer = setTimeout(end(tooMuch), LONGEST_MS);
    gone.addEventListener('abort', leave);
    const body = new Unpacking();
    worker.on('message', (told: Told) => {
      if ('parcel' in told) {
        body.take(told.parcel);
        setImmediate(() => worker.postMessage('next'));
      } else if ('isWhole' in told) end(() => resolve(body.value))();
      else end(() => reject(new HttpError(told.problem, told.detail, told.errors)))();
    });
    worker.once('error', (error: NodeJS.ErrnoException) =>
      // Anything else that is thrown there is a fault of ours, and told as one.
      end(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooMuch : () => reject(error))(),
    );
  });
}
