import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { byPreference, kindOf } from '@clever-drawer/core/catalogue/plugin';
import { keepPluginIds, scanDifference } from '@clever-drawer/core/catalogue/scan-difference';
import type { KnownBuild, ScanDifference } from '@clever-drawer/core/catalogue/scan-difference';
import type { PluginReference } from '@clever-drawer/core/exchange/arrangement-document';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { groupBuilds } from '@clever-drawer/core/identity/group-builds';
import type { BuildId, ComputerId, PluginId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { compareNames } from '@clever-drawer/core/text/words';
import type { CatalogueView, PluginDetail, PluginView, ScanOutcome } from '@clever-drawer/contract/responses';
import { BuildRow, PluginRow } from '../database/entities/catalogue.js';
import { ComputerRow } from '../database/entities/computer.js';
import { jsonForDatabase } from '../database/json.js';

type FoundBuild = BuildFacts & { readonly id: BuildId; readonly found: boolean };

const withId = ({ id, found, facts }: BuildRow): FoundBuild => ({ ...facts, id: asId<BuildId>(id), found });

/** Builds still there before those that are gone, each part in order of preference. */
const inOrder = (builds: readonly FoundBuild[]): FoundBuild[] => [
  ...byPreference(builds.filter((build) => build.found)),
  ...byPreference(builds.filter((build) => !build.found)),
];

/** The whole catalogue of a computer, by name. */
export async function loadCatalogue(db: EntityManager, computerId: ComputerId): Promise<CatalogueView> {
  const { catalogueRevision: revision } = await db.findOneByOrFail(ComputerRow, { id: computerId });
  const plugins = await db.query<Omit<PluginView, 'builds' | 'found'>[]>(
    'SELECT id, name, vendor, role, types FROM plugin WHERE "computerId" = $1',
    [computerId],
  );
  const builds = await db.query<BuildRow[]>('SELECT id, "pluginId", found, facts FROM build WHERE "computerId" = $1', [
    computerId,
  ]);
  const buildsOf = new Map<string, FoundBuild[]>();
  for (const row of builds) {
    const own = buildsOf.get(row.pluginId);
    if (own === undefined) buildsOf.set(row.pluginId, [withId(row)]);
    else own.push(withId(row));
  }
  const views = plugins.map((plugin): PluginView => {
    const own = inOrder(buildsOf.get(plugin.id) ?? []);
    return {
      ...plugin,
      found: own.some((build) => build.found),
      builds: own.map(({ id, format, architectures, found }) => ({ id, format, architectures, found })),
    };
  });
  return { revision, plugins: views.sort((a, b) => compareNames(a.name, b.name) || compareNames(a.id, b.id)) };
}

/** One plugin with all facts of its builds; null when there is none of this id. */
export async function loadPlugin(
  db: EntityManager,
  computerId: ComputerId,
  id: PluginId,
): Promise<PluginDetail | null> {
  const plugin = await db.findOneBy(PluginRow, { computerId, id });
  if (plugin === null) return null;
  const builds = inOrder((await db.findBy(BuildRow, { computerId, pluginId: id })).map(withId));
  const { name, vendor, role, types } = plugin;
  return { id, name, vendor, role, types, found: builds.some((build) => build.found), builds };
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
  const rows = missing.map(({ id, name, vendor }) => ({ id, name, vendor, role: null, types: [] }));
  await putPlugins(db, computerId, rows);
  await db.increment(ComputerRow, { id: computerId }, 'catalogueRevision', 1);
}

/** Brings the catalogue up to a scan. The caller holds the computer's lock, and the transaction makes it all or nothing. */
export async function applyScan(
  db: EntityManager,
  computerId: ComputerId,
  seen: readonly BuildFacts[],
  wasScanned: (path: string) => boolean,
): Promise<ScanOutcome> {
  const rows = await db.findBy(BuildRow, { computerId });
  const known = rows.map(({ id, pluginId, facts, found }): KnownBuild => ({
    id: asId<BuildId>(id),
    pluginId: asId<PluginId>(pluginId),
    facts,
    found,
  }));
  const difference = scanDifference(known, seen, wasScanned);
  const builds = buildsAfter(difference);
  const groups = groupBuilds(builds.map((one) => one.facts));
  const rowOf = new Map(builds.map((one) => [one.facts, one]));
  const ids = keepPluginIds(groups, (facts) => rowOf.get(facts)?.pluginId);
  const plugins = groups.map((group) => ({
    id: ids.get(group) ?? group.id,
    name: group.name,
    vendor: group.vendor,
    ...kindOf(group.builds),
  }));
  await putPlugins(db, computerId, plugins);
  const buildRows = groups.flatMap((group) =>
    group.builds.map((facts) => ({
      id: rowOf.get(facts)?.id,
      pluginId: ids.get(group) ?? group.id,
      found: rowOf.get(facts)?.found,
      facts,
    })),
  );
  await db.query(
    `INSERT INTO build (id, "computerId", "pluginId", found, facts)
     SELECT id, $1, "pluginId", found, facts FROM jsonb_populate_recordset(NULL::build, $2::jsonb)
     ON CONFLICT (id) DO UPDATE SET "pluginId" = EXCLUDED."pluginId", found = EXCLUDED.found, facts = EXCLUDED.facts`,
    [computerId, jsonForDatabase(buildRows)],
  );
  await db.increment(ComputerRow, { id: computerId }, 'catalogueRevision', 1);
  return {
    plugins: new Set(buildRows.filter((row) => row.found).map((row) => row.pluginId)).size,
    builds: buildRows.filter((row) => row.found).length,
    arrived: difference.arrived.length,
    changed: difference.changed.length,
    vanished: difference.vanished.length,
    returned: difference.returned.length,
  };
}

interface BuildAfter {
  readonly id: string;
  readonly pluginId: PluginId | undefined;
  readonly found: boolean;
  readonly facts: BuildFacts;
}

function buildsAfter(difference: ScanDifference): BuildAfter[] {
  const { arrived, changed, returned, same, vanished, untouched } = difference;
  return [
    ...arrived.map((facts) => ({ id: randomUUID(), pluginId: undefined, found: true, facts })),
    ...[...changed, ...returned].map(({ known: { id, pluginId }, facts }) => ({ id, pluginId, found: true, facts })),
    ...same,
    ...vanished.map((known) => ({ ...known, found: false })),
    ...untouched,
  ];
}

async function putPlugins(
  db: EntityManager,
  computerId: ComputerId,
  plugins: readonly Pick<PluginView, 'id' | 'name' | 'vendor' | 'role' | 'types'>[],
): Promise<void> {
  await db.query(
    `INSERT INTO plugin ("computerId", id, name, vendor, role, types)
     SELECT $1, id, name, vendor, role, types FROM jsonb_populate_recordset(NULL::plugin, $2::jsonb)
     ON CONFLICT ("computerId", id) DO UPDATE
       SET name = EXCLUDED.name, vendor = EXCLUDED.vendor, role = EXCLUDED.role, types = EXCLUDED.types`,
    [computerId, jsonForDatabase(plugins)],
  );
}
