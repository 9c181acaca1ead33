import type { Role } from '../catalogue/role.js';
import type { ChestSlot } from '../chests/rows/chest.js';
import type { LaneKind } from '../chests/rows/lane.js';
import type { SlotKind } from '../chests/rows/slot.js';

const FITTING: Readonly<Record<SlotKind, readonly Role[]>> = {
  'midi-effect': ['midi-effect'],
  instrument: ['instrument'],
  // Meters, tuners and the like stand in the sound's way as effects do.
  insert: ['audio-effect', 'tool'],
};

/** Names of the slot kinds as the screen shows them. */
export const SLOT_LABELS: Readonly<Record<SlotKind, string>> = {
  'midi-effect': 'MIDI effect',
  instrument: 'instrument',
  insert: 'insert',
};

/** Whether a plugin of this role may be loaded into a slot of this kind. An unknown role (null) fits nowhere by itself. */
export const fits = (slot: SlotKind, role: Role | null): boolean => role !== null && FITTING[slot].includes(role);

/** The kind of slot that a plugin of a role goes into; one of no known role goes where it was put. */
export const slotFor = (role: Role | null, otherwise: SlotKind): SlotKind =>
  role === null ? otherwise : role === 'instrument' ? 'instrument' : role === 'midi-effect' ? 'midi-effect' : 'insert';

/** What a slot is offered: the plugins that fit, and apart from them those whose role is not known. Both keep their order. */
export function offerFor<P extends { readonly role: Role | null }>(
  slot: SlotKind,
  plugins: readonly P[],
): { fitting: P[]; roleUnknown: P[] } {
  return {
    fitting: plugins.filter((plugin) => fits(slot, plugin.role)),
    roleUnknown: plugins.filter((plugin) => plugin.role === null),
  };
}

/** What a chest calls a slot of this kind in a lane of that kind. */
export function chestSlotOf(slot: SlotKind, lane: LaneKind): ChestSlot {
  if (slot !== 'insert') return slot;
  return lane === 'bus' || lane === 'master' ? lane : 'insert';
}

const EFFECTS = FITTING.insert;
const CHEST_ROLES: Readonly<Record<ChestSlot, readonly Role[]>> = {
  instrument: FITTING.instrument,
  'midi-effect': FITTING['midi-effect'],
  insert: EFFECTS,
  bus: EFFECTS,
  master: EFFECTS,
  clip: EFFECTS,
};

/** Whether a plugin of this role belongs in a chest that is meant for these slots; null is meant for all of them. One of no known role belongs only there. */
export const belongsIn = (slots: readonly ChestSlot[] | null, role: Role | null): boolean =>
  slots === null || (role !== null && slots.some((slot) => CHEST_ROLES[slot].includes(role)));

/** Chests that are offered in a slot: those meant for it, then those for all; all of them, where none would be left. */
export function chestsFor<C extends { readonly slots: readonly ChestSlot[] | null }>(
  chests: readonly C[],
  slot: ChestSlot,
): readonly C[] {
  const meant = chests.filter(({ slots }) => slots !== null && slots.includes(slot));
  const offered = [...meant, ...chests.filter(({ slots }) => slots === null)];
  return offered.length > 0 ? offered : chests;
}
