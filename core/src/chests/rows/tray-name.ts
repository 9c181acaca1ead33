import { SIGNS, type Sign } from '../sign.js';
import { flag, MAX_NAME_LENGTH, oneOf, orNull, rowKind, text, textUpTo } from './row-kind.js';

/** What the producer says of a tray, by its number as text: its name, its sign, and whether menus offer it. */
export interface TrayName {
  readonly id: string;
  /** Null for its standing name. */
  readonly name: string | null;
  readonly sign: Sign | null;
  /** Whether no menu offers it, for a while. */
  readonly notInMenus: boolean;
}

/** Names and signs of trays as rows. */
export const TRAY_NAME = rowKind<TrayName>()({
  table: 'tray_name',
  scope: 'studio',
  columns: { id: text, name: orNull(textUpTo(MAX_NAME_LENGTH)), sign: orNull(oneOf(SIGNS)), notInMenus: flag },
  upgrades: [{ to: 7, upgrade: (row) => ({ sign: null, notInMenus: false, ...row }) }],
  documented: ['name', 'sign', 'notInMenus'],
});
