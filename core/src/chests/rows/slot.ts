import type { BuildId, LaneId, PluginId, SlotId } from '../../ids.js';
import { oneOf, orNull, rowKind, text } from './row-kind.js';

/** What a slot takes. */
export const SLOT_KINDS = ['midi-effect', 'instrument', 'insert'] as const;
/** One of them. */
export type SlotKind = (typeof SLOT_KINDS)[number];

/** A place in a lane for one plugin; empty when pluginId is null. The build is the one that was loaded. */
export interface Slot {
  readonly id: SlotId;
  readonly laneId: LaneId;
  readonly kind: SlotKind;
  readonly order: string;
  readonly pluginId: PluginId | null;
  readonly buildId: BuildId | null;
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
    buildId: orNull(text),
  },
  refersTo: { laneId: 'lane', pluginId: 'plugin' },
});
