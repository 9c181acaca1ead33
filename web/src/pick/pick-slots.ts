import type { LaneKind } from '@clever-drawer/core/chests/rows/lane';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';

/** For what the pick window picks, as its address names it. */
export const PICK_SLOTS = ['insert', 'bus', 'instrument', 'midi-effect'] as const;
/** One of them. */
export type PickSlot = (typeof PICK_SLOTS)[number];

/** The places that these are. */
export const PLACES: Readonly<Record<PickSlot, { readonly slot: SlotKind; readonly laneKind: LaneKind }>> = {
  insert: { slot: 'insert', laneKind: 'audio' },
  bus: { slot: 'insert', laneKind: 'bus' },
  instrument: { slot: 'instrument', laneKind: 'instrument' },
  'midi-effect': { slot: 'midi-effect', laneKind: 'instrument' },
};

/** The name of a slot as the other program may say it. */
export const slotNamed = (name: string | null): PickSlot | null => PICK_SLOTS.find((one) => one === name) ?? null;
