/** What may be done to sessions, lanes, slots and chains, as it is sent. */
import { array, boolean, number, object, string } from 'yup';
import { MAX_PARTS } from '@clever-drawer/core/chests/plan-chains';
import { MAX_LANES } from '@clever-drawer/core/chests/plan-lanes';
import { LANE_KINDS, LANE_WIDTHS } from '@clever-drawer/core/chests/rows/lane';
import { SLOT_KINDS } from '@clever-drawer/core/chests/rows/slot';
import { chainId, id, kind, name, newId, optionalId } from './parts.js';

const width = () =>
  string()
    .oneOf([...LANE_WIDTHS])
    .nullable()
    .optional();
const newLane = () =>
  object({
    id: newId(),
    kind: string().oneOf(LANE_KINDS).required(),
    name: name('the name of a lane'),
    width: width(),
    inserts: number().strict().integer().min(0).max(16).required(),
  }).noUnknown();

/** One schema per intent. */
export const SESSION_SCHEMAS = {
  'make-session': object({
    kind: kind('make-session'),
    id: newId(),
    name: name('the name of a session'),
    lanes: array().of(newLane()).min(1).max(MAX_LANES).required(),
  }),
  'rename-session': object({ kind: kind('rename-session'), id: id(), name: name('the name of a session') }),
  'copy-session': object({
    kind: kind('copy-session'),
    id: id(),
    newId: newId(),
    name: name('the name of a session'),
    filled: boolean().strict().required(),
  }),
  'mark-template': object({ kind: kind('mark-template'), id: id(), template: boolean().strict().required() }),
  'move-session': object({ kind: kind('move-session'), id: id(), before: optionalId() }),
  'delete-session': object({ kind: kind('delete-session'), id: id() }),
  'add-lane': object({ kind: kind('add-lane'), sessionId: id(), lane: newLane() }),
  'change-lane': object({
    kind: kind('change-lane'),
    id: id(),
    name: name('the name of a lane'),
    width: width().defined(),
  }),
  'move-lane': object({ kind: kind('move-lane'), id: id(), before: optionalId() }),
  'copy-lane': object({ kind: kind('copy-lane'), id: id(), newId: newId() }),
  'delete-lane': object({ kind: kind('delete-lane'), id: id() }),
  'add-slot': object({
    kind: kind('add-slot'),
    id: newId(),
    laneId: id(),
    slot: string().oneOf(SLOT_KINDS).required(),
    before: optionalId(),
  }),
  'clear-slot': object({ kind: kind('clear-slot'), slotId: id() }),
  'delete-slot': object({ kind: kind('delete-slot'), slotId: id() }),
  bypass: object({ kind: kind('bypass'), slotId: id(), bypass: boolean().strict().required() }),
  'feed-sidechain': object({
    kind: kind('feed-sidechain'),
    slotId: id(),
    sidechain: boolean().strict().required(),
  }),
  'move-slot': object({
    kind: kind('move-slot'),
    slotId: id(),
    toId: id(),
    copy: boolean().strict().required(),
  }),
  'keep-chain': object({
    kind: kind('keep-chain'),
    id: chainId(),
    name: name('the name of a chain'),
    slotIds: array().of(id()).strict().min(1).max(MAX_PARTS).required(),
  }),
  'rename-chain': object({ kind: kind('rename-chain'), id: id(), name: name('the name of a chain') }),
  'arrange-chain': object({
    kind: kind('arrange-chain'),
    id: id(),
    parts: array()
      .of(object({ item: id(), bypass: boolean().strict().required() }).noUnknown())
      .strict()
      .min(1)
      .max(MAX_PARTS)
      .required(),
  }),
  'delete-chain': object({ kind: kind('delete-chain'), id: id() }),
};
