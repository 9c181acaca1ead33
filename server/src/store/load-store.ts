import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { LoadRequest } from '@clever-drawer/contract/requests';
import type { ComputerId } from '@clever-drawer/core/ids';
import { LoadRow } from '../database/entities/journal.js';

/** Writes down that a plugin was loaded, maybe with a preset, by which way and how fast; `change` is the step of the journal that did it. */
export async function countLoad(
  db: EntityManager,
  computerId: ComputerId,
  load: LoadRequest & { readonly preset: string | null; readonly buildId: string; readonly change: number },
): Promise<void> {
  await db.insert(LoadRow, { ...load, id: randomUUID(), computerId });
}

/** The loads that a step made count no longer when it is undone, and again when it is redone. */
export const LOADS_OF_STEP = `UPDATE load SET undone = $3 WHERE "computerId" = $1 AND change = $2`;

/** How often each plugin was loaded. A load counts for the plugin that its build belongs to now: it goes along when plugins are joined. */
export async function loadCounts(db: EntityManager, computerId: ComputerId): Promise<ReadonlyMap<string, number>> {
  const rows = await db.query<{ pluginId: string; loads: number }[]>(
    `SELECT coalesce(b."pluginId", l."pluginId") AS "pluginId", count(*)::int AS loads
     FROM load l LEFT JOIN build b ON b.id = l."buildId"
     WHERE l."computerId" = $1 AND NOT l.undone GROUP BY 1`,
    [computerId],
  );
  return new Map(rows.map((row) => [row.pluginId, row.loads]));
}
