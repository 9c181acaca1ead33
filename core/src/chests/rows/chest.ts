import type { ChestId } from '../../ids.js';
import { NAME_LENGTH, orNull, rowKind, someOf, text, textUpTo } from './row-kind.js';

/** Slots that a chest can be meant for: an instrument's, an insert of a track, an insert of a bus or the master. */
export const CHEST_SLOTS = ['instrument', 'insert', 'bus'] as const;
/** One of them. */
export type ChestSlot = (typeof CHEST_SLOTS)[number];

/** One whole arrangement of drawers. */
export interface Chest {
  readonly id: ChestId;
  readonly name: string;
  /** Order key among its siblings, compared as plain text. */
  readonly order: string;
  /** The slots that it is meant for; null for all. */
  readonly slots: readonly ChestSlot[] | null;
}

/** Chests as rows. */
export const CHEST = rowKind<Chest>()({
  table: 'chest',
  scope: 'studio',
  columns: { id: text, name: textUpTo(NAME_LENGTH), order: text, slots: orNull(someOf(CHEST_SLOTS)) },
  upgrades: [{ to: 2, upgrade: (row) => ({ slots: null, ...row }) }],
  documented: ['name', 'slots'],
});
