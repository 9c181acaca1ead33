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

  /** Keeps a window's line open, and tells it what happens until it closes. */
  listen(computerId: ComputerId, window: string | null, response: Response): void {
    const listeners = this.windows.get(computerId) ?? new Map<Response, string | null>();
    this.windows.set(computerId, listeners.set(response, window));
    response.on('close', () => listeners.delete(response));
  }

  /** Tells the windows of a computer that its catalogue is another one. */
  catalogueChanged(computerId: ComputerId): void {
    this.tell(computerId, { kind: 'catalogue' });
  }

  private async stateOf(db: EntityManager, computerId: ComputerId, revision: number): Promise<Arrangement> {
    const known = this.known.get(computerId);
    if (known?.revision === revision) return known.state;
    const state = await loadArrangement(db, computerId);
    this.known.set(computerId, { revision, state });
    return state;
  }

  private tell(computerId: ComputerId, event: WindowEvent): void {
    const listeners = this.windows.get(computerId);
    if (listeners === undefined || listeners.size === 0) return;
    const text = `data: ${JSON.stringify(event)}\n\n`;
    const from = event.kind === 'changed' ? event.window : null;
    // A window has the answer to its own change already.
    for (const [response, window] of listeners) if (from === null || window !== from) response.write(text);
  }
}
