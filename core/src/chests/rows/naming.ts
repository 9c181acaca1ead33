import type { ItemId } from '../../ids.js';
import { MAX_NAME_LENGTH, MAX_NOTE_LENGTH, orNull, rowKind, text, textsUpTo, textUpTo } from './row-kind.js';

/** The most characters of a strip label. */
export const MAX_STRIP_LABEL_LENGTH = 12;
/** The most characters of a tag. */
export const MAX_TAG_LENGTH = 40;

/** What the producer calls a plugin, or a preset of it, and notes about it. Empty and null leave what its files say. */
export interface Naming {
  readonly id: ItemId;
  /** Shown instead of the given name; both are found. */
  readonly nickname: string | null;
  /** A very short name for places as narrow as a mixer slot; null takes the proposed one. */
  readonly stripLabel: string | null;
  readonly note: string | null;
  readonly tags: readonly string[];
}

/** The producer's words for plugins as rows. */
export const NAMING = rowKind<Naming>()({
  table: 'naming',
  scope: 'studio',
  columns: {
    id: text,
    nickname: orNull(textUpTo(MAX_NAME_LENGTH)),
    stripLabel: orNull(textUpTo(MAX_STRIP_LABEL_LENGTH)),
    note: orNull(textUpTo(MAX_NOTE_LENGTH)),
    tags: textsUpTo(MAX_TAG_LENGTH),
  },
  documented: ['nickname', 'stripLabel', 'note', 'tags'],
});
