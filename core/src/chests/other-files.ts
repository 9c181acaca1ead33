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
  /** What its entry's id is: made of `file`, so that it is the same on every computer. */
  readonly id: PluginId;
  /** Without its ending. */
  readonly name: string;
  /** See OwnEntry. */
  readonly file: string;
  readonly program: string;
  /** What the files of its folder are; null where their names tell it. */
  readonly role: Role | null;
}

/** The name by which a file is known on every computer: the last name of its folder, and its path in it with forward slashes. */
export const fileKeyOf = (folder: string, inside: string): string =>
  `${folder.split(/[\\/]/).findLast((part) => part !== '') ?? ''}/${inside}`.normalize('NFC');

/** The name of a file without its ending: "Racks/Deep bass.rack" → "Deep bass". A name that is nothing but an ending stays. */
export function fileTitle(inside: string): string {
  const name = inside.split('/').at(-1) ?? inside;
  return name.replace(/(?<=.)\.[^.]+$/, '');
}

/** What a word may have at most: an index of the database takes 2,046 bytes (PostgreSQL 15, 12.9). */
const MAX_OF_A_WORD = 100;

/** Whole signs alone: half of one is no text. */
const beginningOf = (word: string): string => word.slice(0, MAX_OF_A_WORD).replace(/[\uD800-\uDBFF]$/, '');

/** The words by which a file is found, and those of what is typed: of its name, its folders and its ending. */
export const fileWords = (text: string): string[] => [
  ...new Set(wordsOf(text).map((word) => (word.length <= MAX_OF_A_WORD ? word : beginningOf(word)))),
];

/** The ending of a file in small letters and without the dot; null for none. */
export function endingOf(name: string): string | null {
  const [, ending] = /.\.([^.]+)$/.exec(name) ?? [];
  return ending === undefined ? null : ending.toLowerCase();
}

/** Endings as they are typed, in a list: ".Rack, *.preset adg" → rack, preset, adg. Null for one that is none, or for too many. */
export function readEndings(typed: string): string[] | null {
  const endings = typed
    .split(/[\s,;]+/)
    .map((one) => one.replace(/^\*?\.?/, '').toLowerCase())
    .filter((one) => one !== '');
  const isEnding = (one: string): boolean => one.length <= MAX_ENDING_LENGTH && !/[\\/.*?]/.test(one);
  return endings.every(isEnding) && new Set(endings).size <= MAX_ENDINGS ? [...new Set(endings)] : null;
}

/** A name without blanks around it, and not longer than fits; of a file that is called by blanks alone, its ending. */
function nameOf(title: string, file: string): string {
  const name = truncateText(title.trim(), MAX_NAME_LENGTH).trim();
  return name === '' ? truncateText((file.split('.').at(-1) ?? '').trim(), MAX_NAME_LENGTH) : name;
}

/** The own entry that a file becomes when it is put somewhere: of the role of its folder, else of what its name tells. */
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
