/** Shares one event stream among all windows of a browser, which allows six connections to a server in all (common practice with HTTP/1.1). */
import type { WindowEvent } from '@clever-drawer/contract/responses';
import { openEventStream, type Connection, type StreamListener } from './event-stream';

/** What a window tells the hub: the address of the stream that it wants, or that it wants none any more. */
export type HubRequest = { readonly follow: string } | { readonly leave: true };
/** What the hub tells a window. */
export type HubMessage = { readonly data: string } | { readonly isOpen: boolean };

/** The part of a MessagePort that is needed. */
export interface HubPort {
  postMessage(message: HubMessage): void;
}

type Now = Extract<WindowEvent, { kind: 'now' }>;

/** One stream and the windows that follow it. */
class SharedStream {
  readonly ports = new Set<HubPort>();
  private isOpen: boolean | null = null;
  private now: Now | null = null;
  private readonly connection: Connection;

  constructor(address: string, open: (address: string, listener: StreamListener) => Connection) {
    this.connection = open(address, {
      onData: (data) => {
        this.note(JSON.parse(data) as WindowEvent);
        this.send({ data });
      },
      onState: (isOpen) => {
        this.isOpen = isOpen;
        this.send({ isOpen });
      },
    });
  }

  /** A window that joins learns how far things are, as the first one did from the server. */
  join(port: HubPort): void {
    this.ports.add(port);
    if (this.isOpen !== null) port.postMessage({ isOpen: this.isOpen });
    if (this.now !== null) port.postMessage({ data: JSON.stringify(this.now) });
  }

  close(): void {
    this.connection.close();
  }

  private note(event: WindowEvent): void {
    if (event.kind === 'now') this.now = event;
    else if (event.kind === 'changed' && this.now !== null)
      this.now = { ...this.now, arrangementRevision: Math.max(this.now.arrangementRevision, event.saved.revision) };
  }

  private send(message: HubMessage): void {
    for (const port of this.ports) port.postMessage(message);
  }
}

/** The streams of a browser by their addresses; each is closed when the last window has left it. */
export class StreamHub {
  private readonly streams = new Map<string, SharedStream>();

  constructor(
    private readonly open: (address: string, listener: StreamListener) => Connection = (address, listener) =>
      openEventStream(address, listener),
  ) {}

  /** How many streams are open. */
  get size(): number {
    return this.streams.size;
  }

  /** Carries out what a window asks. A window follows one stream at a time. */
  handle(port: HubPort, request: HubRequest): void {
    this.leave(port);
    if (!('follow' in request)) return;
    const stream = this.streams.get(request.follow) ?? new SharedStream(request.follow, this.open);
    this.streams.set(request.follow, stream);
    stream.join(port);
  }

  private leave(port: HubPort): void {
    for (const [address, stream] of this.streams) {
      if (!stream.ports.delete(port) || stream.ports.size > 0) continue;
      stream.close();
      this.streams.delete(address);
    }
  }
}
