import type { Arrangement } from './arrangement.js';
import { itemIn, slotsIn } from './chains.js';
import type { Edit } from './edit.js';
import { isChain, itemParts } from './item.js';
import { keysBefore } from './order-keys.js';
import type { Planners } from './plan.js';
import { UNCHANGED, referencesPlugin, nothing, planned, refuse } from './plan.js';
import type { Slot } from './rows/slot.js';

const NO_SLOT = 'This slot is not there any more. Reload the page to see the session as it is now.';
/** So many slots a lane has at most. */
export const MAX_SLOTS = 64;

/** A slot with nothing in it. */
export const EMPTY = { pluginId: null, preset: null, buildId: null, bypass: false } as const;
/** A slot that has just been made. */
export const BARE = { ...EMPTY, sidechain: false } as const;

const changed = (before: Slot, after: Slot): Edit => ({ of: 'slot', id: before.id, before, after });
const laneName = (state: Arrangement, slot: Slot): string => state.lane.get(slot.laneId)?.name ?? 'the session';
const inSlot = ({ slotId }: { readonly slotId: string }, state: Arrangement) => {
  const pluginId = state.slot.get(slotId)?.pluginId ?? null;
  return { plugins: pluginId === null ? [] : [pluginId] };
};

/** Slots: loaded, cleared, bypassed, given a sidechain, added, taken away, and what is in them moved and copied. */
export const SLOT_PLANNERS: Planners<
  'load' | 'clear-slot' | 'add-slot' | 'delete-slot' | 'bypass' | 'feed-sidechain' | 'move-slot'
> = {
  load: {
    names: referencesPlugin,
    plan: (state, { slotId, pluginId, buildId }, nameOf) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      const name = nameOf(pluginId);
      if (name === undefined || isChain(pluginId))
        return refuse('This plugin is not in the catalogue. Scan its folder in Intake.');
      const after: Slot = { ...before, ...itemParts(pluginId), buildId, bypass: false };
      return planned(`load ${name} into ${laneName(state, before)}`, [changed(before, after)]);
    },
  },

  'clear-slot': {
    names: inSlot,
    plan: (state, { slotId }, nameOf) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      const item = itemIn(before);
      if (item === null) return refuse('This slot is empty already.');
      return planned(`clear ${nameOf(item) ?? 'a plugin'} from ${laneName(state, before)}`, [
        changed(before, { ...before, ...EMPTY }),
      ]);
    },
  },

  'add-slot': {
    names: nothing,
    plan: (state, { id, laneId, slot: kind, before }) => {
      const lane = state.lane.get(laneId);
      if (lane === undefined) return refuse('This lane is not there any more. Reload the page.');
      if (state.slot.has(id)) return refuse('This slot has been added already.');
      if (kind !== 'insert' && lane.kind !== 'instrument')
        return refuse(`${lane.name} is no instrument track: it has inserts alone.`);
      const slots = slotsIn(state, laneId);
      if (slots.length >= MAX_SLOTS) return refuse(`${lane.name} has ${String(MAX_SLOTS)} slots, which is the most.`);
      const neighbour = before ?? firstAfter(slots, kind);
      const [order = ''] = keysBefore(slots, neighbour, 1);
      return planned(`add a slot to ${lane.name}`, [
        { of: 'slot', id, before: null, after: { id, laneId, kind, order, ...BARE } },
      ]);
    },
  },

  'delete-slot': {
    names: nothing,
    plan: (state, { slotId }) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      return planned(`take a slot out of ${laneName(state, before)}`, [
        { of: 'slot', id: before.id, before, after: null },
      ]);
    },
  },

  bypass: {
    names: inSlot,
    plan: (state, { slotId, bypass }, nameOf) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      const item = itemIn(before);
      if (item === null) return refuse('This slot is empty: there is nothing to bypass.');
      if ((before.bypass ?? false) === bypass) return refuse(UNCHANGED);
      return planned(`${bypass ? 'bypass' : 'no longer bypass'} ${nameOf(item) ?? 'a plugin'}`, [
        changed(before, { ...before, bypass }),
      ]);
    },
  },

  'feed-sidechain': {
    names: nothing,
    plan: (state, { slotId, sidechain }) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      if (before.kind !== 'insert') return refuse('A sidechain is fed to inserts alone.');
      if ((before.sidechain ?? false) === sidechain) return refuse(UNCHANGED);
      return planned(`${sidechain ? 'feed a sidechain to' : 'feed no sidechain to'} ${laneName(state, before)}`, [
        changed(before, { ...before, sidechain }),
      ]);
    },
  },

  'move-slot': {
    names: inSlot,
    plan: (state, { slotId, toId, copy }, nameOf) => {
      const [from, to] = [state.slot.get(slotId), state.slot.get(toId)];
      if (from === undefined || to === undefined) return refuse(NO_SLOT);
      const item = itemIn(from);
      if (item === null) return refuse('This slot is empty: there is nothing to move.');
      if (from.id === to.id) return refuse(UNCHANGED);
      if (from.kind !== to.kind)
        return refuse(`${nameOf(item) ?? 'This plugin'} does not fit there: the two slots are for different things.`);
      const words = `${copy ? 'copy' : 'move'} ${nameOf(item) ?? 'a plugin'} to ${laneName(state, to)}`;
      const taken = changed(to, { ...to, ...contentOf(from) });
      return planned(words, copy ? [taken] : [taken, changed(from, { ...from, ...contentOf(to) })]);
    },
  },
};

const contentOf = ({ pluginId, preset, buildId, bypass = false }: Slot) => ({ pluginId, preset, buildId, bypass });

/** Slots for MIDI effects come first, then the instrument, then inserts. */
function firstAfter(slots: readonly Slot[], kind: Slot['kind']): string | null {
  const rank = (one: Slot['kind']): number => (one === 'midi-effect' ? 0 : one === 'instrument' ? 1 : 2);
  return slots.find((slot) => rank(slot.kind) > rank(kind))?.id ?? null;
}
