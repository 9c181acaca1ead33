import type { ChestId } from '../../ids.js';
import { LEVEL_SORTS, type LevelSort } from '../level-sort.js';
import { flag, MAX_NAME_LENGTH, oneOf, orNull, rowKind, someOf, text, textUpTo } from './row-kind.js';

/** Slots that a chest can be meant for; `clip` is the offline processing of a clip. */
export const CHEST_SLOTS = ['instrument', 'midi-effect', 'insert', 'bus', 'master', 'clip'] as const;
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
  /** Whether it is a selection: what is not in it is not waiting to be filed. */
  readonly selection: boolean;
  /** How its drawers are sorted for good; null or absent leaves them in the order given by hand. */
  readonly drawerSort?: LevelSort | null;
  /** The label of the divider in front of it among the chests, maybe empty; null or absent for none. */
  readonly dividerBefore?: string | null;
}

/** Slots as they were stored when a chest for buses was one for the master as well. */
export const withMaster = (slots: readonly ChestSlot[] | null): readonly ChestSlot[] | null =>
  slots?.includes('bus') === true && !slots.includes('master') ? [...slots, 'master'] : slots;

/** Chests as rows. */
export const CHEST = rowKind<Chest>()({
  table: 'chest',
  scope: 'studio',
  columns: {
    id: text,
    name: textUpTo(MAX_NAME_LENGTH),
    order: text,
    slots: orNull(someOf(CHEST_SLOTS)),
    selection: flag,
    drawerSort: orNull(oneOf(LEVEL_SORTS)),
    dividerBefore: orNull(textUpTo(MAX_NAME_LENGTH)),
  },
  upgrades: [
    { to: 2, upgrade: (row) => ({ slots: null, ...row }) },
    {
      to: 7,
      upgrade: (row) => ({
        selection: false,
        drawerSort: null,
        dividerBefore: null,
        ...row,
        slots: withMaster((row.slots ?? null) as Chest['slots']),
      }),
    },
  ],
  documented: ['name', 'slots', 'selection', 'drawerSort', 'dividerBefore'],
});
