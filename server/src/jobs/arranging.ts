import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { SavedChange, WindowEvent } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { applyEdits } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { loadArrangement } from '../store/arrangement-store.js';
import { findComputer } from '../store/computer-store.js';

interface Known {
  readonly revision: number;
  readonly state: Arrangement;
}

const eventText = (event: WindowEvent): string => `data: ${JSON.stringify(event)}\n\n`;

/**
 * Carries changes of arrangements out, one after the other for each computer, and tells open windows of them. The arrangement as it was last saved
 * is remembered, so that a change does not read all of it again; its revision in the database says whether it still holds.
 */
export class Arranging {
  private readonly known = new Map<ComputerId, Known>();
  private readonly windows = new Map<ComputerId, Map<Response, string | null>>();

  constructor(private readonly source: DataSource) {}

  /** Runs a change in a transaction that holds the computer; every open window learns of it, named after the one that made it. */
  async change<T extends { readonly saved: SavedChange }>(
    id: unknown,
    window: string | null,
    work: (db: EntityManager, computerId: ComputerId, state: Arrangement) => Promise<T>,
  ): Promise<T> {
    const { computerId, state, result } = await this.source.transaction(async (db) => {
      const computer = await findComputer(db, id, true);
      const computerId = asId<ComputerId>(computer.id);
      const state = await this.stateOf(db, computerId, computer.arrangementRevision);
      return { computerId, state, result: await work(db, computerId, state) };
    });
    const { saved } = result;
    // Only what is committed is remembered; a later change may have been quicker.
    if (saved.revision > (this.known.get(computerId)?.revision ?? 0))
      this.known.set(computerId, { revision: saved.revision, state: applyEdits(state, saved.edits) });
    this.tell(computerId, { kind: 'changed', window, saved });
    return result;
  }

  /** Looks at the arrangement of a computer in a transaction of its own, so that all that is read in it belongs together. */
  look<T>(
    id: unknown,
    work: (db: EntityManager, computerId: ComputerId, state: Arrangement) => Promise<T>,
  ): Promise<T> {
    return this.source.transaction('REPEATABLE READ', async (db) => {
      const computer = await findComputer(db, id);
      const computerId = asId<ComputerId>(computer.id);
      return work(db, computerId, await this.stateOf(db, computerId, computer.arrangementRevision));
    });
  }

  /** Keeps a window's line open: tells it how far things are now, and what happens until it closes. */
  async listen(computerId: ComputerId, window: string | null, response: Response): Promise<void> {
    const listeners = this.windows.get(computerId) ?? new Map<Response, string | null>();
    this.windows.set(computerId, listeners.set(response, window));
    response.on('close', () => listeners.delete(response));
    // Looked up once changes are told: nothing is missed in between.
    const { arrangementRevision, catalogueRevision } = await findComputer(this.source.manager, computerId);
    response.write(eventText({ kind: 'now', arrangementRevision, catalogueRevision }));
  }

  /** Tells the windows of a computer that its catalogue is another one. */
  catalogueChanged(computerId: ComputerId): void {
    this.tell(computerId, { kind: 'catalogue' });
  }

  private async stateOf(db: EntityManager, computerId: ComputerId, revision: number): Promise<Arrangement> {
    const known = this.known.get(computerId);
    if (known?.revision === revision) return known.state;
    const state = await loadArrangement(db, computerId);
    // A look that began before a change must not take its place.
    if (revision > (known?.revision ?? -1)) this.known.set(computerId, { revision, state });
    return state;
  }

  private tell(computerId: ComputerId, event: WindowEvent): void {
    const listeners = this.windows.get(computerId);
    if (listeners === undefined || listeners.size === 0) return;
    const text = eventText(event);
    const from = event.kind === 'changed' ? event.window : null;
    // A window has the answer to its own change already.
    for (const [response, window] of listeners) if (from === null || window !== from) response.write(text);
  }
}
