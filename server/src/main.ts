import { readSettings } from './settings.js';
import { startServer } from './start-server.js';
import { StartupError } from './startup-error.js';

try {
  const settings = readSettings(process.env);
  const server = await startServer(settings, { withThisComputer: !process.argv.includes('--without-this-computer') });
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    void server.stop().then(() => process.exit(0));
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stop);
  // Whoever started this is gone without a word.
  process.on('disconnect', stop);
  process.stdout.write(`Clever Drawer answers at ${server.address}\n`);
  // Whoever started this as a child learns the address without reading the text.
  process.send?.({ url: server.url, address: server.address, key: server.key });
} catch (error) {
  if (!(error instanceof StartupError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
