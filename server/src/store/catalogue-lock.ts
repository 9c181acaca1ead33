import type { EntityManager } from 'typeorm';
import { conflict } from '../http/http-error.js';

const LOCK = `hashtextextended('catalogue', 0)`;

/** One writer of the studio's catalogue at a time; whoever arranges does not wait for it. */
export const lockCatalogue = (db: EntityManager): Promise<unknown> => db.query(`SELECT pg_advisory_xact_lock(${LOCK})`);

/** The same for a change that holds the studio. Not waited for: the scan that holds the catalogue may wait for the studio. Rejects with a conflict. */
export async function claimCatalogue(db: EntityManager): Promise<void> {
  const [{ free }] = await db.query<[{ free: boolean }]>(`SELECT pg_try_advisory_xact_lock(${LOCK}) AS free`);
  if (!free) throw conflict('A scan is just being written. Try again in a moment.');
}
