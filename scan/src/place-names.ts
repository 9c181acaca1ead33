import { existsSync, realpathSync } from 'node:fs';
import { basename, dirname, join, sep } from 'node:path';
import { LV2_MANIFEST, readerFor } from '@clever-drawer/core/facts/readers';

interface Root {
  readonly path: string;
  readonly real: string;
}

/**
 * Under which path a place stands that several lead to. It hangs on the producer's list of folders alone, and not on which of them are scanned or
 * in which order: scanning one folder and scanning all tell the same.
 */
export class PlaceNames {
  private readonly roots: readonly Root[];
  private byReal: Map<string, string> | null = null;

  /** `added`: the folders of the list; `known`: paths of places that earlier scans found. */
  constructor(
    added: readonly string[],
    private readonly known: Iterable<string>,
  ) {
    this.roots = [...new Set(added)]
      .map((path): Root | null => {
        const real = realOf(path);
        return real === null ? null : { path, real };
      })
      .filter((root) => root !== null)
      // A folder that is there under its true path comes before links to it.
      .sort((a, b) => Number(a.path !== a.real) - Number(b.path !== b.real) || (a.path < b.path ? -1 : 1));
  }

  /** The path of a place with this true path that was reached by `path`: below the first folder of the list that truly holds it; else the one that it is known by; else this one. */
  pathOf(real: string, path: string): string {
    if (real === path) return path;
    for (const root of this.roots) {
      if (real !== root.real && !real.startsWith(root.real + sep)) continue;
      const own = root.path + real.slice(root.real.length);
      // What lies inside of a bundle is no place where it truly stands.
      if (own === path || !isInBundle(own, root.path)) return own;
    }
    return this.knownBy(real) ?? path;
  }

  /** Looked up only once a link leads out of all folders: it asks the disk for each known place. */
  private knownBy(real: string): string | undefined {
    if (this.byReal === null) {
      this.byReal = new Map();
      for (const path of this.known) {
        // What lies in none of the folders any more stands nowhere.
        const own = this.roots.some((root) => path.startsWith(root.path + sep)) ? realOf(path) : null;
        if (own !== null && !this.byReal.has(own)) this.byReal.set(own, path);
      }
    }
    return this.byReal.get(real);
  }
}

function isInBundle(path: string, root: string): boolean {
  for (let folder = dirname(path); folder.startsWith(root + sep); folder = dirname(folder)) {
    const mark = readerFor(basename(folder), true)?.mark;
    if ([mark, LV2_MANIFEST].some((name) => name !== undefined && existsSync(join(folder, name)))) return true;
  }
  return false;
}

function realOf(path: string): string | null {
  try {
    return realpathSync.native(path);
  } catch {
    return null;
  }
}
