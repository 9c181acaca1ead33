import type { EntityManager } from 'typeorm';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Change, Edit } from '@clever-drawer/core/chests/edit';
import { firstConflict, inverse, newestEdit } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { SavedChange, Steps } from '@clever-drawer/contract/responses';
import { ChangeRow } from '../database/entities/arrangement.js';
import { ComputerRow } from '../database/entities/computer.js';
import { jsonForDatabase } from '../database/json.js';
import { conflict, refused } from '../http/http-error.js';
import { writeEdits } from './arrangement-store.js';
import { groupAnew, regroups } from './grouping-store.js';

/** What undo and redo would do next. */
export async function stepsOf(db: EntityManager, computerId: ComputerId): Promise<Steps> {
  const [last, next] = [await lastDone(db, computerId), await nextUndone(db, computerId)];
  return { undo: last?.label ?? null, redo: next?.label ?? null };
}

const lastDone = (db: EntityManager, computerId: ComputerId) =>
  db.findOne(ChangeRow, { where: { computerId, undone: false }, order: { seq: 'DESC' } });
const nextUndone = (db: EntityManager, computerId: ComputerId) =>
  db.findOne(ChangeRow, { where: { computerId, undone: true }, order: { seq: 'ASC' } });

/** Saves a change and its place in the journal; what had been undone before can't be redone after it. The caller holds the computer's lock. */
export async function saveChange(db: EntityManager, computerId: ComputerId, change: Change): Promise<SavedChange> {
  await writeEdits(db, computerId, change.edits);
  if (regroups(change.edits)) await groupAnew(db, computerId, change.edits);
  await db.delete(ChangeRow, { computerId, undone: true });
  await db.query(
    `INSERT INTO change ("computerId", seq, label, edits)
     SELECT $1, coalesce(max(seq), 0) + 1, $2, $3::jsonb FROM change WHERE "computerId" = $1`,
    [computerId, change.label, jsonForDatabase(change.edits)],
  );
  return saved(db, computerId, change.label, change.edits);
}

/**
 * Takes back the last change, or does the last one taken back again. A row that something else changed since is a 409, and nothing is done; so is
 * a next step that is not the expected one (null expects nothing).
 */
export async function step(
  db: EntityManager,
  computerId: ComputerId,
  state: Arrangement,
  way: 'undo' | 'redo',
  expects: string | null,
): Promise<SavedChange> {
  const entry = way === 'undo' ? await lastDone(db, computerId) : await nextUndone(db, computerId);
  if (entry === null) throw refused(`There is nothing to ${way}.`);
  if (expects !== null && entry.label !== expects)
    throw conflict(`Another window has gone on since: the next to ${way} is “${entry.label}”. Look, and ${way} again.`);
  const done = entry.edits.map(newestEdit);
  const edits = way === 'undo' ? inverse(done) : done;
  if (firstConflict(state, edits) !== undefined) {
    throw conflict(
      `“${entry.label}” can't be ${way === 'undo' ? 'undone' : 'redone'}, because what it touched has been changed since.`,
    );
  }
  await writeEdits(db, computerId, edits);
  if (regroups(edits)) await groupAnew(db, computerId, edits);
  await db.update(ChangeRow, { computerId, seq: entry.seq }, { undone: way === 'undo' });
  return saved(db, computerId, entry.label, edits);
}

async function saved(
  db: EntityManager,
  computerId: ComputerId,
  label: string,
  edits: readonly Edit[],
): Promise<SavedChange> {
  await db.increment(ComputerRow, { id: computerId }, 'arrangementRevision', 1);
  const { arrangementRevision: revision } = await db.findOneByOrFail(ComputerRow, { id: computerId });
  return { revision, label, edits, steps: await stepsOf(db, computerId), savedAt: new Date().toISOString() };
}
