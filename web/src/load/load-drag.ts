/** What is dragged in Load, where it would go, and what letting go there would do. */
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemIn, slotsIn } from '@clever-drawer/core/chests/chains';
import type { Lane } from '@clever-drawer/core/chests/rows/lane';
import type { Slot, SlotKind } from '@clever-drawer/core/chests/rows/slot';
import type { BuildId, ItemId, LaneId, SlotId } from '@clever-drawer/core/ids';
import { SLOT_LABELS, slotFor } from '@clever-drawer/core/menu/slot-menu';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { whyOutside } from '../chooser/use-offer';

/** An item out of a drawer, or the content of a slot. */
export type LoadDragged = (
  | {
      readonly item: ItemId;
      /** The very build; null: the usual one. */
      readonly buildId: BuildId | null;
    }
  | { readonly slotId: SlotId }
) & { readonly name: string };

/** A slot; or a lane as a whole, by its head or its “+ slot”. */
export type LoadTarget = { readonly slotId: SlotId } | { readonly laneId: LaneId };

/** What letting go would do, in words, and whether anything. */
export interface LoadDropEffect {
  readonly fits: boolean;
  /** What stands beside the pointer behind the name of what is dragged. */
  readonly words: string;
  /** Why it is refused, as a sentence; null where nothing is to be told. */
  readonly refusal: string | null;
  /** Where it goes: a slot, or a new one of a kind in the lane; null for nowhere. */
  readonly to: Slot | { readonly lane: Lane; readonly kind: SlotKind } | null;
}

const nowhere = (words: string, refusal: string | null = null): LoadDropEffect => ({
  fits: false,
  words: words === '' ? '' : `– ${words}`,
  refusal,
  to: null,
});

/** What letting go over a target would do; `catalogue` tells what is dragged, `state` where it lies. */
export function loadDropEffect(
  dragged: LoadDragged,
  target: LoadTarget | null,
  state: Arrangement,
  catalogue: ChosenCatalogue,
): LoadDropEffect {
  if (target === null) return nowhere('drop it on a slot or a lane');
  const from = 'slotId' in dragged ? state.slot.get(dragged.slotId) : undefined;
  const id = 'item' in dragged ? dragged.item : from === undefined ? null : itemIn(from);
  const item = id === null ? undefined : catalogue.byId.get(id);
  const lane = 'laneId' in target ? state.lane.get(target.laneId) : undefined;
  if (lane !== undefined) {
    const kind = from?.kind ?? slotFor(item?.role ?? null, 'insert');
    if (kind !== 'insert' && lane.kind !== 'instrument')
      return nowhere(
        `${lane.name} has no slot for: ${SLOT_LABELS[kind]}`,
        `${lane.name} has no slot for ${dragged.name}, which goes into: ${SLOT_LABELS[kind]}.`,
      );
    const why = item === undefined || from !== undefined ? null : whyOutside(item, kind);
    if (why !== null) return nowhere(why, `${dragged.name} is not loaded: ${why}.`);
    const free = slotsIn(state, lane.id).find((slot) => slot.kind === kind && itemIn(slot) === null);
    if (free === undefined && kind === 'instrument')
      return nowhere(
        `${lane.name} has an instrument; drop it there to replace it`,
        `${lane.name} has an instrument already. Drop ${dragged.name} on it to replace it.`,
      );
    return { fits: true, words: `→ ${lane.name}`, refusal: null, to: free ?? { lane, kind } };
  }
  const slot = 'slotId' in target ? state.slot.get(target.slotId) : undefined;
  if (slot === undefined) return nowhere('');
  if (from?.id === slot.id) return nowhere('it is in this slot');
  const why = from !== undefined ? (from.kind === slot.kind ? null : 'another kind of slot') : whyItem(item, slot.kind);
  const isFor = `this slot is for: ${SLOT_LABELS[slot.kind]}`;
  if (why !== null) return nowhere(`${why}; ${isFor}`, `${dragged.name} can’t go there (${why}): ${isFor}.`);
  return { fits: true, words: `→ ${placeInWords(state, slot)}`, refusal: null, to: slot };
}

const whyItem = (item: ChosenItem | undefined, kind: SlotKind): string | null =>
  item === undefined ? 'not in the catalogue' : whyOutside(item, kind);

/** "Narrator, slot 3". */
function placeInWords(state: Arrangement, slot: Slot): string {
  const at = slotsIn(state, slot.laneId).findIndex((one) => one.id === slot.id);
  return `${state.lane.get(slot.laneId)?.name ?? ''}, slot ${String(at + 1)}`;
}
