import { asId, type LaneId, type SlotId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { slotsIn } from './chains.js';
import type { Edit } from './edit.js';
import type { NewLane } from './intent.js';
import { keysBefore } from './order-keys.js';
import type { Planners } from './plan.js';
import { UNCHANGED, nothing, planned, refuse } from './plan.js';
import { BARE, EMPTY } from './plan-slots.js';
import { group } from './row-groups.js';
import type { Lane, LaneKind } from './rows/lane.js';
import type { Slot, SlotKind } from './rows/slot.js';

const NO_LANE = 'This lane is not there any more. Reload the page to see the session as it is now.';
/** So many lanes a session has at most. */
export const MAX_LANES = 64;

/** The kinds of slots of a lane, in order: an instrument track has one for a MIDI effect and one for its instrument before the inserts. */
export const slotKindsOf = (kind: LaneKind, inserts: number): SlotKind[] => [
  ...(kind === 'instrument' ? (['midi-effect', 'instrument'] as const) : []),
  ...Array.from({ length: inserts }, () => 'insert' as const),
];

/** The id of the instrument slot of a new instrument lane. */
export const instrumentSlotOf = (lane: LaneId): SlotId =>
  asId<SlotId>(`${lane}/${String(slotKindsOf('instrument', 0).indexOf('instrument') + 1)}`);

/** The edits that make a lane with its empty slots. */
export function createLaneEdits(wish: NewLane, sessionId: Lane['sessionId'], order: string): Edit[] {
  const { id, kind, name, width = null, inserts } = wish;
  const kinds = slotKindsOf(kind, inserts);
  const orders = keysBefore([], null, kinds.length);
  return [
    { of: 'lane', id, before: null, after: { id, sessionId, kind, name, order, width } },
    ...kinds.map((slotKind, at): Edit => {
      const slotId = asId<SlotId>(`${id}/${String(at + 1)}`);
      const slot: Slot = { id: slotId, laneId: id, kind: slotKind, order: orders[at] ?? '', ...BARE };
      return { of: 'slot', id: slotId, before: null, after: slot };
    }),
  ];
}

/** The edits that copy a lane; the ids of its slots are made of its own. `filled`: with what is in them. */
export function copyLane(
  state: Arrangement,
  lane: Lane,
  to: Pick<Lane, 'id' | 'sessionId' | 'order' | 'name'>,
  filled: boolean,
): Edit[] {
  return [
    { of: 'lane', id: to.id, before: null, after: { ...lane, ...to } },
    ...slotsIn(state, lane.id).map((slot, at): Edit => {
      const id = asId<SlotId>(`${to.id}/${String(at + 1)}`);
      return { of: 'slot', id, before: null, after: { ...slot, ...(filled ? {} : EMPTY), id, laneId: to.id } };
    }),
  ];
}

/** The edits that take a lane away with its slots, so that the inverse makes the lane first. */
export const removeLane = (state: Arrangement, lane: Lane): Edit[] => [
  ...slotsIn(state, lane.id).map((slot): Edit => ({ of: 'slot', id: slot.id, before: slot, after: null })),
  { of: 'lane', id: lane.id, before: lane, after: null },
];

const lanesOf = (state: Arrangement, session: Lane['sessionId']): readonly Lane[] => group(state, 'lanesOf', session);

/** Lanes: added, named, moved, copied, deleted. */
export const LANE_PLANNERS: Planners<'add-lane' | 'change-lane' | 'move-lane' | 'copy-lane' | 'delete-lane'> = {
  'add-lane': {
    names: nothing,
    plan: (state, { sessionId, lane }) => {
      if (!state.session.has(sessionId)) return refuse('This session is not there any more. Reload the page.');
      if (state.lane.has(lane.id)) return refuse('This lane has been added already.');
      const lanes = lanesOf(state, sessionId);
      if (lanes.length >= MAX_LANES) return refuse(`A session has ${String(MAX_LANES)} lanes at most.`);
      // Buses and the master stay at the end.
      const rank = (kind: LaneKind): number => (kind === 'master' ? 2 : kind === 'bus' ? 1 : 0);
      const neighbour = lanes.find((one) => rank(one.kind) > rank(lane.kind))?.id ?? null;
      const [order = ''] = keysBefore(lanes, neighbour, 1);
      return planned(`add the lane ${lane.name}`, createLaneEdits(lane, sessionId, order));
    },
  },

  'change-lane': {
    names: nothing,
    plan: (state, { id, name, width }) => {
      const before = state.lane.get(id);
      if (before === undefined) return refuse(NO_LANE);
      if (before.name === name && (before.width ?? null) === width) return refuse(UNCHANGED);
      const words = before.name === name ? `make ${name} ${width ?? 'stereo'}` : `rename ${before.name} to ${name}`;
      return planned(words, [{ of: 'lane', id, before, after: { ...before, name, width } }]);
    },
  },

  'move-lane': {
    names: nothing,
    plan: (state, { id, before: neighbour }) => {
      const before = state.lane.get(id);
      if (before === undefined) return refuse(NO_LANE);
      const others = lanesOf(state, before.sessionId).filter((one) => one.id !== id);
      const [order = ''] = keysBefore(others, neighbour, 1);
      return planned(`move ${before.name}`, [{ of: 'lane', id, before, after: { ...before, order } }]);
    },
  },

  'copy-lane': {
    names: nothing,
    plan: (state, { id, newId }) => {
      const lane = state.lane.get(id);
      if (lane === undefined) return refuse(NO_LANE);
      if (state.lane.has(newId)) return refuse('This lane has been copied already.');
      const lanes = lanesOf(state, lane.sessionId);
      if (lanes.length >= MAX_LANES) return refuse(`A session has ${String(MAX_LANES)} lanes at most.`);
      const next = lanes[lanes.findIndex((one) => one.id === id) + 1]?.id ?? null;
      const [order = ''] = keysBefore(lanes, next, 1);
      const to = { id: newId, sessionId: lane.sessionId, order, name: freeName(lane.name, lanes) };
      return planned(`copy ${lane.name}`, copyLane(state, lane, to, true));
    },
  },

  'delete-lane': {
    names: nothing,
    plan: (state, { id }) => {
      const lane = state.lane.get(id);
      return lane === undefined ? refuse(NO_LANE) : planned(`delete ${lane.name}`, removeLane(state, lane));
    },
  },
};

const LONGEST = 112;
/** "Goose 2" beside "Goose". */
function freeName(name: string, lanes: readonly { readonly name: string }[]): string {
  const [, stem = name] = /^(.*?)(?: \d+)?$/s.exec(name) ?? [];
  const taken = new Set(lanes.map((one) => one.name));
  let number = 2;
  while (taken.has(`${stem.slice(0, LONGEST)} ${String(number)}`)) number++;
  return `${stem.slice(0, LONGEST)} ${String(number)}`;
}

/** The id of the nth lane of a copied session. */
export const copiedLaneId = (session: string, at: number): LaneId => asId<LaneId>(`${session}.${String(at + 1)}`);
