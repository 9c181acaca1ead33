import type { EntityManager } from 'typeorm';
import { workOutKind } from '@clever-drawer/core/catalogue/kind';
import type { PluginReference } from '@clever-drawer/core/exchange/arrangement-document';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { buildKey } from '@clever-drawer/core/identity/build-key';
import { proposeVendorsStepwise } from '@clever-drawer/core/identity/propose-vendors';
import { shownVendor } from '@clever-drawer/core/identity/vendor-name';
import type { BuildId, BuildKey, ComputerId, PluginId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { appendToGroup } from '@clever-drawer/core/lists-by-key';
import { eachStepwise, type Stepwise } from '@clever-drawer/core/stepwise';
import { compareNames } from '@clever-drawer/core/text/words';
import type { PluginDetail, VendorView } from '@clever-drawer/contract/responses';
import { BuildRow, PluginRow } from '../database/entities/catalogue.js';
import { isUuid } from '../http/checked.js';
import { runCooperatively } from '../run-cooperatively.js';
import { rowsOf } from './arrangement-store.js';
import { inOrder } from './build-order.js';
import { claimCatalogue } from './catalogue-lock.js';
import { putPlugins } from './catalogue-rows.js';
import { listComputers } from './computer-store.js';
import { nextCatalogue } from './studio-store.js';

type FoundBuild = BuildFacts & { readonly id: BuildId; readonly key: BuildKey; readonly found: boolean };

const withId = ({ id, found, facts }: BuildRow): FoundBuild => ({
  ...facts,
  id: asId<BuildId>(id),
  key: buildKey(facts),
  found,
});

/**
 * One plugin with all facts of its builds on a computer, and the evidence for what it is from those on all of them; null when there is none of this id.
 */
export async function loadPlugin(
  db: EntityManager,
  computerId: ComputerId,
  id: PluginId,
): Promise<PluginDetail | null> {
  const row = await db.findOneBy(PluginRow, { id });
  if (row === null) return null;
  const all = await db.findBy(BuildRow, { pluginId: id });
  const builds = inOrder(all.filter((build) => build.computerId === computerId).map(withId));
  const { name, vendor } = row;
  const kind = workOutKind(name, inOrder(all.map(withId)));
  const elsewhere = await computersOf(
    db,
    all.filter((build) => build.found && build.computerId !== computerId),
  );
  return { id, name, vendor, ...kind, found: builds.some((build) => build.found), builds, elsewhere };
}

/** Those of some plugins that a computer has not, and never had, in their order. */
export async function notOn(
  db: EntityManager,
  computerId: ComputerId,
  plugins: readonly PluginId[],
): Promise<PluginId[]> {
  const rows = await db.query<{ id: PluginId }[]>(
    `SELECT id FROM unnest($2::text[]) WITH ORDINALITY AS asked (id, at)
     WHERE NOT EXISTS (SELECT FROM build b WHERE b."computerId" = $1 AND b."pluginId" = asked.id) ORDER BY at`,
    [computerId, plugins],
  );
  return rows.map((row) => row.id);
}

/** The names of the computers on which builds are, in the order of the computers. */
async function computersOf(db: EntityManager, builds: readonly BuildRow[]): Promise<string[]> {
  const ids = new Set(builds.map((build) => build.computerId));
  if (ids.size === 0) return [];
  return (await listComputers(db)).filter((computer) => ids.has(computer.id)).map((computer) => computer.name);
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
     FROM build b JOIN plugin p ON p.id = b."pluginId"
     WHERE b."computerId" = $1 AND b.facts->>'vendor' IS NOT NULL AND p.vendor IS NOT NULL GROUP BY 1, 2`,
    [computerId],
  );
  const plugins = await db.query<{ name: string; plugins: number }[]>(
    `SELECT vendor AS name, count(*)::int AS plugins FROM plugin p WHERE vendor IS NOT NULL
       AND EXISTS (SELECT FROM build b WHERE b."computerId" = $1 AND b."pluginId" = p.id) GROUP BY 1`,
    [computerId],
  );
  const byHand = new Set((await rowsOf(db, computerId, 'vendorSpelling')).map((row) => row.id));
  return runCooperatively(vendorsStepwise(plugins, rows, byHand));
}

function* vendorsStepwise(
  plugins: readonly { readonly name: string; readonly plugins: number }[],
  rows: readonly { readonly name: string; readonly written: string; readonly builds: number }[],
  byHand: ReadonlySet<string>,
): Stepwise<VendorView[]> {
  const writtenBy = new Map<string, { written: string; spelling: string | null; builds: number }[]>();
  yield* eachStepwise(rows, ({ name, written, builds }) =>
    appendToGroup(writtenBy, name, { written, spelling: shownVendor(written), builds }),
  );
  const listed = plugins.map(({ name, plugins: count }) => {
    const own = writtenBy.get(name) ?? [];
    const written = own.map((row) => row.written);
    return { name, plugins: count, written, byHand: own.some((row) => byHand.has(row.spelling ?? '')) };
  });
  const proposals = new Map((yield* proposeVendorsStepwise(listed)).map((one) => [one.name, one]));
  const views: VendorView[] = [];
  yield* eachStepwise(plugins, ({ name, plugins: count }) => {
    const spellings = new Map<string, number>();
    for (const { spelling, builds } of writtenBy.get(name) ?? [])
      if (spelling !== null) spellings.set(spelling, (spellings.get(spelling) ?? 0) + builds);
    const counted = [...spellings].map(([spelling, builds]) => ({ spelling, builds, byHand: byHand.has(spelling) }));
    const proposal = proposals.get(name);
    views.push({
      name,
      plugins: count,
      spellings: counted.sort((a, b) => b.builds - a.builds),
      maybe: proposal === undefined ? null : { name: proposal.of, reason: proposal.reason },
    });
  });
  return views.sort((a, b) => compareNames(a.name, b.name));
}

/** Names of the plugins among these ids that the catalogue has. */
export async function namesOf(db: EntityManager, ids: readonly PluginId[]): Promise<ReadonlyMap<PluginId, string>> {
  const rows = await db.query<{ id: PluginId; name: string }[]>('SELECT id, name FROM plugin WHERE id = ANY($1)', [
    [...new Set(ids)],
  ]);
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** The plugin of each of these builds of a computer, and what names the build on every computer. */
export async function ownersOf(
  db: EntityManager,
  computerId: ComputerId,
  buildIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly pluginId: string; readonly key: BuildKey }>> {
  const rows = await db.query<
    (Pick<BuildFacts, 'format' | 'identifier' | 'name'> & { id: string; pluginId: string })[]
  >(
    `SELECT id, "pluginId", facts->>'format' AS format, facts->>'identifier' AS identifier, facts->>'name' AS name
     FROM build WHERE "computerId" = $1 AND id::text = ANY($2)`,
    [computerId, buildIds],
  );
  return new Map(rows.map((row) => [row.id, { pluginId: row.pluginId, key: buildKey(row) }]));
}

/** The identifiers by which plugins are known again, on whichever computer they are, for export and import. */
export async function loadReferences(db: EntityManager): Promise<Map<PluginId, PluginReference>> {
  const rows = await db.query<PluginReference[]>(
    `SELECT p.id, p.name, p.vendor,
            coalesce((SELECT jsonb_agg(DISTINCT jsonb_build_object('format', b.facts->'format', 'identifier', b.facts->'identifier'))
                      FROM build b WHERE b."pluginId" = p.id), '[]') AS builds
     FROM plugin p`,
  );
  return new Map(rows.map((row) => [row.id, row]));
}

/** Makes room in the catalogue for plugins that an import names and the studio lacks; those that a scan has brought since stay as they are. */
export async function addMissing(db: EntityManager, missing: readonly PluginReference[]): Promise<void> {
  if (missing.length === 0) return;
  await claimCatalogue(db);
  const arrived = await db.query<{ id: PluginId }[]>('SELECT id FROM plugin WHERE id = ANY($1)', [
    missing.map(({ id }) => id),
  ]);
  const there = new Set(arrived.map(({ id }) => id));
  const unknown = { role: null, roleGrade: 'unknown', types: [], typeGrade: 'unknown', contradictions: [] } as const;
  const rows = missing.flatMap(({ id, name, vendor }) => (there.has(id) ? [] : [{ id, name, vendor, ...unknown }]));
  await putPlugins(db, rows);
  await nextCatalogue(db);
}
