import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { LoadCountsResponse, UsesView, UseView } from '@clever-drawer/contract/responses';
import { itemId, itemParts } from '@clever-drawer/core/chests/item';
import type { ComputerId, ItemId, PluginId, PresetKey } from '@clever-drawer/core/ids';
import type { LoadWay, Spot } from '@clever-drawer/core/menu/use';
import { StudioRow } from '../database/entities/computer.js';
import { LoadRow } from '../database/entities/journal.js';

/** A load as it is written down: what, where, by which way and how fast; `change` is the step of the journal that did it, null for one of no step. */
export interface CountedLoad {
  readonly item: ItemId;
  readonly buildId: string | null;
  readonly slotId: string;
  readonly spot: Spot;
  readonly session: string | null;
  readonly way: LoadWay;
  readonly milliseconds: number;
  readonly keys: number | null;
  readonly clicks: number | null;
  readonly change: number | null;
  /** When, as an ISO time; absent: now. */
  readonly at?: string | undefined;
}

/** Whether loads are counted. */
export const keepsUse = async (db: EntityManager): Promise<boolean> =>
  (await db.findOneByOrFail(StudioRow, { id: 1 })).keepsUse;

/** Writes loads down, unless the producer has switched that off: whether it did. */
export async function countLoads(
  db: EntityManager,
  computerId: ComputerId,
  loads: readonly CountedLoad[],
): Promise<boolean> {
  if (!(await keepsUse(db))) return false;
  const rows = loads.map(({ item, spot, at, ...load }) => ({
    ...load,
    ...(at === undefined ? {} : { loadedAt: new Date(at) }),
    ...itemParts(item),
    id: randomUUID(),
    computerId,
    slotKind: spot.slot,
    laneKind: spot.laneKind,
    lane: spot.lane,
    before: spot.before,
  }));
  await db.insert(LoadRow, rows);
  return true;
}

/** The loads that a step made count no longer when it is undone, and again when it is redone. */
export const LOADS_OF_STEP = `UPDATE load SET undone = $3 WHERE "computerId" = $1 AND change = $2`;

/** A moment in UTC as text, for to_char: as JSON writes it. */
export const ISO = `'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'`;

/** When something was loaded last on a computer, in microseconds since 1970, whether it was taken back or not; 0 for never. */
export async function lastLoad(db: EntityManager, computerId: ComputerId): Promise<string> {
  const [row] = await db.query<{ at: string | null }[]>(
    `SELECT (extract(epoch FROM max("loadedAt")) * 1000000)::bigint::text AS at FROM load WHERE "computerId" = $1`,
    [computerId],
  );
  return row?.at ?? '0';
}

/** How often each plugin was loaded, when last, and by which ways. A load counts for the plugin that its build belongs to now: it goes along when plugins are joined. */
export async function loadCounts(
  db: EntityManager,
  computerId: ComputerId,
): Promise<ReadonlyMap<string, LoadCountsResponse['plugins'][number]>> {
  const rows = await db.query<LoadCountsResponse['plugins'][number][]>(
    // Counted by build first: a million loads are of a few thousand builds.
    `SELECT coalesce(b."pluginId", l."pluginId") AS "pluginId", sum(l.loads)::int AS loads,
            to_char(max(l.last) AT TIME ZONE 'UTC', ${ISO}) AS "lastLoad",
            jsonb_agg(DISTINCT l.way) AS ways
     FROM (SELECT "pluginId", "buildId", way, count(*) AS loads, max("loadedAt") AS last FROM load
           WHERE "computerId" = $1 AND NOT undone GROUP BY 1, 2, 3) l
     LEFT JOIN build b ON b.id = l."buildId" GROUP BY 1`,
    [computerId],
  );
  return new Map(rows.map((row) => [row.pluginId, row]));
}

/** So many of the last loads are told of: what is older hardly counts. */
const MAX_TOLD = 4000;

/** The last loads of a computer, newest first, each for the plugin that its build belongs to now. */
export async function usesOf(db: EntityManager, computerId: ComputerId): Promise<UsesView> {
  const [[sum], rows] = await Promise.all([
    db.query<[{ total: number; since: string | null }]>(
      `SELECT count(*)::int AS total, to_char(min("loadedAt") AT TIME ZONE 'UTC', ${ISO}) AS since
       FROM load WHERE "computerId" = $1 AND NOT undone`,
      [computerId],
    ),
    db.query<(Omit<UseView, 'item'> & { pluginId: PluginId; preset: PresetKey | null })[]>(
      `SELECT coalesce(b."pluginId", l."pluginId") AS "pluginId", l.preset,
              to_char(l."loadedAt" AT TIME ZONE 'UTC', ${ISO}) AS at,
              l."slotKind" AS slot, l."laneKind", l.lane, l.session, l.before, l.way
       FROM load l LEFT JOIN build b ON b.id = l."buildId"
       WHERE l."computerId" = $1 AND NOT l.undone ORDER BY l."loadedAt" DESC LIMIT $2`,
      [computerId, MAX_TOLD],
    ),
  ]);
  const uses = rows.map(({ pluginId, preset, ...use }): UseView => ({ item: itemId({ pluginId, preset }), ...use }));
  return { kept: await keepsUse(db), ...sum, uses };
}

/** Erases loads, all of them or those from a day (YYYY-MM-DD, UTC) on: how many. */
export async function eraseLoads(db: EntityManager, from: string | null): Promise<number> {
  const [, erased] = await db.query<[unknown, number]>(
    `DELETE FROM load WHERE $1::date IS NULL OR "loadedAt" >= $1::date AT TIME ZONE 'UTC'`,
    [from],
  );
  return erased;
}
