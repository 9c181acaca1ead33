import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import type { SearchText } from '@clever-drawer/core/search/search-index';
import type { ChosenPlugin } from './queries';

/** By what a plugin is found, in every place: its names, then vendor, types, tags and the label on the strip. */
export function searchTextOf({
  name,
  givenName,
  vendor,
  types,
  naming,
}: Pick<ChosenPlugin, 'name' | 'givenName' | 'vendor' | 'types' | 'naming'>): SearchText {
  return {
    names: name === givenName ? [name] : [name, givenName],
    more: [
      ...(vendor === null ? [] : [vendor]),
      ...types.map((type) => TYPE_TREE[type].label),
      ...(naming?.tags ?? []),
      ...(naming?.stripLabel == null ? [] : [naming.stripLabel]),
    ],
  };
}
