import type { ChainId, PluginId, PresetKey } from '../../ids.js';
import { flag, orNull, rowKind, text } from './row-kind.js';

/** One plugin of a chain, maybe with a preset. */
export interface ChainPart {
  readonly id: string;
  readonly chainId: ChainId;
  /** Order key in the chain. */
  readonly order: string;
  readonly pluginId: PluginId;
  readonly preset: PresetKey | null;
  readonly bypass: boolean;
}

/** The parts of chains as rows. */
export const CHAIN_PART = rowKind<ChainPart>()({
  table: 'chain_part',
  scope: 'studio',
  columns: { id: text, chainId: text, order: text, pluginId: text, preset: orNull(text), bypass: flag },
  refersTo: { chainId: 'chain' },
  indexes: [{ columns: ['chainId'], unique: false }],
});
