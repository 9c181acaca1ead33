import type { ChestId, DrawerId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import { mergeEdits as mergeRowEdits } from './edit.js';
import { linesIn } from './file-into.js';
import { itemId } from './item.js';
import { levelSort } from './level.js';
import { LEVEL_SORT_LABELS } from './level-sort.js';
import { drawerAndInner, drawersIn, pathTo } from './look-up.js';
import { keysBefore } from './order-keys.js';
import type { Plan, Planners } from './plan.js';
import { nothing, planned, refuse, UNCHANGED } from './plan.js';
import { NO_CHEST } from './plan-chest.js';
import type { Drawer } from './rows/drawer.js';
import { entryId, type Entry } from './rows/entry.js';
import { removeDrawer } from './drawer-rows.js';

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

/** The drawers of a level: sorted, divided, marked with signs, left out of menus, merged. */
export const LEVEL_PLANNERS: Planners<
  'merge-drawers' | 'set-sign' | 'show-in-menus' | 'divide-drawers' | 'set-level-sort' | 'arrange-drawers'
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
      const standing = drawersIn(state, chestId, parentId);
      const wanted = new Set<string>(ids);
      // What was added in another window meanwhile stays behind those that were sorted.
      const order = [
        ...ids.flatMap((id) => standing.find((one) => one.id === id) ?? []),
        ...standing.filter((one) => !wanted.has(one.id)),
      ];
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

  'merge-drawers': {
    names: nothing,
    plan: (state, { intoId, ids }) => {
      const into = state.drawer.get(intoId);
      if (into === undefined) return refuse(GONE);
      const others = [...new Set(ids)].filter((id) => id !== intoId).map((id) => state.drawer.get(id));
      const merged = others.filter((one) => one !== undefined);
      if (merged.length < others.length) return refuse(GONE);
      if (merged.length === 0) return refuse('Select two or more drawers to merge them.');
      const around = new Set<string>(pathTo(state, intoId).map((one) => one.id));
      const outer = merged.find((one) => around.has(one.id));
      if (outer !== undefined)
        return refuse(`${into.name} is inside ${outer.name}. Move it out first, or merge the other way round.`);
      const ruled = merged.find((one) => one.rule !== null);
      if (ruled !== undefined)
        return refuse(`${ruled.name} fills itself by a rule. Take its rule off first, or merge the others into it.`);
      return planned(mergeLabel(into, merged), mergeEdits(state, into, merged));
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

const mergeLabel = (into: Drawer, merged: readonly Drawer[]): string => {
  const [only] = merged;
  return merged.length === 1 && only !== undefined
    ? `merge ${only.name} into ${into.name}`
    : `merge ${String(merged.length)} drawers into ${into.name}`;
};

function mergeEdits(state: Arrangement, into: Drawer, merged: readonly Drawer[]): Edit[] {
  const coming = new Map<string, Entry>();
  for (const drawer of merged)
    for (const line of linesIn(state, drawer)) {
      if ('label' in line) continue;
      const id = entryId(into.id, itemId(line));
      if (!state.entry.has(id) && !coming.has(id)) coming.set(id, { ...line, id, drawerId: into.id });
    }
  const orders = keysBefore(linesIn(state, into), null, coming.size);
  const entries = [...coming.values()].map((entry, at): Edit => {
    const after = { ...entry, order: orders[at] ?? '' };
    return { of: 'entry', id: after.id, before: null, after };
  });
  const gone = new Set<string>(merged.map((one) => one.id));
  // Of drawers inside one another only the outer ones hand their inner drawers on.
  const inner = merged.flatMap((one) => drawersIn(state, one.chestId, one.id)).filter((one) => !gone.has(one.id));
  const innerOrders = keysBefore(drawersIn(state, into.chestId, into.id), null, inner.length);
  const moves = inner.flatMap((one, at): Edit[] => {
    const [, ...below] = drawerAndInner(state, one.id);
    return [
      changed(one, { ...one, chestId: into.chestId, parentId: into.id, order: innerOrders[at] ?? '' }),
      ...(one.chestId === into.chestId
        ? []
        : below.filter((row) => !gone.has(row.id)).map((row) => changed(row, { ...row, chestId: into.chestId }))),
    ];
  });
  const removals = merged.flatMap((one) =>
    removeDrawer(state, one).filter((edit) => edit.of !== 'drawer' || gone.has(edit.id)),
  );
  const dividers = merged.flatMap((one) => passDividerOn(state, one, gone).edits);
  return mergeRowEdits([...entries, ...moves, ...onlyOf(removals, gone), ...dividers]);
}

/** Of what is removed with drawers only what is their own: inner drawers that were handed on keep what they hold. */
const onlyOf = (edits: readonly Edit[], gone: ReadonlySet<string>): Edit[] => {
  const seen = new Set<string>();
  return edits.filter((edit) => {
    const drawerId = edit.before !== null && 'drawerId' in edit.before ? edit.before.drawerId : edit.id;
    const key = `${edit.of} ${edit.id}`;
    if (!gone.has(drawerId) || seen.has(key)) return false;
    seen.add(key);
    return true;
  });
};
