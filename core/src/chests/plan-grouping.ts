import type { BuildId, BuildKey, PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import type { Wish } from './intent.js';
import { takeOver } from './join-plugins.js';
import type { NameOf, Plan, Planners } from './plan.js';
import { nothing, planned, refuse, what } from './plan.js';
import type { HeldBuild } from './rows/held-build.js';
import type { KeyedBuild } from './set-aside.js';

const GONE = 'One of these plugins is not in the catalogue any more. Scan again, or choose others.';

/** Which builds are one plugin, by the producer's word. */
export const GROUPING_PLANNERS: Planners<'join-plugins' | 'split-plugin' | 'release-builds'> = {
  'join-plugins': {
    names: ({ intoId, pluginIds, builds }) => ({ plugins: [intoId, ...pluginIds], builds }),
    plan: planJoin,
  },
  'split-plugin': {
    names: ({ pluginId, newId, builds }) => ({ plugins: [pluginId, newId], builds }),
    plan: planSplit,
  },
  'release-builds': { names: nothing, plan: planRelease },
};

/** Several plugins become one: their builds are held in it, and it takes over all that stood for them. */
function planJoin(state: Arrangement, wish: Wish<'join-plugins'>, nameOf: NameOf): Plan {
  const others = [...new Set(wish.pluginIds)].filter((id) => id !== wish.intoId);
  const name = nameOf(wish.intoId);
  if (name === undefined || others.some((id) => nameOf(id) === undefined)) return refuse(GONE);
  if (others.length === 0) return refuse('Choose two plugins or more to join.');
  const builds = wish.builds.filter((build) => others.includes(build.pluginId));
  const holds = heldOnce(state, builds, wish.intoId, true);
  if (holds.length === 0) return refuse('These plugins have no builds that could be joined.');
  const buildsOf = (id: PluginId): BuildId[] => builds.filter((one) => one.pluginId === id).map((one) => one.id);
  const edits = [...holds, ...takeOver(state, others, wish.intoId, buildsOf)];
  return planned(`join ${what(others, nameOf)} to ${name}`, edits);
}

/** Some builds of a plugin become one of their own; the places in drawers stay with the old one. */
function planSplit(state: Arrangement, wish: Wish<'split-plugin'>, nameOf: NameOf): Plan {
  const name = nameOf(wish.pluginId);
  if (name === undefined) return refuse(GONE);
  if (nameOf(wish.newId) !== undefined) return refuse('This plugin has been split off already.');
  const edits = heldOnce(
    state,
    wish.builds.filter((build) => build.pluginId === wish.pluginId),
    wish.newId,
    false,
  );
  if (edits.length === 0) return refuse('Choose the builds that are another plugin.');
  return planned(`split ${edits.length === 1 ? 'a build' : `${String(edits.length)} builds`} off ${name}`, edits);
}

/** Builds go back to where their names put them. */
function planRelease(state: Arrangement, { keys }: Wish<'release-builds'>): Plan {
  const edits = keys.flatMap((id): Edit[] => {
    const before = state.heldBuild.get(id);
    return before === undefined ? [] : [{ of: 'heldBuild', id, before, after: null }];
  });
  if (edits.length === 0) return refuse('None of these builds was joined or split by hand.');
  return planned(`group ${edits.length === 1 ? 'a build' : `${String(edits.length)} builds`} by name again`, edits);
}

/** Builds that are the same on every computer, and copies of one, are held by one row. */
function heldOnce(state: Arrangement, builds: readonly KeyedBuild[], to: PluginId, whole: boolean): Edit[] {
  const byKey = new Map(builds.map((build) => [build.key, build]));
  return [...byKey.values()].map(({ key, pluginId }) => hold(state, key, pluginId, to, whole));
}

function hold(state: Arrangement, id: BuildKey, from: PluginId, to: PluginId, whole: boolean): Edit {
  const before = state.heldBuild.get(id) ?? null;
  // A build that is held already came from further back: that is where it goes when it is released.
  const after: HeldBuild = { id, pluginId: to, fromPluginId: before?.fromPluginId ?? from, whole };
  return { of: 'heldBuild', id, before, after };
}
