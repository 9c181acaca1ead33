/** Which items the keys act on, by what is selected and what the panel shows. */
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import type { ItemId } from '@clever-drawer/core/ids';

/** Whether there are some, and all of them are the plugin that is shown or presets of it. */
export const areOf = (ids: readonly ItemId[], shown: ItemId): boolean => {
  const plugin = pluginOfItem(shown);
  return ids.length > 0 && ids.every((id) => pluginOfItem(id) === plugin);
};

/** What is selected, unless the panel shows something else. `shown`: null while the panel is closed. */
export const subjectOf = (selected: readonly ItemId[], shown: ItemId | null): readonly ItemId[] =>
  shown === null || areOf(selected, shown) ? selected : [shown];

/** What the panel shows after something was selected: another item in its place; several close it, and nothing leaves it as it is. */
export function shownAfterSelecting(selected: readonly ItemId[], shown: ItemId | null): ItemId | null {
  if (shown === null || selected.length === 0 || areOf(selected, shown)) return shown;
  return selected.length === 1 ? (selected[0] ?? null) : null;
}
