import type { EntityManager } from 'typeorm';
import type { PluginView } from '@clever-drawer/contract/responses';
import type { BuildRow } from '../database/entities/catalogue.js';
import { jsonForDatabase } from '../database/json.js';

/** A plugin as the catalogue's table holds it: worked out, without the producer's choices. */
export type WorkedOut = Omit<
  PluginView,
  'found' | 'builds' | 'loads' | 'lastLoad' | 'calledToo' | 'arrivedAt' | 'arrivedWithFolder'
>;

/** The plugins of the studio as they were worked out. */
export const loadWorkedOut = (db: EntityManager): Promise<WorkedOut[]> =>
  db.query<WorkedOut[]>('SELECT id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions FROM plugin');

/** A build to be written; `arrivedWithFolder` counts only for one that was not there before. */
export type BuildToPut = Omit<BuildRow, 'arrivedAt' | 'arrivedWithFolder'> & { readonly arrivedWithFolder?: boolean };

const AT_ONCE = 500;

/** Writes plugins as they were worked out. */
export async function putPlugins(db: EntityManager, plugins: readonly WorkedOut[]): Promise<void> {
  for (let at = 0; at < plugins.length; at += AT_ONCE) {
    await db.query(
      `INSERT INTO plugin (id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions)
       SELECT id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions
       FROM jsonb_populate_recordset(NULL::plugin, $1::jsonb)
       ON CONFLICT (id) DO UPDATE SET name = EXCLUDED.name, vendor = EXCLUDED.vendor,
         role = EXCLUDED.role, "roleGrade" = EXCLUDED."roleGrade", types = EXCLUDED.types,
         "typeGrade" = EXCLUDED."typeGrade", contradictions = EXCLUDED.contradictions`,
      [jsonForDatabase(plugins.slice(at, at + AT_ONCE))],
    );
  }
}

/** Inserts or updates builds. The time of arrival of a known build stays as it is. */
export async function upsertBuilds(db: EntityManager, rows: readonly BuildToPut[]): Promise<void> {
  for (let at = 0; at < rows.length; at += AT_ONCE) {
    await db.query(
      `INSERT INTO build (id, "computerId", "pluginId", found, facts, "arrivedWithFolder")
       SELECT id, "computerId", "pluginId", found, facts, coalesce("arrivedWithFolder", false) FROM jsonb_populate_recordset(NULL::build, $1::jsonb)
       ON CONFLICT (id) DO UPDATE SET "pluginId" = EXCLUDED."pluginId", found = EXCLUDED.found, facts = EXCLUDED.facts`,
      [jsonForDatabase(rows.slice(at, at + AT_ONCE))],
    );
  }
}
