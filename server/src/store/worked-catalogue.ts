import type { EntityManager } from 'typeorm';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { buildKey } from '@clever-drawer/core/identity/build-key';
import type { ComputerId } from '@clever-drawer/core/ids';
import { eachStepwise, type Stepwise } from '@clever-drawer/core/stepwise';
import { compareNames, joined } from '@clever-drawer/core/text/words';
import type { BuildView, PluginView } from '@clever-drawer/contract/responses';
import { answersTo } from '../database/answers-to.js';
import { runCooperatively } from '../run-cooperatively.js';
import { inOrder } from './build-order.js';
import { loadWorkedOut } from './catalogue-rows.js';
import { ISO } from './load-store.js';

/** The catalogue of the studio as a computer has it, as it was worked out; nothing of what was loaded, which goes on changing. */
export interface WorkedCatalogue {
  /** When the first plugin of all was met, as JSON writes it; null for none. */
  readonly firstArrival: string | null;
  /** By name, with the builds that are on this computer. Also those that it never had; how often each was loaded is not looked up. */
  readonly plugins: readonly PluginView[];
  /** Those that this computer never had. */
  readonly elsewhere: number;
}

/** Works the catalogue of a computer out from what the tables hold. */
export async function workedCatalogue(db: EntityManager, computerId: ComputerId): Promise<WorkedCatalogue> {
  const [plugins, arrivals, builds] = await answersTo(db, [
    () => loadWorkedOut(db),
    () => loadArrivals(db, computerId),
    () => buildsOfCatalogue(db, computerId),
  ] as const);
  return runCooperatively(workedOutStepwise(plugins, arrivals, builds));
}

function* workedOutStepwise(
  plugins: Awaited<ReturnType<typeof loadWorkedOut>>,
  arrivals: ReadonlyMap<string, Arrival>,
  builds: readonly BuildOfCatalogue[],
): Stepwise<WorkedCatalogue> {
  const own = yield* ownOf(builds);
  const views: PluginView[] = [];
  yield* eachStepwise(plugins, (plugin) => {
    const { builds: all, names } = own.get(plugin.id) ?? NONE;
    const sorted = all.length < 2 ? all : inOrder(all);
    const { id, name, vendor, role, roleGrade, types, typeGrade, contradictions } = plugin;
    views.push({
      id,
      name,
      vendor,
      role,
      roleGrade,
      types,
      typeGrade,
      contradictions,
      found: sorted.some((build) => build.found),
      arrivedAt: arrivals.get(plugin.id)?.at ?? '',
      arrivedWithFolder: arrivals.get(plugin.id)?.withFolder ?? false,
      loads: 0,
      lastLoad: null,
      calledToo: otherNames(name, names),
      builds: sorted,
    });
  });
  const firstArrival = [...arrivals.values()].reduce<string | null>(
    (first, { at }) => (first === null || at < first ? at : first),
    null,
  );
  yield;
  return {
    firstArrival,
    plugins: views.sort((a, b) => compareNames(a.name, b.name) || compareNames(a.id, b.id)),
    elsewhere: views.length - own.size,
  };
}

/** Plugins that some computer has, or that stand in a drawer, on a tray, in a slot or in a chain. */
export async function findReferencedPluginIds(db: EntityManager): Promise<ReadonlySet<string>> {
  const rows = await db.query<{ pluginId: string }[]>(
    `SELECT "pluginId" FROM build UNION SELECT "pluginId" FROM entry UNION SELECT "pluginId" FROM tray_entry
     UNION SELECT "pluginId" FROM never_in UNION SELECT "pluginId" FROM slot WHERE "pluginId" IS NOT NULL UNION SELECT "pluginId" FROM chain_part`,
  );
  return new Set(rows.map((row) => row.pluginId));
}

type BuildOfCatalogue = Omit<BuildView, 'key'> &
  Pick<BuildFacts, 'identifier' | 'name'> & { readonly pluginId: string };

const buildsOfCatalogue = (db: EntityManager, computerId: ComputerId): Promise<BuildOfCatalogue[]> =>
  db.query<BuildOfCatalogue[]>(
    `SELECT id, "pluginId", found, facts->>'format' AS format, facts->>'identifier' AS identifier, facts->>'name' AS name, facts->'architectures' AS architectures,
            facts->>'version' AS version, facts->>'path' AS path,
            facts->>'asked' IS NOT DISTINCT FROM 'failed' AS failed, jsonb_array_length(facts->'pictures') AS pictures, (facts->>'audioOutputs')::int AS outputs,
            coalesce((facts->>'sidechainInputs')::int > 0, false) AS sidechain
     FROM build WHERE "computerId" = $1`,
    [computerId],
  );

interface Own {
  readonly builds: BuildView[];
  readonly names: string[];
}
const NONE: Own = { builds: [], names: [] };

/** The builds of each plugin, and the names that they give it. */
function* ownOf(rows: readonly BuildOfCatalogue[]): Stepwise<ReadonlyMap<string, Own>> {
  const all = new Map<string, Own>();
  yield* eachStepwise(rows, (row) => {
    const own = all.get(row.pluginId);
    if (own === undefined) all.set(row.pluginId, { builds: [viewOf(row)], names: [row.name] });
    else {
      own.builds.push(viewOf(row));
      if (!own.names.includes(row.name)) own.names.push(row.name);
    }
  });
  return all;
}

/** Field by field: to spread a hundred thousand objects takes a second. */
const viewOf = (row: BuildOfCatalogue): BuildView => ({
  id: row.id,
  found: row.found,
  format: row.format,
  architectures: row.architectures,
  version: row.version,
  path: row.path,
  failed: row.failed,
  pictures: row.pictures,
  outputs: row.outputs,
  sidechain: row.sidechain,
  key: buildKey(row),
});

/** So many further names of a plugin are kept to be found by; a plugin of many variants has one for each. */
const MAX_NAMES = 6;

/** Names that read otherwise than the shown one. */
function otherNames(name: string, given: readonly string[]): string[] {
  // Most plugins have one name, and it is the one that is shown.
  if (given.length === 0 || (given.length === 1 && given[0] === name)) return [];
  const shown = joined(name);
  return given
    .filter((one) => joined(one) !== shown)
    .sort()
    .slice(0, MAX_NAMES);
}

/** When a plugin was first met on a computer, and whether it was there when its folder was first scanned. */
interface Arrival {
  readonly at: string;
  readonly withFolder: boolean;
}

async function loadArrivals(db: EntityManager, computerId: ComputerId): Promise<ReadonlyMap<string, Arrival>> {
  const rows = await db.query<(Arrival & { id: string })[]>(
    `SELECT DISTINCT ON ("pluginId") "pluginId" AS id, to_char("arrivedAt" AT TIME ZONE 'UTC', ${ISO}) AS at,
       "arrivedWithFolder" AS "withFolder"
     FROM build WHERE "computerId" = $1 ORDER BY "pluginId", "arrivedAt", "arrivedWithFolder" DESC`,
    [computerId],
  );
  return new Map(rows.map(({ id, at, withFolder }) => [id, { at, withFolder }]));
}
