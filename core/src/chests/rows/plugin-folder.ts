import { flag, rowKind, textUpTo, text } from './row-kind.js';

/** The most characters of the path of a folder. */
export const MAX_FOLDER_PATH_LENGTH = 4000;

/** A folder of a computer that is scanned for plugins. */
export interface PluginFolder {
  readonly id: string;
  /** Full path, as the computer's system writes it. */
  readonly path: string;
  /** ISO time. */
  readonly addedAt: string;
  /** Whether its plugins may be loaded to read their details. */
  readonly asks: boolean;
  /** Whether arrivals in it are watched for. */
  readonly watches: boolean;
}

/** Plugin folders as rows. */
export const PLUGIN_FOLDER = rowKind<PluginFolder>()({
  table: 'folder',
  scope: 'computer',
  columns: { id: text, path: textUpTo(MAX_FOLDER_PATH_LENGTH), addedAt: text, asks: flag, watches: flag },
  indexes: [{ columns: ['path'], unique: true }],
});
