import { array, boolean, lazy, mixed, number, object, string, type InferType } from 'yup';
import type { Schema } from 'yup';
import { CRITERIA } from '@clever-drawer/core/catalogue/preference';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { TYPE_IDS } from '@clever-drawer/core/catalogue/type-tree';
import { FORMATS, SYSTEMS } from '@clever-drawer/core/facts/format';
import type { Intent, IntentKind } from '@clever-drawer/core/chests/intent';
import { LANE_KINDS } from '@clever-drawer/core/chests/arrangement';
import { CHEST_BASES } from '@clever-drawer/core/chests/work-out-chest';

const NAME_LENGTH = 120;
const ID_LENGTH = 600;
const MANY = 100_000;

const name = (what: string) =>
  string()
    .strict()
    .trim(`${what} must not begin or end with a blank`)
    .min(1, `${what} must not be empty`)
    .max(NAME_LENGTH)
    .required(`${what} must not be empty`);
const id = () => string().strict().min(1).max(ID_LENGTH).required();
const optionalId = () => string().strict().min(1).max(ID_LENGTH).nullable().defined();
const newId = () => string().strict().uuid('a new id must be a UUID').required();
const pluginIds = () => array().of(id()).strict().max(MANY).required();

/** A rule as it is sent and kept: a list of keywords. */
export const ruleSchema = object({
  kind: string().strict().oneOf(['keywords']).required(),
  words: array()
    .of(string().strict().trim().min(1).max(60).required())
    .min(1, 'a keyword rule needs at least one word')
    .max(200)
    .required(),
}).noUnknown();
const rule = () => ruleSchema.nullable().defined();

const kind = <K extends IntentKind>(value: K) => string<K>().strict().oneOf([value]).required();

/** One schema per intent; an unknown kind is told apart before. */
export const INTENT_SCHEMAS = {
  'make-chest': object({ kind: kind('make-chest'), id: newId(), name: name('the name of a chest') }),
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
  'move-drawer': object({ kind: kind('move-drawer'), id: id(), parentId: optionalId(), before: optionalId() }),
  'delete-drawer': object({ kind: kind('delete-drawer'), id: id() }),
  file: object({
    kind: kind('file'),
    drawerIds: array().of(id()).min(1).max(500).required(),
    pluginIds: pluginIds().min(1),
  }),
  'take-out': object({ kind: kind('take-out'), drawerId: id(), pluginIds: pluginIds().min(1) }),
  'tray-on': object({ kind: kind('tray-on'), tray: tray(), pluginIds: pluginIds().min(1) }),
  'tray-off': object({ kind: kind('tray-off'), tray: tray(), pluginIds: pluginIds().min(1) }),
  'clear-slot': object({ kind: kind('clear-slot'), slotId: id() }),
  'put-right': object({
    kind: kind('put-right'),
    pluginIds: pluginIds().min(1),
    right: object({
      role: string().oneOf(ROLES).nullable().optional(),
      types: array().of(string().oneOf(TYPE_IDS).required()).max(20).nullable().optional(),
      vendor: string().strict().trim().min(1).max(NAME_LENGTH).nullable().optional(),
    })
      .noUnknown()
      .default(undefined)
      .required(),
  }),
  'prefer-build': object({ kind: kind('prefer-build'), pluginId: id(), buildId: optionalId() }),
  'prefer-builds': object({
    kind: kind('prefer-builds'),
    preference: object({
      criteria: array().of(string().oneOf(CRITERIA).required()).max(CRITERIA.length).required(),
      formats: array().of(string().oneOf(FORMATS).required()).max(FORMATS.length).required(),
    })
      .noUnknown()
      .nullable()
      .defined(),
  }),
  'join-plugins': object({
    kind: kind('join-plugins'),
    intoId: id(),
    pluginIds: pluginIds().min(1),
    builds: array()
      .of(object({ id: id(), pluginId: id() }).noUnknown())
      .max(MANY)
      .required(),
  }),
  'split-plugin': object({ kind: kind('split-plugin'), pluginId: id(), newId: newId(), buildIds: pluginIds().min(1) }),
  'release-builds': object({ kind: kind('release-builds'), buildIds: pluginIds().min(1) }),
  'name-vendor': object({
    kind: kind('name-vendor'),
    spellings: array().of(string().strict().min(1).max(2000).required()).min(1).max(1000).required(),
    name: string().strict().trim().min(1).max(NAME_LENGTH).nullable().defined(),
    apart: boolean().strict().required(),
  }),
  'make-session': object({
    kind: kind('make-session'),
    id: newId(),
    name: name('the name of a session'),
    lanes: array()
      .of(
        object({
          id: newId(),
          kind: string().oneOf(LANE_KINDS).required(),
          name: name('the name of a lane'),
          inserts: number().strict().integer().min(0).max(16).required(),
        }).noUnknown(),
      )
      .min(1)
      .max(64)
      .required(),
  }),
} satisfies Partial<Record<IntentKind, Schema>>;

function tray() {
  return number()
    .strict()
    .integer()
    .min(1, 'a tray is a number from 1 to 9')
    .max(9, 'a tray is a number from 1 to 9')
    .required();
}

/** The kinds of intents that may be sent as a change; loading goes by its own way, since it is also counted. */
export type SentIntentKind = keyof typeof INTENT_SCHEMAS;
export type SentIntent = Extract<Intent, { kind: SentIntentKind }>;

const isSentKind = (value: unknown): value is SentIntentKind =>
  typeof value === 'string' && Object.hasOwn(INTENT_SCHEMAS, value);

/** A change of the arrangement, as an intent. */
export const changeRequest = object({
  intent: lazy((value: { kind?: unknown } | undefined) =>
    isSentKind(value?.kind)
      ? INTENT_SCHEMAS[value.kind].noUnknown()
      : mixed().test('kind', `intent.kind must be one of ${Object.keys(INTENT_SCHEMAS).join(', ')}`, () => false),
  ),
}).noUnknown();

export const computerRequest = object({
  name: name('the name of a computer'),
  system: string().oneOf(SYSTEMS).required(),
}).noUnknown();
export const renameRequest = object({ name: name('the name of a computer') }).noUnknown();

export const folderRequest = object({
  path: string()
    .strict()
    .trim()
    .min(1, 'name a folder')
    .max(4000)
    .test('no-zero', 'a path holds no zero characters', (path) => !path?.includes('\0'))
    .required('name a folder'),
}).noUnknown();

/** A change of a folder's switches. */
export const folderChangeRequest = object({
  asks: boolean().strict().optional(),
  watches: boolean().strict().optional(),
}).noUnknown();

/** A scan of some of the computer's folders, or of single places below them; of everything when nothing is named. `again` also reads what has not changed. */
export const scanRequest = object({
  folderIds: array().of(id()).max(1000).default([]),
  paths: array().of(string().strict().min(1).max(4000).required()).max(10_000).default([]),
  again: boolean().strict().default(false),
}).noUnknown();

export const chestRequest = object({
  id: newId(),
  name: name('the name of a chest'),
  by: string().oneOf(CHEST_BASES).required(),
}).noUnknown();

/** The ways to a plugin in the chooser. */
export const LOAD_WAYS = ['typing', 'drawer', 'tray', 'list'] as const;
export type LoadWay = (typeof LOAD_WAYS)[number];

export const loadRequest = object({
  slotId: id(),
  pluginId: id(),
  way: string().oneOf(LOAD_WAYS).required(),
  /** From opening the chooser to choosing, in milliseconds. */
  milliseconds: number().strict().integer().min(0).max(86_400_000).required(),
}).noUnknown();

const drawerDocument: Schema = object({
  name: name('the name of a drawer'),
  rule: rule(),
  plugins: pluginIds(),
  drawers: array()
    .of(lazy(() => drawerDocument))
    .max(5000)
    .required(),
}).noUnknown();

/** The arrangement document of docs/schemas/arrangement-1.schema.json. */
export const arrangementDocument = object({
  schema: string()
    .oneOf(
      ['clever-drawer/arrangement/1'],
      'this is no arrangement of Clever Drawer (its "schema" is not "clever-drawer/arrangement/1")',
    )
    .required('this is no arrangement of Clever Drawer (it has no "schema")'),
  exportedAt: string().strict().required(),
  computer: string().strict().defined(),
  plugins: array()
    .of(
      object({
        id: id(),
        name: string().strict().min(1).max(2000).required(),
        vendor: string().strict().max(2000).nullable().defined(),
        builds: array()
          .of(
            object({
              format: string().strict().required(),
              identifier: string().strict().nullable().defined(),
            }).noUnknown(),
          )
          .required(),
      }).noUnknown(),
    )
    .max(MANY)
    .required(),
  chests: array()
    .of(object({ name: name('the name of a chest'), drawers: array().of(drawerDocument).required() }).noUnknown())
    .max(1000)
    .required(),
  trays: array()
    .of(object({ tray: tray(), plugins: pluginIds() }).noUnknown())
    .max(9)
    .required(),
}).noUnknown();

export type ComputerRequest = InferType<typeof computerRequest>;
export type ScanRequest = InferType<typeof scanRequest>;
export type LoadRequest = InferType<typeof loadRequest>;
export type ChestRequest = InferType<typeof chestRequest>;
