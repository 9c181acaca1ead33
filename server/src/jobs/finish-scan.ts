import type { DataSource, EntityManager } from 'typeorm';
import { keptStory } from '@clever-drawer/core/catalogue/scan-story';
import { cappedPath } from '@clever-drawer/core/facts/caps';
import type { PlaceReading } from '@clever-drawer/scan/read-place';
import type { ScanResult } from '@clever-drawer/scan/run-scan';
import { jsonForDatabase } from '../database/json.js';
import { isOutOfReach } from '../database/out-of-reach.js';
import { applyScan } from '../store/scan-result-store.js';
import { forgetOldStories, type ScanJob } from '../store/scan-store.js';

/** Of more places than this that can't be kept, none is looked for: then it is no single file that is at fault. */
const MAX_SPOILT = 20;

/** Nothing of a place: the database is not to be had, or has no room. PostgreSQL, "Error Codes", class 53. */
const isOfNoPlace = (error: unknown): boolean =>
  isOutOfReach(error) || /^(53|58|ENOSPC)/.test((error as { code?: string }).code ?? '');

/** Writes down what a scan brought. A place that can't be written is a fault of its own, and all the others are kept. */
export async function finishScan(source: DataSource, job: ScanJob, result: ScanResult): Promise<void> {
  try {
    await source.transaction((db) => write(db, job, result));
  } catch (error) {
    if (isOfNoPlace(error)) throw error;
    const spoilt = await spoiltPlaces(source, job, result);
    if (spoilt.size === 0) throw error;
    await source.transaction((db) => write(db, job, without(result, spoilt)));
  }
}

async function write(db: EntityManager, job: ScanJob, result: ScanResult): Promise<void> {
  const { outcome, story } = await applyScan(db, job.computerId, result, job.wish);
  const read = result.places.length;
  await db.query(
    `UPDATE scan SET state = $2, "endedAt" = clock_timestamp(), outcome = $3::jsonb, problems = $4, progress = $5::jsonb, story = $6::jsonb
     WHERE id = $1`,
    [
      job.id,
      result.cancelled ? 'cancelled' : 'done',
      JSON.stringify(outcome),
      result.faults.length,
      JSON.stringify({ found: read, read, current: null }),
      jsonForDatabase(keptStory(story)),
    ],
  );
  await forgetOldStories(db, job.computerId);
}

/** The places that can't be written, with what was said of each: found by halves, each tried in a transaction that is taken back. */
async function spoiltPlaces(source: DataSource, job: ScanJob, result: ScanResult): Promise<Map<string, string>> {
  const spoilt = new Map<string, string>();
  const waiting: (readonly PlaceReading[])[] = [result.fresh];
  for (let places = waiting.pop(); places !== undefined; places = waiting.pop()) {
    const error = await failureOf(source, job, result, places);
    if (error === null) continue;
    if (isOfNoPlace(error)) throw error;
    const [only] = places;
    if (only !== undefined && places.length === 1) spoilt.set(only.path, error.message.slice(0, 200));
    else if (places.length > 1) {
      const middle = places.length >> 1;
      waiting.push(places.slice(middle), places.slice(0, middle));
    }
    if (spoilt.size > MAX_SPOILT) throw error;
  }
  return spoilt;
}

class TakenBack extends Error {}

/** What goes wrong when only these of the places that were read are written; null for nothing. */
async function failureOf(
  source: DataSource,
  job: ScanJob,
  result: ScanResult,
  fresh: readonly PlaceReading[],
): Promise<Error | null> {
  const others = new Set(result.fresh);
  const places = [...result.places.filter((place) => !others.has(place)), ...fresh];
  try {
    await source.transaction(async (db) => {
      // As if it had been cancelled there: nothing counts as gone.
      await applyScan(db, job.computerId, { ...result, fresh, places, cancelled: true }, job.wish);
      throw new TakenBack();
    });
    return null;
  } catch (error) {
    return error instanceof TakenBack ? null : error instanceof Error ? error : new Error(String(error));
  }
}

/** The result with faults in the place of what can't be written. Without a fingerprint, each is read again by the next scan. */
function without(result: ScanResult, spoilt: ReadonlyMap<string, string>): ScanResult {
  const told = new Map<PlaceReading, PlaceReading>();
  for (const place of result.fresh) {
    const detail = spoilt.get(place.path);
    const path = cappedPath(place.path);
    if (detail !== undefined)
      told.set(place, { path, stamp: [], reading: { builds: [], faults: [{ code: 'not-kept', path, detail }] } });
  }
  const faults = [...told.values()].flatMap((place) => place.reading.faults);
  const instead = (place: PlaceReading): PlaceReading => told.get(place) ?? place;
  return {
    ...result,
    fresh: result.fresh.map(instead),
    places: result.places.map(instead),
    faults: [...result.faults, ...faults],
  };
}
