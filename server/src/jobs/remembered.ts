import type { EntityManager } from 'typeorm';
import type { SavedChange } from '@clever-drawer/contract/responses';
import { COMPUTER_KINDS, ROW_KINDS, type Arrangement, type RowKind } from '@clever-drawer/core/chests/arrangement';
import { applyEdits, applyStepwise } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { runCooperatively } from '../run-cooperatively.js';
import { loadRows } from '../store/arrangement-store.js';
import type { Revisions } from '../store/studio-store.js';
import { IdleTimer } from './idle-timer.js';

type Rows = Partial<Arrangement>;

interface Known {
  readonly epoch: string;
  readonly revision: number;
  readonly studio: Rows;
  /** What each computer that was asked for has of its own. */
  readonly own: ReadonlyMap<ComputerId, Rows>;
}

const STUDIO_KINDS = ROW_KINDS.filter((kind) => !COMPUTER_KINDS.includes(kind));

/** From so many edits on. */
const LARGE = 5000;

const only = (state: Arrangement, kinds: readonly RowKind[]): Rows =>
  Object.fromEntries(kinds.map((kind) => [kind, state[kind]]));

/**
 * The arrangement as it was last saved, so that a change does not read all of it again; its revision in the database says whether it still holds. There is one
 * of it, whatever the number of computers, and it is let go when nobody has asked for a while.
 */
export class Remembered {
  private known: Known | null = null;
  private readonly quiet = new IdleTimer(() => (this.known = null));
  /** A large change that is being taken over. */
  private takingOver: { readonly revision: number; readonly done: Promise<void> } | null = null;

  /** The arrangement of a revision, as a computer has it; the caller's transaction sees the database at this revision. */
  async stateOf(
    db: EntityManager,
    computerId: ComputerId,
    { epoch, arrangementRevision: revision }: Pick<Revisions, 'epoch' | 'arrangementRevision'>,
  ): Promise<Arrangement> {
    this.quiet.asked();
    // Other data has the same revisions.
    if (this.known?.epoch !== epoch) this.known = null;
    if (this.takingOver?.revision === revision) await this.takingOver.done;
    const known = this.known?.revision === revision ? this.known : null;
    const studio = known?.studio ?? (await loadRows(db, computerId, STUDIO_KINDS));
    const own = known?.own.get(computerId) ?? (await loadRows(db, computerId, COMPUTER_KINDS));
    // A look that began before a change must not take its place.
    if (this.known === null || revision >= this.known.revision) {
      const others = this.known?.revision === revision ? this.known.own : [];
      this.known = { epoch, revision, studio, own: new Map([...others, [computerId, own]]) };
    }
    return { ...studio, ...own } as Arrangement;
  }

  /** A change of this process was committed. A large one is taken over step by step; whoever asks for its revision waits for that. */
  changed(computerId: ComputerId, epoch: string, before: Arrangement, { revision, edits }: SavedChange): void {
    if (edits.length < LARGE) {
      this.keep(computerId, epoch, revision, applyEdits(before, edits));
      return;
    }
    const done = runCooperatively(applyStepwise(before, edits)).then(
      (state) => this.keep(computerId, epoch, revision, state),
      // It is read from the database then.
      () => undefined,
    );
    this.takingOver = { revision, done };
    void done.finally(() => {
      if (this.takingOver?.done === done) this.takingOver = null;
    });
  }

  private keep(computerId: ComputerId, epoch: string, revision: number, state: Arrangement): void {
    // A later change may have been quicker.
    if (this.known?.epoch === epoch && this.known.revision >= revision) return;
    // Between two revisions that follow each other nothing else has changed what the other computers have of their own.
    const others = this.known?.epoch === epoch && this.known.revision === revision - 1 ? this.known.own : [];
    this.known = {
      epoch,
      revision,
      studio: only(state, STUDIO_KINDS),
      own: new Map([...others, [computerId, only(state, COMPUTER_KINDS)]]),
    };
  }

  close(): void {
    this.quiet.close();
    this.known = null;
  }
}
