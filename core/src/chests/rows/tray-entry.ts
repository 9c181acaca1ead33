import type { PluginId } from '../../ids.js';
import { number, rowKind, text } from './row-kind.js';

/** The numbers of the trays. */
export const TRAYS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
/** The tray that is called Favourites. */
export const FAVOURITES = 1;

/** A plugin's place on one of the nine trays. Its id is made of both, so that a plugin can't stand on a tray twice. */
export interface TrayEntry {
  readonly id: string;
  readonly tray: number;
  readonly pluginId: PluginId;
  readonly order: string;
}

/** The id of a plugin's place on a tray. */
export const trayEntryId = (tray: number, pluginId: PluginId): string => `${String(tray)}/${pluginId}`;

/** Places on trays as rows. */
export const TRAY_ENTRY = rowKind<TrayEntry>()({
  table: 'tray_entry',
  scope: 'studio',
  columns: { id: text, tray: number, pluginId: text, order: text },
  refersTo: { pluginId: 'plugin' },
  indexes: [{ columns: ['tray', 'pluginId'], unique: true }],
});
