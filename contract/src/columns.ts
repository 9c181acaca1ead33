import { runToCompletion, type Stepwise } from '@clever-drawer/core/stepwise';
import type { BuildView, CatalogueColumns, CatalogueView, PluginView } from './responses.js';

/** The catalogue column by column. */
export const toColumns = (catalogue: CatalogueView): CatalogueColumns => runToCompletion(toColumnsStepwise(catalogue));

/** The same step by step. */
export function* toColumnsStepwise({
  epoch,
  revision,
  firstArrival,
  plugins,
}: CatalogueView): Stepwise<CatalogueColumns> {
  const builds = plugins.flatMap((plugin) => plugin.builds);
  const ofPlugins = <Value>(value: (plugin: PluginView) => Value) => columnOf(plugins, value);
  const ofBuilds = <Value>(value: (build: BuildView) => Value) => columnOf(builds, value);
  return {
    epoch,
    revision,
    firstArrival,
    plugins: {
      id: yield* ofPlugins((one) => one.id),
      name: yield* ofPlugins((one) => one.name),
      vendor: yield* ofPlugins((one) => one.vendor),
      role: yield* ofPlugins((one) => one.role),
      roleGrade: yield* ofPlugins((one) => one.roleGrade),
      types: yield* ofPlugins((one) => one.types),
      typeGrade: yield* ofPlugins((one) => one.typeGrade),
      contradictions: yield* ofPlugins((one) => one.contradictions),
      found: yield* ofPlugins((one) => one.found),
      arrivedAt: yield* ofPlugins((one) => one.arrivedAt),
      arrivedWithFolder: yield* ofPlugins((one) => one.arrivedWithFolder),
      loads: yield* ofPlugins((one) => one.loads),
      lastLoad: yield* ofPlugins((one) => one.lastLoad),
      calledToo: yield* ofPlugins((one) => one.calledToo),
      buildCounts: yield* ofPlugins((one) => one.builds.length),
    },
    builds: {
      id: yield* ofBuilds((one) => one.id),
      key: yield* ofBuilds((one) => one.key),
      format: yield* ofBuilds((one) => one.format),
      architectures: yield* ofBuilds((one) => one.architectures),
      version: yield* ofBuilds((one) => one.version),
      path: yield* ofBuilds((one) => one.path),
      found: yield* ofBuilds((one) => one.found),
      failed: yield* ofBuilds((one) => one.failed),
      pictures: yield* ofBuilds((one) => one.pictures),
      outputs: yield* ofBuilds((one) => one.outputs),
      sidechain: yield* ofBuilds((one) => one.sidechain),
    },
  };
}

function* columnOf<One, Value>(all: readonly One[], value: (one: One) => Value): Stepwise<Value[]> {
  yield;
  return all.map(value);
}

/** The catalogue plugin by plugin again. Columns are of one length, as toColumns makes them. */
export function fromColumns({
  epoch,
  revision,
  firstArrival,
  plugins: own,
  builds: all,
}: CatalogueColumns): CatalogueView {
  let next = 0;
  const buildsOf = (count: number): BuildView[] => {
    const builds: BuildView[] = [];
    for (const end = next + count; next < end; next++)
      builds.push({
        id: at(all.id, next),
        key: at(all.key, next),
        format: at(all.format, next),
        architectures: at(all.architectures, next),
        version: at(all.version, next),
        path: at(all.path, next),
        found: at(all.found, next),
        failed: at(all.failed, next),
        pictures: at(all.pictures, next),
        outputs: at(all.outputs, next),
        sidechain: at(all.sidechain, next),
      });
    return builds;
  };
  const plugins = own.id.map((id, n): PluginView => ({
    id,
    name: at(own.name, n),
    vendor: at(own.vendor, n),
    role: at(own.role, n),
    roleGrade: at(own.roleGrade, n),
    types: at(own.types, n),
    typeGrade: at(own.typeGrade, n),
    contradictions: at(own.contradictions, n),
    found: at(own.found, n),
    arrivedAt: at(own.arrivedAt, n),
    arrivedWithFolder: at(own.arrivedWithFolder, n),
    loads: at(own.loads, n),
    lastLoad: at(own.lastLoad, n),
    calledToo: at(own.calledToo, n),
    builds: buildsOf(at(own.buildCounts, n)),
  }));
  return { epoch, revision, firstArrival, plugins };
}

const at = <Value>(column: readonly Value[], n: number): Value => column[n] as Value;
