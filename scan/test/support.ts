import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, statSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const SOURCE = fileURLToPath(new URL('./native/toy.c', import.meta.url));

/** Builds a tiny plugin with the C compiler: the format and misdeeds by name, such as "LADSPA CRASHES". Returns its path. */
export async function buildToy(path: string, what: string, flags: readonly string[] = []): Promise<string> {
  await mkdir(dirname(path), { recursive: true });
  const defines = what
    .split(' ')
    .filter((word) => word !== '')
    .map((word) => `-D${word}`);
  execFileSync('gcc', ['-shared', '-fPIC', '-O1', '-w', ...defines, '-o', path, SOURCE, ...flags]);
  return path;
}

/** A folder and a name in it, joined. */
export const inside = (folder: string) => (name: string) => join(folder, name);

/**
 * The plugin folders of one of Debian's packages, copied: what else is installed on the machine is not among them. By the package's own list of files.
 */
export function copyOfPackage(name: string, into: string): string {
  const files = execFileSync('dpkg', ['-L', name], { encoding: 'utf8' }).split('\n');
  const wanted = files.filter((file) => /^\/usr\/lib\/(?:[^/]+\/)?(?:lv2|ladspa)\/./.test(file));
  for (const file of wanted) {
    const found = statSync(file, { throwIfNoEntry: false });
    if (found?.isFile() !== true) continue;
    const target = join(into, file.replace(/^.*?\/(?:lv2|ladspa)\//, ''));
    mkdirSync(dirname(target), { recursive: true });
    copyFileSync(file, target);
  }
  return into;
}
