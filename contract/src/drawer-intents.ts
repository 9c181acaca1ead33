/** What a producer may want done to chests, drawers and what stands in them, as it is sent. */
import { array, boolean, number, object, string } from 'yup';
import { DRAWER_SORTS } from '@clever-drawer/core/chests/drawer-sort';
import { DRAWER_SPLITS } from '@clever-drawer/core/chests/drawer-split';
import { LEVEL_SORTS } from '@clever-drawer/core/chests/level-sort';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { id, ids, keyedBuild, kind, name, newId, optionalId, pluginIds, rule, sign, slots, text } from './parts.js';

/** The most that a rule may be told to take at most: what a column holds. */
const MAX_TAKEN = 32_767;

const sort = () => string().oneOf(DRAWER_SORTS).nullable().defined();
const split = () => string().oneOf(DRAWER_SPLITS).nullable().defined();
const levelSort = () => string().oneOf(LEVEL_SORTS);
const label = () => string().strict().max(MAX_NAME_LENGTH).defined();

/** One schema per intent about chests and drawers. */
export const DRAWER_SCHEMAS = {
  'make-chest': object({ kind: kind('make-chest'), id: newId(), name: name('the name of a chest'), slots: slots() }),
  'set-chest-slots': object({ kind: kind('set-chest-slots'), id: id(), slots: slots() }),
  'set-chest-selection': object({
    kind: kind('set-chest-selection'),
    id: id(),
    selection: boolean().strict().required(),
  }),
  'divide-chests': object({ kind: kind('divide-chests'), id: id(), label: label().nullable() }),
  'move-chest': object({ kind: kind('move-chest'), id: id(), before: optionalId() }),
  'copy-chest': object({
    kind: kind('copy-chest'),
    id: id(),
    newId: newId(),
    name: name('the name of a chest'),
    filled: boolean().strict().optional(),
  }),
  'rename-chest': object({ kind: kind('rename-chest'), id: id(), name: name('the name of a chest') }),
  'delete-chest': object({ kind: kind('delete-chest'), id: id() }),
  'make-drawer': object({
    kind: kind('make-drawer'),
    id: newId(),
    chestId: id(),
    parentId: optionalId(),
    name: name('the name of a drawer'),
    rule: rule(),
    pluginIds: pluginIds(),
  }),
  'rename-drawer': object({ kind: kind('rename-drawer'), id: id(), name: name('the name of a drawer') }),
  'set-rule': object({ kind: kind('set-rule'), id: id(), rule: rule() }),
  'set-most': object({
    kind: kind('set-most'),
    id: id(),
    most: number().strict().integer().min(1).max(MAX_TAKEN).nullable().defined(),
  }),
  'set-sort': object({ kind: kind('set-sort'), id: id(), sort: sort() }),
  'set-split': object({ kind: kind('set-split'), id: id(), split: split() }),
  'move-drawer': object({
    kind: kind('move-drawer'),
    id: id(),
    chestId: id(),
    parentId: optionalId(),
    before: optionalId(),
  }),
  'copy-drawer': object({
    kind: kind('copy-drawer'),
    id: id(),
    newId: newId(),
    chestId: id(),
    parentId: optionalId(),
  }),
  'delete-drawer': object({ kind: kind('delete-drawer'), id: id() }),
  'merge-drawers': object({
    kind: kind('merge-drawers'),
    intoId: id(),
    ids: ids(1),
  }),
  'set-sign': object({ kind: kind('set-sign'), id: id(), sign: sign() }),
  'show-in-menus': object({ kind: kind('show-in-menus'), id: id(), shown: boolean().strict().required() }),
  'divide-drawers': object({ kind: kind('divide-drawers'), id: id(), label: label().nullable() }),
  'set-level-sort': object({
    kind: kind('set-level-sort'),
    chestId: id(),
    parentId: optionalId(),
    sort: levelSort().nullable().defined(),
  }),
  'arrange-drawers': object({
    kind: kind('arrange-drawers'),
    chestId: id(),
    parentId: optionalId(),
    ids: ids(),
    by: levelSort().required(),
  }),
  file: object({
    kind: kind('file'),
    drawerIds: array().of(id()).min(1).max(500).required(),
    pluginIds: pluginIds(1),
  }),
  'file-loose': object({ kind: kind('file-loose'), chestId: id(), id: newId(), pluginIds: pluginIds(1) }),
  'take-out': object({ kind: kind('take-out'), drawerId: id(), pluginIds: pluginIds(1) }),
  'never-in': object({ kind: kind('never-in'), drawerId: id(), pluginIds: pluginIds(1) }),
  'decide-by-rule': object({ kind: kind('decide-by-rule'), drawerId: id(), pluginIds: pluginIds(1) }),
  place: object({
    kind: kind('place'),
    drawerId: id(),
    pluginIds: pluginIds(),
    dividerIds: ids(),
    before: optionalId(),
  }),
  arrange: object({
    kind: kind('arrange'),
    drawerId: id(),
    ids: ids(),
    by: string().oneOf(DRAWER_SORTS).required(),
  }),
  'add-divider': object({
    kind: kind('add-divider'),
    id: newId(),
    drawerId: id(),
    label: label(),
    before: optionalId(),
  }),
  'label-divider': object({ kind: kind('label-divider'), id: id(), label: label() }),
  'remove-divider': object({ kind: kind('remove-divider'), id: id() }),
  'name-entry': object({
    kind: kind('name-entry'),
    drawerId: id(),
    pluginId: id(),
    name: text(MAX_NAME_LENGTH).nullable().defined(),
  }),
  'bind-entry': object({
    kind: kind('bind-entry'),
    drawerId: id(),
    pluginId: id(),
    build: keyedBuild().nullable().default(undefined).defined(),
  }),
};
