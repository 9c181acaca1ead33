import { ROLES, type Role } from '../../catalogue/role.js';
import { TYPE_IDS, type TypeId } from '../../catalogue/type-tree.js';
import type { PluginId } from '../../ids.js';
import { MAX_NAME_LENGTH, oneOf, orNull, rowKind, someOf, text, textUpTo } from './row-kind.js';
import { LANE_WIDTHS, type LaneWidth } from './lane.js';

/** What no scan of plugins finds and is arranged like a plugin: a device that is built into a music program, or a file of one. */
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
  /** The name of its folder and its path in it, with forward slashes, where it is a file; null for a device without one. */
  readonly file: string | null;
}

/** The most characters of the path of a file that can be an own entry. */
export const MAX_FILE_LENGTH = 1000;

/** Own entries as rows. */
export const OWN_ENTRY = rowKind<OwnEntry>()({
  table: 'own_entry',
  scope: 'studio',
  columns: {
    id: text,
    name: textUpTo(MAX_NAME_LENGTH),
    maker: orNull(textUpTo(MAX_NAME_LENGTH)),
    program: textUpTo(MAX_NAME_LENGTH),
    role: oneOf(ROLES),
    types: someOf(TYPE_IDS),
    width: orNull(oneOf(LANE_WIDTHS)),
    addedAt: text,
    file: orNull(textUpTo(MAX_FILE_LENGTH)),
  },
  upgrades: [{ to: 8, upgrade: (row) => ({ file: null, ...row }) }],
  documented: ['name', 'maker', 'program', 'role', 'types', 'width', 'addedAt', 'file'],
});
