import type { ChestId, DrawerId } from '../../ids.js';
import { withoutOlderLists } from '../../rules/older-lists.js';
import type { Rule } from '../../rules/rule.js';
import { DRAWER_SORTS, type DrawerSort } from '../drawer-sort.js';
import { DRAWER_SPLITS, type DrawerSplit } from '../drawer-split.js';
import { LEVEL_SORTS, type LevelSort } from '../level-sort.js';
import { SIGNS, type Sign } from '../sign.js';
import { flag, MAX_NAME_LENGTH, number, oneOf, orNull, rowKind, rule, text, textUpTo } from './row-kind.js';

/** A folder in a chest; with a rule it is a clever drawer and fills itself besides what was put in by hand. */
export interface Drawer {
  readonly id: DrawerId;
  readonly chestId: ChestId;
  /** The drawer that it is inside of; null in the chest itself. */
  readonly parentId: DrawerId | null;
  readonly name: string;
  /** Order key among its siblings. */
  readonly order: string;
  readonly rule: Rule | null;
  /** How its entries are sorted for good; null leaves them in the order given by hand. */
  readonly sort: DrawerSort | null;
  /** How many its rule takes at most, the first in its order; null or absent for all. What is in it by hand is not counted. */
  readonly most?: number | null;
  /** By what it is split into inner drawers that follow by themselves; null or absent for none. */
  readonly split?: DrawerSplit | null;
  /** A sign besides its name; null or absent for none. */
  readonly sign?: Sign | null;
  /** Whether no menu offers it and its inner drawers, for a while. */
  readonly notInMenus: boolean;
  /** How its inner drawers are sorted for good; null or absent leaves them in the order given by hand. */
  readonly innerSort?: LevelSort | null;
  /** The label of the divider in front of it in its level, maybe empty; null or absent for none. */
  readonly dividerBefore?: string | null;
  /** Whether it holds the loose entries of its chest: what stands in the chest without a drawer. A chest has one at most. */
  readonly loose?: boolean;
}

/** A rule as it is stored, with its meaning before lists after "but not" held as a whole. */
function withoutOlderListsIn(stored: unknown): unknown {
  const text = (stored as Partial<{ text: unknown }> | null)?.text;
  return typeof text === 'string' ? { ...(stored as object), text: withoutOlderLists(text) } : stored;
}

/** Drawers as rows. */
export const DRAWER = rowKind<Drawer>()({
  table: 'drawer',
  scope: 'studio',
  columns: {
    id: text,
    chestId: text,
    parentId: orNull(text),
    name: textUpTo(MAX_NAME_LENGTH),
    order: text,
    rule: orNull(rule),
    sort: orNull(oneOf(DRAWER_SORTS)),
    most: orNull(number),
    split: orNull(oneOf(DRAWER_SPLITS)),
    sign: orNull(oneOf(SIGNS)),
    notInMenus: flag,
    innerSort: orNull(oneOf(LEVEL_SORTS)),
    dividerBefore: orNull(textUpTo(MAX_NAME_LENGTH)),
    loose: flag,
  },
  refersTo: { chestId: 'chest', parentId: 'drawer' },
  indexes: [{ columns: ['chestId'], unique: false }],
  upgrades: [
    { to: 2, upgrade: (row) => ({ sort: null, ...row }) },
    { to: 4, upgrade: (row) => ({ most: null, ...row }) },
    { to: 5, upgrade: (row) => ({ split: null, ...row }) },
    { to: 6, upgrade: (row) => ({ ...row, rule: withoutOlderListsIn(row.rule) }) },
    { to: 7, upgrade: (row) => ({ sign: null, notInMenus: false, innerSort: null, dividerBefore: null, ...row }) },
    { to: 8, upgrade: (row) => ({ loose: false, ...row }) },
  ],
  documented: ['name', 'rule', 'sort', 'most', 'split', 'sign', 'notInMenus', 'innerSort', 'dividerBefore', 'loose'],
});
