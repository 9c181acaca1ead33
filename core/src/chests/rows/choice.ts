import { ROLES, type Role } from '../../catalogue/role.js';
import { TYPE_IDS, type TypeId } from '../../catalogue/type-tree.js';
import type { PluginId } from '../../ids.js';
import { MAX_NAME_LENGTH, oneOf, orNull, rowKind, someOf, text, textUpTo } from './row-kind.js';

/** What the producer chose for a plugin by hand; it wins over everything worked out. Null leaves it to what is worked out. */
export interface Choice {
  readonly id: PluginId;
  readonly role: Role | null;
  readonly types: readonly TypeId[] | null;
  readonly vendor: string | null;
}

/** Choices as rows. */
export const CHOICE = rowKind<Choice>()({
  table: 'choice',
  scope: 'studio',
  columns: {
    id: text,
    role: orNull(oneOf(ROLES)),
    types: orNull(someOf(TYPE_IDS)),
    vendor: orNull(textUpTo(MAX_NAME_LENGTH)),
  },
});
