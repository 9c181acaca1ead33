import { partsOfChain } from './chains.js';
import { isChain, itemParts } from './item.js';
import { sameRow, type Edit } from './edit.js';
import { placesOfItem } from './item-places.js';
import { keysBefore } from './order-keys.js';
import type { Planners } from './plan.js';
import { UNCHANGED, nothing, planned, refuse } from './plan.js';
import type { ChainPart } from './rows/chain-part.js';

const NO_CHAIN = 'This chain is not there any more. It was deleted in another window; undo there brings it back.';
/** So many plugins a chain has at most. */
export const MAX_PARTS = 64;

/** Chains: kept from slots, renamed, given other parts, deleted with every place that they stand in. */
export const CHAIN_PLANNERS: Planners<'keep-chain' | 'rename-chain' | 'arrange-chain' | 'delete-chain'> = {
  'keep-chain': {
    names: ({ slotIds }, state) => ({ plugins: slotIds.flatMap((id) => state.slot.get(id)?.pluginId ?? []) }),
    plan: (state, { id, name, slotIds }) => {
      if (state.chain.has(id)) return refuse('This chain has been kept already.');
      const slots = slotIds.flatMap((slot) => state.slot.get(slot) ?? []).filter((slot) => slot.pluginId !== null);
      if (slots.length === 0) return refuse('These slots are empty: there is nothing to keep as a chain.');
      if (slots.length > MAX_PARTS) return refuse(`A chain has ${String(MAX_PARTS)} plugins at most.`);
      const orders = keysBefore([], null, slots.length);
      const parts = slots.flatMap(({ pluginId, preset, bypass = false }, at): Edit[] => {
        if (pluginId === null) return [];
        const part = `${id}/${String(at + 1)}`;
        const after = { id: part, chainId: id, order: orders[at] ?? '', pluginId, preset, bypass };
        return [{ of: 'chainPart', id: part, before: null, after }];
      });
      return planned(`keep the chain ${name}`, [{ of: 'chain', id, before: null, after: { id, name } }, ...parts]);
    },
  },

  'rename-chain': {
    names: nothing,
    plan: (state, { id, name }) => {
      const before = state.chain.get(id);
      if (before === undefined) return refuse(NO_CHAIN);
      if (before.name === name) return refuse(UNCHANGED);
      return planned(`rename ${before.name} to ${name}`, [{ of: 'chain', id, before, after: { ...before, name } }]);
    },
  },

  'arrange-chain': {
    names: ({ parts }) => ({ plugins: parts.map(({ item }) => itemParts(item).pluginId) }),
    plan: (state, { id, parts }) => {
      const chain = state.chain.get(id);
      if (chain === undefined) return refuse(NO_CHAIN);
      if (parts.length === 0) return refuse('A chain has at least one plugin. Delete the chain instead.');
      if (parts.length > MAX_PARTS) return refuse(`A chain has ${String(MAX_PARTS)} plugins at most.`);
      if (parts.some(({ item }) => isChain(item))) return refuse('A chain can’t hold another chain.');
      const before = partsOfChain(state, id);
      const orders = keysBefore([], null, parts.length);
      const after = parts.map(({ item, bypass }, at): ChainPart => ({
        id: `${id}/${String(at + 1)}`,
        chainId: id,
        order: orders[at] ?? '',
        ...itemParts(item),
        bypass,
      }));
      const isSame =
        before.length === after.length &&
        before.every(({ pluginId, preset, bypass }, at) => {
          const other = after[at];
          return other?.pluginId === pluginId && other.preset === preset && other.bypass === bypass;
        });
      if (isSame) return refuse(UNCHANGED);
      const kept = new Map(after.map((part) => [part.id, part]));
      const known = new Map(before.map((part) => [part.id, part]));
      return planned(`change the chain ${chain.name}`, [
        ...before
          .filter((part) => !kept.has(part.id))
          .map((part): Edit => ({ of: 'chainPart', id: part.id, before: part, after: null })),
        ...after.flatMap((part): Edit[] => {
          const old = known.get(part.id) ?? null;
          return sameRow(old, part) ? [] : [{ of: 'chainPart', id: part.id, before: old, after: part }];
        }),
      ]);
    },
  },

  'delete-chain': {
    names: nothing,
    plan: (state, { id }) => {
      const before = state.chain.get(id);
      if (before === undefined) return refuse(NO_CHAIN);
      return planned(`delete the chain ${before.name}`, [
        ...placesOfItem(state, new Set([id])),
        ...partsOfChain(state, id).map((part): Edit => ({ of: 'chainPart', id: part.id, before: part, after: null })),
        { of: 'chain', id, before, after: null },
      ]);
    },
  },
};
