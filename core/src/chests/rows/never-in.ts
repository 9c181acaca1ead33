import type { DrawerId, ItemId, PluginId, PresetKey } from '../../ids.js';
import { orNull, rowKind, text } from './row-kind.js';

/** An exception by hand: a plugin, or a preset of it, that the rule of a clever drawer never takes. Its id is made of drawer and item. */
export interface NeverIn {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly pluginId: PluginId;
  /** Null when it is the plugin itself. */
  readonly preset: PresetKey | null;
}

/** The id of an exception. */
export const neverInId = (drawerId: DrawerId, item: ItemId): string => `${drawerId}/${item}`;

/** Exceptions as rows. */
export const NEVER_IN = rowKind<NeverIn>()({
  table: 'never_in',
  scope: 'studio',
  columns: { id: text, drawerId: text, pluginId: text, preset: orNull(text) },
  refersTo: { drawerId: 'drawer' },
  indexes: [{ columns: ['drawerId', 'pluginId'], unique: false }],
});
