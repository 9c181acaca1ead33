import type { BuildKey, DrawerId, ItemId, PluginId, PresetKey } from '../../ids.js';
import { MAX_NAME_LENGTH, orNull, rowKind, text, textUpTo } from './row-kind.js';

/** The place of a plugin, or of a preset of it, in a drawer. Its id is made of drawer and item, so that nothing can stand in a drawer twice. */
export interface Entry {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly pluginId: PluginId;
  /** Null when it is the plugin itself. */
  readonly preset: PresetKey | null;
  /** Order key among the entries and dividers of the drawer. */
  readonly order: string;
  /** A name in this drawer alone. */
  readonly name: string | null;
  /** The build that is loaded from here, on whatever computer it is installed; null for the usual one. */
  readonly build: BuildKey | null;
}

/** The id of an item's place in a drawer. */
export const entryId = (drawerId: DrawerId, item: ItemId): string => `${drawerId}/${item}`;

/** Entries as rows. */
export const ENTRY = rowKind<Entry>()({
  table: 'entry',
  scope: 'studio',
  columns: {
    id: text,
    drawerId: text,
    pluginId: text,
    preset: orNull(text),
    order: text,
    name: orNull(textUpTo(MAX_NAME_LENGTH)),
    build: orNull(text),
  },
  refersTo: { drawerId: 'drawer' },
  comesInBulk: true,
  indexes: [{ columns: ['drawerId'], unique: false }],
  upgrades: [
    { to: 2, upgrade: (row) => ({ name: null, ...row }) },
    { to: 3, upgrade: (row) => ({ preset: null, ...row }) },
    { to: 7, upgrade: (row) => ({ build: null, ...row }) },
  ],
  documented: ['name', 'build'],
});
