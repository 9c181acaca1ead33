import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The file of a program beside a module, of this package if none is named, for a thread or process to run. From sources (under test) it is the built one. */
export function resolveWorkerEntry(name: string, beside: string = import.meta.url): string {
  const here = fileURLToPath(new URL(`./${name}`, beside));
  return existsSync(here) ? here : here.replace(/\/src\/(?=[^/]*(?:\/[^/]*)?$)/, '/dist/');
}
