import { readFileSync } from 'node:fs';

/** The version of Clever Drawer, as its package.json says. */
export const OWN_VERSION = (
  JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8')) as { version: string }
).version;
