import type { BuildFacts } from '../facts/build-facts.js';
import type { BuildGroup, VendorCorrections } from '../identity/group-builds.js';
import { groupBuilds } from '../identity/group-builds.js';
import { appendToGroup } from '../lists-by-key.js';
import type { PluginId } from '../ids.js';
import { keepPluginIds } from './scan-difference.js';

/** Where the producer put a build by hand. `whole`: with all its group, so that later builds of the group follow. */
export interface Hold {
  readonly pluginId: PluginId;
  readonly whole: boolean;
}

/** What is known of a build besides its facts: the plugin that it belonged to, and where it is held. */
export interface Belonging {
  readonly pluginId: PluginId | undefined;
  readonly hold: Hold | undefined;
}

/**
 * Groups builds into plugins: by their facts, then by the producer's own joining and splitting, which always wins.
 * Plugins keep the ids that their builds had before.
 */
export function groupAgain<B extends BuildFacts>(
  builds: readonly B[],
  vendors: VendorCorrections,
  belongingOf: (build: B) => Belonging,
): BuildGroup<B>[] {
  const held = new Map<PluginId, B[]>();
  const free = groupBuilds(builds, vendors).flatMap((group) => {
    const followed = new Set<PluginId>();
    const rest: B[] = [];
    for (const build of group.builds) {
      const own = belongingOf(build).hold;
      if (own === undefined) rest.push(build);
      else appendToGroup(held, own.pluginId, build);
      if (own?.whole === true) followed.add(own.pluginId);
    }
    const [target] = followed;
    if (followed.size !== 1 || target === undefined) return rest.length === 0 ? [] : [{ ...group, builds: rest }];
    // The group was joined to another as a whole: what arrives later goes the same way.
    for (const build of rest) appendToGroup(held, target, build);
    return [];
  });
  const ids = keepPluginIds(free, (build) => belongingOf(build).pluginId);
  const result = free.map((group) => ({ ...group, id: ids.get(group) ?? group.id }));
  const places = new Map(result.map((group, at) => [group.id, at]));
  for (const [id, own] of held) {
    const at = places.get(id) ?? -1;
    const group = result[at];
    if (group !== undefined) result[at] = { ...group, builds: [...group.builds, ...own] };
    else {
      // Named after most of them.
      const [first] = groupBuilds(own, vendors).sort(
        (a, b) => b.builds.length - a.builds.length || (a.id < b.id ? -1 : 1),
      );
      if (first !== undefined) result.push({ ...first, id, builds: own });
    }
  }
  return result;
}
