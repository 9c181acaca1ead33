/** What is dragged in Load: the content of a slot, or an item out of a drawer. */
import type { DragEvent } from 'react';
import { asId, type ItemId, type SlotId } from '@clever-drawer/core/ids';

const SLOT_TYPE = 'application/x-clever-drawer-slot';
const ITEM_TYPE = 'application/x-clever-drawer-item';

/** What came down on a slot: what is in another one, or an item; null for what is not ours. */
export type Carried = { readonly slot: SlotId } | { readonly item: ItemId };

/** Begins the drag of an item. */
export function carry(event: DragEvent, item: ItemId): void {
  event.dataTransfer.setData(ITEM_TYPE, item);
  event.dataTransfer.effectAllowed = 'copy';
}

/** Begins the drag of what is in a slot. */
export function carrySlot(event: DragEvent, slot: SlotId): void {
  event.dataTransfer.setData(SLOT_TYPE, slot);
  event.dataTransfer.effectAllowed = 'copyMove';
}

/** Whether what is dragged over can come down; what it is, is told only when it does. */
export const isCarried = ({ dataTransfer: { types } }: DragEvent): boolean =>
  types.includes(SLOT_TYPE) || types.includes(ITEM_TYPE);

/** See Carried. */
export function carriedBy({ dataTransfer }: DragEvent): Carried | null {
  const slot = dataTransfer.getData(SLOT_TYPE);
  if (slot !== '') return { slot: asId<SlotId>(slot) };
  const item = dataTransfer.getData(ITEM_TYPE);
  return item === '' ? null : { item: asId<ItemId>(item) };
}
