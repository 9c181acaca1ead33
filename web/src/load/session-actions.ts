import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { instrumentSlotOf } from '@clever-drawer/core/chests/plan-lanes';
import { chainIdOf, itemIn, slotsIn } from '@clever-drawer/core/chests/chains';
import { byOrder } from '@clever-drawer/core/chests/look-up';
import { group } from '@clever-drawer/core/chests/row-groups';
import type { Session } from '@clever-drawer/core/chests/rows/session';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import { asId, type BuildId, type ItemId, type LaneId, type SessionId, type SlotId } from '@clever-drawer/core/ids';
import { recentOf } from '@clever-drawer/core/menu/use';
import { slotFor } from '@clever-drawer/core/menu/slot-menu';
import type { Changes } from '../arrangement/changes';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import type { KnownUse } from '../catalogue/uses';
import { whyOutside } from '../chooser/use-offer';
import type { Taken } from '../chooser/chooser';
import { keyLabels } from '../keys/strokes-of';
import { focusWhenThere } from '../lib/focus';
import type { MenuAct } from '../parts/menu-act';
import type { LaneActions } from './lane-menu';
import type { SessionActions } from './session-head';
import type { SlotActions } from './slot-button';

interface Needs {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
  readonly uses: readonly KnownUse[];
  readonly load: (slotId: SlotId, taken: Omit<Taken, 'goesOn'>) => Promise<void>;
  /** Opens the chooser on a slot. */
  readonly open: (slotId: SlotId, typed?: string) => void;
  /** What can be done with an item away from Sort. */
  readonly itemActs: (id: ItemId) => readonly MenuAct[];
}

const newId = (): string => crypto.randomUUID();
const focusSlot = (id: string): void => focusWhenThere(`[id="${CSS.escape(id)}"]`);
const DIRECT = { keys: 1, clicks: 0, milliseconds: 0 };
/** Also the effort of a click on what is usual in a lane. */
const DRAGGED = { keys: 0, clicks: 1, milliseconds: 0 };

/** What can be done with slots. */
export function slotActions(
  { state, catalogue, changes, uses, load, open, itemActs }: Needs,
  remembered: SlotId | null,
  remember: (slot: SlotId) => void,
): SlotActions {
  const fitting = (slot: Slot): ChosenItem | undefined =>
    recentOf(uses)
      .map((id) => catalogue.byId.get(id))
      .find((item) => item !== undefined && whyOutside(item, slot.kind) === null);
  return {
    open: (slot, typed) => open(slot.id, typed),
    clear: (slot) => void changes.make({ kind: 'clear-slot', slotId: slot.id }),
    again: (slot) => {
      const item = fitting(slot);
      if (item === undefined) toast('No plugin that fits this slot has been loaded yet.');
      else void load(slot.id, { items: [item], way: 'recent', ...DIRECT });
    },
    bypass: (slot) => void changes.make({ kind: 'bypass', slotId: slot.id, bypass: slot.bypass !== true }),
    feed: (slot) => void changes.make({ kind: 'feed-sidechain', slotId: slot.id, sidechain: slot.sidechain !== true }),
    shift: (slot, by) => {
      const slots = slotsIn(state, slot.laneId);
      const next = slots[slots.findIndex((one) => one.id === slot.id) + by];
      if (next === undefined) return;
      void changes.make({ kind: 'move-slot', slotId: slot.id, toId: next.id, copy: false });
      // Where it is refused, the keyboard stays with what did not move.
      if (next.kind === slot.kind) focusSlot(next.id);
    },
    loadHere: (id, to, buildId) => {
      const item = catalogue.byId.get(id);
      if (item !== undefined) void load(to.id, { items: [item], way: 'drag', ...DRAGGED, buildId });
    },
    put: (from, to, copy) => void changes.make({ kind: 'move-slot', slotId: from, toId: to.id, copy }),
    more: (slot) => {
      const item = itemIn(slot);
      return item === null ? [] : itemActs(item);
    },
    remembered: remembered !== null && state.slot.has(remembered) ? remembered : null,
    remember: (slot) => {
      remember(slot.id);
      const item = itemIn(slot);
      const name = item === null ? undefined : catalogue.byId.get(item)?.name;
      toast(`${name ?? 'It'} is copied: ${keyLabels('slots', 'put')[0] ?? ''} pastes it into another slot.`);
    },
    add: (slot) => {
      const slots = slotsIn(state, slot.laneId);
      const id = asId<SlotId>(newId());
      const kind = slot.kind === 'midi-effect' ? 'midi-effect' : 'insert';
      const below = slots.slice(slots.findIndex((one) => one.id === slot.id) + 1);
      const before = below.find((one) => one.kind === kind)?.id ?? null;
      void changes.make({ kind: 'add-slot', id, laneId: slot.laneId, slot: kind, before });
      focusSlot(id);
    },
    remove: (slot) => {
      const slots = slotsIn(state, slot.laneId);
      const at = slots.findIndex((one) => one.id === slot.id);
      const next = slots[at + 1] ?? slots[at - 1];
      void changes.make({ kind: 'delete-slot', slotId: slot.id });
      if (next !== undefined) focusSlot(next.id);
    },
  };
}

/** What can be done with lanes. */
export function laneActions({ state, catalogue, changes, load }: Needs): LaneActions {
  return {
    rename: (lane, name) => void changes.make({ kind: 'change-lane', id: lane.id, name, width: lane.width ?? null }),
    widen: (lane, width) => void changes.make({ kind: 'change-lane', id: lane.id, name: lane.name, width }),
    shift: (lane, by) => {
      const lanes = group(state, 'lanesOf', lane.sessionId).filter((one) => one.id !== lane.id);
      const at = group(state, 'lanesOf', lane.sessionId).findIndex((one) => one.id === lane.id) + by;
      if (at < 0 || at > lanes.length) return;
      void changes.make({ kind: 'move-lane', id: lane.id, before: lanes[at]?.id ?? null });
    },
    copy: (lane) => void changes.make({ kind: 'copy-lane', id: lane.id, newId: asId<LaneId>(newId()) }),
    remove: (lane) => void changes.make({ kind: 'delete-lane', id: lane.id }),
    addSlot: (lane, before, kind = 'insert') => {
      const id = asId<SlotId>(newId());
      void changes.make({ kind: 'add-slot', id, laneId: lane.id, slot: kind, before });
      focusSlot(id);
    },
    keepChain: (lane, name) => {
      const slotIds = slotsIn(state, lane.id).flatMap((slot) => (itemIn(slot) === null ? [] : [slot.id]));
      void changes.make({ kind: 'keep-chain', id: chainIdOf(newId()), name, slotIds }).then((done) => {
        if (done) toast(`The chain ${name} is kept. It is found by typing, and can be filed like a plugin.`);
      });
    },
    replaceChain: (lane, { id, name }) => {
      const parts = slotsIn(state, lane.id).flatMap((slot) => {
        const item = itemIn(slot);
        return item === null ? [] : [{ item, bypass: slot.bypass === true }];
      });
      void changes.makeWithNotice(`The chain ${name} is replaced.`, { kind: 'arrange-chain', id, parts });
    },
    loadHere: (lane, id) => void loadHere(lane.id, id, 'usual', null),
    dropHere: (lane, id, buildId) => void loadHere(lane.id, id, 'drag', buildId),
    putInNewSlot: (from, lane, kind, copy) => {
      const id = asId<SlotId>(newId());
      void changes.make(
        { kind: 'add-slot', id, laneId: lane.id, slot: kind, before: null },
        { kind: 'move-slot', slotId: from, toId: id, copy },
      );
    },
  };

  async function loadHere(laneId: LaneId, id: ItemId, way: 'usual' | 'drag', buildId: BuildId | null): Promise<void> {
    const item = catalogue.byId.get(id);
    if (item === undefined) return;
    const kind = slotFor(item.role, 'insert');
    const free = slotsIn(state, laneId).find((slot) => slot.kind === kind && itemIn(slot) === null);
    const slotId = free?.id ?? asId<SlotId>(newId());
    if (free === undefined && !(await changes.make({ kind: 'add-slot', id: slotId, laneId, slot: kind, before: null })))
      return;
    await load(slotId, { items: [item], way, ...DRAGGED, buildId });
  }
}

const NEW_LANES = [
  ['instrument', 'Instrument 1', 3],
  ['instrument', 'Instrument 2', 3],
  ['audio', 'Audio 1', 4],
  ['audio', 'Audio 2', 4],
  ['bus', 'Bus', 3],
  ['master', 'Master', 3],
] as const;
const INSERTS = 3;

/** What can be done with sessions; `show` turns to another one. */
export function sessionActions(
  { state, changes, open }: Pick<Needs, 'state' | 'changes' | 'open'>,
  show: (id: SessionId) => void,
): Omit<SessionActions, 'exportAs' | 'bringIn'> {
  const inOrder = (): Session[] => [...state.session.values()].sort(byOrder);
  return {
    show,
    make: (name) => {
      const id = asId<SessionId>(newId());
      const lanes = NEW_LANES.map(([kind, lane, inserts]) => ({
        id: asId<LaneId>(newId()),
        kind,
        name: lane,
        inserts,
      }));
      void changes.make({ kind: 'make-session', id, name, lanes });
      show(id);
    },
    copy: (from, name, filled) => {
      const id = asId<SessionId>(newId());
      void changes.make({ kind: 'copy-session', id: from.id, newId: id, name, filled });
      show(id);
    },
    rename: (session, name) => void changes.make({ kind: 'rename-session', id: session.id, name }),
    markTemplate: (session, template) => void changes.make({ kind: 'mark-template', id: session.id, template }),
    shift: (session, by) => {
      const others = inOrder().filter((one) => one.id !== session.id);
      const at = inOrder().findIndex((one) => one.id === session.id) + by;
      if (at < 0 || at > others.length) return;
      void changes.make({ kind: 'move-session', id: session.id, before: others[at]?.id ?? null });
    },
    remove: (session) =>
      void changes.makeWithNotice(`${session.name} is deleted. Plugins and chains stay.`, {
        kind: 'delete-session',
        id: session.id,
      }),
    addLane: (session, kind, name) => {
      const id = asId<LaneId>(newId());
      const lane = { id, kind, name, inserts: INSERTS };
      void changes.make({ kind: 'add-lane', sessionId: session.id, lane }).then((done) => {
        // A new instrument track is nothing without its instrument.
        if (done && kind === 'instrument') open(instrumentSlotOf(id));
      });
    },
  };
}
