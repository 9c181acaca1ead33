import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import type { PresetOf } from '@clever-drawer/core/chests/item';
import type { SearchText } from '@clever-drawer/core/search/search-index';
import type { ChosenItem } from './chosen-catalogue';

/** By what a plugin is found, in every place: its names, then vendor, types, tags and the label on the strip. */
export function searchTextOf({
  name,
  givenName,
  calledToo,
  vendor,
  types,
  naming,
  preset,
  chain,
  ownNames = [],
}: Pick<
  ChosenItem,
  'name' | 'givenName' | 'calledToo' | 'vendor' | 'types' | 'naming' | 'preset' | 'chain' | 'ownNames'
>): SearchText {
  if (preset !== null) return presetText(preset, name, givenName, vendor, naming?.tags ?? []);
  return {
    names: [...(name === givenName ? [name] : [name, givenName]), ...calledToo, ...ownNames],
    more: [
      ...(vendor === null ? [] : [vendor]),
      ...types.map((type) => TYPE_TREE[type].label),
      ...(chain === undefined ? [] : ['chain']),
      ...(naming?.tags ?? []),
      ...(naming?.stripLabel == null ? [] : [naming.stripLabel]),
    ],
  };
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
