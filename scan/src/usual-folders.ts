import { existsSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import type { Format, System } from '@clever-drawer/core/facts/format';

/** A place where plugins of a format usually live on a system. */
export interface UsualFolder {
  readonly path: string;
  readonly formats: readonly Format[];
  /** Whether it holds presets and no plugins. */
  readonly presets?: true;
}

/** What the usual folders hang on. */
export interface Surroundings {
  readonly system: System;
  readonly home: string;
  readonly env: Readonly<Record<string, string | undefined>>;
}

/** The usual plugin folders of a system, the producer's own before those of everyone. The formats' documentation; some from memory. */
export function usualFolders({ system, home, env }: Surroundings): UsualFolder[] {
  const folders =
    system === 'mac' ? macFolders(home) : system === 'windows' ? windowsFolders(env) : linuxFolders(home, env);
  const byPath = new Map<string, UsualFolder>();
  for (const folder of folders) {
    const known = byPath.get(folder.path);
    byPath.set(folder.path, { ...folder, formats: [...new Set([...(known?.formats ?? []), ...folder.formats])] });
  }
  return [...byPath.values()];
}

/** Those usual folders that this computer has. */
export const presentFolders = (around: Surroundings, exists: (path: string) => boolean = existsSync): UsualFolder[] =>
  usualFolders(around).filter((folder) => exists(folder.path));

/** Folders of presets, where the formats' documents put them (memory). What lies below the plugins' own folders is found with them. */
const presetFolders = (formats: readonly Format[], paths: readonly string[]): UsualFolder[] =>
  paths.map((path) => ({ path, formats, presets: true }));

function linuxFolders(home: string, env: Surroundings['env']): UsualFolder[] {
  const row = (format: Format, variable: string | null, own: string, shared: readonly string[]): UsualFolder[] => {
    const named = variable === null ? [] : (env[variable] ?? '').split(delimiter).filter((path) => path !== '');
    return [...named, join(home, own), ...shared].map((path) => ({ path, formats: [format] }));
  };
  return [
    ...row('LV2', 'LV2_PATH', '.lv2', ['/usr/local/lib/lv2', '/usr/lib/lv2']),
    ...row('VST3', null, '.vst3', ['/usr/local/lib/vst3', '/usr/lib/vst3']),
    ...row('CLAP', 'CLAP_PATH', '.clap', ['/usr/lib/clap']),
    ...row('VST2', 'VST_PATH', '.vst', ['/usr/local/lib/vst', '/usr/lib/vst']),
    // The older folder of VST2 on Linux (memory).
    ...row('VST2', 'LXVST_PATH', '.lxvst', ['/usr/local/lib/lxvst', '/usr/lib/lxvst']),
    ...row('LADSPA', 'LADSPA_PATH', '.ladspa', ['/usr/local/lib/ladspa', '/usr/lib/ladspa']),
    ...presetFolders(['VST3'], ['/usr/local/share/vst3/presets', '/usr/share/vst3/presets']),
  ];
}

function macFolders(home: string): UsualFolder[] {
  const names: [string, Format][] = [
    ['Components', 'AU'],
    ['VST3', 'VST3'],
    ['CLAP', 'CLAP'],
    ['VST', 'VST2'],
    ['LV2', 'LV2'],
  ];
  const plugins = names.flatMap(([name, format]): UsualFolder[] =>
    [`${home}/Library/Audio/Plug-Ins/${name}`, `/Library/Audio/Plug-Ins/${name}`].map((path) => ({
      path,
      formats: [format],
    })),
  );
  const presets = [`${home}/Library/Audio/Presets`, '/Library/Audio/Presets'];
  return [...plugins, ...presetFolders(['VST3', 'AU'], presets)];
}

function windowsFolders(env: Surroundings['env']): UsualFolder[] {
  const under = (variable: string, ...parts: string[]): string[] => {
    const base = env[variable];
    return base === undefined || base === '' ? [] : [[base, ...parts].join('\\')];
  };
  const row = (format: Format, paths: string[]): UsualFolder[] => paths.map((path) => ({ path, formats: [format] }));
  return [
    ...row('VST3', [...under('LOCALAPPDATA', 'Programs', 'Common', 'VST3'), ...under('COMMONPROGRAMFILES', 'VST3')]),
    ...row('CLAP', [...under('LOCALAPPDATA', 'Programs', 'Common', 'CLAP'), ...under('COMMONPROGRAMFILES', 'CLAP')]),
    ...row('VST2', [...under('PROGRAMFILES', 'VSTPlugins'), ...under('COMMONPROGRAMFILES', 'VST2')]),
    ...row('LV2', [...under('APPDATA', 'LV2'), ...under('COMMONPROGRAMFILES', 'LV2')]),
    ...presetFolders(['VST3'], under('USERPROFILE', 'Documents', 'VST3 Presets')),
  ];
}
