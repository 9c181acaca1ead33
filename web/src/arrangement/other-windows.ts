import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { WindowEvent } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import { refetchLoads } from '../catalogue/refetch-loads';
import { isOlderCatalogue, invalidateCatalogueQueries } from '../catalogue/queries';
import { bring, isBehindServer, noteTold, resync } from './arrangement-query';
import { connectEvents } from './events/connect';
import type { Connection, StreamListener } from './events/event-stream';
import { queued } from './queue';
import { refreshAfter } from './refresh-after';
import { noteServer } from './server-state';
import { windowName } from './window-name';
import { heard, applyRemoteChange } from './window-state';

/** Opens a computer's events. */
export type Connect = (computer: ComputerId, listener: StreamListener) => Connection;

/** Keeps a window in step with the others until it is closed: shows their changes as they are made, and fetches what was missed. */
export function follow(client: QueryClient, computer: ComputerId, connect: Connect = connectEvents): Connection {
  // Between two changes of this window, so that what is fetched holds each of them wholly or not at all.
  const catchUp = (): void => void queued(client, computer, () => resync(client, computer)).catch(() => undefined);
  const onData = (data: string): void => {
    const event = JSON.parse(data) as WindowEvent;
    if (event.kind === 'used') {
      void refetchLoads(client, computer);
    } else if (event.kind === 'database') {
      noteServer(client, event.isThere ? 'there' : 'database-gone');
      // What could not be answered meanwhile is asked for again.
      if (event.isThere) catchUp();
    } else if (event.kind === 'now') {
      noteServer(client, 'there');
      // The stream has just been opened, maybe again, or another server wrote: how far things are, and not what happened.
      noteTold(client, computer, { epoch: event.epoch, revision: event.arrangementRevision });
      if (isOlderCatalogue(client, computer, event)) invalidateCatalogueQueries(client, computer);
    } else if (event.window !== windowName(client)) {
      noteTold(client, computer, { revision: event.saved.revision });
      const take = event.saved.computerId === computer ? heard : applyRemoteChange;
      bring(client, computer, (window, nameOf) => take(window, event.saved, nameOf));
      refreshAfter(client, computer, event.saved);
    }
    if (isBehindServer(client, computer)) catchUp();
  };
  return connect(computer, {
    onData,
    onState: (isOpen) => noteServer(client, isOpen ? 'there' : 'gone'),
  });
}

/** See follow. */
export function useOtherWindows(computer: ComputerId): void {
  const client = useQueryClient();
  useEffect(() => {
    const connection = follow(client, computer);
    return () => connection.close();
  }, [client, computer]);
}
