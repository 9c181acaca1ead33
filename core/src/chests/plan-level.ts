import type { ChestId, DrawerId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import { levelSort } from './level.js';
import { LEVEL_SORT_LABELS } from './level-sort.js';
import { drawersIn } from './look-up.js';
import { keysBefore } from './order-keys.js';
import type { Plan, Planners } from './plan.js';
import { nothing, planned, refuse, UNCHANGED } from './plan.js';
import { NO_CHEST } from './plan-chest.js';
import type { Drawer } from './rows/drawer.js';

/** The refusal of a wish for a drawer that another window deleted. */
export const GONE = 'This drawer is not there any more. It was deleted in another window; undo there brings it back.';

/** A change of a drawer. */
export const changed = (before: Drawer, after: Drawer): Edit => ({ of: 'drawer', id: before.id, before, after });

function changeDrawer(
  state: Arrangement,
  id: DrawerId,
  change: Partial<Drawer>,
  labelOf: (drawer: Drawer) => string,
): Plan {
  const before = state.drawer.get(id);
  if (before === undefined) return refuse(GONE);
  const isSame = Object.entries(change).every(([field, value]) => (before[field as keyof Drawer] ?? null) === value);
  return isSame ? refuse(UNCHANGED) : planned(labelOf(before), [changed(before, { ...before, ...change })]);
}

/**
 * Hands the divider in front of a drawer that leaves its level on to the next drawer that stays there, so that the rest of its section stays divided. Where
 * that one has a divider of its own, or none follows, the divider goes with the drawer.
 */
export function passDividerOn(
  state: Arrangement,
  drawer: Drawer,
  alsoLeaving: ReadonlySet<string> = new Set(),
): { readonly leaving: Drawer; readonly edits: Edit[] } {
  const stays = { leaving: drawer, edits: [] };
  const label = drawer.dividerBefore ?? null;
  if (label === null) return stays;
  const siblings = drawersIn(state, drawer.chestId, drawer.parentId);
  const behind = siblings.slice(siblings.findIndex((one) => one.id === drawer.id) + 1);
  const next = behind.find((one) => (one.dividerBefore ?? null) !== null || !alsoLeaving.has(one.id));
  if (next === undefined || (next.dividerBefore ?? null) !== null) return stays;
  return {
    leaving: { ...drawer, dividerBefore: null },
    edits: [changed(next, { ...next, dividerBefore: label })],
  };
}

const levelWords = (state: Arrangement, chestId: ChestId, parentId: DrawerId | null): string =>
  parentId === null
    ? `the drawers of ${state.chest.get(chestId)?.name ?? 'the chest'}`
    : `the inner drawers of ${state.drawer.get(parentId)?.name ?? 'a drawer'}`;

/** The drawers of a level: sorted, divided, marked with signs, left out of menus. */
export const LEVEL_PLANNERS: Planners<
  'set-sign' | 'show-in-menus' | 'divide-drawers' | 'set-level-sort' | 'arrange-drawers'
> = {
  'set-sign': {
    names: nothing,
    plan: (state, { id, sign }) =>
      changeDrawer(state, id, { sign }, ({ name }) =>
        sign === null ? `take the sign off ${name}` : `give the sign ${sign} to ${name}`,
      ),
  },

  'show-in-menus': {
    names: nothing,
    plan: (state, { id, shown }) =>
      changeDrawer(state, id, { notInMenus: !shown }, ({ name }) =>
        shown ? `show ${name} in menus` : `leave ${name} out of menus`,
      ),
  },

  'divide-drawers': {
    names: nothing,
    plan: (state, { id, label }) =>
      changeDrawer(state, id, { dividerBefore: label }, ({ name, dividerBefore = null }) =>
        label === null
          ? `take the divider in front of ${name} away`
          : `${dividerBefore === null ? 'divider' : 'label the divider'} in front of ${name}`,
      ),
  },

  'set-level-sort': {
    names: nothing,
    plan: (state, { chestId, parentId, sort }) => {
      if (levelSort(state, chestId, parentId) === sort) return refuse(UNCHANGED);
      const label = `keep ${levelWords(state, chestId, parentId)} in order: ${sort === null ? 'by hand' : LEVEL_SORT_LABELS[sort]}`;
      if (parentId !== null) return changeDrawer(state, parentId, { innerSort: sort }, () => label);
      const before = state.chest.get(chestId);
      if (before === undefined) return refuse(NO_CHEST);
      return planned(label, [{ of: 'chest', id: chestId, before, after: { ...before, drawerSort: sort } }]);
    },
  },

  'arrange-drawers': {
    names: nothing,
    plan: (state, { chestId, parentId, ids, by }) => {
      const standing = drawersIn(state, chestId, parentId).filter((one) => one.loose !== true);
      const byId = new Map<string, Drawer>(standing.map((one) => [one.id, one]));
      const sorted = new Set(ids.flatMap((id) => byId.get(id) ?? []));
      // What was added in another window meanwhile stays behind those that were sorted.
      const order = [...sorted, ...standing.filter((one) => !sorted.has(one))];
      const keys = keysBefore([], null, order.length);
      const labels = sectionLabels(standing, order);
      const edits = order.flatMap((drawer, at): Edit[] => {
        const after = { ...drawer, order: keys[at] ?? drawer.order, dividerBefore: labels[at] ?? null };
        return after.order === drawer.order && after.dividerBefore === (drawer.dividerBefore ?? null)
          ? []
          : [changed(drawer, after)];
      });
      if (edits.length === 0 || order.every((one, at) => one === standing[at])) return refuse(UNCHANGED);
      return planned(`sort ${levelWords(state, chestId, parentId)} ${LEVEL_SORT_LABELS[by]}`, edits);
    },
  },
};

/** Dividers keep their places where each drawer stays in its section; else they go with their drawers. */
function sectionLabels(standing: readonly Drawer[], order: readonly Drawer[]): (string | null)[] {
  let section = 0;
  const sectionOf = new Map<string, number>();
  for (const one of standing) sectionOf.set(one.id, (one.dividerBefore ?? null) === null ? section : ++section);
  const isKept = order.every((one, at) => sectionOf.get(one.id) === sectionOf.get(standing[at]?.id ?? ''));
  return (isKept ? standing : order).map((one) => one.dividerBefore ?? null);
}
