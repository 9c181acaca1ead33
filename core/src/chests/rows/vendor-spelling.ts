import { MAX_NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** Which vendor a spelling stands for, by the producer's word. `key` is what makes spellings one vendor. */
export interface VendorSpelling {
  /** The spelling as it is shown. */
  readonly id: string;
  readonly key: string;
  readonly name: string;
}

/** Spellings of vendors as rows. */
export const VENDOR_SPELLING = rowKind<VendorSpelling>()({
  table: 'vendor_spelling',
  scope: 'studio',
  columns: { id: text, key: text, name: textUpTo(MAX_NAME_LENGTH) },
});
