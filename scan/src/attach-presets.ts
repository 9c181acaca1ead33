import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { Format } from '@clever-drawer/core/facts/format';
import type { FoundPreset, Reading } from '@clever-drawer/core/facts/place';
import { compareNames } from '@clever-drawer/core/text/words';

/** Formats whose presets are looked for on disk. */
const WITH_PRESETS: ReadonlySet<Format> = new Set(['LV2', 'VST3', 'AU']);

/** The builds of all readings with their presets, which may live in other bundles and folders than the plugin that they are for. */
export function withPresets(readings: readonly Reading[]): BuildFacts[] {
  const found = new Map<string, Map<string, string>>();
  for (const { appliesTo, key, name } of readings.flatMap((reading): readonly FoundPreset[] => reading.presets ?? [])) {
    const own = found.get(appliesTo);
    if (own === undefined) found.set(appliesTo, new Map([[key, name]]));
    else own.set(key, name);
  }
  return readings.flatMap((reading) =>
    reading.builds.map((build) => withOwn(build, found.get(build.identifier ?? ''))),
  );
}

function withOwn(build: BuildFacts, own: ReadonlyMap<string, string> | undefined): BuildFacts {
  if (!WITH_PRESETS.has(build.format) || build.identifier === null) return build;
  if (own === undefined) return { ...build, presets: 0 };
  const presetNames = [...own.values()].sort(compareNames);
  const sources = { ...build.sources, presets: build.format === 'LV2' ? 'manifest' : 'preset files' } as const;
  return { ...build, presets: own.size, presetNames, sources };
}
