/** What is answered about what was arranged, and about changes of it. */
import { string } from 'yup';
import { ROW_KINDS, type RowKind, type Rows } from '@clever-drawer/core/chests/arrangement';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { jsonSchemaOf } from '../json-schema.js';
import { rowSchema } from '../row-schemas.js';
import { count, flag, idOf, listOf, moment, one, thing, words, written, type Answer } from '../schema.js';

/** A step of undo or redo: its number in the journal, its label, and the window that made it (null for scripts). */
export const step = thing('Step', { number: count(), label: words(), window: words().nullable() });
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

const SAVED = {
  revision: count(),
  computerId: idOf<ComputerId>(),
  number: count(),
  act: one(ACTS),
  label: words(),
  steps,
  savedAt: moment(),
};

/** A change that was saved: the step that it is and the computer that it was made at, the edits that it came to, and the revision that the arrangement has now. */
export const savedChange = thing('SavedChange', { ...SAVED, edits: listOf(edit) });
/** See savedChange. */
export type SavedChange = Answer<typeof savedChange>;

/**
 * The answer to a change. Who asked to be answered briefly gets a mark of what its edits leave (see hashEditResults in core) in place of them: it has planned them
 * itself, and fetches everything where the mark is another one. Edits that nobody could plan, of builds that are grouped otherwise, are always told.
 */
export const changeAnswer = thing('ChangeAnswer', {
  ...SAVED,
  edits: listOf(edit).nullable(),
  comesTo: words().nullable(),
});
/** See changeAnswer. */
export type ChangeAnswer = Answer<typeof changeAnswer>;

/** A step of the journal, with the computer that it was made at. `undone`: it was taken back, and can be redone there. `edits` is null unless asked for. */
export const journalEntry = thing('JournalEntry', {
  number: count(),
  label: words(),
  computerId: idOf<ComputerId>(),
  computer: words(),
  madeAt: moment(),
  undone: flag(),
  edits: listOf(edit).nullable(),
});
/** See journalEntry. */
export type JournalEntry = Answer<typeof journalEntry>;
/** The newest steps first; `next` is the number to ask for those before, null at the end. */
export const journalView = thing('Journal', { entries: listOf(journalEntry), next: count().nullable() });
/** See journalView. */
export type JournalView = Answer<typeof journalView>;

/** Everything arranged: all rows by kind, the epoch and revision that they belong to, and the next steps. */
export type ArrangementView = { readonly [Kind in RowKind]: readonly Rows[Kind][] } & {
  readonly epoch: string;
  readonly revision: number;
  readonly steps: Steps;
};
/** See ArrangementView. */
export const arrangementView = written<ArrangementView>({
  type: 'object',
  title: 'Arrangement',
  properties: {
    ...Object.fromEntries(ROW_KINDS.map((kind) => [kind, { type: 'array', items: jsonSchemaOf(rowSchema(kind)) }])),
    epoch: { type: 'string' },
    revision: { type: 'integer' },
    steps: jsonSchemaOf(steps),
  },
  required: [...ROW_KINDS, 'epoch', 'revision', 'steps'],
  additionalProperties: false,
});

/** How far a computer's data is: compare it with an earlier answer to learn whether anything has changed. `lastLoad` changes with every load. */
export const revisionsView = thing('Revisions', {
  epoch: words(),
  arrangementRevision: count(),
  catalogueRevision: count(),
  lastLoad: words(),
});
/** See revisionsView. */
export type RevisionsView = Answer<typeof revisionsView>;

const namedPlugin = thing(null, { name: words(), vendor: words().nullable() });
/** How many plugins of an import are on this computer, those that are on others alone, those that are on none, and the change that it was. */
export const importReport = thing('ImportReport', {
  matched: count(),
  elsewhere: listOf(namedPlugin),
  missing: listOf(namedPlugin),
  saved: savedChange,
});
/** See importReport. */
export type ImportReport = Answer<typeof importReport>;

/** What came of bringing a session in: its id, the plugins that the catalogue lacks, and how many devices were no plugins that are known. */
export const sessionReport = thing('SessionReport', {
  session: words(),
  missing: listOf(namedPlugin),
  leftOut: count(),
  saved: savedChange,
});
/** See sessionReport. */
export type SessionReport = Answer<typeof sessionReport>;

/** The id of what was made. */
export const made = thing('Made', { id: words() });
/** The id of a folder that was added, and the change that it was. */
export const addedFolder = thing('AddedFolder', { id: words(), saved: savedChange });
/** See addedFolder. */
export type AddedFolder = Answer<typeof addedFolder>;
/** The name of a picture that was sent: the SHA-256 of its bytes. */
export const sentPicture = thing('SentPicture', { picture: string().defined() });

/**
 * What open windows of a computer are told: first how far things are now, and again when something else has changed; and each change of the arrangement, with
 * the window that made it; and each pick, which changes nothing but counts as a load; and
 * when the database is gone, and there again.
 */
export type WindowEvent =
  | {
      readonly kind: 'now';
      readonly epoch: string;
      readonly arrangementRevision: number;
      readonly catalogueRevision: number;
    }
  | { readonly kind: 'used' }
  | { readonly kind: 'database'; readonly isThere: boolean }
  | { readonly kind: 'changed'; readonly window: string | null; readonly saved: SavedChange };
