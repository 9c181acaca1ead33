import type { ItemId } from '../../ids.js';
import { NAME_LENGTH, NOTE_LENGTH, orNull, rowKind, text, textsUpTo, textUpTo } from './row-kind.js';

/** The most characters of a strip label. */
export const STRIP_LABEL_LENGTH = 12;
/** The most characters of a tag. */
export const TAG_LENGTH = 40;

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
    nickname: orNull(textUpTo(NAME_LENGTH)),
    stripLabel: orNull(textUpTo(STRIP_LABEL_LENGTH)),
    note: orNull(textUpTo(NOTE_LENGTH)),
    tags: textsUpTo(TAG_LENGTH),
  },
  documented: ['nickname', 'stripLabel', 'note', 'tags'],
});
