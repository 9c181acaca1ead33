import type { Role } from '../catalogue/role.js';
import { truncateText } from '../facts/caps.js';
import type { PluginId } from '../ids.js';
import { wordsOf } from '../text/words.js';
import { MAX_ENDING_LENGTH, MAX_ENDINGS } from './rows/file-folder.js';
import { kindOfName } from './read-own-list.js';
import type { OwnEntry } from './rows/own-entry.js';
import { MAX_NAME_LENGTH } from './rows/row-kind.js';

/** A file that was found by its ending, and may become an own entry. */
export interface OtherFile {
  /** The id of its entry, derived from `file`, so that every computer computes the same id. */
  readonly id: PluginId;
  /** Without its ending. */
  readonly name: string;
  /** See OwnEntry. */
  readonly file: string;
  readonly program: string;
  /** What the files of its folder are; null where their names tell it. */
  readonly role: Role | null;
}

/** Identifies a file on every computer: the last name of its folder, then its path in that folder with forward slashes. */
export const fileKeyOf = (folder: string, inside: string): string =>
  `${folder.split(/[\\/]/).findLast((part) => part !== '') ?? ''}/${inside}`.normalize('NFC');

/** The name of a file without its ending: "Racks/Deep bass.rack" → "Deep bass". A name that is nothing but an ending stays. */
export function fileTitle(inside: string): string {
  const name = inside.split('/').at(-1) ?? inside;
  return name.replace(/(?<=.)\.[^.]+$/, '');
}

/** The most characters of a search word: a lexeme has at most 2,046 bytes (PostgreSQL 15, 12.11). */
const MAX_OF_A_WORD = 100;

/** Truncates without splitting a surrogate pair. */
const beginningOf = (word: string): string => word.slice(0, MAX_OF_A_WORD).replace(/[\uD800-\uDBFF]$/, '');

/** Search words of a file (its name, folders and ending), or of a typed query. */
export const fileWords = (text: string): string[] => [
  ...new Set(wordsOf(text).map((word) => (word.length <= MAX_OF_A_WORD ? word : beginningOf(word)))),
];

/** The ending of a file in small letters and without the dot; null for none. */
export function endingOf(name: string): string | null {
  const [, ending] = /.\.([^.]+)$/.exec(name) ?? [];
  return ending === undefined ? null : ending.toLowerCase();
}

/** Parses typed file name endings: ".Rack, *.preset adg" → rack, preset, adg. Null when one is invalid or there are too many. */
export function readEndings(typed: string): string[] | null {
  const endings = typed
    .split(/[\s,;]+/)
    .map((one) => one.replace(/^\*?\.?/, '').toLowerCase())
    .filter((one) => one !== '');
  const isEnding = (one: string): boolean => one.length <= MAX_ENDING_LENGTH && !/[\\/.*?]/.test(one);
  return endings.every(isEnding) && new Set(endings).size <= MAX_ENDINGS ? [...new Set(endings)] : null;
}

/** The trimmed and truncated title of a file; its ending where the title is blank. */
function nameOf(title: string, file: string): string {
  const name = truncateText(title.trim(), MAX_NAME_LENGTH).trim();
  return name === '' ? truncateText((file.split('.').at(-1) ?? '').trim(), MAX_NAME_LENGTH) : name;
}

/** Creates the own entry of a file. Its role is that of its folder, or is inferred from its name. */
export function entryOfFile({ id, name, file, program, role }: OtherFile, addedAt: string): OwnEntry {
  const told = kindOfName(name);
  return {
    id,
    name: nameOf(name, file),
    maker: null,
    program,
    role: role ?? told.role,
    types: role === null || role === told.role ? told.types : [],
    width: null,
    addedAt,
    file,
  };
}
