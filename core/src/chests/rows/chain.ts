import type { ChainId } from '../../ids.js';
import { MAX_NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** Several plugins in order, kept under a name and loaded in one go. */
export interface Chain {
  readonly id: ChainId;
  readonly name: string;
}

/** Chains as rows. */
export const CHAIN = rowKind<Chain>()({
  table: 'chain',
  scope: 'studio',
  columns: { id: text, name: textUpTo(MAX_NAME_LENGTH) },
});
