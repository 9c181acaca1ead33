import equal from 'fast-deep-equal';
import type { EntityManager } from 'typeorm';
import { groupAgain, type Hold } from '@clever-drawer/core/catalogue/group-again';
import { pluginOf } from '@clever-drawer/core/catalogue/plugin';
import type { HeldBuild } from '@clever-drawer/core/chests/rows/held-build';
import type { VendorSpelling } from '@clever-drawer/core/chests/rows/vendor-spelling';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { VendorCorrections } from '@clever-drawer/core/identity/group-builds';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import type { PluginView } from '@clever-drawer/contract/responses';
import { BuildRow } from '../database/entities/catalogue.js';
import { ComputerRow } from '../database/entities/computer.js';
import { jsonForDatabase } from '../database/json.js';
import { conflict } from '../http/http-error.js';
import { rowsOf } from './arrangement-store.js';

/** A build as it is to stand; `pluginId` is the plugin that it belonged to before, undefined for one that has arrived. */
export interface BuildToGroup {
  readonly id: string;
  readonly pluginId: PluginId | undefined;
  readonly found: boolean;
  readonly facts: BuildFacts;
}

/** A plugin as the catalogue's table holds it: worked out, without the producer's choices. */
export type WorkedOut = Omit<PluginView, 'found' | 'builds' | 'loads' | 'arrivedAt'>;

/** One writer of a computer's catalogue at a time; whoever arranges does not wait for it. */
export const lockCatalogue = (db: EntityManager, computerId: ComputerId): Promise<unknown> =>
  db.query(`SELECT pg_advisory_xact_lock(hashtextextended('catalogue ' || $1, 0))`, [computerId]);

/** Groups builds into plugins, heeding what was joined and split by hand, and writes those rows that are not so yet. Returns the number of plugins with found builds, and of rows that were written. */
export async function writeGrouped(
  db: EntityManager,
  computerId: ComputerId,
  builds: readonly BuildToGroup[],
  before: ReadonlyMap<string, BuildRow>,
): Promise<{ plugins: number; rows: number }> {
  const holds = new Map<string, HeldBuild>((await rowsOf(db, computerId, 'heldBuild')).map((row) => [row.id, row]));
  const rowOf = new Map(builds.map((one) => [one.facts, one]));
  const groups = groupAgain(
    builds.map((one) => one.facts),
    vendorCorrections(await rowsOf(db, computerId, 'vendorSpelling')),
    (facts) => {
      const row = rowOf.get(facts);
      const held = holds.get(row?.id ?? '');
      const hold: Hold | undefined = held && { pluginId: held.pluginId, whole: held.whole };
      return { pluginId: row?.pluginId, hold };
    },
  );
  const plugins = groups.map((group): WorkedOut => {
    const { id, name, vendor, role, roleGrade, types, typeGrade, contradictions } = pluginOf(group);
    return { id, name, vendor, role, roleGrade, types, typeGrade, contradictions };
  });
  const known = new Map((await loadWorkedOut(db, computerId)).map((row) => [row.id, row]));
  const newPlugins = plugins.filter((plugin) => !equal(known.get(plugin.id), plugin));
  await putPlugins(db, computerId, newPlugins);
  const rows = groups.flatMap((group) =>
    group.builds.map((facts) => {
      const { id = '', found = false } = rowOf.get(facts) ?? {};
      return { id, found, facts, pluginId: group.id };
    }),
  );
  const newRows = rows.filter((row) => !sameBuild(before.get(row.id), row));
  await putBuilds(db, computerId, newRows);
  return {
    plugins: new Set(rows.filter((row) => row.found).map((row) => row.pluginId)).size,
    rows: newPlugins.length + newRows.length,
  };
}

const sameBuild = (before: BuildRow | undefined, after: Pick<BuildRow, 'pluginId' | 'found' | 'facts'>): boolean =>
  before?.pluginId === after.pluginId && before.found === after.found && equal(before.facts, after.facts);

/** Groups the catalogue anew after the producer joined, split or renamed. Builds that are let go return to the plugin that they came from. */
export async function groupAnew(db: EntityManager, computerId: ComputerId, edits: readonly Edit[]): Promise<void> {
  // Not waited for: the scan that holds it waits for the computer that this change holds.
  const [{ free }] = await db.query<[{ free: boolean }]>(
    `SELECT pg_try_advisory_xact_lock(hashtextextended('catalogue ' || $1, 0)) AS free`,
    [computerId],
  );
  if (!free) throw conflict('A scan is just being written. Try again in a moment.');
  const released = new Map<string, PluginId>();
  for (const edit of edits) {
    if (edit.of === 'heldBuild' && edit.before !== null && edit.after === null)
      released.set(edit.id, edit.before.fromPluginId);
  }
  const rows = await db.findBy(BuildRow, { computerId });
  const builds = rows.map(({ id, found, facts, pluginId }) => ({
    id,
    found,
    facts,
    pluginId: released.get(id) ?? asId<PluginId>(pluginId),
  }));
  await writeGrouped(db, computerId, builds, new Map(rows.map((row) => [row.id, row])));
  await db.increment(ComputerRow, { id: computerId }, 'catalogueRevision', 1);
}

const vendorCorrections = (rows: readonly VendorSpelling[]): VendorCorrections =>
  new Map(rows.map(({ id, key, name }) => [id, { key, name }]));

/** The plugins of a computer as they were worked out. */
export const loadWorkedOut = (db: EntityManager, computerId: ComputerId): Promise<WorkedOut[]> =>
  db.query<WorkedOut[]>(
    `SELECT id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions FROM plugin p
     WHERE "computerId" = $1`,
    [computerId],
  );

const AT_ONCE = 500;

/** Writes plugins as they were worked out. */
export async function putPlugins(
  db: EntityManager,
  computerId: ComputerId,
  plugins: readonly WorkedOut[],
): Promise<void> {
  for (let at = 0; at < plugins.length; at += AT_ONCE) {
    await db.query(
      `INSERT INTO plugin ("computerId", id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions)
       SELECT $1, id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions
       FROM jsonb_populate_recordset(NULL::plugin, $2::jsonb)
       ON CONFLICT ("computerId", id) DO UPDATE SET name = EXCLUDED.name, vendor = EXCLUDED.vendor,
         role = EXCLUDED.role, "roleGrade" = EXCLUDED."roleGrade", types = EXCLUDED.types,
         "typeGrade" = EXCLUDED."typeGrade", contradictions = EXCLUDED.contradictions`,
      [computerId, jsonForDatabase(plugins.slice(at, at + AT_ONCE))],
    );
  }
}

async function putBuilds(db: EntityManager, computerId: ComputerId, rows: readonly Omit<BuildRow, 'computerId'>[]) {
  for (let at = 0; at < rows.length; at += AT_ONCE) {
    await db.query(
      `INSERT INTO build (id, "computerId", "pluginId", found, facts)
       SELECT id, $1, "pluginId", found, facts FROM jsonb_populate_recordset(NULL::build, $2::jsonb)
       ON CONFLICT (id) DO UPDATE SET "pluginId" = EXCLUDED."pluginId", found = EXCLUDED.found, facts = EXCLUDED.facts`,
      [computerId, jsonForDatabase(rows.slice(at, at + AT_ONCE))],
    );
  }
}
