import { asId } from '../ids.js';
import type { SlotId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { LaneKind } from './rows/lane.js';
import type { Slot, SlotKind } from './rows/slot.js';
import type { Edit } from './edit.js';
import type { Wish } from './intent.js';
import { itemId, itemParts } from './item.js';
import { keysBefore } from './order-keys.js';
import type { Plan, Planners } from './plan.js';
import { itsPlugin, nothing, planned, refuse } from './plan.js';

const NO_SLOT = 'This slot is not there any more. Reload the page to see the session as it is now.';

/** The kinds of slots of a lane, in order: an instrument track has one for a MIDI effect and one for its instrument before the inserts. */
export const slotKindsOf = (kind: LaneKind, inserts: number): SlotKind[] => [
  ...(kind === 'instrument' ? (['midi-effect', 'instrument'] as const) : []),
  ...Array.from({ length: inserts }, () => 'insert' as const),
];

/** Practice sessions: laid out, slots loaded and cleared. */
export const SESSION_PLANNERS: Planners<'load' | 'clear-slot' | 'make-session'> = {
  load: {
    names: itsPlugin,
    plan: (state, { slotId, pluginId, buildId }, nameOf) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      const name = nameOf(pluginId);
      if (name === undefined) return refuse('This plugin is not in the catalogue. Scan its folder in Intake.');
      const after: Slot = { ...before, ...itemParts(pluginId), buildId };
      return planned(`load ${name} into ${laneName(state, before)}`, [{ of: 'slot', id: before.id, before, after }]);
    },
  },

  'clear-slot': {
    names: ({ slotId }, state) => {
      const pluginId = state.slot.get(slotId)?.pluginId ?? null;
      return { plugins: pluginId === null ? [] : [pluginId] };
    },
    plan: (state, { slotId }, nameOf) => {
      const before = state.slot.get(slotId);
      if (before === undefined) return refuse(NO_SLOT);
      if (before.pluginId === null) return refuse('This slot is empty already.');
      const after: Slot = { ...before, pluginId: null, preset: null, buildId: null };
      const item = itemId({ pluginId: before.pluginId, preset: before.preset });
      return planned(`clear ${nameOf(item) ?? 'a plugin'} from ${laneName(state, before)}`, [
        { of: 'slot', id: before.id, before, after },
      ]);
    },
  },

  'make-session': { names: nothing, plan: planSession },
};

function planSession(state: Arrangement, { id, name, lanes }: Wish<'make-session'>): Plan {
  if (state.session.has(id)) return refuse('This session has been made already.');
  const [order = ''] = keysBefore([...state.session.values()], null, 1);
  const laneOrders = keysBefore([], null, lanes.length);
  const edits: Edit[] = [{ of: 'session', id, before: null, after: { id, name, order } }];
  lanes.forEach((lane, index) => {
    const row = { id: lane.id, sessionId: id, kind: lane.kind, name: lane.name, order: laneOrders[index] ?? '' };
    edits.push({ of: 'lane', id: lane.id, before: null, after: row });
    const kinds = slotKindsOf(lane.kind, lane.inserts);
    const orders = keysBefore([], null, kinds.length);
    kinds.forEach((kind, at) => {
      const slotId = asId<SlotId>(`${lane.id}/${String(at + 1)}`);
      const slot: Slot = { id: slotId, laneId: lane.id, kind, order: orders[at] ?? '', ...EMPTY };
      edits.push({ of: 'slot', id: slotId, before: null, after: slot });
    });
  });
  return planned(`new session ${name}`, edits);
}

const EMPTY = { pluginId: null, preset: null, buildId: null };
const laneName = (state: Arrangement, slot: Slot): string => state.lane.get(slot.laneId)?.name ?? 'the session';
