import type { ItemId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Divider } from './rows/divider.js';
import type { Drawer } from './rows/drawer.js';
import type { Entry } from './rows/entry.js';
import { entryId } from './rows/entry.js';
import { neverInId } from './rows/never-in.js';
import type { Edit } from './edit.js';
import { itemParts } from './item.js';
import { byOrder, dividersIn, entriesIn } from './look-up.js';
import { keysBefore } from './order-keys.js';
import type { NameOf } from './plan.js';

/** Entries and dividers of a drawer as they stand one after the other. */
export const linesIn = (state: Arrangement, drawer: Pick<Drawer, 'id'>): (Entry | Divider)[] =>
  [...entriesIn(state, drawer.id), ...dividersIn(state, drawer.id)].sort(byOrder);

/** Edits for the plugins and presets that do not stand in the drawer yet; unknown ones and doubles are passed over. */
export function fileInto(state: Arrangement, drawer: Drawer, items: readonly ItemId[], nameOf: NameOf): Edit[] {
  // Ids are made once: of 50,000 things at a time each pass counts.
  const fresh: { readonly item: ItemId; readonly id: string }[] = [];
  for (const item of new Set(items)) {
    if (nameOf(item) === undefined) continue;
    const id = entryId(drawer.id, item);
    if (!state.entry.has(id)) fresh.push({ item, id });
  }
  const orders = keysBefore(linesIn(state, drawer), null, fresh.length);
  const edits: Edit[] = [];
  for (const [at, { item, id }] of fresh.entries()) {
    const { pluginId, preset } = itemParts(item);
    const after: Entry = {
      id,
      drawerId: drawer.id,
      pluginId,
      preset,
      order: orders[at] ?? '',
      name: null,
      build: null,
    };
    edits.push({ of: 'entry', id, before: null, after }, ...endNever(state, drawer, item));
  }
  return edits;
}

/** Put in by hand, it is no exception any more that keeps it out. */
export function endNever(state: Arrangement, drawer: Pick<Drawer, 'id'>, item: ItemId): Edit[] {
  if (state.neverIn.size === 0) return [];
  const never = state.neverIn.get(neverInId(drawer.id, item));
  return never === undefined ? [] : [{ of: 'neverIn', id: never.id, before: never, after: null }];
}
