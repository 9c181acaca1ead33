import { NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** The producer's name for a tray, by its number as text. */
export interface TrayName {
  readonly id: string;
  readonly name: string;
}

/** Names of trays as rows. */
export const TRAY_NAME = rowKind<TrayName>()({
  table: 'tray_name',
  scope: 'studio',
  columns: { id: text, name: textUpTo(NAME_LENGTH) },
  documented: ['name'],
});
