import type { PluginId } from '../ids.js';
import { asId } from '../ids.js';
import type { SlotId } from '../ids.js';
import type { Arrangement, LaneKind, Slot, SlotKind } from './arrangement.js';
import type { Edit } from './edit.js';
import type { Wish } from './intent.js';
import { keysBefore } from './order-keys.js';
import type { NameOf, Plan } from './plan.js';

const NO_SLOT = 'This slot is not there any more. Reload the page to see the session as it is now.';

/** The kinds of slots of a lane, in order: an instrument track has one for a MIDI effect and one for its instrument before the inserts. */
export const slotKindsOf = (kind: LaneKind, inserts: number): SlotKind[] => [
  ...(kind === 'instrument' ? (['midi-effect', 'instrument'] as const) : []),
  ...Array.from({ length: inserts }, () => 'insert' as const),
];

/** Puts a plugin's build into a slot, in the place of what was there. */
export function planLoad(state: Arrangement, intent: Wish<'load'>, nameOf: NameOf): Plan {
  const before = state.slot.get(intent.slotId);
  if (before === undefined) return { ok: false, refusal: NO_SLOT };
  const name = nameOf(intent.pluginId);
  if (name === undefined)
    return { ok: false, refusal: 'This plugin is not in the catalogue. Scan its folder in Intake.' };
  const after: Slot = { ...before, pluginId: intent.pluginId, buildId: intent.buildId };
  return one(`load ${name} into ${laneName(state, before)}`, { of: 'slot', id: before.id, before, after });
}

/** Empties a slot. */
export function planClearSlot(state: Arrangement, intent: Wish<'clear-slot'>, nameOf: NameOf): Plan {
  const before = state.slot.get(intent.slotId);
  if (before === undefined) return { ok: false, refusal: NO_SLOT };
  if (before.pluginId === null) return { ok: false, refusal: 'This slot is empty already.' };
  const after: Slot = { ...before, pluginId: null, buildId: null };
  const label = `clear ${nameOrPlugin(before.pluginId, nameOf)} from ${laneName(state, before)}`;
  return one(label, { of: 'slot', id: before.id, before, after });
}

/** Lays out a practice session with its lanes and empty slots. */
export function planSession(state: Arrangement, intent: Wish<'make-session'>): Plan {
  const { id, name, lanes } = intent;
  if (state.session.has(id)) return { ok: false, refusal: 'This session has been made already.' };
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
      const slot: Slot = { id: slotId, laneId: lane.id, kind, order: orders[at] ?? '', pluginId: null, buildId: null };
      edits.push({ of: 'slot', id: slotId, before: null, after: slot });
    });
  });
  return { ok: true, change: { label: `new session ${name}`, edits } };
}

const one = (label: string, edit: Edit): Plan => ({ ok: true, change: { label, edits: [edit] } });
const nameOrPlugin = (id: PluginId, nameOf: NameOf): string => nameOf(id) ?? 'a plugin';
const laneName = (state: Arrangement, slot: Slot): string => state.lane.get(slot.laneId)?.name ?? 'the session';
