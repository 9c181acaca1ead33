import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import type { Wish } from './intent.js';
import { keysBefore } from './order-keys.js';
import type { Plan, Planners } from './plan.js';
import { UNCHANGED, nothing, planned, refuse } from './plan.js';
import { copiedLaneId, copyLane, createLaneEdits, removeLane } from './plan-lanes.js';
import { group } from './row-groups.js';

export { slotKindsOf } from './plan-lanes.js';

const NO_SESSION = 'This session is not there any more. It was deleted in another window; undo there brings it back.';
/** So many sessions there are at most. */
const MAX_SESSIONS = 500;

/** Practice sessions: laid out, named, ordered, copied, kept as templates, deleted. */
export const SESSION_PLANNERS: Planners<
  'make-session' | 'rename-session' | 'copy-session' | 'mark-template' | 'move-session' | 'delete-session'
> = {
  'make-session': { names: nothing, plan: planSession },

  'rename-session': {
    names: nothing,
    plan: (state, { id, name }) => {
      const before = state.session.get(id);
      if (before === undefined) return refuse(NO_SESSION);
      if (before.name === name) return refuse(UNCHANGED);
      return planned(`rename ${before.name} to ${name}`, [{ of: 'session', id, before, after: { ...before, name } }]);
    },
  },

  'copy-session': {
    names: nothing,
    plan: (state, { id, newId, name, filled }) => {
      const session = state.session.get(id);
      if (session === undefined) return refuse(NO_SESSION);
      const refusal = cantAdd(state, newId);
      if (refusal !== null) return refuse(refusal);
      const [order = ''] = keysBefore([...state.session.values()], null, 1);
      const lanes = group(state, 'lanesOf', id);
      return planned(filled ? `copy ${session.name}` : `new session ${name}`, [
        { of: 'session', id: newId, before: null, after: { id: newId, name, order, template: false } },
        ...lanes.flatMap((lane, at) =>
          copyLane(
            state,
            lane,
            { id: copiedLaneId(newId, at), sessionId: newId, order: lane.order, name: lane.name },
            filled,
          ),
        ),
      ]);
    },
  },

  'mark-template': {
    names: nothing,
    plan: (state, { id, template }) => {
      const before = state.session.get(id);
      if (before === undefined) return refuse(NO_SESSION);
      if ((before.template ?? false) === template) return refuse(UNCHANGED);
      const words = template ? `keep ${before.name} as a template` : `stop using ${before.name} as a template`;
      return planned(words, [{ of: 'session', id, before, after: { ...before, template } }]);
    },
  },

  'move-session': {
    names: nothing,
    plan: (state, { id, before: neighbour }) => {
      const before = state.session.get(id);
      if (before === undefined) return refuse(NO_SESSION);
      const others = [...state.session.values()].filter((one) => one.id !== id);
      const [order = ''] = keysBefore(others, neighbour, 1);
      return planned(`move ${before.name}`, [{ of: 'session', id, before, after: { ...before, order } }]);
    },
  },

  'delete-session': {
    names: nothing,
    plan: (state, { id }) => {
      const before = state.session.get(id);
      if (before === undefined) return refuse(NO_SESSION);
      return planned(`delete ${before.name}`, [
        ...group(state, 'lanesOf', id).flatMap((lane) => removeLane(state, lane)),
        { of: 'session', id, before, after: null },
      ]);
    },
  },
};

function cantAdd(state: Arrangement, id: string): string | null {
  if (state.session.has(id)) return 'This session has been made already.';
  return state.session.size >= MAX_SESSIONS ? `There are ${String(MAX_SESSIONS)} sessions, which is the most.` : null;
}

function planSession(state: Arrangement, { id, name, lanes }: Wish<'make-session'>): Plan {
  const refusal = cantAdd(state, id);
  if (refusal !== null) return refuse(refusal);
  const [order = ''] = keysBefore([...state.session.values()], null, 1);
  const laneOrders = keysBefore([], null, lanes.length);
  const edits: Edit[] = [{ of: 'session', id, before: null, after: { id, name, order, template: false } }];
  lanes.forEach((lane, index) => edits.push(...createLaneEdits(lane, id, laneOrders[index] ?? '')));
  return planned(`new session ${name}`, edits);
}
