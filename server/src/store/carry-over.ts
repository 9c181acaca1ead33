import type { EntityManager } from 'typeorm';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { applyEdits, mergeEdits, ofStudio, type Edit } from '@clever-drawer/core/chests/edit';
import { takeOver } from '@clever-drawer/core/chests/join-plugins';
import { appendToGroup } from '@clever-drawer/core/lists-by-key';
import { asId, type BuildId, type ComputerId, type PluginId } from '@clever-drawer/core/ids';
import { loadArrangement, writeEdits } from './arrangement-store.js';
import { regroupCatalogue, type Grouped } from './grouping-store.js';
import { lockStudio, nextArrangement, regrouped } from './studio-store.js';

/** The edits by which what the producer said of plugins that are gone goes to those that their builds belong to now. */
export function carriedBy(state: Arrangement, { gone, moved }: Pick<Grouped, 'gone' | 'moved'>): Edit[] {
  const buildsOf = new Map<PluginId, BuildId[]>();
  for (const [build, from] of Object.entries(moved)) appendToGroup(buildsOf, from, asId<BuildId>(build));
  let after = state;
  const edits: Edit[] = [];
  for (const [from, to] of gone) {
    const own = takeOver(after, [from], to, (id) => buildsOf.get(id) ?? []);
    after = applyEdits(after, own);
    edits.push(...own);
  }
  return mergeEdits(edits);
}

/** Preferred builds of computers go along with the builds; a plugin that has one there keeps it. */
async function carryPreferred(db: EntityManager, gone: Grouped['gone']): Promise<void> {
  for (const [from, to] of gone)
    await db.query(
      `UPDATE preferred_build p SET id = $2 WHERE id = $1
         AND NOT EXISTS (SELECT FROM preferred_build o WHERE o."computerId" = p."computerId" AND o.id = $2)`,
      [from, to],
    );
}

/** After a scan or a report: what was arranged follows its plugins. It is no step of anybody's, and counts as a change. */
export async function carryOver(db: EntityManager, computerId: ComputerId, grouped: Grouped): Promise<void> {
  if (grouped.gone.size === 0) return;
  await lockStudio(db);
  const edits = ofStudio(carriedBy(await loadArrangement(db, computerId), grouped));
  await writeEdits(db, computerId, edits);
  await carryPreferred(db, grouped.gone);
  await nextArrangement(db);
}

/** Groups the builds of all computers by the rules of today, once, after several arrangements were made one. */
export async function regroupOnce(db: EntityManager, computerId: ComputerId): Promise<void> {
  await carryOver(db, computerId, await regroupCatalogue(db, new Map()));
  await regrouped(db);
}
