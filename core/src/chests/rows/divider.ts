import type { DrawerId } from '../../ids.js';
import { MAX_NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** A line between the entries of a drawer, ordered among them; its label may be empty. */
export interface Divider {
  readonly id: string;
  readonly drawerId: DrawerId;
  readonly label: string;
  readonly order: string;
}

/** Dividers as rows. */
export const DIVIDER = rowKind<Divider>()({
  table: 'divider',
  scope: 'studio',
  columns: { id: text, drawerId: text, label: textUpTo(MAX_NAME_LENGTH), order: text },
  refersTo: { drawerId: 'drawer' },
  indexes: [{ columns: ['drawerId'], unique: false }],
});
