/** What is answered about the studio: errors, computers, folders, scans, problems, vendors. */
import { number } from 'yup';
import { EVENTS } from '@clever-drawer/core/catalogue/scan-story';
import { LEFT_OUT_REASONS } from '@clever-drawer/core/facts/left-out';
import { FORMATS, SYSTEMS } from '@clever-drawer/core/facts/format';
import type { ComputerId } from '@clever-drawer/core/ids';
import { COMPARED } from '@clever-drawer/core/catalogue/scan-difference';
import { count, flag, idOf, listOf, moment, one, thing, words, type Answer } from '../schema.js';

/** Every error: RFC 9457 problem details. `detail` says what was wrong and what to do; `errors` where, for a request that did not fit. */
export const problemDetails = thing('Problem', {
  type: words(),
  title: words(),
  status: number().integer().defined(),
  detail: words(),
  errors: listOf(thing(null, { path: words(), message: words() })).optional(),
});
/** See problemDetails. */
export type ProblemDetails = Answer<typeof problemDetails>;

/** A studio computer with the sizes of its catalogue. `here`: the server runs on it, so that its folders can be looked at. */
export const computerView = thing('Computer', {
  id: idOf<ComputerId>(),
  name: words(),
  system: one(SYSTEMS),
  plugins: count(),
  builds: count(),
  here: flag(),
});
/** See computerView. */
export type ComputerView = Answer<typeof computerView>;

/** Why a folder that is switched to being watched is not: too much lies in it, the system watches no more, it is not there, it can be no plugin folder, or watching it failed. */
export const NOT_WATCHED = ['too-large', 'no-more-watches', 'missing', 'refused', 'failed'] as const;
/** One of them. */
export type NotWatched = (typeof NOT_WATCHED)[number];

/** A plugin folder. `builds` were found in it, or through links in it, by the last scan; `also`: other folders of the list through which some of them are reached, and how many; `asks`: its plugins may be loaded and asked; `watches`: arrivals in it are watched for. */
export const folderView = thing('Folder', {
  id: words(),
  path: words(),
  builds: count(),
  also: listOf(thing(null, { path: words(), builds: count() })),
  lastScannedAt: moment().nullable(),
  asks: flag(),
  watches: flag(),
  notWatched: one(NOT_WATCHED).nullable(),
});
/** See folderView. */
export type FolderView = Answer<typeof folderView>;

/** A usual folder that the computer has and that is not on the list. `presets`: it holds presets and no plugins. */
export const proposedFolder = thing('ProposedFolder', {
  path: words(),
  formats: listOf(one(FORMATS)),
  presets: flag().optional(),
});
/** See proposedFolder. */
export type ProposedFolder = Answer<typeof proposedFolder>;

/** The folders in a folder of the computer at hand, by name alone. `parent`: null at the top; `more`: beyond the limit; `isPartial`: only its first entries were looked at. */
export const directoryView = thing('Directory', {
  path: words(),
  parent: words().nullable(),
  names: listOf(words()),
  more: count(),
  isPartial: flag(),
});
/** See directoryView. */
export type DirectoryView = Answer<typeof directoryView>;

/** How far a scan is, or how it ended. */
export const SCAN_STATES = ['waiting', 'running', 'done', 'cancelled', 'failed', 'interrupted'] as const;
/** One of them. */
export type ScanState = (typeof SCAN_STATES)[number];

/**
 * Counts of what a scan changed in the catalogue. `failed` and `recovered`: places that can't be read or asked now and could before, and the other way
 * round; `unchanged`: places that were as an earlier scan had left them. The last three are absent for scans of before they were counted.
 */
export const scanOutcome = thing('ScanOutcome', {
  plugins: count(),
  builds: count(),
  arrived: count(),
  changed: count(),
  vanished: count(),
  returned: count(),
  failed: count().optional(),
  recovered: count().optional(),
  unchanged: count().optional(),
});
/** See scanOutcome. */
export type ScanOutcome = Answer<typeof scanOutcome>;

/** A scan. The outcome is null while it runs and when it failed; `failure` says why it failed. */
export const scanView = thing('Scan', {
  id: words(),
  state: one(SCAN_STATES),
  folders: listOf(words()),
  progress: thing(null, { found: count(), read: count(), current: words().nullable() }),
  outcome: scanOutcome.nullable(),
  problems: count(),
  startedAt: moment(),
  endedAt: moment().nullable(),
  failure: words().nullable(),
});
/** See scanView. */
export type ScanView = Answer<typeof scanView>;

/** What a scan report of another computer brought: its catalogue, under a computer that was there or was added. */
export const scanImportResponse = thing('BroughtIn', {
  computerId: idOf<ComputerId>(),
  added: flag(),
  outcome: scanOutcome,
});
/** See scanImportResponse. */
export type BroughtIn = Answer<typeof scanImportResponse>;

/** A place that can't be read or asked, with cause and remedy. */
export const reportedProblem = thing('ReadingProblem', {
  path: words(),
  code: words(),
  message: words(),
  remedy: words(),
});
/** The places that can't be read or asked now, whichever scan met them: how many in all, and the part of the list that was asked for. */
export const problemsView = thing('ReadingProblems', { total: count(), list: listOf(reportedProblem) });
/** See problemsView. */
export type ProblemsView = Answer<typeof problemsView>;

/** What was looked at and left out, counted by reason, and the part of the list that was asked for. `of`: the place that a double leads to. `lookedAt` counts all places; none for a catalogue that came as a report. */
export const leftOutView = thing('LeftOut', {
  lookedAt: count(),
  counts: listOf(thing(null, { reason: one(LEFT_OUT_REASONS), count: count() })),
  list: listOf(thing(null, { path: words(), reason: one(LEFT_OUT_REASONS), of: words().nullable() })),
});
/** See leftOutView. */
export type LeftOutView = Answer<typeof leftOutView>;

/** What a scan did to one build or place. Name and format are absent for a place that failed or recovered. */
export const storyEvent = thing('ScanEvent', {
  kind: one(EVENTS),
  path: words(),
  name: words().optional(),
  vendor: words().nullable().optional(),
  format: one(FORMATS).optional(),
  facts: listOf(thing(null, { fact: one(COMPARED), before: words(), after: words() })).optional(),
  problem: reportedProblem.optional(),
});
/** What a scan did to each build and place: of each kind as many as are kept; the scan's outcome counts all. */
export const scanStory = listOf(storyEvent);
/** See scanStory. */
export type ScanStory = Answer<typeof scanStory>;

/** A plugin that arrived or vanished in a watched folder, and has not been scanned yet. */
export const arrival = thing('Arrival', { path: words(), kind: one(['arrived', 'vanished']), at: moment() });
/** See arrival. */
export type Arrival = Answer<typeof arrival>;

/** A vendor with the spellings that are taken for it. `maybe`: another vendor that it may be, and why. */
export const vendorView = thing('Vendor', {
  name: words(),
  plugins: count(),
  spellings: listOf(thing(null, { spelling: words(), builds: count(), byHand: flag() })),
  maybe: thing(null, { name: words(), reason: words() }).nullable(),
});
/** See vendorView. */
export type VendorView = Answer<typeof vendorView>;

/** How a kind of rows was brought over: in all, brought as they were or joined to what was there, the same as what was there, and differing from it. */
const broughtRows = thing(null, { what: words(), rows: count(), brought: count(), alike: count(), differing: count() });

/**
 * What became of the arrangements of several computers when they were made one. The first computer's words stand; `differing` holds those of the others that
 * said otherwise. `steps`: steps of a further computer's journal, which can't be undone any more.
 */
export const unionReport = thing('UnionReport', {
  madeAt: moment(),
  first: words(),
  computers: listOf(
    thing(null, {
      name: words(),
      renamed: listOf(thing(null, { was: words(), is: words() })),
      rows: listOf(broughtRows),
      steps: count(),
    }),
  ),
  differing: listOf(thing(null, { computer: words(), what: words(), of: words(), kept: words(), other: words() })),
});
/** See unionReport. */
export type UnionReport = Answer<typeof unionReport>;
