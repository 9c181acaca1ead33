import type { Aside, AsideReason } from './rows/aside.js';
import type { Architecture } from '../facts/format.js';
import type { BuildId, BuildKey, PluginId } from '../ids.js';
import { daysBetween, localDay } from '../local-day.js';
import { wordsOf } from '../text/words.js';

/** A build to be set aside, with the plugin that it belongs to. */
export interface BuildOf {
  readonly id: BuildId;
  readonly pluginId: PluginId;
}

/** A build with what names it on every computer. */
export interface KeyedBuild extends BuildOf {
  readonly key: BuildKey;
}

interface AsideBuild {
  readonly id: BuildId;
  readonly key: BuildKey;
  readonly architectures: readonly Architecture[];
  readonly version: string | null;
  readonly path: string;
  readonly found: boolean;
}
interface AsidePlugin {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly AsideBuild[];
}

/** What a rule of thumb would set aside. */
export interface AsideWish {
  readonly pluginIds: readonly PluginId[];
  readonly builds: readonly BuildOf[];
  readonly reason: AsideReason;
}

/** The builds that the producer keeps: no rule of thumb names them. */
export type Kept = Pick<ReadonlyMap<string, unknown>, 'has'>;
const NOTHING_KEPT: Kept = new Set<string>();
const isFree =
  (kept: Kept) =>
  ({ key }: AsideBuild): boolean =>
    !kept.has(key);

const NARROW: ReadonlySet<Architecture> = new Set(['x86', 'arm']);

/** Builds that run in 32 bits only, where the plugin has another build: one without is all there is of it, and stays. */
export const narrowBuilds = (plugins: readonly AsidePlugin[], kept: Kept = NOTHING_KEPT): AsideWish => ({
  pluginIds: [],
  builds: plugins.flatMap((plugin) => {
    const narrow = plugin.builds.filter(isNarrow);
    return narrow.length === plugin.builds.length
      ? []
      : narrow.filter(isFree(kept)).map(({ id }) => ({ id, pluginId: plugin.id }));
  }),
  reason: 'older-build',
});

const isNarrow = ({ architectures }: AsideBuild): boolean =>
  architectures.length > 0 && architectures.every((one) => NARROW.has(one));

/** Every build but the preferred one (the first that is there) of each plugin. */
export const buildsNotPreferred = (plugins: readonly AsidePlugin[], kept: Kept = NOTHING_KEPT): AsideWish => ({
  pluginIds: [],
  builds: plugins.flatMap((plugin) => {
    const preferred = plugin.builds.find((build) => build.found) ?? plugin.builds[0];
    return plugin.builds
      .filter((build) => build !== preferred && isFree(kept)(build))
      .map(({ id }) => ({ id, pluginId: plugin.id }));
  }),
  reason: 'older-build',
});

// Words by which makers mark what is not the whole thing, in name, version or file name. Common practice.
const DEMO_WORDS = new Set(['demo', 'trial', 'eval', 'evaluation', 'lite', 'unregistered']);

/** A vendor's plugins that call themselves demo or trial; with `all`, every plugin of the vendor. */
export const demosOf = (plugins: readonly AsidePlugin[], vendor: string, all: boolean): AsideWish => ({
  pluginIds: plugins
    .filter((plugin) => plugin.vendor === vendor && (all || isLabelledDemo(plugin)))
    .map((plugin) => plugin.id),
  builds: [],
  reason: 'demo',
});

/** Whether a plugin says of itself that it is not the whole thing. */
export function isLabelledDemo({
  name,
  builds,
}: Pick<AsidePlugin, 'name'> & { readonly builds: readonly Pick<AsideBuild, 'version' | 'path'>[] }): boolean {
  const texts = [name, ...builds.flatMap((build) => [build.version ?? '', build.path.split(/[\\/]/).pop() ?? ''])];
  return texts.some((text) => wordsOf(text).some((word) => DEMO_WORDS.has(word)));
}

/** Whole days from today until the end of a demo, 0 on its last day, negative afterwards; null without an end. */
export const daysLeft = ({ until }: Pick<Aside, 'until'>, now: Date): number | null =>
  until === null ? null : daysBetween(localDay(now), until);
