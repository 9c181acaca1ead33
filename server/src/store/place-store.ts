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

/** Which part of a list: so many from a place in it on. */
export interface Page {
  readonly from: number;
  readonly limit: number;
}

/** How many faults stand, and a part of them, in order of their places. */
export async function loadFaults(
  db: EntityManager,
  computerId: ComputerId,
  { from, limit }: Page,
): Promise<{ total: number; list: Fault[] }> {
  const [{ total }] = await db.query<[{ total: number }]>(
    `SELECT coalesce(sum(jsonb_array_length(reading->'faults')), 0)::int AS total FROM place WHERE "computerId" = $1`,
    [computerId],
  );
  const rows = await db.query<{ fault: Fault }[]>(
    `SELECT one.fault FROM place, jsonb_array_elements(reading->'faults') WITH ORDINALITY AS one(fault, at)
     WHERE "computerId" = $1 ORDER BY path, one.at OFFSET $2 LIMIT $3`,
    [computerId, from, limit],
  );
  return { total, list: rows.map((row) => row.fault) };
}

/** What of a computer's places was left out, counted by reason, and a part of it, of one reason or of all, in order of the paths. */
export async function loadLeftOut(
  db: EntityManager,
  computerId: ComputerId,
  { from, limit, reason: only = null }: Page & { readonly reason?: string | null | undefined },
): Promise<LeftOutView> {
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
    `SELECT path, ${reason} AS reason, reading->'leftOut'->>'of' AS of FROM place
     WHERE ${isLeftOut} AND ($2::text IS NULL OR ${reason} = $2) ORDER BY path OFFSET $3 LIMIT $4`,
    [computerId, only, from, limit],
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
