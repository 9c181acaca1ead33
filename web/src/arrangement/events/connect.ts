import type { ComputerId } from '@clever-drawer/core/ids';
import { addressOf, ApiError, call } from '../../lib/api';
import type { Connection, StreamListener } from './event-stream';
import type { HubMessage } from './stream-hub';

const POLL_MS = 2000;

/** Asks every two seconds how far things are: for browsers without shared workers, or where theirs can't start. */
export function pollRevisions(computer: ComputerId, { onData, onState }: StreamListener, pollMs = POLL_MS): Connection {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isClosed = false;
  let lastLoad: string | null = null;
  const poll = async (): Promise<void> => {
    try {
      const { lastLoad: load, ...now } = await call('GET /computers/{computer}/revisions', { path: { computer } });
      onState(true);
      onData(JSON.stringify({ kind: 'now', ...now }));
      if (lastLoad !== null && load !== lastLoad) onData(JSON.stringify({ kind: 'used' }));
      lastLoad = load;
    } catch (error) {
      if (error instanceof ApiError && error.status === 503)
        onData(JSON.stringify({ kind: 'database', isThere: false }));
      else onState(false);
    }
    if (!isClosed) timer = setTimeout(() => void poll(), pollMs);
  };
  void poll();
  return {
    close: () => {
      isClosed = true;
      clearTimeout(timer);
    },
  };
}

/** Follows a computer's events by the stream that all windows share; by polling where that can't be. */
export function connectEvents(computer: ComputerId, listener: StreamListener): Connection {
  if (typeof SharedWorker === 'undefined') return pollRevisions(computer, listener);
  let worker: SharedWorker;
  try {
    worker = new SharedWorker(new URL('./stream-hub.worker.ts', import.meta.url), {
      type: 'module',
      name: 'clever-drawer events',
    });
  } catch {
    // A browser that has them may still forbid them.
    return pollRevisions(computer, listener);
  }
  let fallback: Connection | null = null;
  const { port } = worker;
  worker.onerror = () => {
    fallback ??= pollRevisions(computer, listener);
  };
  port.onmessage = ({ data: message }: MessageEvent<HubMessage>) => {
    if ('data' in message) listener.onData(message.data);
    else listener.onState(message.isOpen);
  };
  const follow = (): void =>
    port.postMessage({ follow: addressOf('GET /computers/{computer}/events', { path: { computer } }) });
  const leave = (): void => port.postMessage({ leave: true });
  // A page that is kept in the browser's memory and shown again follows again.
  const onShow = ({ persisted }: PageTransitionEvent): void => {
    if (persisted) follow();
  };
  addEventListener('pagehide', leave);
  addEventListener('pageshow', onShow);
  follow();
  return {
    close: () => {
      worker.onerror = null;
      removeEventListener('pagehide', leave);
      removeEventListener('pageshow', onShow);
      leave();
      port.close();
      fallback?.close();
    },
  };
}
