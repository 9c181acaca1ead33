import type { ItemId, PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Change, Edit } from './edit.js';
import type { IntentKind, Wish } from './intent.js';
import { itemParts, pluginOfItem, pluginsOfItems } from './item.js';
import type { OwnEntry } from './rows/own-entry.js';
import type { BuildOf, KeyedBuild } from './set-aside.js';

/** What planning needs to know of the catalogue: the name of a plugin, or of a preset of it; undefined when there is no such plugin. */
export type NameOf = (id: ItemId) => string | undefined;

/** A change, or why the wish can't be granted, in words for the producer. */
export type Plan = { readonly ok: true; readonly change: Change } | { readonly ok: false; readonly refusal: string };

/** What of the catalogue a wish names: the server looks these up before it plans, and builds must still belong where the screen showed them. */
export interface Named {
  readonly plugins?: readonly PluginId[];
  readonly builds?: readonly (BuildOf | KeyedBuild)[];
  /** Files that must have been found on this computer. */
  readonly files?: readonly OwnEntry[];
  /** A picture that must have been sent before. */
  readonly picture?: string | null;
}

/** Wishes of one kind: what they name, and what they come to against the arrangement as it stands. */
export interface Planner<Kind extends IntentKind> {
  readonly names: (wish: Wish<Kind>, state: Arrangement) => Named;
  readonly plan: (state: Arrangement, wish: Wish<Kind>, nameOf: NameOf) => Plan;
}

/** A planner for each of some kinds of wishes. */
export type Planners<Kinds extends IntentKind> = { readonly [Kind in Kinds]: Planner<Kind> };

/** Wishes that name nothing of the catalogue. */
export const nothing = (): Named => ({});
/** For intents that refer to a list of plugins. */
export const referencesPlugins = ({ pluginIds }: { readonly pluginIds: readonly ItemId[] | null }): Named => ({
  // Worked out when they are asked for: of many, their names may be at hand.
  get plugins() {
    return pluginsOfItems(pluginIds ?? []);
  },
});
/** Wishes that name one plugin. */
export const referencesPlugin = ({ pluginId }: { readonly pluginId: ItemId }): Named => ({
  plugins: [pluginOfItem(pluginId)],
});

/** A change that a wish comes to. */
export const planned = (label: string, edits: readonly Edit[]): Plan => ({ ok: true, change: { label, edits } });
/** Why a wish is not granted. */
export const refuse = (refusal: string): Plan => ({ ok: false, refusal });

/** The refusal of a wish that would change nothing. */
export const UNCHANGED = 'Nothing to change.';

/** "Vestry Plate" for one, "12 plugins" for more. */
export function what(ids: readonly ItemId[], nameOf: NameOf): string {
  const [first] = ids;
  if (ids.length === 1 && first !== undefined) return nameOf(first) ?? 'a plugin';
  const presets = ids.filter((id) => itemParts(id).preset !== null).length;
  if (presets === 0) return count(ids.length);
  const words = `${String(presets)} ${presets === 1 ? 'preset' : 'presets'}`;
  return presets === ids.length ? words : `${count(ids.length - presets)} and ${words}`;
}

/** "1 plugin", "12 plugins". */
export const count = (number: number): string => `${String(number)} ${number === 1 ? 'plugin' : 'plugins'}`;
