import type { Drawer } from './rows/drawer.js';
import { copyDrawers, removeDrawer } from './drawer-rows.js';
import { DRAWER_SORT_LABELS } from './drawer-sort.js';
import { DRAWER_SPLIT_LABELS } from './drawer-split.js';
import { fileInto } from './file-into.js';
import { newDrawer } from './lay-out-drawers.js';
import { drawerAndInner, drawersIn, pathTo } from './look-up.js';
import { keysBefore } from './order-keys.js';
import { circleWords } from './rule-circles.js';
import type { Planners } from './plan.js';
import { UNCHANGED, count, referencesPlugins, nothing, planned, refuse } from './plan.js';
import { NO_CHEST } from './plan-chest.js';
import { changed, GONE, passDividerOn } from './plan-level.js';

/** Drawers: made, named, given rules and sorting, moved and copied with all that they hold, deleted. */
export const DRAWER_PLANNERS: Planners<
  | 'make-drawer'
  | 'rename-drawer'
  | 'set-rule'
  | 'set-most'
  | 'set-sort'
  | 'set-split'
  | 'move-drawer'
  | 'copy-drawer'
  | 'delete-drawer'
> = {
  'make-drawer': {
    names: referencesPlugins,
    plan: (state, intent, nameOf) => {
      const { id, chestId, parentId, name, rule, pluginIds } = intent;
      if (!state.chest.has(chestId)) return refuse(NO_CHEST);
      if (state.drawer.has(id)) return refuse('This drawer has been made already.');
      if (parentId !== null && state.drawer.get(parentId)?.chestId !== chestId) return refuse(GONE);
      const circle = circleWords(state, id, name, rule);
      if (circle !== null) return refuse(circle);
      const [order = ''] = keysBefore(drawersIn(state, chestId, parentId), null, 1);
      const drawer: Drawer = { ...newDrawer(id, chestId, parentId), name, order, rule };
      const entries = fileInto(state, drawer, pluginIds, nameOf);
      const label = `new drawer ${name}${entries.length === 0 ? '' : ` with ${count(entries.length)}`}`;
      return planned(label, [{ of: 'drawer', id, before: null, after: drawer }, ...entries]);
    },
  },

  'rename-drawer': {
    names: nothing,
    plan: (state, { id, name }) => {
      const before = state.drawer.get(id);
      if (before === undefined) return refuse(GONE);
      return planned(`rename ${before.name} to ${name}`, [changed(before, { ...before, name })]);
    },
  },

  'set-rule': {
    names: nothing,
    plan: (state, { id, rule }) => {
      const before = state.drawer.get(id);
      if (before === undefined) return refuse(GONE);
      const circle = circleWords(state, id, before.name, rule);
      if (circle !== null) return refuse(circle);
      const label =
        rule === null
          ? `take the rule off ${before.name}`
          : `${before.rule === null ? 'add a rule to' : 'change the rule of'} ${before.name}`;
      return planned(label, [changed(before, { ...before, rule })]);
    },
  },

  'set-most': {
    names: nothing,
    plan: (state, { id, most }) => {
      const before = state.drawer.get(id);
      if (before === undefined) return refuse(GONE);
      if ((before.most ?? null) === most) return refuse(UNCHANGED);
      const label =
        most === null
          ? `let the rule of ${before.name} take all`
          : `let the rule of ${before.name} take ${String(most)} at most`;
      return planned(label, [changed(before, { ...before, most })]);
    },
  },

  'set-sort': {
    names: nothing,
    plan: (state, { id, sort }) => {
      const before = state.drawer.get(id);
      if (before === undefined) return refuse(GONE);
      if (before.sort === sort) return refuse(UNCHANGED);
      const words = sort === null ? 'order by hand' : DRAWER_SORT_LABELS[sort];
      return planned(`keep ${before.name} in ${sort === null ? words : `order: ${words}`}`, [
        changed(before, { ...before, sort }),
      ]);
    },
  },

  'set-split': {
    names: nothing,
    plan: (state, { id, split }) => {
      const before = state.drawer.get(id);
      if (before === undefined) return refuse(GONE);
      if ((before.split ?? null) === split) return refuse(UNCHANGED);
      const label =
        split === null ? `show ${before.name} undivided` : `split ${before.name} ${DRAWER_SPLIT_LABELS[split]}`;
      return planned(label, [changed(before, { ...before, split })]);
    },
  },

  'move-drawer': {
    names: nothing,
    plan: (state, { id, chestId, parentId, before: neighbour }) => {
      const before = state.drawer.get(id);
      if (before === undefined) return refuse(GONE);
      const chest = state.chest.get(chestId);
      if (chest === undefined) return refuse(NO_CHEST);
      const parent = parentId === null ? null : state.drawer.get(parentId);
      if (parent === undefined || (parent !== null && parent.chestId !== chestId)) return refuse(GONE);
      if (parentId !== null && pathTo(state, parentId).some((one) => one.id === id)) {
        return refuse(`${before.name} can't be put inside itself.`);
      }
      const siblings = drawersIn(state, chestId, parentId).filter((one) => one.id !== id);
      const [order = ''] = keysBefore(siblings, neighbour, 1);
      const [, ...inner] = drawerAndInner(state, id);
      const { leaving, edits } = passDividerOn(state, before);
      const moved = changed(before, { ...leaving, chestId, parentId, order });
      if (chestId === before.chestId) {
        const stays = parentId === before.parentId;
        return planned(stays ? `move ${before.name}` : `put ${before.name} into ${parent?.name ?? 'the chest'}`, [
          moved,
          ...edits,
        ]);
      }
      const follow = inner.map((one) => changed(one, { ...one, chestId }));
      return planned(`move ${before.name} to the chest ${chest.name}`, [moved, ...edits, ...follow]);
    },
  },

  'copy-drawer': {
    names: nothing,
    plan: (state, { id, newId, chestId, parentId }) => {
      const drawer = state.drawer.get(id);
      if (drawer === undefined) return refuse(GONE);
      const chest = state.chest.get(chestId);
      if (chest === undefined) return refuse(NO_CHEST);
      if (state.drawer.has(newId)) return refuse('This drawer has been copied already.');
      if (parentId !== null && state.drawer.get(parentId)?.chestId !== chestId) return refuse(GONE);
      if (parentId !== null && pathTo(state, parentId).some((one) => one.id === id))
        return refuse(`${drawer.name} can't be copied into itself.`);
      const [order = ''] = keysBefore(drawersIn(state, chestId, parentId), null, 1);
      const edits = copyDrawers(state, [{ drawer, to: { id: newId, chestId, parentId, order } }]);
      const parent = parentId === null ? undefined : state.drawer.get(parentId);
      return planned(`copy ${drawer.name} into ${parent?.name ?? `the chest ${chest.name}`}`, edits);
    },
  },

  'delete-drawer': {
    names: nothing,
    plan: (state, { id }) => {
      const drawer = state.drawer.get(id);
      if (drawer === undefined) return refuse(GONE);
      const label =
        drawer.loose === true
          ? `take out all that stands in ${state.chest.get(drawer.chestId)?.name ?? 'the chest'} without a drawer`
          : `delete drawer ${drawer.name}`;
      return planned(label, [...removeDrawer(state, drawer), ...passDividerOn(state, drawer).edits]);
    },
  },
};
