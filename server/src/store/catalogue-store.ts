import type { EntityManager } from 'typeorm';
import { workOutKind } from '@clever-drawer/core/catalogue/kind';
import { byPreference } from '@clever-drawer/core/catalogue/preference';
import type { PluginReference } from '@clever-drawer/core/exchange/arrangement-document';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { shownVendor } from '@clever-drawer/core/identity/vendor-name';
import type { BuildId, ComputerId, PluginId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { compareNames } from '@clever-drawer/core/text/words';
import type { BuildView, CatalogueView, PluginDetail, PluginView, VendorView } from '@clever-drawer/contract/responses';
import { BuildRow, PluginRow } from '../database/entities/catalogue.js';
import { ComputerRow } from '../database/entities/computer.js';
import { isUuid } from '../http/checked.js';
import { rowsOf } from './arrangement-store.js';
import { loadWorkedOut, putPlugins } from './grouping-store.js';
import { loadCounts } from './load-store.js';

type FoundBuild = BuildFacts & { readonly id: BuildId; readonly found: boolean };

const withId = ({ id, found, facts }: BuildRow): FoundBuild => ({ ...facts, id: asId<BuildId>(id), found });

/** Builds still there before those that are gone, each part in the standard order of preference. */
const inOrder = <B extends Pick<BuildView, 'format' | 'architectures' | 'version' | 'path' | 'found'>>(
  builds: readonly B[],
): B[] => [
  ...byPreference(builds.filter((build) => build.found)),
  ...byPreference(builds.filter((build) => !build.found)),
];

/** The whole catalogue of a computer, by name, as it was worked out. A plugin without builds is in it as long as something refers to it. */
export async function loadCatalogue(db: EntityManager, computerId: ComputerId): Promise<CatalogueView> {
  const { catalogueRevision: revision } = await db.findOneByOrFail(ComputerRow, { id: computerId });
  const plugins = await loadWorkedOut(db, computerId);
  const arrivals = await loadArrivals(db, computerId);
  const loads = await loadCounts(db, computerId);
  const builds = await db.query<(BuildView & { pluginId: string })[]>(
    `SELECT id, "pluginId", found, facts->>'format' AS format, facts->'architectures' AS architectures,
            facts->>'version' AS version, facts->>'path' AS path,
            facts->>'asked' IS NOT DISTINCT FROM 'failed' AS failed, jsonb_array_length(facts->'pictures') AS pictures
     FROM build WHERE "computerId" = $1`,
    [computerId],
  );
  const buildsOf = new Map<string, BuildView[]>();
  for (const { pluginId, ...build } of builds) {
    const own = buildsOf.get(pluginId);
    if (own === undefined) buildsOf.set(pluginId, [build]);
    else own.push(build);
  }
  const referred = plugins.every((plugin) => buildsOf.has(plugin.id))
    ? new Set<string>()
    : await referredPlugins(db, computerId);
  const views = plugins
    .filter((plugin) => buildsOf.has(plugin.id) || referred.has(plugin.id))
    .map((plugin): PluginView => {
      const own = inOrder(buildsOf.get(plugin.id) ?? []);
      return {
        ...plugin,
        found: own.some((build) => build.found),
        arrivedAt: arrivals.get(plugin.id) ?? '',
        loads: loads.get(plugin.id) ?? 0,
        builds: own,
      };
    });
  const firstArrival = [...arrivals.values()].reduce<string | null>(
    (first, at) => (first === null || at < first ? at : first),
    null,
  );
  return {
    revision,
    firstArrival,
    plugins: views.sort((a, b) => compareNames(a.name, b.name) || compareNames(a.id, b.id)),
  };
}

/** When each plugin was first met. */
async function loadArrivals(db: EntityManager, computerId: ComputerId): Promise<ReadonlyMap<string, string>> {
  const rows = await db.query<{ id: string; arrivedAt: Date }[]>(
    'SELECT id, "arrivedAt" FROM plugin WHERE "computerId" = $1',
    [computerId],
  );
  return new Map(rows.map(({ id, arrivedAt }) => [id, arrivedAt.toISOString()]));
}

/** Plugins that stand in a drawer, on a tray or in a slot. */
async function referredPlugins(db: EntityManager, computerId: ComputerId): Promise<Set<string>> {
  const rows = await db.query<{ pluginId: string }[]>(
    `SELECT "pluginId" FROM entry WHERE "computerId" = $1 UNION SELECT "pluginId" FROM tray_entry WHERE "computerId" = $1
     UNION SELECT "pluginId" FROM slot WHERE "computerId" = $1 AND "pluginId" IS NOT NULL`,
    [computerId],
  );
  return new Set(rows.map((row) => row.pluginId));
}

/** One plugin with all facts of its builds and the evidence for what it is; null when there is none of this id. */
export async function loadPlugin(
  db: EntityManager,
  computerId: ComputerId,
  id: PluginId,
): Promise<PluginDetail | null> {
  const row = await db.findOneBy(PluginRow, { computerId, id });
  if (row === null) return null;
  const builds = inOrder((await db.findBy(BuildRow, { computerId, pluginId: id })).map(withId));
  const { name, vendor } = row;
  const kind = workOutKind(name, builds);
  return { id, name, vendor, ...kind, found: builds.some((build) => build.found), builds };
}

/** The path of a picture that came with a build, by its number; null when there is none. Only what a scan has found is ever shown. */
export async function findPicture(
  db: EntityManager,
  computerId: ComputerId,
  buildId: unknown,
  number: number,
): Promise<string | null> {
  if (!isUuid(buildId)) return null;
  const build = await db.findOneBy(BuildRow, { computerId, id: buildId });
  return build?.facts.pictures[number] ?? null;
}

/** The vendors of a computer with the spellings that are taken for each, by name. */
export async function loadVendors(db: EntityManager, computerId: ComputerId): Promise<VendorView[]> {
  const rows = await db.query<{ name: string; written: string; plugins: number; builds: number }[]>(
    `SELECT p.vendor AS name, b.facts->>'vendor' AS written, count(DISTINCT p.id)::int AS plugins, count(*)::int AS builds
     FROM build b JOIN plugin p ON p."computerId" = b."computerId" AND p.id = b."pluginId"
     WHERE b."computerId" = $1 AND b.facts->>'vendor' IS NOT NULL AND p.vendor IS NOT NULL GROUP BY 1, 2`,
    [computerId],
  );
  const plugins = await db.query<{ name: string; plugins: number }[]>(
    `SELECT vendor AS name, count(*)::int AS plugins FROM plugin p WHERE "computerId" = $1 AND vendor IS NOT NULL
       AND EXISTS (SELECT FROM build b WHERE b."computerId" = p."computerId" AND b."pluginId" = p.id) GROUP BY 1`,
    [computerId],
  );
  const byHand = new Set((await rowsOf(db, computerId, 'vendorSpelling')).map((row) => row.id));
  return plugins
    .map(({ name, plugins: count }) => {
      const spellings = new Map<string, number>();
      for (const row of rows.filter((one) => one.name === name)) {
        const spelling = shownVendor(row.written);
        if (spelling !== null) spellings.set(spelling, (spellings.get(spelling) ?? 0) + row.builds);
      }
      const views = [...spellings].map(([spelling, builds]) => ({ spelling, builds, byHand: byHand.has(spelling) }));
      return { name, plugins: count, spellings: views.sort((a, b) => b.builds - a.builds) };
    })
    .sort((a, b) => compareNames(a.name, b.name));
}

/** Names of the plugins among these ids that the catalogue has. */
export async function namesOf(
  db: EntityManager,
  computerId: ComputerId,
  ids: readonly PluginId[],
): Promise<Map<PluginId, string>> {
  const rows = await db.query<{ id: PluginId; name: string }[]>(
    'SELECT id, name FROM plugin WHERE "computerId" = $1 AND id = ANY($2)',
    [computerId, [...new Set(ids)]],
  );
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** The plugin of each of these builds. */
export async function ownersOf(
  db: EntityManager,
  computerId: ComputerId,
  buildIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await db.query<{ id: string; pluginId: string }[]>(
    'SELECT id, "pluginId" FROM build WHERE "computerId" = $1 AND id::text = ANY($2)',
    [computerId, buildIds],
  );
  return new Map(rows.map((row) => [row.id, row.pluginId]));
}

/** The identifiers by which plugins are known again, for export and import. */
export async function loadReferences(
  db: EntityManager,
  computerId: ComputerId,
): Promise<Map<PluginId, PluginReference>> {
  const rows = await db.query<PluginReference[]>(
    `SELECT p.id, p.name, p.vendor,
            coalesce((SELECT jsonb_agg(jsonb_build_object('format', b.facts->'format', 'identifier', b.facts->'identifier') ORDER BY b.id)
                      FROM build b WHERE b."computerId" = p."computerId" AND b."pluginId" = p.id), '[]') AS builds
     FROM plugin p WHERE p."computerId" = $1`,
    [computerId],
  );
  return new Map(rows.map((row) => [row.id, row]));
}

/** Makes room in the catalogue for plugins that an import names and this computer lacks. */
export async function addMissing(
  db: EntityManager,
  computerId: ComputerId,
  missing: readonly PluginReference[],
): Promise<void> {
  if (missing.length === 0) return;
  const unknown = { role: null, roleGrade: 'unknown', types: [], typeGrade: 'unknown', contradictions: [] } as const;
  const rows = missing.map(({ id, name, vendor }) => ({ id, name, vendor, ...unknown }));
  await putPlugins(db, computerId, rows);
  await db.increment(ComputerRow, { id: computerId }, 'catalogueRevision', 1);
}
