import type { Arrangement } from '../chests/arrangement.js';
import { slotsIn } from '../chests/chains.js';
import { asId, type BuildId, type ItemId, type SlotId } from '../ids.js';
import type { Intent } from '../chests/intent.js';
import { applyEdits } from '../chests/edit.js';
import { planChange } from '../chests/plan-change.js';
import type { SlotKind } from '../chests/rows/slot.js';

/** Something that is to be loaded: with the kind of slot that it goes into, where that is not the first one's. */
export interface ToLoad {
  readonly item: ItemId;
  readonly buildId: BuildId | null;
  readonly slot: SlotKind;
  readonly bypass: boolean;
}

/**
 * The intents that load several items in order, the first into a slot and each other one into the next slot below that is empty, or into a new one directly
 * below the one before. Items for slots of another kind than that go into the first of theirs in the lane. What stands there else stays.
 */
export function planLoad(
  state: Arrangement,
  slotId: SlotId,
  items: readonly ToLoad[],
  newSlotId: () => SlotId,
): Intent[] {
  const intents: Intent[] = [];
  let now = state;
  const take = (intent: Intent): void => {
    const plan = planChange(now, intent, () => 'it');
    if (plan.ok) now = applyEdits(now, plan.change.edits);
    intents.push(intent);
  };
  let last: SlotId | null = null;
  for (const one of items) {
    const target: SlotId | null =
      last === null ? firstFor(now, slotId, one.slot) : nextFor(now, last, one.slot, newSlotId, take);
    if (target === null) continue;
    take({ kind: 'load', slotId: target, pluginId: one.item, buildId: one.buildId });
    if (one.bypass) take({ kind: 'bypass', slotId: target, bypass: true });
    last = target;
  }
  return intents;
}

/** The slot itself, or the first of its lane that is of the kind. */
function firstFor(state: Arrangement, slotId: SlotId, kind: SlotKind): SlotId {
  const slot = state.slot.get(slotId);
  if (slot === undefined || slot.kind === kind) return slotId;
  return slotsIn(state, slot.laneId).find((one) => one.kind === kind)?.id ?? slotId;
}

function nextFor(
  state: Arrangement,
  last: SlotId,
  kind: SlotKind,
  newSlotId: () => SlotId,
  take: (intent: Intent) => void,
): SlotId | null {
  const slot = state.slot.get(last);
  if (slot === undefined) return null;
  const slots = slotsIn(state, slot.laneId);
  const below = slots.slice(slots.findIndex((one) => one.id === last) + 1);
  const own = slot.kind === kind ? below.slice(0, 1) : below.filter((one) => one.kind === kind);
  const [next] = own;
  if (next?.kind === kind && next.pluginId === null) return next.id;
  if (next?.kind === kind && kind === 'instrument') return next.id;
  const id = asId<SlotId>(newSlotId());
  take({ kind: 'add-slot', id, laneId: slot.laneId, slot: kind, before: next?.kind === kind ? next.id : null });
  return id;
}
