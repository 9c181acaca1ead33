import { nameSynonyms, typeSynonyms } from '../catalogue/type-synonyms.js';
import { TYPE_TREE, type TypeId } from '../catalogue/type-tree.js';
import { folderName, folderOf, foldersAround } from '../facts/plugin-path.js';
import { wordsOf } from '../text/words.js';

/** What one thing can be found by: its names (the shown one first), and further words that count a little less. */
export interface SearchText {
  readonly names: readonly string[];
  /** Vendor, type, tags. */
  readonly more: readonly string[];
  readonly vendor?: string | null;
  /** Other words for what stands in names and types: they are met whole only, as long as anything else is found. */
  readonly aliases?: readonly string[];
  /** Words of the file and the description: they count where little else is found. */
  readonly far?: readonly string[];
  /** Names of the folders around the file: they count only where every typed word is met. */
  readonly folders?: readonly string[];
}

/** What is known of a plugin by which it can be found. */
export interface SearchablePlugin {
  /** The shown name first. */
  readonly names: readonly string[];
  readonly vendor: string | null;
  readonly types: readonly TypeId[];
  /** Tags, the label on the strip and the like. */
  readonly more: readonly string[];
  readonly paths: readonly string[];
  readonly description: string | null;
}

const MAX_DESCRIPTION = 300;
const ENDING = /\.(?:lv2|so|vst3|vst|dll|clap|component|dylib|aaxplugin)$/i;

/** By what a plugin is found, in every place: its names, then vendor, types and tags, other words for these, and last its file, folder and description. */
export function searchTextOfPlugin({ names, vendor, types, more, paths, description }: SearchablePlugin): SearchText {
  return {
    names,
    vendor,
    more: [...(vendor === null ? [] : [vendor]), ...types.map((type) => TYPE_TREE[type].label), ...more],
    aliases: [...types.flatMap((type) => typeSynonyms(type)), ...names.flatMap((name) => nameSynonyms(wordsOf(name)))],
    far: [
      ...types.flatMap((type) => typeSynonyms(type, true)),
      ...paths.map(fileName),
      ...(description === null ? [] : [description.slice(0, MAX_DESCRIPTION)]),
    ],
    folders: [...new Set(paths.flatMap(folderNames))],
  };
}

/** So many of the folders around a file tell how somebody arranged files; those further out are the system's. */
const FOLDERS = 2;
/** Where systems and formats keep plugins: what stands in such a folder has nothing in common. */
const USUAL_FOLDER =
  /^(?:vst[23]?|lv2|clap|components|ladspa|lib(?:64)?|usr|local|opt|home|plug-?ins|audio|library|common files|program files.*)$/i;

/** The names of the folders around a file, but for the usual ones. */
const folderNames = (path: string): string[] =>
  foldersAround(folderOf(path))
    .slice(0, FOLDERS)
    .map(folderName)
    .filter((name) => !USUAL_FOLDER.test(name));

/** What a plugin is called on disk, without the ending of its format. */
const fileName = (path: string): string => (path.split(/[\\/]/).pop() ?? '').replace(ENDING, '');
