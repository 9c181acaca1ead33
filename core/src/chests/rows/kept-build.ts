import type { BuildKey } from '../../ids.js';
import { MAX_NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** A build that the producer keeps, on whatever computer it is installed, and why: no rule of thumb sets it aside. */
export interface KeptBuild {
  readonly id: BuildKey;
  readonly reason: string;
}

/** Kept builds as rows. */
export const KEPT_BUILD = rowKind<KeptBuild>()({
  table: 'kept_build',
  scope: 'studio',
  columns: { id: text, reason: textUpTo(MAX_NAME_LENGTH) },
});
