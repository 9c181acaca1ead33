import type { ScanEvent } from '../catalogue/scan-story.js';
import type { BuildId, PluginId } from '../ids.js';
import type { Aside } from './rows/aside.js';

/** What is needed of a plugin to tell whether a scan has changed it. */
interface Scanned {
  readonly id: PluginId;
  readonly name: string;
  readonly builds: readonly {
    readonly id: BuildId;
    readonly path: string;
    readonly found: boolean;
    readonly failed: boolean;
  }[];
}

/** What may have ended the reason for which something was set aside. */
export interface AsideChanged {
  readonly aside: Aside;
  readonly name: string;
  /** The file in which it happened. */
  readonly path: string;
  readonly what: 'version' | 'files' | 'readable';
  /** The version before and after; empty where it is not known or has not changed. */
  readonly before: string;
  readonly after: string;
}

type Happened = Pick<AsideChanged, 'what' | 'before' | 'after'>;

/**
 * What is set aside as faulty and was changed, came back or can be read again in a scan, and what is set aside as a demo and has another version since: in the
 * order of the rows, each once. What was not found, or still fails, is not among it.
 */
export function asideChanged(
  asides: Iterable<Aside>,
  pluginOf: (id: PluginId) => Scanned | undefined,
  events: readonly Pick<ScanEvent, 'kind' | 'path' | 'facts'>[],
): AsideChanged[] {
  const happened = new Map<string, Happened>();
  for (const event of events) {
    const now = happenedIn(event);
    // A new version tells more than that a file can be read again.
    if (now !== null && (!happened.has(event.path) || now.what === 'version')) happened.set(event.path, now);
  }
  if (happened.size === 0) return [];
  return [...asides].flatMap((aside) => {
    const isFaulty = aside.reason === 'faulty';
    if (!isFaulty && aside.reason !== 'demo') return [];
    const plugin = pluginOf(aside.pluginId);
    const builds = (plugin?.builds ?? []).filter(
      (build) => build.found && !build.failed && (aside.buildId === null || build.id === aside.buildId),
    );
    for (const { path } of builds) {
      const now = happened.get(path);
      if (plugin !== undefined && now !== undefined && (isFaulty || now.what === 'version'))
        return [{ aside, name: plugin.name, path, ...now }];
    }
    return [];
  });
}

function happenedIn({ kind, facts = [] }: Pick<ScanEvent, 'kind' | 'facts'>): Happened | null {
  const version = facts.find(({ fact }) => fact === 'version');
  if (version !== undefined) return { what: 'version', before: version.before, after: version.after };
  if (kind === 'changed' || kind === 'returned') return { what: 'files', before: '', after: '' };
  return kind === 'recovered' ? { what: 'readable', before: '', after: '' } : null;
}
