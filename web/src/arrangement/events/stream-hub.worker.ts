/** The shared worker of all windows: it outlives each of them, and is neither throttled nor frozen with one. */
import { StreamHub, type HubRequest } from './stream-hub';

const hub = new StreamHub();

(globalThis as unknown as { onconnect: (event: MessageEvent) => void }).onconnect = ({ ports: [port] }) => {
  if (port === undefined) return;
  port.onmessage = ({ data }: MessageEvent<HubRequest>) => hub.handle(port, data);
  // A window that crashed says nothing; browsers that know it close its port.
  port.addEventListener('close', () => hub.handle(port, { leave: true }));
  port.start();
};
