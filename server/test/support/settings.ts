import { join } from 'node:path';
import type { Settings } from '../../src/settings';

/** Settings of a server that keeps all it has in a folder, on any free port. */
export const settingsIn = (folder: string): Settings => ({
  port: 0,
  dataFolder: join(folder, 'data'),
  settingsFolder: join(folder, 'settings'),
  databaseUrl: null,
  logLevel: 'silent',
  askSeconds: 10,
  askMegabytes: 1024,
  users: [],
  signsIn: false,
});
