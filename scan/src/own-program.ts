import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The file of a program of this package, for a thread or process to run. From sources (under test) it is the built one. */
export function ownProgram(name: string): string {
  const here = fileURLToPath(new URL(`./${name}`, import.meta.url));
  return existsSync(here) ? here : here.replace(/\/src\/(?=[^/]*(?:\/[^/]*)?$)/, '/dist/');
}
