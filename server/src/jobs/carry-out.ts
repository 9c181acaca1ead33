import type { EntityManager } from 'typeorm';
import type { SavedChange } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { markOf, hashEditResults } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { itemNames } from '@clever-drawer/core/chests/item';
import { findReferences, planIntents } from '@clever-drawer/core/chests/plan-change';
import type { BuildOf, KeyedBuild } from '@clever-drawer/core/chests/set-aside';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { conflict, refused } from '../http/http-error.js';
import { runCooperatively } from '../run-cooperatively.js';
import { namesOf, ownersOf } from '../store/catalogue-store.js';
import { saveChange } from '../store/change-journal.js';
import { notAmongFiles } from '../store/file-store.js';
import { hasPicture } from '../store/picture-store.js';

/** What more is known of a wish, and how it is answered. */
interface Asked {
  /** A mark of the rows that whoever asks saw; see markOf. */
  readonly mark?: string | undefined;
  /** Whether a mark is wanted in place of the edits. */
  readonly brief?: boolean | undefined;
  /** The browser window that asks; null for scripts. */
  readonly window?: string | null;
  /** Looks names up, of these plugins at least; in the database, where nothing else is said. */
  readonly namesOf?: (ids: () => readonly PluginId[]) => Promise<ReadonlyMap<PluginId, string>>;
}

/** What was carried out; `comesTo` is the mark of what it left where that is answered in place of its edits, else null. */
interface CarriedOut {
  readonly saved: SavedChange;
  readonly comesTo: string | null;
}

/** Plans a wish against the arrangement as it stands and saves what it comes to; refused where it can't be granted, a conflict where the mark differs. */
export async function carryOut(
  db: EntityManager,
  computerId: ComputerId,
  state: Arrangement,
  intents: readonly Intent[],
  { mark, brief = false, window = null, namesOf: lookUp = (ids) => namesOf(db, ids()) }: Asked = {},
): Promise<CarriedOut> {
  const named = intents.map((intent) => findReferences(intent, state));
  const names = await lookUp(() => named.flatMap((one) => one.plugins ?? []));
  await checkBuilds(
    db,
    computerId,
    named.flatMap((one) => one.builds ?? []),
  );
  for (const { picture = null } of named)
    if (picture !== null && !(await hasPicture(db, picture)))
      throw refused('This picture has not been sent yet. Drop it onto the plugin again.');
  const entries = named.flatMap((one) => one.files ?? []);
  const unknown = await notAmongFiles(db, computerId, entries);
  if (unknown !== undefined)
    throw refused(`${unknown.name} is no file that was found on this computer. Read its folder again in Intake.`);
  const ofFiles = new Map(entries.map(({ id, name }) => [id, name]));
  const plan = planIntents(
    state,
    intents,
    itemNames((id) => names.get(id) ?? state.chain.get(id)?.name ?? state.ownEntry.get(id)?.name ?? ofFiles.get(id)),
  );
  if (!plan.ok) throw refused(plan.refusal);
  if (mark !== undefined && mark !== markOf(plan.change.edits))
    throw conflict(
      `Another window has just changed what “${plan.change.label}” touches, so it was not done. Look at it as it is now, and do it again if it is still right.`,
    );
  const { edits } = plan.change;
  // Marked while the database writes.
  const marking = brief ? runCooperatively(hashEditResults(edits)) : null;
  const [saved, comesTo] = await Promise.all([saveChange(db, computerId, state, plan.change, window), marking]);
  return { saved, comesTo: saved.edits === edits ? comesTo : null };
}

/** Builds that a wish names must still belong where the screen showed them. */
async function checkBuilds(
  db: EntityManager,
  computerId: ComputerId,
  builds: readonly (BuildOf | KeyedBuild)[],
): Promise<void> {
  if (builds.length === 0) return;
  const owners = await ownersOf(
    db,
    computerId,
    builds.map((build) => build.id),
  );
  const belongs = (build: BuildOf | KeyedBuild): boolean => {
    const known = owners.get(build.id);
    return known?.pluginId === build.pluginId && (!('key' in build) || known.key === build.key);
  };
  if (!builds.every(belongs))
    throw refused('These builds have been grouped otherwise in the meantime. Look again, and repeat it.');
}
