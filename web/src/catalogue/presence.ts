interface Present {
  readonly builds: readonly unknown[];
  readonly preset?: object | null;
  readonly found: boolean;
  /** The music program of an own entry, which needs no build. */
  readonly program?: string | undefined;
}

/** Whether the studio has a plugin, or a preset, that this computer has never had: it keeps its places, is left out of menus, and is counted apart. */
export const isElsewhere = ({ builds, preset, found, program }: Present): boolean =>
  (builds.length === 0 && program === undefined) || (preset != null && !found);

/** What is wrong with a plugin's presence, in words; null when it is there. */
export const absenceOf = (plugin: Present): string | null =>
  plugin.found ? null : isElsewhere(plugin) ? 'not on this computer' : 'not found';
