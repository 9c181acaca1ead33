import equal from 'fast-deep-equal';
import type { EntityManager } from 'typeorm';
import { groupAgain, type Hold } from '@clever-drawer/core/catalogue/regroup-catalogue';
import { pluginOf } from '@clever-drawer/core/catalogue/plugin';
import { whereTo } from '@clever-drawer/core/catalogue/where-to';
import type { HeldBuild } from '@clever-drawer/core/chests/rows/held-build';
import type { VendorSpelling } from '@clever-drawer/core/chests/rows/vendor-spelling';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import { buildKey } from '@clever-drawer/core/identity/build-key';
import type { VendorCorrections } from '@clever-drawer/core/identity/group-builds';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { BuildRow } from '../database/entities/catalogue.js';
import { rowsOf } from './arrangement-store.js';
import { claimCatalogue } from './catalogue-lock.js';
import { loadWorkedOut, upsertBuilds, putPlugins, type WorkedOut } from './catalogue-rows.js';
import { nextCatalogue } from './studio-store.js';

/** A build as it is to stand; `pluginId` is the plugin that it belonged to before, undefined for one that has arrived. */
export interface BuildToGroup {
  readonly id: string;
  readonly computerId: string;
  readonly pluginId: PluginId | undefined;
  readonly found: boolean;
  readonly facts: BuildFacts;
  /** Only of one that has arrived: whether its folder was scanned for the first time. */
  readonly arrivedWithFolder?: boolean;
}

/** What grouping changed. */
export interface Grouped {
  /** The plugin of each build, by the build's id. */
  readonly pluginOf: ReadonlyMap<string, PluginId>;
  /** How many rows were written. */
  readonly rows: number;
  /** The plugin that each build belonged to, of those that belong to another one now. */
  readonly moved: Readonly<Record<string, PluginId>>;
  /** Plugins of which no build is left, with the plugin that most of them belong to now. */
  readonly gone: ReadonlyMap<PluginId, PluginId>;
}

/** Groups the builds of all computers into plugins, heeding what was joined and split by hand, and writes those rows that are not so yet. */
export async function writeGrouped(
  db: EntityManager,
  builds: readonly BuildToGroup[],
  before: ReadonlyMap<string, BuildRow>,
): Promise<Grouped> {
  // Rows of a kind that belongs to the studio: any computer's name will do.
  const anywhere = asId<ComputerId>('');
  const holds = new Map<string, HeldBuild>((await rowsOf(db, anywhere, 'heldBuild')).map((row) => [row.id, row]));
  const rowOf = new Map(builds.map((one) => [one.facts, one]));
  const groups = groupAgain(
    builds.map((one) => one.facts),
    vendorCorrections(await rowsOf(db, anywhere, 'vendorSpelling')),
    (facts) => {
      const held = holds.size === 0 ? undefined : holds.get(buildKey(facts));
      const hold: Hold | undefined = held && { pluginId: held.pluginId, whole: held.whole };
      return { pluginId: rowOf.get(facts)?.pluginId, hold };
    },
  );
  const plugins = groups.map((group): WorkedOut => {
    const { id, name, vendor, role, roleGrade, types, typeGrade, contradictions } = pluginOf(group);
    return { id, name, vendor, role, roleGrade, types, typeGrade, contradictions };
  });
  const stored = new Map((await loadWorkedOut(db)).map((one) => [one.id, one]));
  const newPlugins = plugins.filter((plugin) => !equal(plugin, stored.get(plugin.id)));
  await putPlugins(db, newPlugins);
  const rows = groups.flatMap((group) =>
    group.builds.map((facts) => {
      const { id = '', computerId = '', found = false, arrivedWithFolder } = rowOf.get(facts) ?? {};
      return { id, computerId, found, facts, pluginId: group.id, arrivedWithFolder };
    }),
  );
  const newRows = rows.filter((row) => !sameBuild(before.get(row.id), row));
  await upsertBuilds(db, newRows);
  const went = rows.flatMap(({ id, pluginId }) => {
    const old = before.get(id);
    return old === undefined ? [] : [{ id, from: asId<PluginId>(old.pluginId), to: pluginId }];
  });
  return {
    pluginOf: new Map(rows.map((row) => [row.id, row.pluginId])),
    rows: newPlugins.length + newRows.length,
    moved: Object.fromEntries(went.filter(({ from, to }) => from !== to).map(({ id, from }) => [id, from])),
    gone: whereTo(went),
  };
}

const sameBuild = (before: BuildRow | undefined, after: Pick<BuildRow, 'pluginId' | 'found' | 'facts'>): boolean =>
  before?.pluginId === after.pluginId && before.found === after.found && equal(before.facts, after.facts);

/** All builds of the studio as they stand. */
export const allBuilds = (db: EntityManager): Promise<BuildRow[]> => db.find(BuildRow);

/** A build as it stands, to be grouped with others. */
export const standing = ({ id, computerId, found, facts, pluginId }: BuildRow): BuildToGroup => ({
  id,
  computerId,
  found,
  facts,
  pluginId: asId<PluginId>(pluginId),
});

/**
 * Regroups the catalogue after plugins were joined or split, after vendors were renamed, or after undo of such a change. `back`: the plugins that builds return
 * to, by the build's id and by its key.
 */
export async function regroupCatalogue(db: EntityManager, back: ReadonlyMap<string, PluginId>): Promise<Grouped> {
  await claimCatalogue(db);
  const rows = await allBuilds(db);
  const builds = rows.map((row) => {
    const own = standing(row);
    return back.size === 0
      ? own
      : { ...own, pluginId: back.get(row.id) ?? back.get(buildKey(row.facts)) ?? own.pluginId };
  });
  const grouped = await writeGrouped(db, builds, new Map(rows.map((row) => [row.id, row])));
  await nextCatalogue(db);
  return grouped;
}

const vendorCorrections = (rows: readonly VendorSpelling[]): VendorCorrections =>
  new Map(rows.map(({ id, key, name }) => [id, { key, name }]));
