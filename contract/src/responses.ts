/** The shape of every answer, once: as a schema for the document of the interface, and as a type for server and page. */
import { number, string } from 'yup';
import { GRADES, type Evidence } from '@clever-drawer/core/catalogue/kind';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { EVENTS } from '@clever-drawer/core/catalogue/scan-story';
import { TYPE_IDS } from '@clever-drawer/core/catalogue/type-tree';
import { ROW_KINDS, type RowKind, type Rows } from '@clever-drawer/core/chests/arrangement';
import type { Edit } from '@clever-drawer/core/chests/edit';
import { ASIDE_REASONS } from '@clever-drawer/core/chests/rows/aside';
import {
  ASK_STATES,
  FACT_SOURCES,
  SOURCED_FACTS,
  type FactSource,
  type SourcedFact,
} from '@clever-drawer/core/facts/build-facts';
import { ARCHITECTURES, FORMATS, SYSTEMS } from '@clever-drawer/core/facts/format';
import type { BuildId, ChestId, ComputerId, DrawerId, PluginId } from '@clever-drawer/core/ids';
import { COMPARED } from '@clever-drawer/core/catalogue/scan-difference';
import { jsonSchemaOf } from './json-schema.js';
import { rowSchema } from './row-schemas.js';
import { ruleSchema } from './parts.js';
import { count, flag, idOf, listOf, moment, one, thing, words, written, type Answer } from './schema.js';

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

/** A studio computer with the sizes of its catalogue. */
export const computerView = thing('Computer', {
  id: idOf<ComputerId>(),
  name: words(),
  system: one(SYSTEMS),
  plugins: count(),
  builds: count(),
});
/** See computerView. */
export type ComputerView = Answer<typeof computerView>;

/** A plugin folder. `builds` were found in it by the last scan; `asks`: its plugins may be loaded and asked; `watches`: arrivals in it are watched for. */
export const folderView = thing('Folder', {
  id: words(),
  path: words(),
  builds: count(),
  lastScannedAt: moment().nullable(),
  asks: flag(),
  watches: flag(),
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

/** A place that can't be read or asked, with cause and remedy. */
export const reportedProblem = thing('ReadingProblem', {
  path: words(),
  code: words(),
  message: words(),
  remedy: words(),
});
/** The places that can't be read or asked now, whichever scan met them. */
export const problemsView = listOf(reportedProblem);
/** See problemsView. */
export type ProblemsView = Answer<typeof problemsView>;

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
/** What a scan did to each build and place. */
export const scanStory = listOf(storyEvent);
/** See scanStory. */
export type ScanStory = Answer<typeof scanStory>;

/** A plugin that arrived or vanished in a watched folder, and has not been scanned yet. */
export const arrival = thing('Arrival', { path: words(), kind: one(['arrived', 'vanished']), at: moment() });
/** See arrival. */
export type Arrival = Answer<typeof arrival>;

/** A vendor with the spellings that are taken for it. */
export const vendorView = thing('Vendor', {
  name: words(),
  plugins: count(),
  spellings: listOf(thing(null, { spelling: words(), builds: count(), byHand: flag() })),
});
/** See vendorView. */
export type VendorView = Answer<typeof vendorView>;

/** A build as lists show it. `failed`: it did not answer when it was asked; `pictures`: how many came with it. */
export const buildView = thing('Build', {
  id: idOf<BuildId>(),
  format: one(FORMATS),
  architectures: listOf(one(ARCHITECTURES)),
  version: words().nullable(),
  path: words(),
  found: flag(),
  failed: flag(),
  pictures: count(),
});
/** See buildView. */
export type BuildView = Answer<typeof buildView>;

const WORKED_OUT = {
  id: idOf<PluginId>(),
  name: words(),
  vendor: words().nullable(),
  role: one(ROLES).nullable(),
  roleGrade: one(GRADES),
  types: listOf(one(TYPE_IDS)),
  typeGrade: one(GRADES),
  contradictions: listOf(words()),
  found: flag(),
};

/** A plugin as it was worked out. `found`: a build of it was there at the last look; `loads`: how often it was loaded; builds in order of preference. */
export const pluginView = thing('Plugin', {
  ...WORKED_OUT,
  arrivedAt: words(),
  loads: count(),
  builds: listOf(buildView),
});
/** See pluginView. */
export type PluginView = Answer<typeof pluginView>;

/** The whole catalogue as it was worked out. `firstArrival`: when the first plugins were met; what came later is new until it is seen. */
export const catalogueView = thing('Catalogue', {
  revision: count(),
  firstArrival: moment().nullable(),
  plugins: listOf(pluginView),
});
/** See catalogueView. */
export type CatalogueView = Answer<typeof catalogueView>;

const evidence = written<Evidence>({
  type: 'object',
  title: 'Evidence',
  properties: {
    for: {
      type: 'object',
      properties: { role: { type: 'string', enum: [...ROLES] }, type: { type: 'string', enum: [...TYPE_IDS] } },
      additionalProperties: false,
    },
    from: { type: 'string', enum: ['class', 'ports', 'name', 'description'] },
    grade: { type: 'string', enum: ['declared', 'strong', 'likely'] },
    words: { type: 'string' },
    format: { type: ['string', 'null'], enum: [...FORMATS, null] },
  },
  required: ['for', 'from', 'grade', 'words', 'format'],
  additionalProperties: false,
});

/** One build with all its facts, and where each came from. */
const buildDetail = thing('BuildFacts', {
  id: idOf<BuildId>(),
  found: flag(),
  format: one(FORMATS),
  identifier: words().nullable(),
  path: words(),
  name: words(),
  vendor: words().nullable(),
  version: words().nullable(),
  description: words().nullable(),
  declaredTypes: listOf(words()),
  audioInputs: count().nullable(),
  audioOutputs: count().nullable(),
  midiInput: flag().nullable(),
  midiOutput: flag().nullable(),
  architectures: listOf(one(ARCHITECTURES)),
  presets: count().nullable(),
  presetNames: listOf(words()),
  pictures: listOf(words()),
  replaces: listOf(words()),
  sources: written<Readonly<Partial<Record<SourcedFact, FactSource>>>>({
    type: 'object',
    propertyNames: { enum: [...SOURCED_FACTS] },
    additionalProperties: { type: 'string', enum: [...FACT_SOURCES] },
  }),
  others: listOf(thing(null, { fact: one(SOURCED_FACTS), source: one(FACT_SOURCES), value: words() })),
  asked: one(ASK_STATES).nullable(),
  printed: words().nullable(),
});

/** All that is known of a plugin; role, types and grades are what was worked out, before the producer's choice. */
export const pluginDetail = thing('PluginDetail', {
  ...WORKED_OUT,
  evidence: listOf(evidence),
  builds: listOf(buildDetail),
});
/** See pluginDetail. */
export type PluginDetail = Answer<typeof pluginDetail>;

/** Where a plugin stands, over all chests: the way to each drawer from its chest, whether by hand or by the drawer's rule; and its trays. */
const placesOfPlugin = thing('Places', {
  drawers: listOf(
    thing(null, {
      drawerId: idOf<DrawerId>(),
      chest: words(),
      path: listOf(words()),
      by: one(['hand', 'rule']),
      name: words(),
    }),
  ),
  trays: listOf(count()),
});

/** A plugin as the producer has it: under the nickname, with role, types and vendor as they were put right, and every place that it stands in. */
export const arrangedPlugin = thing('ArrangedPlugin', {
  id: idOf<PluginId>(),
  name: words(),
  givenName: words(),
  nickname: words().nullable(),
  stripLabel: words().nullable(),
  note: words().nullable(),
  tags: listOf(words()),
  vendor: words().nullable(),
  role: one(ROLES).nullable(),
  roleGrade: one(GRADES),
  types: listOf(one(TYPE_IDS)),
  typeGrade: one(GRADES),
  aside: thing(null, { reason: one(ASIDE_REASONS), until: words().nullable() }).nullable(),
  found: flag(),
  arrivedAt: words(),
  loads: count(),
  builds: listOf(buildView),
  places: placesOfPlugin,
});
/** See arrangedPlugin. */
export type ArrangedPluginView = Answer<typeof arrangedPlugin>;

/** A drawer with the way to it from its chest, and how many plugins it holds now, by hand and by its rule. */
export const drawerView = thing('DrawerSummary', {
  id: idOf<DrawerId>(),
  chestId: idOf<ChestId>(),
  chest: words(),
  parentId: idOf<DrawerId>().nullable(),
  name: words(),
  path: listOf(words()),
  rule: ruleSchema.default(undefined).nullable().defined(),
  plugins: count(),
});
/** See drawerView. */
export type DrawerView = Answer<typeof drawerView>;

/** A line of a drawer: a plugin with why it is there, or a divider. */
const drawerLine = written<
  | {
      readonly pluginId: PluginId;
      readonly name: string;
      readonly by: 'hand' | 'rule';
      readonly keyword: string | null;
      readonly found: boolean;
    }
  | { readonly divider: string }
>({
  title: 'DrawerLine',
  anyOf: [
    {
      type: 'object',
      properties: {
        pluginId: { type: 'string' },
        name: { type: 'string' },
        by: { type: 'string', enum: ['hand', 'rule'] },
        keyword: { type: ['string', 'null'] },
        found: { type: 'boolean' },
      },
      required: ['pluginId', 'name', 'by', 'keyword', 'found'],
      additionalProperties: false,
    },
    {
      type: 'object',
      properties: { divider: { type: 'string' } },
      required: ['divider'],
      additionalProperties: false,
    },
  ],
});
/** What a drawer holds, in the order in which the screen shows it; a clever one with what its rule put there. */
export const drawerContents = thing('DrawerContents', { drawer: drawerView, lines: listOf(drawerLine) });
/** See drawerContents. */
export type DrawerContentsView = Answer<typeof drawerContents>;

/** A step of undo or redo: its number in the journal, and what it did in words. */
export const step = thing('Step', { number: count(), label: words() });
/** See step. */
export type Step = Answer<typeof step>;

/** What undo and redo would do next; null when there is nothing. */
export const steps = thing('Steps', { undo: step.nullable(), redo: step.nullable() });
/** See steps. */
export type Steps = Answer<typeof steps>;

const editSchema = (kind: RowKind): object => {
  const row = jsonSchemaOf(rowSchema(kind));
  return {
    type: 'object',
    properties: {
      of: { const: kind },
      id: { type: 'string' },
      before: { anyOf: [row, { type: 'null' }] },
      after: { anyOf: [row, { type: 'null' }] },
    },
    required: ['of', 'id', 'before', 'after'],
    additionalProperties: false,
  };
};

/** One row before and after a change. */
export const edit = written<Edit>({ title: 'Edit', anyOf: ROW_KINDS.map(editSchema) });

/** What a saved change did to the journal: a new step was made, or one was undone or redone. */
export const ACTS = ['made', 'undone', 'redone'] as const;
/** One of them. */
export type Act = (typeof ACTS)[number];

/** A change that was saved: the step that it is, the edits that it came to, and the revision that the arrangement has now. */
export const savedChange = thing('SavedChange', {
  revision: count(),
  number: count(),
  act: one(ACTS),
  label: words(),
  edits: listOf(edit),
  steps,
  savedAt: moment(),
});
/** See savedChange. */
export type SavedChange = Answer<typeof savedChange>;

/** A step of the journal. `undone`: it was taken back, and can be redone. */
export const journalEntry = thing('JournalEntry', {
  number: count(),
  label: words(),
  madeAt: moment(),
  undone: flag(),
  edits: listOf(edit),
});
/** The newest steps first; `next` is the number to ask for those before, null at the end. */
export const journalView = thing('Journal', { entries: listOf(journalEntry), next: count().nullable() });
/** See journalView. */
export type JournalView = Answer<typeof journalView>;

/** Everything arranged: all rows by kind, their revision, and the next steps. */
export type ArrangementView = { readonly [Kind in RowKind]: readonly Rows[Kind][] } & {
  readonly revision: number;
  readonly steps: Steps;
};
/** See ArrangementView. */
export const arrangementView = written<ArrangementView>({
  type: 'object',
  title: 'Arrangement',
  properties: {
    ...Object.fromEntries(ROW_KINDS.map((kind) => [kind, { type: 'array', items: jsonSchemaOf(rowSchema(kind)) }])),
    revision: { type: 'integer' },
    steps: jsonSchemaOf(steps),
  },
  required: [...ROW_KINDS, 'revision', 'steps'],
  additionalProperties: false,
});

/** How many plugins of an import are on this computer, those that are not, and the change that it was. */
export const importReport = thing('ImportReport', {
  matched: count(),
  missing: listOf(thing(null, { name: words(), vendor: words().nullable() })),
  saved: savedChange,
});
/** See importReport. */
export type ImportReport = Answer<typeof importReport>;

/** The id of what was made. */
export const made = thing('Made', { id: words() });
/** The name of a picture that was sent: the SHA-256 of its bytes. */
export const sentPicture = thing('SentPicture', { picture: string().defined() });

/**
 * What open windows of a computer are told: first how far things are now, then each change of the arrangement, with the window that made it, and a
 * catalogue that is another now.
 */
export type WindowEvent =
  | { readonly kind: 'now'; readonly arrangementRevision: number; readonly catalogueRevision: number }
  | { readonly kind: 'changed'; readonly window: string | null; readonly saved: SavedChange }
  | { readonly kind: 'catalogue' };
