import type { EntityManager } from 'typeorm';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import {
  applyEdits,
  conflictStepwise,
  inverse,
  mergeEdits,
  regroups,
  upgradeEdit,
  type Change,
  type Edit,
  type RowName,
} from '@clever-drawer/core/chests/edit';
import { unpackEdits } from '@clever-drawer/core/chests/packed-edits';
import { ROW_FORM } from '@clever-drawer/core/chests/rows/row-kind';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import type { Act, JournalEntry, JournalView, SavedChange, Step, Steps } from '@clever-drawer/contract/responses';
import { ChangeRow } from '../database/entities/journal.js';
import { editsForDatabase } from '../database/json.js';
import { conflict, refused } from '../http/http-error.js';
import { runCooperatively } from '../run-cooperatively.js';
import { writeEdits } from './arrangement-store.js';
import { carriedBy } from './carry-over.js';
import { regroupCatalogue, type Grouped } from './grouping-store.js';
import { LOADS_OF_STEP } from './load-store.js';
import { nextArrangement } from './studio-store.js';

/** The newest of so many steps are always kept; older ones until they are this old; and never more than the most. */
export const KEPT_STEPS = 1000;
/** See KEPT_STEPS. */
export const KEPT_DAYS = 90;
/** See KEPT_STEPS. */
export const MAX_STEPS = 100_000;
const TRIM_EVERY = 200;

/** The two look-ups of each change. Each has a partial index of its own, so that they stay quick however long the journal is. */
export const NEXT_UNDO_SQL = `SELECT seq AS number, label, "window" FROM change WHERE "computerId" = $1 AND NOT undone ORDER BY seq DESC LIMIT 1`;
/** See NEXT_UNDO_SQL. */
export const NEXT_UNDONE = `SELECT seq AS number, label, "window" FROM change WHERE "computerId" = $1 AND undone ORDER BY seq LIMIT 1`;

/** What undo and redo would do next. */
export async function stepsOf(db: EntityManager, computerId: ComputerId): Promise<Steps> {
  const [undo = null] = await db.query<Step[]>(NEXT_UNDO_SQL, [computerId]);
  const [redo = null] = await db.query<Step[]>(NEXT_UNDONE, [computerId]);
  return { undo, redo };
}

/**
 * Saves a change made at a computer, and its place in the journal; what had been undone there before can't be redone after it. The caller holds the studio's
 * lock, and `state` is the arrangement as it stands. `window` names the browser window that asked; null for scripts.
 */
export async function saveChange(
  db: EntityManager,
  computerId: ComputerId,
  state: Arrangement,
  { label, edits: planned }: Change,
  window: string | null,
): Promise<SavedChange> {
  // Put into words while the database writes, unless more comes of it.
  const words = regroups(planned) ? null : runCooperatively(editsForDatabase(planned));
  const [{ edits, moved }, known] = await Promise.all([written(db, computerId, state, planned, null), words]);
  await db.query('DELETE FROM change WHERE "computerId" = $1 AND undone', [computerId]);
  // A step bears the revision that it made: no number is ever used twice.
  const revision = await nextArrangement(db);
  await db.query(
    `INSERT INTO change ("computerId", seq, label, edits, form, moved, "window") VALUES ($1, $2, $3, $4::jsonb, $5, $6::jsonb, $7)`,
    [
      computerId,
      revision,
      label,
      known ?? (await runCooperatively(editsForDatabase(edits))),
      ROW_FORM,
      moved === null ? null : JSON.stringify(moved),
      window,
    ],
  );
  if (revision % TRIM_EVERY === 0) await trimJournal(db, computerId);
  return saved(db, computerId, revision, { number: revision, act: 'made', label, edits });
}

/**
 * Writes edits; where they change which builds are one plugin, with what follows from it: what was said of a plugin that is gone goes along with its builds.
 * `back`: the plugins that builds return to, where a step is taken back.
 */
async function written(
  db: EntityManager,
  computerId: ComputerId,
  state: Arrangement,
  edits: readonly Edit[],
  back: Grouped['moved'] | null,
): Promise<{ edits: readonly Edit[]; moved: Grouped['moved'] | null }> {
  await writeEdits(db, computerId, edits);
  if (!regroups(edits)) return { edits, moved: null };
  const grouped = await regroupCatalogue(db, new Map([...releasedBy(edits), ...Object.entries(back ?? {})]));
  const carried = carriedBy(applyEdits(state, edits), grouped);
  await writeEdits(db, computerId, carried);
  return { edits: mergeEdits([...edits, ...carried]), moved: grouped.moved };
}

/**
 * Takes back the last step or does the last one taken back again. A row that something else changed since is a conflict, and nothing is done; so is
 * a next step that is not the expected one (null expects nothing).
 */
export async function step(
  db: EntityManager,
  computerId: ComputerId,
  state: Arrangement,
  way: 'undo' | 'redo',
  expects: number | null,
): Promise<SavedChange> {
  const next = (await stepsOf(db, computerId))[way];
  if (next === null) throw refused(`There is nothing to ${way}.`);
  if (expects !== null && next.number !== expects)
    throw conflict(`Another window has gone on since: the next to ${way} is “${next.label}”. Look, and ${way} again.`);
  const { number, label } = next;
  const entry = await db.findOneByOrFail(ChangeRow, { seq: number });
  const done = await editsOf(entry);
  const edits = way === 'undo' ? inverse(done) : done;
  const inTheWay = await runCooperatively(conflictStepwise(state, edits));
  if (inTheWay !== undefined)
    throw conflict(
      `“${label}” can't be ${way === 'undo' ? 'undone' : 'redone'}, because what it touched has been changed since${await byWhat(db, computerId, number, inTheWay)}.`,
    );
  const { edits: all } = await written(db, computerId, state, edits, way === 'undo' ? entry.moved : null);
  await db.update(ChangeRow, { seq: number }, { undone: way === 'undo' });
  await db.query(LOADS_OF_STEP, [computerId, number, way === 'undo']);
  const act = way === 'undo' ? 'undone' : 'redone';
  return saved(db, computerId, await nextArrangement(db), { number, act, label, edits: all });
}

/** The edits of a step in the newest form of rows, however they stand in the journal. */
async function editsOf({ edits, form }: Pick<ChangeRow, 'edits' | 'form'>): Promise<Edit[]> {
  const all = Array.isArray(edits) ? edits : await runCooperatively(unpackEdits(edits));
  return form === ROW_FORM ? all : all.map((edit) => upgradeEdit(edit, form));
}

/** Where builds that are let go return to. */
const releasedBy = (edits: readonly Edit[]): [string, PluginId][] =>
  edits.flatMap((edit) =>
    edit.of === 'heldBuild' && edit.before !== null && edit.after === null ? [[edit.id, edit.before.fromPluginId]] : [],
  );

/** In words, the step that changed a row after another step, and where it was made; empty when none is on record. */
async function byWhat(db: EntityManager, computerId: ComputerId, after: number, { of, id }: RowName): Promise<string> {
  const [step] = await db.query<{ label: string; computerId: string; name: string }[]>(
    `SELECT s.label, s."computerId", c.name FROM change s JOIN computer c ON c.id = s."computerId"
     WHERE s.seq > $1 AND NOT s.undone AND (s.edits @> $2::jsonb OR s.edits @> $3::jsonb) ORDER BY s.seq DESC LIMIT 1`,
    [after, JSON.stringify([{ of, id }]), JSON.stringify({ runs: [{ of, ids: [id] }] })],
  );
  if (step === undefined) return '';
  return step.computerId === computerId ? `: “${step.label}”` : `: “${step.label}” at ${step.name}`;
}

async function saved(
  db: EntityManager,
  computerId: ComputerId,
  revision: number,
  done: { readonly number: number; readonly act: Act; readonly label: string; readonly edits: readonly Edit[] },
): Promise<SavedChange> {
  const steps = await stepsOf(db, computerId);
  return { revision, computerId, ...done, steps, savedAt: new Date().toISOString() };
}

/** Lets old steps go: they can't be undone any more, and what they did stays. */
export async function trimJournal(db: EntityManager, computerId: ComputerId): Promise<void> {
  // The number of the last step that is kept is looked up along the index; with fewer steps there is none, and nothing goes.
  const from = (kept: number): string =>
    `(SELECT seq FROM change WHERE "computerId" = $1 ORDER BY seq DESC OFFSET ${String(kept - 1)} LIMIT 1)`;
  await db.query(
    `DELETE FROM change WHERE "computerId" = $1 AND (seq < ${from(MAX_STEPS)}
       OR (seq < ${from(KEPT_STEPS)} AND "madeAt" < now() - interval '${String(KEPT_DAYS)} days'))`,
    [computerId],
  );
}

/**
 * Finds the step that a window has made after a revision: the change that it sends again because no answer came. A window sends one change at a time, so
 * there is one at most. Null when the change was never made, or the window has no name.
 */
export async function findRepeated(
  db: EntityManager,
  computerId: ComputerId,
  window: string | null,
  knownRevision: number,
): Promise<SavedChange | null> {
  if (window === null) return null;
  const [entry] = await db.query<(Pick<ChangeRow, 'label' | 'edits' | 'form'> & { number: number })[]>(
    `SELECT seq AS number, label, edits, form FROM change
     WHERE "computerId" = $1 AND NOT undone AND seq > $2 AND "window" = $3 ORDER BY seq DESC LIMIT 1`,
    [computerId, knownRevision, window],
  );
  if (entry === undefined) return null;
  const { number, label } = entry;
  return saved(db, computerId, number, { number, act: 'made', label, edits: await editsOf(entry) });
}

/** The most bytes of edits that one answer about the journal holds, as the database stores them (packed); a larger step is answered alone. */
const MAX_EDIT_BYTES = 1024 * 1024;

type JournalRow = Pick<ChangeRow, 'label' | 'madeAt' | 'undone' | 'edits' | 'form'> & {
  readonly number: number;
  readonly computerId: ComputerId;
  readonly computer: string;
};

/**
 * Lists journal steps of all computers, newest first, before a number (null: from the newest). Edits come only on request; such a page ends before the step
 * that would take it over MAX_EDIT_BYTES.
 */
export async function listJournal(
  db: EntityManager,
  { before, limit, withEdits }: { before: number | null; limit: number; withEdits: boolean },
): Promise<JournalView> {
  const page = await db.query<{ number: number; bytes: number }[]>(
    `SELECT seq AS number, pg_column_size(edits) AS bytes FROM change
     WHERE $1::int IS NULL OR seq < $1 ORDER BY seq DESC LIMIT $2`,
    [before, limit + 1],
  );
  const numbers = page.slice(0, withEdits ? Math.min(limit, stepsWithin(page, MAX_EDIT_BYTES)) : limit);
  const rows = await db.query<JournalRow[]>(
    `SELECT s.seq AS number, s.label, s."madeAt", s.undone, ${withEdits ? 's.edits' : 'NULL AS edits'}, s.form, s."computerId", c.name AS computer
     FROM change s JOIN computer c ON c.id = s."computerId" WHERE s.seq = ANY($1) ORDER BY s.seq DESC`,
    [numbers.map(({ number }) => number)],
  );
  const entries: JournalEntry[] = [];
  for (const { madeAt, edits, form, ...row } of rows)
    entries.push({ ...row, madeAt: madeAt.toISOString(), edits: withEdits ? await editsOf({ edits, form }) : null });
  return { entries, next: page.length > numbers.length ? (numbers.at(-1)?.number ?? null) : null };
}

/** How many of the first steps fit into so many bytes together; at least one. */
function stepsWithin(steps: readonly { readonly bytes: number }[], maxBytes: number): number {
  let total = 0;
  const end = steps.findIndex(({ bytes }) => (total += bytes) > maxBytes);
  return end < 0 ? steps.length : Math.max(1, end);
}
