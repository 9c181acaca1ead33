/** What a producer may want done to the arrangement, as it is sent: one schema per intent. */
import { array, boolean, mixed, number, object, string } from 'yup';
import type { Schema } from 'yup';
import { CRITERIA } from '@clever-drawer/core/catalogue/preference';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { TYPE_IDS } from '@clever-drawer/core/catalogue/type-tree';
import type { Intent, IntentKind } from '@clever-drawer/core/chests/intent';
import { MAX_OWN_ENTRIES } from '@clever-drawer/core/chests/plan-own-entries';
import { LANE_WIDTHS } from '@clever-drawer/core/chests/rows/lane';
import { MAX_FILE_LENGTH } from '@clever-drawer/core/chests/rows/own-entry';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { MAX_STRIP_LABEL_LENGTH, MAX_TAG_LENGTH } from '@clever-drawer/core/chests/rows/naming';
import { MAX_REASON_LENGTH } from '@clever-drawer/core/chests/rows/aside';
import { MAX_LINK_LENGTH } from '@clever-drawer/core/chests/rows/vendor-note';
import { FORMATS } from '@clever-drawer/core/facts/format';
import {
  day,
  id,
  idRows,
  keyedBuild,
  ids,
  idsOrNull,
  kind,
  name,
  newId,
  optionalId,
  ownEntryId,
  picture,
  pluginIds,
  sign,
  text,
  tray,
  webAddress,
} from './parts.js';
import { DRAWER_SCHEMAS } from './drawer-intents.js';
import { chosenBy, type AnySchema } from './schema.js';
import { SESSION_SCHEMAS } from './session-intents.js';

const tags = () => array().of(text(MAX_TAG_LENGTH).required()).max(100);
const builds = () => idRows(['id', 'pluginId']);
const keyedBuilds = (min = 0) => idRows(['id', 'pluginId', 'key'], min);

const moment = () => string().strict().datetime('a time is written as 2026-01-31T12:00:00.000Z').required();

const ownEntryFields = {
  name: name('the name of an own entry'),
  maker: string().strict().trim().min(1).max(MAX_NAME_LENGTH).nullable().defined(),
  program: name('the program of an own entry'),
  role: string().strict().oneOf(ROLES).required(),
  types: array().of(string().strict().oneOf(TYPE_IDS).required()).strict().max(20).defined(),
  width: string().strict().oneOf(LANE_WIDTHS).nullable().defined(),
};

/** Own entries that are to be made, with further fields. */
const newEntries = (fields: Record<string, AnySchema>) =>
  array()
    .of(object({ id: ownEntryId(), ...ownEntryFields, ...fields, addedAt: moment() }).noUnknown())
    .strict()
    .min(1)
    .max(MAX_OWN_ENTRIES)
    .required();

/** One schema per intent; an unknown kind is told apart before. */
export const INTENT_SCHEMAS = {
  ...DRAWER_SCHEMAS,
  'place-on-tray': object({
    kind: kind('place-on-tray'),
    tray: tray(),
    pluginIds: pluginIds(1),
    before: optionalId(),
  }),
  'clear-trays': object({
    kind: kind('clear-trays'),
    trays: array().of(tray()).min(1).max(9).required(),
    pluginIds: idsOrNull(),
  }),
  'name-tray': object({ kind: kind('name-tray'), tray: tray(), name: text(MAX_NAME_LENGTH).nullable().defined() }),
  'set-tray-sign': object({ kind: kind('set-tray-sign'), tray: tray(), sign: sign() }),
  'show-tray-in-menus': object({
    kind: kind('show-tray-in-menus'),
    tray: tray(),
    shown: boolean().strict().required(),
  }),
  'swap-trays': object({ kind: kind('swap-trays'), tray: tray(), with: tray() }),
  'name-plugins': object({
    kind: kind('name-plugins'),
    pluginIds: pluginIds(1),
    naming: object({
      nickname: text(MAX_NAME_LENGTH).nullable().optional(),
      stripLabel: text(MAX_STRIP_LABEL_LENGTH).nullable().optional(),
      note: text(4000).nullable().optional(),
      addTags: tags().optional(),
      removeTags: tags().optional(),
    })
      .noUnknown()
      .default(undefined)
      .required(),
  }),
  'set-aside': object({
    kind: kind('set-aside'),
    pluginIds: pluginIds(),
    builds: builds(),
    reason: text(MAX_REASON_LENGTH).required('Choose a reason, or type one of your own.'),
    until: day(),
    note: text(4000).nullable().optional(),
    here: boolean().strict().optional(),
  }),
  'take-out-everywhere': object({ kind: kind('take-out-everywhere'), pluginIds: pluginIds(1) }),
  'bring-back': object({ kind: kind('bring-back'), pluginIds: pluginIds(), builds: builds() }),
  'show-face': object({ kind: kind('show-face'), pluginId: id(), picture: picture().nullable().defined() }),
  'keep-search': object({
    kind: kind('keep-search'),
    id: newId(),
    name: name('the name of a search'),
    query: string().strict().max(4000).defined(),
  }),
  'forget-search': object({ kind: kind('forget-search'), id: id() }),
  look: object({
    kind: kind('look'),
    at: string()
      .strict()
      .matches(/^\d{4}-\d{2}-\d{2}T[\d:.]+Z$/, 'a time is written as 2026-01-31T12:00:00.000Z')
      .required(),
  }),
  'tray-on': object({ kind: kind('tray-on'), tray: tray(), pluginIds: pluginIds(1) }),
  'tray-off': object({ kind: kind('tray-off'), tray: tray(), pluginIds: pluginIds(1) }),
  'put-right': object({
    kind: kind('put-right'),
    pluginIds: pluginIds(1),
    right: object({
      role: string().oneOf(ROLES).nullable().optional(),
      types: array().of(string().oneOf(TYPE_IDS).required()).max(20).nullable().optional(),
      vendor: string().strict().trim().min(1).max(MAX_NAME_LENGTH).nullable().optional(),
    })
      .noUnknown()
      .default(undefined)
      .required(),
  }),
  'prefer-build': object({ kind: kind('prefer-build'), pluginId: id(), buildId: optionalId() }),
  'keep-build': object({
    kind: kind('keep-build'),
    build: keyedBuild().default(undefined).required(),
    reason: text(MAX_NAME_LENGTH).nullable().defined(),
  }),
  'note-vendor': object({
    kind: kind('note-vendor'),
    vendor: string().strict().min(1).max(2000).required(),
    note: text(4000).nullable().defined(),
    link: webAddress(MAX_LINK_LENGTH).nullable().defined(),
  }),
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
    pluginIds: pluginIds(1),
    builds: keyedBuilds(),
  }),
  'split-plugin': object({ kind: kind('split-plugin'), pluginId: id(), newId: newId(), builds: keyedBuilds(1) }),
  'release-builds': object({ kind: kind('release-builds'), keys: ids(1) }),
  'name-vendor': object({
    kind: kind('name-vendor'),
    spellings: array().of(string().strict().min(1).max(2000).required()).min(1).max(1000).required(),
    name: string().strict().trim().min(1).max(MAX_NAME_LENGTH).nullable().defined(),
    apart: boolean().strict().required(),
  }),
  'add-own-entries': object({ kind: kind('add-own-entries'), entries: newEntries({}) }),
  'take-in-files': object({
    kind: kind('take-in-files'),
    entries: newEntries({ file: string().strict().min(1).max(MAX_FILE_LENGTH).required() }),
  }),
  'change-own-entry': object({ kind: kind('change-own-entry'), id: id(), ...ownEntryFields }),
  'delete-own-entries': object({ kind: kind('delete-own-entries'), ids: ids(1) }),
  ...SESSION_SCHEMAS,
} satisfies Partial<Record<IntentKind, Schema>>;

/** The kinds of intents that may be sent as a change; loading goes by its own way, since it is also counted. */
export type SentIntentKind = keyof typeof INTENT_SCHEMAS;
/** An intent that the interface takes. */
export type SentIntent = Extract<Intent, { kind: SentIntentKind }>;

const known: ReadonlyMap<unknown, AnySchema> = new Map(
  Object.entries(INTENT_SCHEMAS).map(([kind, schema]) => [kind, schema.noUnknown()]),
);
const noKind = mixed().test(
  'kind',
  `an intent's kind must be one of ${Object.keys(INTENT_SCHEMAS).join(', ')}`,
  () => false,
);
const anyIntent = chosenBy((value) => known.get((value as { kind?: unknown } | null | undefined)?.kind) ?? noKind);

/** The most intents that one wish may consist of: one act of the hand. */
export const MAX_INTENTS = 1000;

/**
 * A change of the arrangement, as the intents that one act of the hand consists of; they are one step of undo. `mark` stands for the rows that the window
 * saw and that it would change (see markOf in core). `brief`: whoever asks has planned it, and needs no edits in the answer (see changeAnswer).
 * `repeats`: the request is sent again because no answer came; it is the revision that the window knew before, so that the change is done once only.
 */
export const changeRequest = object({
  intents: array().of(anyIntent).min(1).max(MAX_INTENTS).required('a change needs its intents: a list of one or more'),
  mark: string().strict().max(40).optional(),
  brief: boolean().strict().optional(),
  repeats: number().strict().integer().min(0).optional(),
}).noUnknown();

/** A change as it is sent. */
export interface ChangeRequest {
  readonly intents: readonly SentIntent[];
  readonly mark?: string;
  readonly brief?: boolean;
  readonly repeats?: number;
}

/** Undo or redo: `expects` is the number of the step that the window showed as the next; absent takes whatever is. */
export const stepRequest = object({ expects: number().strict().integer().min(0).optional() }).noUnknown();
