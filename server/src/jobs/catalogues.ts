import type { EntityManager } from 'typeorm';
import type { CatalogueView } from '@clever-drawer/contract/responses';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { answersTo } from '../database/answers-to.js';
import { namesOf } from '../store/catalogue-store.js';
import { lastLoad, loadCounts } from '../store/load-store.js';
import { revisionsOf, type Revisions } from '../store/studio-store.js';
import { findReferencedPluginIds, workedCatalogue, type WorkedCatalogue } from '../store/worked-catalogue.js';
import { Kept } from './kept.js';
import { IdleTimer } from './idle-timer.js';

type Counts = Awaited<ReturnType<typeof loadCounts>>;

const keyOf = (computerId: ComputerId, { epoch, catalogueRevision }: Revisions): string =>
  `${computerId} ${epoch} ${String(catalogueRevision)}`;

/**
 * The catalogue as it was last worked out, so that it is not worked out anew for each view; its revision in the database says whether it still holds. There is
 * one of it, that of the computer that was asked for last, and it is let go when nobody has asked for a while.
 */
export class Catalogues {
  private readonly worked = new Kept<WorkedCatalogue>();
  private readonly counts = new Kept<Counts>();
  private readonly names = new WeakMap<WorkedCatalogue, ReadonlyMap<PluginId, string>>();
  private readonly quiet = new IdleTimer(() => this.letGo());

  constructor(private readonly workOut = workedCatalogue) {}

  /**
   * The whole catalogue of the studio as a computer has it, by name, as it was worked out: with the builds that are on this computer. A plugin that no computer
   * has is in it as long as something refers to it. Not to be asked in a transaction that has changed the catalogue itself.
   */
  async of(db: EntityManager, computerId: ComputerId): Promise<CatalogueView> {
    const revisions = await revisionsOf(db);
    const { epoch, catalogueRevision: revision, arrangementRevision } = revisions;
    this.quiet.asked();
    const [{ firstArrival, plugins, elsewhere }, counts] = await answersTo(db, [
      () => this.workedOut(db, computerId, revisions),
      () => this.counted(db, computerId, `${epoch} ${String(arrangementRevision)} ${String(revision)}`),
    ] as const);
    const kept = elsewhere === 0 ? null : await findReferencedPluginIds(db);
    const shown = kept === null ? plugins : plugins.filter((one) => one.builds.length > 0 || kept.has(one.id));
    return {
      epoch,
      revision,
      firstArrival,
      plugins: shown.map((plugin) => {
        const count = counts.get(plugin.id);
        return count === undefined ? plugin : { ...plugin, loads: count.loads, lastLoad: count.lastLoad };
      }),
    };
  }

  /** Names of the plugins that the catalogue has, of those of these ids at least: of all where it is remembered. */
  async namesOf(
    db: EntityManager,
    computerId: ComputerId,
    ids: () => readonly PluginId[],
  ): Promise<ReadonlyMap<PluginId, string>> {
    const worked = this.worked.peek(keyOf(computerId, await revisionsOf(db)));
    if (worked === null) return namesOf(db, ids());
    let names = this.names.get(worked);
    if (names === undefined)
      this.names.set(worked, (names = new Map(worked.plugins.map(({ id, name }) => [id, name]))));
    return names;
  }

  /** Lets go of what is remembered. */
  close(): void {
    this.quiet.close();
    this.letGo();
  }

  private letGo(): void {
    this.worked.letGo();
    this.counts.letGo();
  }

  /** How often each was loaded: counted anew when something was loaded, taken back, or belongs to another plugin now. A step of any kind may have done that. */
  private async counted(db: EntityManager, computerId: ComputerId, revisions: string): Promise<Counts> {
    const of = `${computerId} ${revisions} ${await lastLoad(db, computerId)}`;
    return this.counts.get(db, of, () => loadCounts(db, computerId));
  }

  private workedOut(db: EntityManager, computerId: ComputerId, revisions: Revisions): Promise<WorkedCatalogue> {
    return this.worked.get(
      db,
      keyOf(computerId, revisions),
      () => this.workOut(db, computerId),
      // What was read while the catalogue changed may belong to neither: it serves who asked, and is told to be old.
      async () => keyOf(computerId, await revisionsOf(db)) === keyOf(computerId, revisions),
    );
  }
}
