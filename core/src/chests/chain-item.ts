import type { TypeId } from '../catalogue/type-tree.js';
import type { Role } from '../catalogue/role.js';
import type { ItemId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { chainFacts, itemsOfChain } from './chains.js';
import { itemId, pluginOfItem } from './item.js';
import type { ItemOf } from './preset-item.js';
import type { Chosen } from './with-choices.js';

type Plugin = Chosen & {
  readonly id: ItemId;
  readonly name: string;
  readonly found: boolean;
  readonly role: Role | null;
  readonly types: readonly TypeId[];
};

/**
 * The chains as things that can be filed, named and loaded like plugins: what they are by their plugins, under names of their own. What else is known is what is
 * known of the first plugin. A chain of which no plugin is in the catalogue is left out.
 */
export function chainItems<P extends Plugin>(
  state: Pick<Arrangement, 'chain' | 'chainPart' | 'naming'>,
  byId: ReadonlyMap<ItemId, P | ItemOf<P>>,
): ItemOf<P>[] {
  return [...state.chain.values()].flatMap(({ id, name }): ItemOf<P>[] => {
    const chain = itemsOfChain(state as Arrangement, id).map((part) => itemId(part));
    const parts = chain.map((part) => byId.get(part) ?? byId.get(pluginOfItem(part)));
    const first = parts.find((part) => part?.found === true) ?? parts.find((part) => part !== undefined);
    if (first === undefined) return [];
    const naming = state.naming.get(id) ?? null;
    return [
      {
        ...first,
        ...chainFacts(parts),
        id,
        givenName: name,
        name: naming?.nickname ?? name,
        calledToo: [],
        vendor: null,
        loads: 0,
        lastLoad: null,
        contradictions: [],
        naming,
        aside: null,
        preset: null,
        chain,
      },
    ];
  });
}
