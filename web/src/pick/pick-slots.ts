import type { ChestSlot } from '@clever-drawer/core/chests/rows/chest';
import type { LaneKind } from '@clever-drawer/core/chests/rows/lane';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';

/** For what the pick window picks, as its address names it. */
export const PICK_SLOTS = ['insert', 'bus', 'master', 'clip', 'instrument', 'midi-effect'] as const;
/** One of them. */
export type PickSlot = (typeof PICK_SLOTS)[number];

/** The places that these are. */
export const PLACES: Readonly<
  Record<PickSlot, { readonly slot: SlotKind; readonly laneKind: LaneKind; readonly purpose?: ChestSlot }>
> = {
  insert: { slot: 'insert', laneKind: 'audio' },
  bus: { slot: 'insert', laneKind: 'bus' },
  master: { slot: 'insert', laneKind: 'master' },
  clip: { slot: 'insert', laneKind: 'audio', purpose: 'clip' },
  instrument: { slot: 'instrument', laneKind: 'instrument' },
  'midi-effect': { slot: 'midi-effect', laneKind: 'instrument' },
};

/** The name of a slot as the other program may say it. */
export const slotNamed = (name: string | null): PickSlot | null => PICK_SLOTS.find((one) => one === name) ?? null;

/** For how many channels the pick window picks: the builds for that, or the usual ones. */
export const PICK_WIDTHS = ['any', 'mono', 'stereo'] as const;
/** One of them. */
export type PickWidth = (typeof PICK_WIDTHS)[number];

/** The width that is meant; any other word means none in particular. */
export const widthNamed = (name: string | null): PickWidth => PICK_WIDTHS.find((one) => one === name) ?? 'any';
