import type { EntityManager } from 'typeorm';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { firstConflict, inverse, regroups, upgradeEdit, type Change, type Edit } from '@clever-drawer/core/chests/edit';
import { ROW_FORM } from '@clever-drawer/core/chests/rows/row-kind';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { Act, JournalView, SavedChange, Step, Steps } from '@clever-drawer/contract/responses';
import { ChangeRow } from '../database/entities/journal.js';
import { jsonForDatabase } from '../database/json.js';
import { conflict, refused } from '../http/http-error.js';
import { writeEdits } from './arrangement-store.js';
import { groupAnew } from './grouping-store.js';
import { LOADS_OF_STEP } from './load-store.js';

/** The newest of so many steps are always kept; older ones until they are this old; and never more than the most. */
export const KEPT_STEPS = 1000;
/** See KEPT_STEPS. */
export const KEPT_DAYS = 90;
/** See KEPT_STEPS. */
export const MOST_STEPS = 100_000;
const TRIM_EVERY = 200;

/** The two look-ups of each change. Each has a partial index of its own, so that they stay quick however long the journal is. */
export const LAST_DONE = `SELECT seq AS number, label FROM change WHERE "computerId" = $1 AND NOT undone ORDER BY seq DESC LIMIT 1`;
/** See LAST_DONE. */
export const NEXT_UNDONE = `SELECT seq AS number, label FROM change WHERE "computerId" = $1 AND undone ORDER BY seq LIMIT 1`;

/** What undo and redo would do next. */
export async function stepsOf(db: EntityManager, computerId: ComputerId): Promise<Steps> {
  const [undo = null] = await db.query<Step[]>(LAST_DONE, [computerId]);
  const [redo = null] = await db.query<Step[]>(NEXT_UNDONE, [computerId]);
  return { undo, redo };
}

/** Saves a change and its place in the journal; what had been undone before can't be redone after it. The caller holds the computer's lock. */
export async function saveChange(db: EntityManager, computerId: ComputerId, change: Change): Promise<SavedChange> {
  await writeEdits(db, computerId, change.edits);
  if (regroups(change.edits)) await groupAnew(db, computerId, change.edits);
  await db.query('DELETE FROM change WHERE "computerId" = $1 AND undone', [computerId]);
  // A step bears the revision that it made: no number is ever used twice.
  const revision = await nextRevision(db, computerId);
  await db.query(`INSERT INTO change ("computerId", seq, label, edits, form) VALUES ($1, $2, $3, $4::jsonb, $5)`, [
    computerId,
    revision,
    change.label,
    jsonForDatabase(change.edits),
    ROW_FORM,
  ]);
  if (revision % TRIM_EVERY === 0) await trimJournal(db, computerId);
  return saved(db, computerId, revision, { number: revision, act: 'made', ...change });
}

/**
 * Takes back the last step, or does the last one taken back again. A row that something else changed since is a conflict, and nothing is done; so is
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
  const entry = await db.findOneByOrFail(ChangeRow, { computerId, seq: number });
  const done = entry.edits.map((edit) => upgradeEdit(edit, entry.form));
  const edits = way === 'undo' ? inverse(done) : done;
  if (firstConflict(state, edits) !== undefined)
    throw conflict(
      `“${label}” can't be ${way === 'undo' ? 'undone' : 'redone'}, because what it touched has been changed since.`,
    );
  await writeEdits(db, computerId, edits);
  if (regroups(edits)) await groupAnew(db, computerId, edits);
  await db.update(ChangeRow, { computerId, seq: number }, { undone: way === 'undo' });
  await db.query(LOADS_OF_STEP, [computerId, number, way === 'undo']);
  const act = way === 'undo' ? 'undone' : 'redone';
  return saved(db, computerId, await nextRevision(db, computerId), { number, act, label, edits });
}

async function nextRevision(db: EntityManager, computerId: ComputerId): Promise<number> {
  const [rows] = await db.query<[{ revision: number }[], number]>(
    `UPDATE computer SET "arrangementRevision" = "arrangementRevision" + 1 WHERE id = $1
     RETURNING "arrangementRevision" AS revision`,
    [computerId],
  );
  return rows[0]?.revision ?? 0;
}

async function saved(
  db: EntityManager,
  computerId: ComputerId,
  revision: number,
  done: { readonly number: number; readonly act: Act; readonly label: string; readonly edits: readonly Edit[] },
): Promise<SavedChange> {
  return { revision, ...done, steps: await stepsOf(db, computerId), savedAt: new Date().toISOString() };
}

/** Lets old steps go: they can't be undone any more, and what they did stays. */
export async function trimJournal(db: EntityManager, computerId: ComputerId): Promise<void> {
  // The number of the last step that is kept is looked up along the index; with fewer steps there is none, and nothing goes.
  const from = (kept: number): string =>
    `(SELECT seq FROM change WHERE "computerId" = $1 ORDER BY seq DESC OFFSET ${String(kept - 1)} LIMIT 1)`;
  await db.query(
    `DELETE FROM change WHERE "computerId" = $1 AND (seq < ${from(MOST_STEPS)}
       OR (seq < ${from(KEPT_STEPS)} AND "madeAt" < now() - interval '${String(KEPT_DAYS)} days'))`,
    [computerId],
  );
}

/** Steps of the journal, newest first, before a number (null: from the newest). */
export async function listJournal(
  db: EntityManager,
  computerId: ComputerId,
  before: number | null,
  limit: number,
): Promise<JournalView> {
  const rows = await db.query<
    (Pick<ChangeRow, 'label' | 'madeAt' | 'undone' | 'edits' | 'form'> & { number: number })[]
  >(
    `SELECT seq AS number, label, "madeAt", undone, edits, form FROM change
     WHERE "computerId" = $1 AND ($2::int IS NULL OR seq < $2) ORDER BY seq DESC LIMIT $3`,
    [computerId, before, limit + 1],
  );
  const shown = rows.slice(0, limit);
  return {
    entries: shown.map(({ number, label, madeAt, undone, edits, form }) => ({
      number,
      label,
      madeAt: madeAt.toISOString(),
      undone,
      edits: edits.map((edit) => upgradeEdit(edit, form)),
    })),
    next: rows.length > limit ? (shown.at(-1)?.number ?? null) : null,
  };
}
