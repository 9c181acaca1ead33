import { bankOfFile, byBankAndName, keptPresetName } from '@clever-drawer/core/catalogue/plugin-presets';
import { overlay, PRESETS_KEPT, type BuildFacts, type PresetFacts } from '@clever-drawer/core/facts/build-facts';
import { describedByName } from '@clever-drawer/core/facts/tagline';
import type { Format } from '@clever-drawer/core/facts/format';
import type { FoundPreset, Reading } from '@clever-drawer/core/facts/place';

/** Formats whose presets are looked for on disk. */
const WITH_PRESETS: ReadonlySet<Format> = new Set(['LV2', 'VST3', 'AU']);

/** The builds of all readings with what other bundles and folders say of them, their presets and the maker of their project, and with a tagline as description. */
export function withPresets(readings: readonly Reading[]): BuildFacts[] {
  const found = new Map<string, Map<string, FoundPreset>>();
  for (const preset of readings.flatMap((reading): readonly FoundPreset[] => reading.presets ?? [])) {
    const own = found.get(preset.appliesTo);
    if (own === undefined) found.set(preset.appliesTo, new Map([[preset.key, preset]]));
    else own.set(preset.key, preset);
  }
  const makers = new Map(
    readings.flatMap((reading) => reading.projects ?? []).map(({ project, maker }) => [project, maker]),
  );
  return readings.flatMap((reading) => {
    const ofProjects = new Map((reading.ofProjects ?? []).map(({ identifier, project }) => [identifier, project]));
    return reading.builds.map((build) => {
      const maker = makers.get(ofProjects.get(build.identifier ?? '') ?? '');
      const made = maker === undefined || build.vendor !== null ? build : overlay(build, { vendor: maker }, 'manifest');
      return withOwn(describedByName(made), found.get(build.identifier ?? ''));
    });
  });
}

function withOwn(build: BuildFacts, own: ReadonlyMap<string, FoundPreset> | undefined): BuildFacts {
  if (!WITH_PRESETS.has(build.format) || build.identifier === null) return build;
  if (own === undefined) return { ...build, presets: 0 };
  const presetList = [...own.values()]
    .map(({ key, name, bank }): PresetFacts => {
      const ownBank = build.format === 'LV2' ? bank : bankOfFile(key, build);
      return { key, name: keptPresetName(name), bank: ownBank === null ? null : keptPresetName(ownBank) };
    })
    .sort(byBankAndName)
    .slice(0, PRESETS_KEPT);
  const sources = { ...build.sources, presets: build.format === 'LV2' ? 'manifest' : 'preset files' } as const;
  return { ...build, presets: own.size, presetList, sources };
}
