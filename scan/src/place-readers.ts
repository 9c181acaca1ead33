import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { ownProgram } from './own-program.js';
import type { FoundPlace } from './find-places.js';
import { readPlaces, type PlaceReading } from './read-place.js';

/** Reads a handful of places at once; closed when the scan is over. */
export interface PlaceReaders {
  /** After a cancel, what was read until then, or nothing. */
  readonly read: (places: readonly FoundPlace[], signal?: AbortSignal) => Promise<readonly PlaceReading[]>;
  readonly close: () => Promise<void>;
}

/** Reads in the calling thread, one place after the other: for a few places, and for tests. */
export function readHere(): PlaceReaders {
  let last: Promise<unknown> = Promise.resolve();
  return {
    read: (places, signal) => {
      const readings = last.then(() => readPlaces(places, signal));
      last = readings;
      return readings;
    },
    close: () => Promise.resolve(),
  };
}

/** Reads in threads, one for each processor. */
export function readInThreads(): PlaceReaders {
  const pool = new Piscina<readonly FoundPlace[], PlaceReading[]>({
    filename: ownProgram('read-worker.js'),
    minThreads: 1,
    maxThreads: Math.min(8, availableParallelism()),
    // Threads waiting for work spin on a shared flag by default, which takes processor time from the server.
    atomics: 'disabled',
    // Parsing leaves much short-lived garbage; with more room for it far less has to be copied about.
    resourceLimits: { maxYoungGenerationSizeMb: 48 },
  });
  return {
    read: async (places, signal) => {
      try {
        return await pool.run(places, signal === undefined ? {} : { signal });
      } catch (error) {
        if (signal?.aborted === true) return [];
        throw error;
      }
    },
    close: () => pool.destroy(),
  };
}
