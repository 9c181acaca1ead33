import { LEFT_OUT_REASONS } from '@clever-drawer/core/facts/left-out';
import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { CHEST_BASES, INNER_BASES } from '@clever-drawer/core/chests/chest-groups';
import type { ScanReport } from '@clever-drawer/core/exchange/scan-report';
import { MAX_PATH_BYTES } from '@clever-drawer/core/facts/caps';
import { SYSTEMS } from '@clever-drawer/core/facts/format';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { MAX_ENDING_LENGTH, MAX_ENDINGS } from '@clever-drawer/core/chests/rows/file-folder';
import { LOAD_WAYS } from '@clever-drawer/core/menu/use';
import { utf8Length } from '@clever-drawer/core/text/utf8-length';
import { LANE_WIDTHS } from '@clever-drawer/core/chests/rows/lane';
import { SLOT_KINDS } from '@clever-drawer/core/chests/rows/slot';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { id, MAX_ID_LENGTH, MANY, name, newId, slots } from './parts.js';

export const computerRequest = object({
  name: name('the name of a computer'),
  system: string().oneOf(SYSTEMS).required(),
}).noUnknown();
export const renameRequest = object({ name: name('the name of a computer') }).noUnknown();

const MAX_TYPED = 300;

const folderPath = () =>
  string()
    .strict()
    .trim()
    .min(1, 'name a folder')
    .max(4000)
    .test('no-zero', 'a path holds no zero characters', (path) => !path?.includes('\0'))
    .test(
      'short',
      `a path has at most ${String(MAX_PATH_BYTES)} bytes`,
      (path) => utf8Length(path ?? '') <= MAX_PATH_BYTES,
    );

/** A plugin folder by its full path, or one that begins with `~`. `anyway`: also when hardly anything in it looks like a plugin; `asks` and `watches`: its switches, on when they are absent. */
export const folderRequest = object({
  path: folderPath().required('name a folder'),
  anyway: boolean().strict().optional(),
  asks: boolean().strict().optional(),
  watches: boolean().strict().optional(),
}).noUnknown();

/** Which folder is listed; absent: the home folder of the user who runs the server. */
export const directoryQuery = object({ path: folderPath().optional() }).noUnknown();

/** A change of a folder's switches. */
export const folderChangeRequest = object({
  asks: boolean().strict().optional(),
  watches: boolean().strict().optional(),
}).noUnknown();

const endings = () =>
  array()
    .of(
      string()
        .strict()
        .min(1)
        .max(MAX_ENDING_LENGTH)
        .lowercase('an ending is written in small letters')
        .matches(/^[^\s\\/.*?]+$/, 'an ending is written without a dot, such as "rack"')
        .required(),
    )
    .strict()
    .min(1, 'name one ending at least')
    .max(MAX_ENDINGS);
const fileRole = () => string().strict().oneOf(ROLES).nullable();

/** A folder in which files are found by their endings, by its full path or one that begins with `~`. `role`: what its files are; null where their names tell it. */
export const fileFolderRequest = object({
  path: folderPath().required('name a folder'),
  endings: endings().required('name one ending at least'),
  program: name('what the files belong to'),
  role: fileRole().default(null),
}).noUnknown();

/** A change of a folder of files. */
export const fileFolderChangeRequest = object({
  endings: endings().optional(),
  program: name('what the files belong to').optional(),
  role: fileRole().optional(),
}).noUnknown();

/** A scan report (docs/schemas/scan-report-4.schema.json, which the server holds it to), and the computer whose it is: null finds it by name and system. */
export const reportRequest = object({
  computerId: string().min(1).max(MAX_ID_LENGTH).nullable().default(null),
  report: mixed<ScanReport>()
    .required()
    .meta({
      jsonSchema: { type: 'object', title: 'ScanReport', description: 'docs/schemas/scan-report-4.schema.json' },
    }),
}).noUnknown();

/** A scan of some of the computer's folders, or of single places below them; of everything when nothing is named. `again` also reads what has not changed. */
export const scanRequest = object({
  folderIds: array().of(id()).max(1000).default([]),
  paths: array().of(string().strict().min(1).max(4000).required()).max(10_000).default([]),
  again: boolean().strict().default(false),
  problems: boolean().strict().default(false),
}).noUnknown();

/** A chest to work out; `again`: the chest of this id is there, and only its drawers are worked out anew. */
export const chestRequest = object({
  id: newId(),
  again: boolean().strict().default(false),
  name: name('the name of a chest'),
  by: string().oneOf(CHEST_BASES).required(),
  slots: slots().default(null),
  selection: boolean().strict().default(false),
  most: number().strict().integer().min(2).max(MANY).nullable().default(null),
  inner: string().oneOf(INNER_BASES).default('letters'),
  /** Whether its drawers fill themselves by rules. */
  follows: boolean().strict().default(false),
  /** A chest whose plugins are left out. */
  without: string().strict().min(1).max(MAX_ID_LENGTH).nullable().default(null),
}).noUnknown();

/** What reaching it took: the way, from opening the chooser to choosing in milliseconds, keys and clicks. */
const reached = {
  way: string().oneOf(LOAD_WAYS).required(),
  milliseconds: number().strict().integer().min(0).max(86_400_000).required(),
  keys: number().strict().integer().min(0).max(10_000).nullable().optional(),
  clicks: number().strict().integer().min(0).max(10_000).nullable().optional(),
};

/** Loads an item into a slot; `more` go into the slots below, in order. `buildId`: the very build to load; absent or null: the usual one for the place. `at` is when, for a script that reports loads later; absent: now. */
export const loadRequest = object({
  slotId: id(),
  pluginId: id(),
  buildId: id().nullable().optional(),
  more: array().of(id()).max(64).default([]),
  at: string()
    .strict()
    .datetime({ allowOffset: true, message: 'a time is written as 2026-01-31T19:30:00Z' })
    .optional()
    .test('past', 'this time is still to come', (at) => at === undefined || Date.parse(at) <= Date.now()),
  ...reached,
}).noUnknown();

/** Hands an item over to a music program: `slot` and `lane` as far as they are known there; `buildId`: the very build, absent or null: the usual one. */
export const pickRequest = object({
  pluginId: id(),
  buildId: id().nullable().optional(),
  slot: string().oneOf(SLOT_KINDS).required(),
  /** For how many channels it is; null or absent for whichever. */
  width: string().oneOf(LANE_WIDTHS).nullable().optional(),
  lane: string().strict().max(MAX_NAME_LENGTH).nullable().optional(),
  session: string().strict().trim().min(1).max(MAX_NAME_LENGTH).required(),
  /** Whether it is to be sent to the address that was chosen. */
  send: boolean().strict().optional(),
  ...reached,
}).noUnknown();

/** What is open in a menu: `menu` names the menu and what is open in it, such as "drawer-insert-track". */
export const lastOpenRequest = object({
  menu: string()
    .strict()
    .matches(/^[a-z-]{1,80}$/, 'a menu is named by small letters and hyphens')
    .required(),
  id: id().nullable().defined(),
}).noUnknown();

/** Where picks are sent by Open Sound Control; null sends nothing anywhere. */
export const handOverRequest = object({
  host: string()
    .strict()
    .trim()
    .matches(/^[a-zA-Z0-9.:-]{1,253}$/, 'the address must be a host name or an IP address')
    .nullable()
    .defined(),
  port: number().strict().integer().min(1).max(65_535).nullable().defined(),
}).noUnknown();

/** Whether loads are counted. */
export const useRequest = object({ kept: boolean().strict().required() }).noUnknown();
/** From which day on counted loads are erased; absent erases all. */
export const eraseQuery = object({
  from: string()
    .strict()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'a day is written as YYYY-MM-DD')
    .optional(),
}).noUnknown();

/** See computerRequest. */
export type ComputerRequest = InferType<typeof computerRequest>;
/** See scanRequest. */
export type ScanRequest = InferType<typeof scanRequest>;
/** See loadRequest. */
export type LoadRequest = Omit<InferType<typeof loadRequest>, 'more'> & { readonly more?: readonly string[] };
/** See pickRequest. */
export type PickRequest = InferType<typeof pickRequest>;
/** See chestRequest. */
export type ChestRequest = InferType<typeof chestRequest>;

const page = {
  from: number().integer().min(0).max(100_000_000).default(0),
  limit: number().integer().min(0).max(1000).default(500),
};

/** Which part of the problems: so many from a place in the list on. */
export const problemsQuery = object(page).noUnknown();

/** Which part of what was left out, of one reason or of all: so many from a place in the list on. */
export const leftOutQuery = object({ ...page, reason: string().oneOf(LEFT_OUT_REASONS).optional() }).noUnknown();

/** Which files: what is typed, and which part of what is found. */
export const filesQuery = object({ ...page, words: string().max(MAX_TYPED).default('') }).noUnknown();

/** Which part of the journal: so many steps before a number, newest first; with their edits only on request. */
export const journalQuery = object({
  before: number().integer().min(0).optional(),
  limit: number().integer().min(1).max(500).default(50),
  edits: string().oneOf(['yes', 'no']).default('no'),
}).noUnknown();

/** The name of the window that listens, so that it is not told of its own changes. */
export const eventsQuery = object({ window: string().max(200).optional() }).noUnknown();
