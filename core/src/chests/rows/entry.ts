import type { DrawerId, PluginId } from '../../ids.js';
import { NAME_LENGTH, orNull, rowKind, text, textUpTo } from './row-kind.js';

/** A plugin's place in a drawer. Its id is made of both, so that a plugin can't stand in a drawer twice. */
export interface Entry {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly pluginId: PluginId;
  /** Order key among the entries and dividers of the drawer. */
  readonly order: string;
  /** A name in this drawer alone. */
  readonly name: string | null;
}

/** The id of a plugin's place in a drawer. */
export const entryId = (drawerId: DrawerId, pluginId: PluginId): string => `${drawerId}/${pluginId}`;

/** Entries as rows. */
export const ENTRY = rowKind<Entry>()({
  table: 'entry',
  scope: 'studio',
  columns: { id: text, drawerId: text, pluginId: text, order: text, name: orNull(textUpTo(NAME_LENGTH)) },
  refersTo: { drawerId: 'drawer', pluginId: 'plugin' },
  indexes: [{ columns: ['drawerId', 'pluginId'], unique: true }],
  upgrades: [{ to: 2, upgrade: (row) => ({ name: null, ...row }) }],
  documented: ['name'],
});
