import type { Role } from '../catalogue/role.js';
import { cappedText } from '../facts/caps.js';
import type { PluginId } from '../ids.js';
import { wordsOf } from '../text/words.js';
import { ENDING_LENGTH, MOST_ENDINGS } from './rows/file-folder.js';
import { kindOfName } from './read-own-list.js';
import type { OwnEntry } from './rows/own-entry.js';
import { NAME_LENGTH } from './rows/row-kind.js';

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

/** The words by which a file is found: those of its name, its folders and its ending. */
export const fileWords = (file: string): string[] => [...new Set(wordsOf(file))];

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
  const isEnding = (one: string): boolean => one.length <= ENDING_LENGTH && !/[\\/.*?]/.test(one);
  return endings.every(isEnding) && new Set(endings).size <= MOST_ENDINGS ? [...new Set(endings)] : null;
}

/** The own entry that a file becomes when it is put somewhere: of the role of its folder, else of what its name tells. */
export function entryOfFile({ id, name, file, program, role }: OtherFile, addedAt: string): OwnEntry {
  const told = kindOfName(name);
  return {
    id,
    name: cappedText(name, NAME_LENGTH),
    maker: null,
    program,
    role: role ?? told.role,
    types: role === null || role === told.role ? told.types : [],
    width: null,
    addedAt,
    file,
  };
}
