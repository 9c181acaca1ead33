interface Present {
  readonly builds: readonly unknown[];
  readonly preset?: object | null;
  readonly found: boolean;
  /** The music program of an own entry, which needs no build. */
  readonly program?: string | undefined;
  /** The file that an own entry is. */
  readonly file?: string | null | undefined;
}

/** Whether the studio has a plugin, a preset or a file that this computer lacks. Its places stay; it is left out of menus and counted apart. */
export const isElsewhere = ({ builds, preset, found, program, file }: Present): boolean =>
  (builds.length === 0 && program === undefined) || ((preset != null || file != null) && !found);

/** What is wrong with a plugin's presence, in words; null when it is there. */
export const absenceOf = (plugin: Present): string | null =>
  plugin.found ? null : isElsewhere(plugin) ? 'not on this computer' : 'not found';
