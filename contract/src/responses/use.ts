/** What is answered about use: what was loaded where, and what was handed over. */
import { LANE_KINDS } from '@clever-drawer/core/chests/rows/lane';
import { SLOT_KINDS } from '@clever-drawer/core/chests/rows/slot';
import type { ItemId, PluginId } from '@clever-drawer/core/ids';
import { LOAD_WAYS } from '@clever-drawer/core/menu/use';
import { count, flag, idOf, listOf, moment, one, thing, words, type Answer } from '../schema.js';

/** One load. What is not known of its place is null. */
export const useView = thing('Use', {
  item: idOf<ItemId>(),
  at: moment(),
  slot: one(SLOT_KINDS).nullable(),
  laneKind: one(LANE_KINDS).nullable(),
  lane: words().nullable(),
  session: words().nullable(),
  before: idOf<ItemId>().nullable(),
  way: one(LOAD_WAYS),
});
/** See useView. */
export type UseView = Answer<typeof useView>;

/** The last loads, newest first. `total` were counted on this computer; `kept`: whether loads are counted now; `since`: when the first was. */
export const usesView = thing('Uses', {
  kept: flag(),
  total: count(),
  since: moment().nullable(),
  uses: listOf(useView),
});
/** See usesView. */
export type UsesView = Answer<typeof usesView>;

/** How often each plugin that was ever loaded was, when last, and by which ways. */
export const loadedView = thing('Loaded', {
  plugins: listOf(
    thing(null, { pluginId: idOf<PluginId>(), loads: count(), lastLoad: moment(), ways: listOf(one(LOAD_WAYS)) }),
  ),
});
/** See loadedView. */
export type LoadCountsResponse = Answer<typeof loadedView>;

/** What was handed over: the exact name, for the clipboard, the file of the build or preset, and whether it was sent. */
export const picked = thing('Picked', {
  name: words(),
  path: words().nullable(),
  identifier: words().nullable(),
  sent: flag(),
});
/** See picked. */
export type Picked = Answer<typeof picked>;

/** Where picks are sent; null for nowhere. */
export const handOver = thing('HandOver', { host: words().nullable(), port: count().nullable() });
/** See handOver. */
export type HandOver = Answer<typeof handOver>;

/** What is selected in the other program; null where it does not say. */
export const selected = thing('Selected', { lane: words().nullable(), slot: words().nullable() });

/** How many loads were erased. */
export const erased = thing('Erased', { loads: count() });

/** What was open last in the menus of the studio; a menu in which nothing is open is absent. */
export const lastOpen = thing('LastOpen', { open: listOf(thing(null, { menu: words(), id: words() })) });
