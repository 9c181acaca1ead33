/** Chains as items, and what stands in lanes, in the order in which the signal passes it. */
import type { TypeId } from '../catalogue/type-tree.js';
import type { Role } from '../catalogue/role.js';
import { asId, type ChainId, type ItemId, type LaneId, type PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { CHAIN_MARK, itemId, type ItemParts } from './item.js';
import { group } from './row-groups.js';
import { fold } from '../text/words.js';
import type { Chain } from './rows/chain.js';
import type { ChainPart } from './rows/chain-part.js';
import type { Slot } from './rows/slot.js';

/** The id of a new chain. */
export const chainIdOf = (id: string): ChainId => asId<ChainId>(CHAIN_MARK + id);

/** The parts of a chain, in order. */
export const partsOfChain = (state: Arrangement, id: ChainId): readonly ChainPart[] => group(state, 'partsOf', id);

/** The chain of a name, whatever its capitals; undefined for none. */
export const chainNamed = ({ chain }: Pick<Arrangement, 'chain'>, name: string): Chain | undefined =>
  [...chain.values()].find((one) => fold(one.name) === fold(name));

/** The slots of a lane, in order. */
export const slotsIn = (state: Arrangement, lane: LaneId): readonly Slot[] => group(state, 'slotsIn', lane);

/** What is in a slot; null when it is empty. */
export const itemIn = ({ pluginId, preset }: Slot): ItemId | null =>
  pluginId === null ? null : itemId({ pluginId, preset });

/** What stands before a slot in its lane: the next one above that is not empty; null for none. */
export function itemBefore(state: Arrangement, slot: Slot): ItemId | null {
  const slots = slotsIn(state, slot.laneId);
  const at = slots.findIndex((one) => one.id === slot.id);
  return (
    slots
      .slice(0, Math.max(at, 0))
      .map(itemIn)
      .findLast((one) => one !== null) ?? null
  );
}

interface PartPlugin {
  readonly role: Role | null;
  readonly types: readonly TypeId[];
  readonly found: boolean;
}

/** What a chain is by its plugins: an instrument when it begins with one, else what its first plugin is; the types of all, each once; found when one of them is. */
export function chainFacts(plugins: readonly (PartPlugin | undefined)[]): PartPlugin {
  const known = plugins.filter((one) => one !== undefined);
  return {
    role: known.some((one) => one.role === 'instrument') ? 'instrument' : (known[0]?.role ?? null),
    types: [...new Set(known.flatMap((one) => one.types.slice(0, 1)))],
    found: known.some((one) => one.found),
  };
}

/** How a lane's content is like a chain. */
export interface ChainLikeness {
  readonly chainId: ChainId;
  /** What the lane has besides, and what it lacks of the chain. */
  readonly more: readonly PluginId[];
  readonly lacks: readonly PluginId[];
}

/** The chain that what stands in a lane is most like: the one that differs least, and shares at least half; null for none. */
export function likestChain(state: Arrangement, lane: LaneId): ChainLikeness | null {
  const own = slotsIn(state, lane).flatMap((slot) => slot.pluginId ?? []);
  if (own.length === 0) return null;
  let best: ChainLikeness | null = null;
  for (const { id } of state.chain.values()) {
    const parts = partsOfChain(state, id).map((part) => part.pluginId);
    const shared = parts.filter((part) => own.includes(part)).length;
    const likeness = {
      chainId: id,
      more: own.filter((one) => !parts.includes(one)),
      lacks: parts.filter((one) => !own.includes(one)),
    };
    if (shared * 2 < parts.length || shared === 0) continue;
    if (best === null || differs(likeness) < differs(best)) best = likeness;
  }
  return best;
}
const differs = ({ more, lacks }: ChainLikeness): number => more.length + lacks.length;

/** The items of a chain, in order. */
export const itemsOfChain = (state: Arrangement, id: ChainId): ItemParts[] =>
  partsOfChain(state, id).map(({ pluginId, preset }) => ({ pluginId, preset }));
