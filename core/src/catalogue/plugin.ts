import type { BuildFacts } from '../facts/build-facts.js';
import type { BuildGroup, VendorCorrections } from '../identity/group-builds.js';
import { groupBuilds } from '../identity/group-builds.js';
import type { PluginId } from '../ids.js';
import { compareNames } from '../text/words.js';
import type { Kind } from './kind.js';
import { workOutKind } from './kind.js';
import { byPreference } from './preference.js';

/** One product as a person thinks of it, whatever files carry it. The first type is the main one. */
export interface Plugin<B extends BuildFacts = BuildFacts> extends Kind {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly B[];
}

/** A group of builds as a plugin: what it is worked out, its builds in the standard order of preference. */
export function pluginOf<B extends BuildFacts>(group: BuildGroup<B>): Plugin<B> {
  const builds = byPreference(group.builds);
  return { ...group, ...workOutKind(group.name, builds), builds };
}

/** The catalogue of all builds found, in order of name. */
export const catalogueOf = <B extends BuildFacts>(builds: readonly B[], vendors?: VendorCorrections): Plugin<B>[] =>
  groupBuilds(builds, vendors)
    .map(pluginOf)
    .sort((a, b) => compareNames(a.name, b.name) || compareNames(a.id, b.id));
