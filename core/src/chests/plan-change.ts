import type { PluginId } from '../ids.js';
import { matcherOf } from '../rules/rule.js';
import type { Arrangement, Drawer, Entry } from './arrangement.js';
import {
  chestsOf,
  drawerAndInner,
  drawersIn,
  entriesIn,
  entryId,
  FAVOURITES,
  pathTo,
  trayEntries,
  trayEntryId,
} from './arrangement.js';
import type { Edit } from './edit.js';
import type { Intent, IntentKind } from './intent.js';
import { keysBefore } from './order-keys.js';
import { count, planned, refuse, what, type NameOf, type Plan } from './plan.js';
import { planJoin, planRelease, planSplit } from './plan-grouping.js';
import { planNameVendor, planPreferBuild, planPreferBuilds, planPutRight } from './plan-put-right.js';
import { planClearSlot, planLoad, planSession } from './plan-session.js';

type Planners = {
  [Kind in IntentKind]: (state: Arrangement, intent: Extract<Intent, { kind: Kind }>, nameOf: NameOf) => Plan;
};

const GONE = 'This drawer is not there any more. It was deleted in another window; undo there brings it back.';
const NO_CHEST = 'This chest is not there any more. It was deleted in another window; undo there brings it back.';

const PLANNERS: Planners = {
  'make-chest': (state, { id, name }) => {
    if (state.chest.has(id)) return refuse('This chest has been made already.');
    const [order = ''] = keysBefore(chestsOf(state), null, 1);
    return planned(`new chest ${name}`, [{ of: 'chest', id, before: null, after: { id, name, order } }]);
  },

  'rename-chest': (state, { id, name }) => {
    const before = state.chest.get(id);
    if (before === undefined) return refuse(NO_CHEST);
    return planned(`rename chest ${before.name} to ${name}`, [{ of: 'chest', id, before, after: { ...before, name } }]);
  },

  'delete-chest': (state, { id }) => {
    const chest = state.chest.get(id);
    if (chest === undefined) return refuse(NO_CHEST);
    if (state.chest.size === 1) return refuse('This is the only chest. Make another one first, then delete this.');
    const drawers = drawersIn(state, id, null).flatMap((drawer) => removeDrawer(state, drawer));
    return planned(`delete chest ${chest.name}`, [...drawers, { of: 'chest', id, before: chest, after: null }]);
  },

  'make-drawer': (state, intent, nameOf) => {
    const { id, chestId, parentId, name, rule, pluginIds } = intent;
    if (!state.chest.has(chestId)) return refuse(NO_CHEST);
    if (state.drawer.has(id)) return refuse('This drawer has been made already.');
    if (parentId !== null && state.drawer.get(parentId)?.chestId !== chestId) return refuse(GONE);
    const [order = ''] = keysBefore(drawersIn(state, chestId, parentId), null, 1);
    const drawer: Drawer = { id, chestId, parentId, name, order, rule };
    const entries = fileInto(state, drawer, pluginIds, nameOf);
    const label = `new drawer ${name}${entries.length === 0 ? '' : ` with ${count(entries.length)}`}`;
    return planned(label, [{ of: 'drawer', id, before: null, after: drawer }, ...entries]);
  },

  'rename-drawer': (state, { id, name }) => {
    const before = state.drawer.get(id);
    if (before === undefined) return refuse(GONE);
    return planned(`rename ${before.name} to ${name}`, [{ of: 'drawer', id, before, after: { ...before, name } }]);
  },

  'set-rule': (state, { id, rule }) => {
    const before = state.drawer.get(id);
    if (before === undefined) return refuse(GONE);
    const label = rule === null ? `take the keywords off ${before.name}` : `keywords of ${before.name}`;
    return planned(label, [{ of: 'drawer', id, before, after: { ...before, rule } }]);
  },

  'move-drawer': (state, { id, parentId, before: neighbour }) => {
    const before = state.drawer.get(id);
    if (before === undefined) return refuse(GONE);
    const parent = parentId === null ? null : state.drawer.get(parentId);
    if (parent === undefined) return refuse(GONE);
    if (parent !== null && parent.chestId !== before.chestId) return refuse('A drawer moves within its own chest.');
    if (parentId !== null && pathTo(state, parentId).some((one) => one.id === id)) {
      return refuse(`${before.name} can't be put inside itself.`);
    }
    const siblings = drawersIn(state, before.chestId, parentId).filter((one) => one.id !== id);
    const [order = ''] = keysBefore(siblings, neighbour, 1);
    const label =
      parentId === before.parentId ? `move ${before.name}` : `put ${before.name} into ${parent?.name ?? 'the chest'}`;
    return planned(label, [{ of: 'drawer', id, before, after: { ...before, parentId, order } }]);
  },

  'delete-drawer': (state, { id }) => {
    const drawer = state.drawer.get(id);
    if (drawer === undefined) return refuse(GONE);
    return planned(`delete drawer ${drawer.name}`, removeDrawer(state, drawer));
  },

  file: (state, { drawerIds, pluginIds }, nameOf) => {
    const drawers = drawerIds.map((id) => state.drawer.get(id));
    if (drawers.length === 0 || drawers.includes(undefined)) return refuse(GONE);
    const chosen = drawers.filter((drawer) => drawer !== undefined);
    const edits = chosen.flatMap((drawer) => fileInto(state, drawer, pluginIds, nameOf));
    const names = chosen.map((drawer) => drawer.name).join(', ');
    if (edits.length === 0) {
      return refuse(`${pluginIds.length === 1 ? 'It stands' : 'They all stand'} in ${names} already.`);
    }
    const filed = new Set(edits.map((edit) => (edit.after as Entry).pluginId));
    return planned(`file ${what([...filed], nameOf)} into ${names}`, edits);
  },

  'take-out': (state, { drawerId, pluginIds }, nameOf) => {
    const drawer = state.drawer.get(drawerId);
    if (drawer === undefined) return refuse(GONE);
    const edits = pluginIds
      .map((pluginId) => state.entry.get(entryId(drawerId, pluginId)))
      .filter((entry) => entry !== undefined)
      .map((entry): Edit => ({ of: 'entry', id: entry.id, before: entry, after: null }));
    if (edits.length > 0) return planned(`take ${what(pluginIds, nameOf)} out of ${drawer.name}`, edits);
    return refuse(whyItStays(drawer, pluginIds[0], nameOf));
  },

  'tray-on': (state, { tray, pluginIds }, nameOf) => {
    const fresh = pluginIds.filter((id) => nameOf(id) !== undefined && !state.trayEntry.has(trayEntryId(tray, id)));
    if (fresh.length === 0) return refuse(`Already on ${trayName(tray)}.`);
    const orders = keysBefore(trayEntries(state, tray), null, fresh.length);
    const edits = fresh.map((pluginId, index): Edit => {
      const id = trayEntryId(tray, pluginId);
      return { of: 'trayEntry', id, before: null, after: { id, tray, pluginId, order: orders[index] ?? '' } };
    });
    return planned(`put ${what(fresh, nameOf)} on ${trayName(tray)}`, edits);
  },

  'tray-off': (state, { tray, pluginIds }, nameOf) => {
    const edits = pluginIds
      .map((pluginId) => state.trayEntry.get(trayEntryId(tray, pluginId)))
      .filter((entry) => entry !== undefined)
      .map((entry): Edit => ({ of: 'trayEntry', id: entry.id, before: entry, after: null }));
    if (edits.length === 0) return refuse(`Not on ${trayName(tray)}.`);
    return planned(`take ${what(pluginIds, nameOf)} off ${trayName(tray)}`, edits);
  },

  load: planLoad,
  'clear-slot': planClearSlot,
  'make-session': planSession,
  'put-right': planPutRight,
  'prefer-build': planPreferBuild,
  'prefer-builds': planPreferBuilds,
  'join-plugins': planJoin,
  'split-plugin': planSplit,
  'release-builds': planRelease,
  'name-vendor': planNameVendor,
};

/** Works out the change that an intent asks for, against the arrangement as it stands. Pure; never throws for a well-formed intent. */
export function planChange<Kind extends IntentKind>(
  state: Arrangement,
  intent: Extract<Intent, { kind: Kind }>,
  nameOf: NameOf,
): Plan {
  const planner = PLANNERS[intent.kind];
  return planner(state, intent, nameOf);
}

export const trayName = (tray: number): string => (tray === FAVOURITES ? 'Favourites' : `tray ${String(tray)}`);

/** Edits for the plugins that do not stand in the drawer yet; unknown ones and doubles are passed over. */
function fileInto(state: Arrangement, drawer: Drawer, pluginIds: readonly PluginId[], nameOf: NameOf): Edit[] {
  const fresh = [...new Set(pluginIds)].filter(
    (id) => nameOf(id) !== undefined && !state.entry.has(entryId(drawer.id, id)),
  );
  const orders = keysBefore(entriesIn(state, drawer.id), null, fresh.length);
  return fresh.map((pluginId, index) => {
    const id = entryId(drawer.id, pluginId);
    return { of: 'entry', id, before: null, after: { id, drawerId: drawer.id, pluginId, order: orders[index] ?? '' } };
  });
}

/** Entries before their drawer and inner drawers before the outer one, so that the inverse makes the outer one first. */
function removeDrawer(state: Arrangement, drawer: Drawer): Edit[] {
  return drawerAndInner(state, drawer.id)
    .reverse()
    .flatMap((one): Edit[] => [
      ...entriesIn(state, one.id).map((entry): Edit => ({ of: 'entry', id: entry.id, before: entry, after: null })),
      { of: 'drawer', id: one.id, before: one, after: null },
    ]);
}

function whyItStays(drawer: Drawer, pluginId: PluginId | undefined, nameOf: NameOf): string {
  const name = pluginId === undefined ? undefined : nameOf(pluginId);
  const word = drawer.rule === null || name === undefined ? null : matcherOf(drawer.rule)({ name });
  if (word === null) return `Not in ${drawer.name}.`;
  return `${name ?? ''} is in ${drawer.name} by its keyword “${word}”. Change the keywords to leave it out.`;
}
