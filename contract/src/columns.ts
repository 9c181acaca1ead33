import type { BuildView, CatalogueColumns, CatalogueView, PluginView } from './responses.js';

/** The catalogue column by column. */
export function toColumns({ revision, firstArrival, plugins }: CatalogueView): CatalogueColumns {
  const builds = plugins.flatMap((plugin) => plugin.builds);
  const ofPlugins = <Value>(value: (plugin: PluginView) => Value): Value[] => plugins.map(value);
  const ofBuilds = <Value>(value: (build: BuildView) => Value): Value[] => builds.map(value);
  return {
    revision,
    firstArrival,
    plugins: {
      id: ofPlugins((one) => one.id),
      name: ofPlugins((one) => one.name),
      vendor: ofPlugins((one) => one.vendor),
      role: ofPlugins((one) => one.role),
      roleGrade: ofPlugins((one) => one.roleGrade),
      types: ofPlugins((one) => one.types),
      typeGrade: ofPlugins((one) => one.typeGrade),
      contradictions: ofPlugins((one) => one.contradictions),
      found: ofPlugins((one) => one.found),
      arrivedAt: ofPlugins((one) => one.arrivedAt),
      loads: ofPlugins((one) => one.loads),
      lastLoad: ofPlugins((one) => one.lastLoad),
      calledToo: ofPlugins((one) => one.calledToo),
      buildCounts: ofPlugins((one) => one.builds.length),
    },
    builds: {
      id: ofBuilds((one) => one.id),
      key: ofBuilds((one) => one.key),
      format: ofBuilds((one) => one.format),
      architectures: ofBuilds((one) => one.architectures),
      version: ofBuilds((one) => one.version),
      path: ofBuilds((one) => one.path),
      found: ofBuilds((one) => one.found),
      failed: ofBuilds((one) => one.failed),
      pictures: ofBuilds((one) => one.pictures),
      outputs: ofBuilds((one) => one.outputs),
      sidechain: ofBuilds((one) => one.sidechain),
    },
  };
}

/** The catalogue plugin by plugin again. Columns are of one length, as toColumns makes them. */
export function fromColumns({ revision, firstArrival, plugins: own, builds: all }: CatalogueColumns): CatalogueView {
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
    loads: at(own.loads, n),
    lastLoad: at(own.lastLoad, n),
    calledToo: at(own.calledToo, n),
    builds: buildsOf(at(own.buildCounts, n)),
  }));
  return { revision, firstArrival, plugins };
}

const at = <Value>(column: readonly Value[], n: number): Value => column[n] as Value;
