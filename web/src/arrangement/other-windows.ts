import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { WindowEvent } from '@clever-drawer/contract/responses';
import { regroups } from '@clever-drawer/core/chests/edit';
import type { ComputerId } from '@clever-drawer/core/ids';
import { lookAtLoads, mayLoad } from '../catalogue/look-at-loads';
import { isOlderCatalogue, lookAtCatalogue } from '../catalogue/queries';
import { addressOf } from '../lib/api';
import { bring, knownIn, noteTold, resync, toldOf } from './arrangement-query';
import { noteDatabase } from './database-gone';
import { queued } from './queue';
import { windowName } from './window-name';
import { heard, heardElsewhere } from './window-state';

/** The part of an EventSource that is needed. */
export type Line = Pick<EventSource, 'onmessage' | 'onerror' | 'readyState' | 'close'>;

/** So long after a line was refused the next one is tried; each time after twice as long, up to the longest. */
const AGAIN_MS = 1000;
const LONGEST_MS = 30_000;
/** HTML, EventSource: a line that is refused, as it is while the database is gone, is not opened again by the browser. */
const CLOSED = 2;

/** Keeps a window in step with the others until the line is closed: their changes are shown as they are made, and what was missed is fetched. */
export function follow(
  client: QueryClient,
  computer: ComputerId,
  open: (address: string) => Line = (address) => new EventSource(address),
  againMs = AGAIN_MS,
): Pick<Line, 'close'> {
  const query = { window: windowName(client) };
  const address = addressOf('GET /computers/{computer}/events', { path: { computer }, query });
  // Between two changes of this window, so that what is fetched holds each of them wholly or not at all.
  const catchUp = (): void => void queued(client, computer, () => resync(client, computer)).catch(() => undefined);
  const fell = (): boolean => {
    const window = knownIn(client, computer);
    const told = toldOf(client, computer);
    return window !== undefined && (window.isBehind || window.held.revision < told);
  };
  const hear = ({ data }: MessageEvent<string>): void => {
    const event = JSON.parse(data) as WindowEvent;
    if (event.kind === 'used') {
      void lookAtLoads(client, computer);
    } else if (event.kind === 'database') {
      noteDatabase(client, event.isThere);
      // What could not be answered meanwhile is asked for again.
      if (event.isThere) catchUp();
    } else if (event.kind === 'now') {
      noteDatabase(client, true);
      // The line has just been opened, maybe again, or another server wrote: what happened is not told, but how far it went.
      noteTold(client, computer, event.arrangementRevision);
      if (isOlderCatalogue(client, computer, event.catalogueRevision)) lookAtCatalogue(client, computer);
    } else {
      noteTold(client, computer, event.saved.revision);
      const take = event.saved.computerId === computer ? heard : heardElsewhere;
      bring(client, computer, (window, nameOf) => take(window, event.saved, nameOf));
      if (regroups(event.saved.edits)) lookAtCatalogue(client, computer);
      if (mayLoad(event.saved)) void lookAtLoads(client, computer);
    }
    if (fell()) catchUp();
  };
  let again: ReturnType<typeof setTimeout> | undefined;
  let pause = againMs;
  const opened = (): Line => {
    const own = open(address);
    own.onmessage = (message: MessageEvent<string>) => {
      pause = againMs;
      hear(message);
    };
    own.onerror = () => {
      if (own.readyState !== CLOSED) return;
      again = setTimeout(() => (line = opened()), pause);
      pause = Math.min(2 * pause, LONGEST_MS);
    };
    return own;
  };
  let line = opened();
  return {
    close: () => {
      clearTimeout(again);
      line.close();
    },
  };
}

/** See follow. */
export function useOtherWindows(computer: ComputerId): void {
  const client = useQueryClient();
  useEffect(() => {
    const line = follow(client, computer);
    return () => line.close();
  }, [client, computer]);
}
