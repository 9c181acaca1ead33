import type { BuildId, PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { entryId, trayEntryId } from './arrangement.js';
import { byOrder } from './look-up.js';
import type { HeldBuild } from './by-hand.js';
import type { Edit } from './edit.js';
import type { Wish } from './intent.js';
import type { NameOf, Plan } from './plan.js';
import { planned, refuse, what } from './plan.js';

const GONE = 'One of these plugins is not in the catalogue any more. Scan again, or choose others.';

/** Several plugins become one: their builds are held in it, and it takes their places in drawers, on trays and in slots. */
export function planJoin(state: Arrangement, wish: Wish<'join-plugins'>, nameOf: NameOf): Plan {
  const others = [...new Set(wish.pluginIds)].filter((id) => id !== wish.intoId);
  const name = nameOf(wish.intoId);
  if (name === undefined || others.some((id) => nameOf(id) === undefined)) return refuse(GONE);
  if (others.length === 0) return refuse('Choose two plugins or more to join.');
  const builds = wish.builds.filter((build) => others.includes(build.pluginId));
  const holds = builds.map(({ id, pluginId }) => hold(state, id, pluginId, wish.intoId, true));
  if (holds.length === 0) return refuse('These plugins have no builds that could be joined.');
  const edits = [...holds];
  for (const id of others) takePlaces(state, id, wish.intoId, edits);
  return planned(`join ${what(others, nameOf)} to ${name}`, edits);
}

/** Some builds of a plugin become one of their own; the places in drawers stay with the old one. */
export function planSplit(state: Arrangement, wish: Wish<'split-plugin'>, nameOf: NameOf): Plan {
  const name = nameOf(wish.pluginId);
  if (name === undefined) return refuse(GONE);
  if (nameOf(wish.newId) !== undefined) return refuse('This plugin has been split off already.');
  const edits = [...new Set(wish.buildIds)].map((id) => hold(state, id, wish.pluginId, wish.newId, false));
  if (edits.length === 0) return refuse('Choose the builds that are another plugin.');
  return planned(`split ${edits.length === 1 ? 'a build' : `${String(edits.length)} builds`} off ${name}`, edits);
}

/** Builds go back to where their names put them. */
export function planRelease(state: Arrangement, { buildIds }: Wish<'release-builds'>): Plan {
  const edits = buildIds.flatMap((id): Edit[] => {
    const before = state.heldBuild.get(id);
    return before === undefined ? [] : [{ of: 'heldBuild', id, before, after: null }];
  });
  if (edits.length === 0) return refuse('None of these builds was joined or split by hand.');
  return planned(`group ${edits.length === 1 ? 'a build' : `${String(edits.length)} builds`} by name again`, edits);
}

function hold(state: Arrangement, id: BuildId, from: PluginId, to: PluginId, whole: boolean): Edit {
  const before = state.heldBuild.get(id) ?? null;
  // A build that is held already came from further back: that is where it goes when it is released.
  const after: HeldBuild = { id, pluginId: to, fromPluginId: before?.fromPluginId ?? from, whole };
  return { of: 'heldBuild', id, before, after };
}

/** Adds the edits by which one plugin takes the places of another; places that it has by now stay single. */
function takePlaces(state: Arrangement, from: PluginId, to: PluginId, edits: Edit[]): void {
  for (const entry of [...state.entry.values()].filter((one) => one.pluginId === from).sort(byOrder)) {
    edits.push({ of: 'entry', id: entry.id, before: entry, after: null });
    const id = entryId(entry.drawerId, to);
    if (!state.entry.has(id) && !edits.some((edit) => edit.id === id))
      edits.push({ of: 'entry', id, before: null, after: { ...entry, id, pluginId: to } });
  }
  for (const entry of [...state.trayEntry.values()].filter((one) => one.pluginId === from).sort(byOrder)) {
    edits.push({ of: 'trayEntry', id: entry.id, before: entry, after: null });
    const id = trayEntryId(entry.tray, to);
    if (!state.trayEntry.has(id) && !edits.some((edit) => edit.id === id))
      edits.push({ of: 'trayEntry', id, before: null, after: { ...entry, id, pluginId: to } });
  }
  for (const slot of state.slot.values()) {
    if (slot.pluginId === from) edits.push({ of: 'slot', id: slot.id, before: slot, after: { ...slot, pluginId: to } });
  }
}
