/** What Sort was like when it was left, for as long as the page is open: coming back finds it so. What is looked at stands in the address. */
import type { ComputerId, DrawerId, ItemId } from '@clever-drawer/core/ids';
import type { Selected } from '../parts/selection';

/** Selection, scroll and the last filing. Filled while Sort is open. */
export interface DeskMemory {
  selected?: Selected<ItemId>;
  listTop?: number;
  chestTop?: number;
  again?: readonly DrawerId[];
}

const memories = new Map<ComputerId, DeskMemory>();

/** What is remembered of Sort of a computer. */
export function deskMemory(computer: ComputerId): DeskMemory {
  const known = memories.get(computer) ?? {};
  memories.set(computer, known);
  return known;
}
