import type { Chest } from './rows/chest.js';
import { copyDrawers, removeDrawer } from './drawer-rows.js';
import type { Edit } from './edit.js';
import { sameRow } from './edit.js';
import { chestsOf, drawersIn } from './look-up.js';
import { keysBefore } from './order-keys.js';
import type { Planners } from './plan.js';
import { UNCHANGED, nothing, planned, refuse } from './plan.js';

export const NO_CHEST =
  'This chest is not there any more. It was deleted in another window; undo there brings it back.';

/** A chest that is to hold everything, with its drawers in the order given by hand. */
export const newChest = (own: Pick<Chest, 'id' | 'name' | 'order' | 'slots'>): Chest => ({
  ...own,
  selection: false,
  drawerSort: null,
  dividerBefore: null,
});

const changed = (before: Chest, after: Chest): Edit => ({ of: 'chest', id: before.id, before, after });

/** Chests: made, copied, named, meant for slots, ordered, deleted. */
export const CHEST_PLANNERS: Planners<
  | 'make-chest'
  | 'rename-chest'
  | 'set-chest-slots'
  | 'set-chest-selection'
  | 'move-chest'
  | 'divide-chests'
  | 'copy-chest'
  | 'delete-chest'
> = {
  'make-chest': {
    names: nothing,
    plan: (state, { id, name, slots }) => {
      if (state.chest.has(id)) return refuse('This chest has been made already.');
      const [order = ''] = keysBefore(chestsOf(state), null, 1);
      return planned(`new chest ${name}`, [
        { of: 'chest', id, before: null, after: newChest({ id, name, order, slots }) },
      ]);
    },
  },

  'rename-chest': {
    names: nothing,
    plan: (state, { id, name }) => {
      const before = state.chest.get(id);
      if (before === undefined) return refuse(NO_CHEST);
      return planned(`rename chest ${before.name} to ${name}`, [changed(before, { ...before, name })]);
    },
  },

  'set-chest-slots': {
    names: nothing,
    plan: (state, { id, slots }) => {
      const before = state.chest.get(id);
      if (before === undefined) return refuse(NO_CHEST);
      const after = { ...before, slots };
      if (sameRow(before, after)) return refuse(UNCHANGED);
      return planned(`change what the chest ${before.name} is for`, [changed(before, after)]);
    },
  },

  'set-chest-selection': {
    names: nothing,
    plan: (state, { id, selection }) => {
      const before = state.chest.get(id);
      if (before === undefined) return refuse(NO_CHEST);
      if (before.selection === selection) return refuse(UNCHANGED);
      const words = selection
        ? `make the chest ${before.name} a selection`
        : `let the chest ${before.name} hold everything`;
      return planned(words, [changed(before, { ...before, selection })]);
    },
  },

  'divide-chests': {
    names: nothing,
    plan: (state, { id, label }) => {
      const before = state.chest.get(id);
      if (before === undefined) return refuse(NO_CHEST);
      if ((before.dividerBefore ?? null) === label) return refuse(UNCHANGED);
      const words =
        label === null
          ? `take the divider in front of the chest ${before.name} away`
          : `divider in front of the chest ${before.name}`;
      return planned(words, [changed(before, { ...before, dividerBefore: label })]);
    },
  },

  'move-chest': {
    names: nothing,
    plan: (state, { id, before: neighbour }) => {
      const before = state.chest.get(id);
      if (before === undefined) return refuse(NO_CHEST);
      const siblings = chestsOf(state).filter((one) => one.id !== id);
      const [order = ''] = keysBefore(siblings, neighbour, 1);
      return planned(`move chest ${before.name}`, [changed(before, { ...before, order })]);
    },
  },

  'copy-chest': {
    names: nothing,
    plan: (state, { id, newId, name, filled = true }) => {
      const chest = state.chest.get(id);
      if (chest === undefined) return refuse(NO_CHEST);
      if (state.chest.has(newId)) return refuse('This chest has been copied already.');
      const [order = ''] = keysBefore(chestsOf(state), null, 1);
      const copies = drawersIn(state, id, null).map((drawer, at) => ({
        drawer,
        to: { id: `${newId}.${String(at)}`, chestId: newId, parentId: null, order: drawer.order },
      }));
      const drawers = copyDrawers(state, copies).filter(
        (edit) => filled || edit.of === 'drawer' || edit.of === 'divider',
      );
      return planned(`copy ${filled ? '' : 'the drawers of '}chest ${chest.name} as ${name}`, [
        { of: 'chest', id: newId, before: null, after: { ...chest, id: newId, name, order, dividerBefore: null } },
        ...drawers,
      ]);
    },
  },

  'delete-chest': {
    names: nothing,
    plan: (state, { id }) => {
      const chest = state.chest.get(id);
      if (chest === undefined) return refuse(NO_CHEST);
      if (state.chest.size === 1) return refuse('This is the only chest. Make another one first, then delete this.');
      const drawers = drawersIn(state, id, null).flatMap((drawer) => removeDrawer(state, drawer));
      return planned(`delete chest ${chest.name}`, [...drawers, { of: 'chest', id, before: chest, after: null }]);
    },
  },
};
