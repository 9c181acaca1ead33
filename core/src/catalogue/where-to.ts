import type { PluginId } from '../ids.js';

/** A build that belonged to one plugin and belongs to another, or the same, now. */
interface Going {
  readonly from: PluginId;
  readonly to: PluginId;
}

/**
 * Plugins that have lost all their builds to others, each with the one that most of them went to (of equals the first by id): what the producer said of it
 * goes the same way. A plugin that keeps a build keeps everything.
 */
export function whereTo(builds: readonly Going[]): Map<PluginId, PluginId> {
  const counts = new Map<PluginId, Map<PluginId, number>>();
  for (const { from, to } of builds) {
    const own = counts.get(from) ?? new Map<PluginId, number>();
    counts.set(from, own.set(to, (own.get(to) ?? 0) + 1));
  }
  const gone = new Map<PluginId, PluginId>();
  for (const [from, own] of counts) {
    if (own.has(from)) continue;
    const [first] = [...own].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
    if (first !== undefined) gone.set(from, first[0]);
  }
  return gone;
}
