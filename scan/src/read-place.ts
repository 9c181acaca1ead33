import { basename } from 'node:path';
import { cappedReading } from '@clever-drawer/core/facts/caps';
import type { Reading } from '@clever-drawer/core/facts/place';
import { NOTHING } from '@clever-drawer/core/facts/place';
import { readerOf } from '@clever-drawer/core/facts/readers';
import { DiskPlace } from './disk-place.js';
import type { FoundPlace } from './find-places.js';
import type { Stamp } from './stamp.js';

/** A place as it was read: its fingerprint, and what the readers brought (and later, what its plugins said). */
export interface PlaceReading {
  readonly path: string;
  readonly stamp: Stamp;
  readonly reading: Reading;
}

/** Reads one place without running anything. Never throws and never rejects. */
export async function readPlace({ path, isFolder, marked }: FoundPlace): Promise<PlaceReading> {
  const place = new DiskPlace(path, isFolder);
  let reading: Reading;
  try {
    reading = (await readerOf(basename(path), isFolder, marked)?.read(place)) ?? NOTHING;
  } catch (error) {
    // A reader returns its faults; that it throws is a bug of ours, and still no reason to lose the rest of the scan.
    const detail = error instanceof Error ? error.message : String(error);
    reading = { builds: [], faults: [{ code: 'reader-failed', path, detail }] };
  }
  // A reader that goes by parts takes what it does not get for absent.
  if (place.isSpent && reading.faults.every((fault) => fault.code !== 'reading-too-large'))
    reading = { ...reading, faults: [...reading.faults, { code: 'reading-too-large', path }] };
  return { path, reading: cappedReading(reading, path), stamp: place.stamp() };
}

/** Reads places one after the other, so that only one description at a time is held in memory. */
export async function readPlaces(places: readonly FoundPlace[], signal?: AbortSignal): Promise<PlaceReading[]> {
  const readings: PlaceReading[] = [];
  for (const place of places) {
    if (signal?.aborted === true) break;
    readings.push(await readPlace(place));
  }
  return readings;
}

const MAX_LOOKED_AT = 500;

/** The fingerprint of a place whose reading was ended: of itself, and of the first of what lies in it. */
export function stampOf(path: string, isFolder: boolean): Stamp {
  const place = new DiskPlace(path, isFolder);
  const waiting = [''];
  for (let count = 0; waiting.length > 0 && count < MAX_LOOKED_AT; count++) {
    const inside = waiting.shift() ?? '';
    for (const name of place.namesIn(inside)) waiting.push(inside === '' ? name : `${inside}/${name}`);
  }
  return place.stamp();
}
