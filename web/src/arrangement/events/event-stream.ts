/** A stream of server-sent events that is opened again whenever it breaks (HTML, "Server-sent events"). */

/** Receives what a stream brings. */
export interface StreamListener {
  /** The data of one event, as it was sent. */
  readonly onData: (data: string) => void;
  /** The connection was made, or lost. */
  readonly onState: (isOpen: boolean) => void;
}

/** Something that can be closed. */
export interface Connection {
  readonly close: () => void;
}

/** The part of an EventSource that is needed. */
export type EventSourceLike = Pick<EventSource, 'onmessage' | 'onerror' | 'onopen' | 'close'> & {
  addEventListener?: (type: 'beat', listener: () => void) => void;
};

/** Times in milliseconds: the pause before a new attempt, and how long a stream may be silent (the server sends a beat every 5 s). */
export const STREAM_TIMES = { retry: 1000, silence: 20_000 } as const;

/** Opens a stream and keeps opening it again, at the same pace for as long as it takes: the server is on this machine. */
export function openEventStream(
  address: string,
  { onData, onState }: StreamListener,
  open: (address: string) => EventSourceLike = (url) => new EventSource(url),
  times: { readonly retry: number; readonly silence: number } = STREAM_TIMES,
): Connection {
  let source: EventSourceLike | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const wait = (work: () => void, ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(work, ms);
  };
  const fail = (): void => {
    source?.close();
    source = null;
    onState(false);
    wait(connect, times.retry);
  };
  const connect = (): void => {
    const own = open(address);
    source = own;
    const isAlive = (): void => {
      if (source === own) wait(fail, times.silence);
    };
    own.onopen = () => {
      isAlive();
      onState(true);
    };
    own.onmessage = ({ data }: MessageEvent<string>) => {
      isAlive();
      onData(data);
    };
    own.addEventListener?.('beat', isAlive);
    own.onerror = () => {
      if (source === own) fail();
    };
    // A server that accepts the connection and never answers.
    wait(fail, times.silence);
  };
  connect();
  return {
    close: () => {
      clearTimeout(timer);
      source?.close();
      source = null;
    },
  };
}
