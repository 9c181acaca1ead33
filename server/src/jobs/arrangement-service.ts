import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { SavedChange, WindowEvent } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ofStudio } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { asId } from '@clever-drawer/core/ids';
import { findComputer } from '../store/computer-store.js';
import { lockStudio, PROCESS, revisionsOf, type News, type Revisions } from '../store/studio-store.js';
import { Remembered } from './remembered.js';

const eventText = (event: WindowEvent): string => `data: ${JSON.stringify(event)}\n\n`;

function memoized(make: () => string): () => string {
  let made: string | null = null;
  return () => (made ??= make());
}

/** So much may wait for a window that does not listen; after that its line is dropped, and it fetches anew what it has missed. */
const MAX_WAITING = 2 * 1024 * 1024;

function tellOne(response: Response, text: string): void {
  if (response.writableLength > MAX_WAITING) response.destroy();
  else response.write(text);
}

/** Applies changes of the arrangement one at a time and notifies open windows. */
export class ArrangementService {
  private readonly remembered = new Remembered();
  private readonly windows = new Map<ComputerId, Map<Response, string | null>>();

  constructor(
    private readonly source: DataSource,
    /** Told of each change that is committed. */
    private readonly onChange: (computerId: ComputerId, saved: SavedChange) => void = () => undefined,
  ) {}

  /** Runs a change in a transaction that holds the studio; every open window learns of it, named after the one that made it. */
  async change<T extends { readonly saved: SavedChange }>(
    id: unknown,
    window: string | null,
    work: (db: EntityManager, computerId: ComputerId, state: Arrangement) => Promise<T>,
  ): Promise<T> {
    const { computerId, epoch, state, result } = await this.source.transaction(async (db) => {
      const computer = await findComputer(db, id);
      const computerId = asId<ComputerId>(computer.id);
      const revisions = await lockStudio(db);
      const state = await this.remembered.stateOf(db, computerId, revisions);
      return { computerId, epoch: revisions.epoch, state, result: await work(db, computerId, state) };
    });
    // Only what is committed is remembered.
    this.remembered.changed(computerId, epoch, state, result.saved);
    this.tell(computerId, window, result.saved);
    this.onChange(computerId, result.saved);
    return result;
  }

  /** Looks at the arrangement as a computer has it in a transaction of its own, so that all that is read in it belongs together. */
  look<T>(
    id: unknown,
    work: (db: EntityManager, computerId: ComputerId, state: Arrangement, revisions: Revisions) => Promise<T>,
  ): Promise<T> {
    return this.source.transaction('REPEATABLE READ', async (db) => {
      const computerId = asId<ComputerId>((await findComputer(db, id)).id);
      const revisions = await revisionsOf(db);
      const state = await this.remembered.stateOf(db, computerId, revisions);
      return work(db, computerId, state, revisions);
    });
  }

  /** Keeps a window's line open: tells it how far things are now, and what happens until it closes. */
  async listen(computerId: ComputerId, window: string | null, response: Response): Promise<void> {
    const listeners = this.windows.get(computerId) ?? new Map<Response, string | null>();
    this.windows.set(computerId, listeners.set(response, window));
    response.on('close', () => {
      listeners.delete(response);
      if (listeners.size === 0) this.windows.delete(computerId);
    });
    // Looked up once changes are told: nothing is missed in between.
    const now = await revisionsOf(this.source.manager);
    response.write(eventText({ kind: 'now', ...now }));
  }

  /** Hears what was committed in the database. What this process arranged itself its windows have been told already, row by row. */
  async heard(news: News): Promise<void> {
    // A catalogue is told by how far it is alone.
    if (news.from === PROCESS && news.what !== 'catalogue') return;
    if (news.what === 'used') this.tellUsed(news.computer);
    else await this.tellHowFar();
  }

  /** Tells every window how far things are: what it has missed it fetches. */
  async tellHowFar(): Promise<void> {
    if (this.windows.size === 0) return;
    const text = eventText({ kind: 'now', ...(await revisionsOf(this.source.manager)) });
    for (const listeners of this.windows.values()) for (const response of listeners.keys()) tellOne(response, text);
  }

  /** Tells the windows of a computer that something was handed over: nothing is arranged otherwise, but use follows. */
  tellUsed(computerId: ComputerId): void {
    const text = eventText({ kind: 'used' });
    for (const response of this.windows.get(computerId)?.keys() ?? []) tellOne(response, text);
  }

  /** Tells every window that the database is gone, or there again. */
  tellDatabase(isThere: boolean): void {
    const text = eventText({ kind: 'database', isThere });
    for (const listeners of this.windows.values()) for (const response of listeners.keys()) tellOne(response, text);
  }

  /** Lets go of what is remembered. */
  close(): void {
    this.remembered.close();
  }

  private tell(computerId: ComputerId, from: string | null, saved: SavedChange): void {
    // Put into words only when somebody listens: a change of 50,000 rows is megabytes of them.
    const own = memoized(() => eventText({ kind: 'changed', window: from, saved }));
    // What another computer has of its own is none of this one's business.
    const elsewhere = memoized(() =>
      eventText({ kind: 'changed', window: from, saved: { ...saved, edits: ofStudio(saved.edits) } }),
    );
    for (const [computer, listeners] of this.windows)
      for (const [response, window] of listeners)
        // A window has the answer to its own change already.
        if (from === null || window !== from) tellOne(response, computer === computerId ? own() : elsewhere());
  }
}
