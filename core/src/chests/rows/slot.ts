import type { BuildId, LaneId, PluginId, PresetKey, SlotId } from '../../ids.js';
import { flag, oneOf, orNull, rowKind, text } from './row-kind.js';

/** What a slot takes. */
export const SLOT_KINDS = ['midi-effect', 'instrument', 'insert'] as const;
/** One of them. */
export type SlotKind = (typeof SLOT_KINDS)[number];

/** A place in a lane for one plugin, maybe with a preset; empty when pluginId is null. The build is the one that was loaded. */
export interface Slot {
  readonly id: SlotId;
  readonly laneId: LaneId;
  readonly kind: SlotKind;
  readonly order: string;
  readonly pluginId: PluginId | null;
  readonly preset: PresetKey | null;
  readonly buildId: BuildId | null;
  /** Whether the signal passes by what is in it. */
  readonly bypass?: boolean;
  /** Whether a sidechain is fed here: it belongs to the slot, whatever is in it. */
  readonly sidechain?: boolean;
}

/** Slots as rows. */
export const SLOT = rowKind<Slot>()({
  table: 'slot',
  scope: 'studio',
  columns: {
    id: text,
    laneId: text,
    kind: oneOf(SLOT_KINDS),
    order: text,
    pluginId: orNull(text),
    preset: orNull(text),
    buildId: orNull(text),
    bypass: flag,
    sidechain: flag,
  },
  refersTo: { laneId: 'lane' },
  upgrades: [
    { to: 3, upgrade: (row) => ({ preset: null, ...row }) },
    { to: 5, upgrade: (row) => ({ bypass: false, sidechain: false, ...row }) },
  ],
});
