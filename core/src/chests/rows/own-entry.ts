import { ROLES, type Role } from '../../catalogue/role.js';
import { TYPE_IDS, type TypeId } from '../../catalogue/type-tree.js';
import type { PluginId } from '../../ids.js';
import { NAME_LENGTH, oneOf, orNull, rowKind, someOf, text, textUpTo } from './row-kind.js';
import { LANE_WIDTHS, type LaneWidth } from './lane.js';

/** A device without a file here, such as one that is built into a music program: named by hand, and arranged like a plugin. */
export interface OwnEntry {
  /** Begins with OWN_ENTRY_MARK, so that it is never taken for a plugin of a scan. */
  readonly id: PluginId;
  readonly name: string;
  /** Who made it; null when that is the program's maker, or nobody knows. */
  readonly maker: string | null;
  /** The music program that it belongs to. */
  readonly program: string;
  readonly role: Role;
  /** The main type first; empty when unknown. */
  readonly types: readonly TypeId[];
  /** Null when it takes any width. */
  readonly width: LaneWidth | null;
  /** ISO time. */
  readonly addedAt: string;
}

/** Own entries as rows. */
export const OWN_ENTRY = rowKind<OwnEntry>()({
  table: 'own_entry',
  scope: 'studio',
  columns: {
    id: text,
    name: textUpTo(NAME_LENGTH),
    maker: orNull(textUpTo(NAME_LENGTH)),
    program: textUpTo(NAME_LENGTH),
    role: oneOf(ROLES),
    types: someOf(TYPE_IDS),
    width: orNull(oneOf(LANE_WIDTHS)),
    addedAt: text,
  },
  documented: ['name', 'maker', 'program', 'role', 'types', 'width', 'addedAt'],
});
