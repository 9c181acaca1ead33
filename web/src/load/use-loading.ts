import { useState } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemIn, slotsIn } from '@clever-drawer/core/chests/chains';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import type { ItemId, SlotId } from '@clever-drawer/core/ids';
import { spotOf } from '@clever-drawer/core/menu/use';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import type { Changes } from '../arrangement/changes';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import type { ChosenFor } from '../chooser/use-offer';
import type { Taken } from '../chooser/chooser';
import { focusWhenThere } from '../lib/focus';

/** A slot that something is chosen for. */
export interface OpenedSlot {
  readonly slotId: SlotId;
  readonly typed: string;
  /** Counts how often a chooser was opened: each is a new one. */
  readonly turn: number;
}

/** The last load, as it is told below. */
export interface LastLoad {
  readonly name: string;
  /** What reaching it took; null for what was dragged, which is not timed. */
  readonly effort: { readonly seconds: number; readonly keys: number } | null;
}

/** The place that a slot is, for choosing. */
export function placeOf(state: Arrangement, slot: Slot): ChosenFor {
  const others = slotsIn(state, slot.laneId).filter((one) => one.id !== slot.id);
  const present = others.map(itemIn).filter((id) => id !== null);
  return { ...spotOf(state, slot), slot: slot.kind, now: itemIn(slot), sidechain: slot.sidechain === true, present };
}

/** What goes on between slots and chooser: which one is open, and what becomes of what is taken. */
export function useLoading(state: Arrangement, catalogue: ChosenCatalogue, changes: Changes) {
  const [opened, setOpened] = useState<OpenedSlot | null>(null);
  const [last, setLast] = useState<LastLoad | null>(null);
  const open = (slotId: SlotId, typed = ''): void =>
    setOpened((old) => ({ slotId, typed, turn: (old?.turn ?? 0) + 1 }));
  const close = (): void => {
    if (opened === null) return;
    setOpened(null);
    // The keyboard goes on where it was.
    focusWhenThere(`[id="${CSS.escape(opened.slotId)}"]`);
  };
  const load = async (
    slotId: SlotId,
    { items, way, keys, clicks, milliseconds, buildId = null }: Omit<Taken, 'goesOn'>,
  ): Promise<void> => {
    const [first, ...more] = items.map((item): ItemId => item.id);
    if (first === undefined) return;
    const done = await changes.load({ slotId, pluginId: first, buildId, more, way, milliseconds, keys, clicks });
    tellMissing(items);
    const name = items.map((item) => item.name).join(', ');
    if (done) setLast({ name, effort: way === 'drag' ? null : { seconds: milliseconds / 1000, keys } });
  };
  /** Of a chain the rest is loaded; for what is not here something of the same type is proposed. */
  const tellMissing = (items: readonly ChosenItem[]): void => {
    const missing = items
      .flatMap((item) => item.chain ?? [])
      .flatMap((id) => {
        const part = catalogue.byId.get(id) ?? catalogue.byId.get(pluginOfItem(id));
        return part?.found === true ? [] : [part];
      });
    if (missing.length === 0) return;
    const words = missing.map((part) => {
      const like = catalogue.plugins
        .filter(
          (one) => one.found && one.aside === null && one.types[0] !== undefined && one.types[0] === part?.types[0],
        )
        .sort((a, b) => b.loads - a.loads)[0];
      return `${part?.name ?? 'A plugin'} is not on this computer${like === undefined ? '' : `; ${like.name} is of the same type`}.`;
    });
    toast.warning(`The rest of the chain is loaded. ${words.join(' ')}`, { duration: 12_000 });
  };
  const take = (taken: Taken): void => {
    if (opened === null) return;
    const { slotId } = opened;
    if (!taken.goesOn) {
      close();
      void load(slotId, taken);
      return;
    }
    const slot = state.slot.get(slotId);
    const slots = slot === undefined ? [] : slotsIn(state, slot.laneId);
    const filled = taken.items.reduce((sum, item) => sum + (item.chain?.length ?? 1), 0);
    const next = slots[slots.findIndex((one) => one.id === slotId) + filled];
    void load(slotId, taken);
    if (next !== undefined) open(next.id);
    else {
      close();
      toast('That was the lane’s last slot. Press + on a slot to add one below it.');
    }
  };
  return { opened, last, open, close, take, load };
}
