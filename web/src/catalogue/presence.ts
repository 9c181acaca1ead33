import type { PluginView } from '@clever-drawer/contract/responses';

/** Whether the studio has a plugin that this computer has never had: it keeps its places, is left out of menus, and is counted apart. */
export const isElsewhere = ({ builds }: { readonly builds: readonly unknown[] }): boolean => builds.length === 0;

/** What is wrong with a plugin's presence, in words; null when it is there. */
export const absenceOf = (plugin: Pick<PluginView, 'builds' | 'found'>): string | null =>
  plugin.found ? null : isElsewhere(plugin) ? 'not on this computer' : 'not found';
