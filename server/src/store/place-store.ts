import type { EntityManager } from 'typeorm';
import type { Fault } from '@clever-drawer/core/facts/fault';
import type { LeftOutView } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { PlaceReading } from '@clever-drawer/scan/read-place';
import { jsonForDatabase } from '../database/json.js';

/** Every place of a computer as the last scan read it, by path. A folder that could not be walked is one too: nothing but its fault. */
export async function loadPlaces(db: EntityManager, computerId: ComputerId): Promise<Map<string, PlaceReading>> {
  const rows = await db.query<PlaceReading[]>('SELECT path, stamp, reading FROM place WHERE "computerId" = $1', [
    computerId,
  ]);
  return new Map(rows.map((row) => [row.path, row]));
}

/** The faults that stand, in order of their paths. */
export async function loadFaults(db: EntityManager, computerId: ComputerId): Promise<Fault[]> {
  const rows = await db.query<{ faults: Fault[] }[]>(
    `SELECT reading->'faults' AS faults FROM place
     WHERE "computerId" = $1 AND jsonb_array_length(reading->'faults') > 0 ORDER BY path`,
    [computerId],
  );
  return rows.flatMap((row) => row.faults);
}

/** The most entries of what was left out that are sent; more are counted. */
const MOST_LEFT_OUT = 5000;

/** What of a computer's places was left out, counted by reason, and the first of them by path. */
export async function loadLeftOut(db: EntityManager, computerId: ComputerId): Promise<LeftOutView> {
  const isLeftOut = `"computerId" = $1 AND jsonb_array_length(reading->'builds') = 0 AND jsonb_array_length(reading->'faults') = 0
     AND jsonb_array_length(coalesce(reading->'presets', '[]'::jsonb)) = 0`;
  const reason = `coalesce(reading->'leftOut'->>'reason', 'no-plugin')`;
  const counts = await db.query<LeftOutView['counts']>(
    `SELECT ${reason} AS reason, count(*)::int AS count FROM place WHERE ${isLeftOut} GROUP BY 1 ORDER BY 2 DESC, 1`,
    [computerId],
  );
  const [all] = await db.query<[{ places: number }]>(
    'SELECT count(*)::int AS places FROM place WHERE "computerId" = $1',
    [computerId],
  );
  const list = await db.query<LeftOutView['list']>(
    `SELECT path, ${reason} AS reason, reading->'leftOut'->>'of' AS of FROM place WHERE ${isLeftOut}
     ORDER BY path LIMIT ${String(MOST_LEFT_OUT)}`,
    [computerId],
  );
  return { lookedAt: all.places, counts, list };
}

// So many rows go into one statement: others get a turn in between.
const AT_ONCE = 500;

/** Writes what was read anew, and forgets places that are gone. */
export async function writePlaces(
  db: EntityManager,
  computerId: ComputerId,
  fresh: readonly PlaceReading[],
  gone: readonly string[],
): Promise<void> {
  for (let at = 0; at < fresh.length; at += AT_ONCE) {
    await db.query(
      `INSERT INTO place ("computerId", path, stamp, reading)
       SELECT $1, path, stamp, reading FROM jsonb_populate_recordset(NULL::place, $2::jsonb)
       ON CONFLICT ("computerId", path) DO UPDATE SET stamp = EXCLUDED.stamp, reading = EXCLUDED.reading`,
      [computerId, jsonForDatabase(fresh.slice(at, at + AT_ONCE))],
    );
  }
  if (gone.length > 0)
    await db.query('DELETE FROM place WHERE "computerId" = $1 AND path = ANY($2)', [computerId, gone]);
}
