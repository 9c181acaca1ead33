import type { PresetOf } from '@clever-drawer/core/chests/item';
import { searchTextOfPlugin, type SearchText } from '@clever-drawer/core/search/search-text';
import type { ChosenItem } from './chosen-catalogue';

/** By what an item is found, in every place. `description`: of the plugin, where it was fetched. */
export function searchTextOf(
  {
    name,
    givenName,
    calledToo,
    vendor,
    types,
    builds,
    naming,
    preset,
    chain,
    ownNames = [],
    program,
    file,
  }: Pick<
    ChosenItem,
    | 'name'
    | 'givenName'
    | 'calledToo'
    | 'vendor'
    | 'types'
    | 'builds'
    | 'naming'
    | 'preset'
    | 'chain'
    | 'ownNames'
    | 'program'
    | 'file'
  >,
  description: string | null = null,
): SearchText {
  if (preset !== null) return presetText(preset, name, givenName, vendor, naming?.tags ?? []);
  return searchTextOfPlugin({
    names: [...(name === givenName ? [name] : [name, givenName]), ...calledToo, ...ownNames],
    vendor,
    types,
    more: [
      ...(chain === undefined ? [] : ['chain']),
      ...(program === undefined || program === vendor ? [] : [program]),
      ...(naming?.tags ?? []),
      ...(naming?.stripLabel == null ? [] : [naming.stripLabel]),
    ],
    paths: file == null ? builds.map((build) => build.path) : [file],
    description,
  });
}

/** A preset is found by its own name and bank; its plugin's name counts less, so that plugins come first where only that was typed. */
function presetText(
  preset: PresetOf,
  name: string,
  givenName: string,
  vendor: string | null,
  tags: readonly string[],
): SearchText {
  return {
    names: name === givenName ? [preset.name] : [name, preset.name],
    more: [givenName, ...(preset.bank === null ? [] : [preset.bank]), ...(vendor === null ? [] : [vendor]), ...tags],
  };
}
