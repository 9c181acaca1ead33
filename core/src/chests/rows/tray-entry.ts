import type { ItemId, PluginId, PresetKey } from '../../ids.js';
import { number, orNull, rowKind, text } from './row-kind.js';

/** The numbers of the trays. */
export const TRAYS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
/** The tray that is called Favourites. */
export const FAVOURITES = 1;

/** The place of a plugin, or of a preset of it, on one of the nine trays. Its id is made of tray and item, so that nothing can stand on a tray twice. */
export interface TrayEntry {
  readonly id: string;
  readonly tray: number;
  readonly pluginId: PluginId;
  /** Null when it is the plugin itself. */
  readonly preset: PresetKey | null;
  readonly order: string;
}

/** The id of an item's place on a tray. */
export const trayEntryId = (tray: number, item: ItemId): string => `${String(tray)}/${item}`;

/** Places on trays as rows. */
export const TRAY_ENTRY = rowKind<TrayEntry>()({
  table: 'tray_entry',
  scope: 'studio',
  columns: { id: text, tray: number, pluginId: text, preset: orNull(text), order: text },
  indexes: [{ columns: ['tray', 'pluginId'], unique: false }],
  upgrades: [{ to: 3, upgrade: (row) => ({ preset: null, ...row }) }],
});
