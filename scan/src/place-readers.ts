import { availableParallelism } from 'node:os';
import { setTimeout as delay } from 'node:timers/promises';
import pLimit from 'p-limit';
import { Piscina } from 'piscina';
import { resolveWorkerEntry } from './resolve-worker-entry.js';
import type { FoundPlace } from './find-places.js';
import { stampOf, type PlaceReading } from './read-place.js';

/** Reads a handful of places at once; closed when the scan is over. */
export interface PlaceReaders {
  /** After a cancel, what was read until then, or nothing. */
  readonly read: (places: readonly FoundPlace[], signal?: AbortSignal) => Promise<readonly PlaceReading[]>;
  readonly close: () => Promise<void>;
}

/** How long a place may take to be read, and how much memory. */
export interface ReadLimits {
  readonly seconds: number;
  readonly megabytes: number;
}

/** Real places take some milliseconds and megabytes; a slow disk far away takes longer. */
export const READ_LIMITS: ReadLimits = { seconds: 20, megabytes: 512 };

type Spent = 'reading-too-long' | 'reading-too-large';

/** A reader that waits for a disk uses no processor time: after so many times the limit on the clock it is ended all the same. */
const MAX_CLOCK_FACTOR = 10;
const CHECK_MS = 200;

/**
 * A signal that aborts when the limit is used up: in processor time of this process, so that a busy computer, which gives it little, makes no reader late;
 * and never before the clock says so.
 */
function timeLimit(seconds: number): { readonly signal: AbortSignal; readonly stop: () => void } {
  const late = new AbortController();
  const [start, used] = [performance.now(), process.cpuUsage()];
  const timer = setInterval(() => {
    const onClock = (performance.now() - start) / 1000;
    const { user, system } = process.cpuUsage(used);
    const onProcessor = (user + system) / 1_000_000;
    if (onClock >= seconds && (onProcessor >= seconds || onClock >= seconds * MAX_CLOCK_FACTOR)) late.abort();
  }, CHECK_MS);
  return { signal: late.signal, stop: () => clearInterval(timer) };
}

/**
 * Reads in threads, one for each processor. A thread in which a handful of places takes too long, or too much, is ended, and each of them is read once
 * more by itself. What is late then too is read a last time when nothing else is being read: only what fails there as well is told.
 */
export function readInThreads(
  limits: ReadLimits = READ_LIMITS,
  program = resolveWorkerEntry('read-worker.js'),
): PlaceReaders {
  const threads = Math.min(8, availableParallelism());
  const pool = new Piscina<readonly FoundPlace[], PlaceReading[]>({
    filename: program,
    minThreads: 1,
    maxThreads: threads,
    // Threads waiting for work spin on a shared flag by default, which takes processor time from the server.
    atomics: 'disabled',
    // Parsing leaves much short-lived garbage; with more room for it far less has to be copied about.
    resourceLimits: { maxYoungGenerationSizeMb: 48, maxOldGenerationSizeMb: limits.megabytes },
  });
  // A thread may run out of memory while it is being ended for its time: whoever waited for it has been told.
  pool.on('error', () => undefined);
  // What waits for a thread does not spend its time.
  const limit = pLimit(threads);
  const run = async (places: readonly FoundPlace[], signal?: AbortSignal): Promise<readonly PlaceReading[] | Spent> => {
    const { signal: late, stop } = timeLimit(limits.seconds);
    try {
      return await pool.run(places, { signal: signal === undefined ? late : AbortSignal.any([late, signal]) });
    } catch (error) {
      if (signal?.aborted === true) return [];
      if (late.aborted) return 'reading-too-long';
      if ((error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY') return 'reading-too-large';
      throw error;
    } finally {
      stop();
    }
  };
  const lastTries = pLimit(1);
  const untilIdle = async (): Promise<void> => {
    while (limit.activeCount + limit.pendingCount > 0) await delay(CHECK_MS);
  };
  const readLast = (place: FoundPlace, signal?: AbortSignal): Promise<readonly PlaceReading[]> =>
    lastTries(async () => {
      await untilIdle();
      const brought = await limit(() => run([place], signal));
      return typeof brought === 'string' ? [unread(place, brought, limits)] : brought;
    });
  const read = (places: readonly FoundPlace[], signal?: AbortSignal): Promise<readonly PlaceReading[]> =>
    limit(() => run(places, signal)).then(async (brought) => {
      if (typeof brought !== 'string') return brought;
      const [only] = places;
      if (only !== undefined && places.length === 1)
        return brought === 'reading-too-long' ? readLast(only, signal) : [unread(only, brought, limits)];
      return (await Promise.all(places.map((place) => read([place], signal)))).flat();
    });
  return { read, close: () => pool.destroy() };
}

/** A place whose reading was ended: a fault, and a fingerprint, so that it is not read again until it changes. */
function unread({ path, isFolder }: FoundPlace, code: Spent, { seconds, megabytes }: ReadLimits): PlaceReading {
  const detail = code === 'reading-too-long' ? `${String(seconds)} seconds` : `${String(megabytes)} MB`;
  return { path, stamp: stampOf(path, isFolder), reading: { builds: [], faults: [{ code, path, detail }] } };
}
