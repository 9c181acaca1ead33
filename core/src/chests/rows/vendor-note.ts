import { MAX_NOTE_LENGTH, orNull, rowKind, textUpTo } from './row-kind.js';

/** The most characters of a link. */
export const MAX_LINK_LENGTH = 2000;
/** The most characters of the name of a vendor. */
const MAX_VENDOR_LENGTH = 2000;

/** What the producer wants to remember about a vendor: a note, and where its plugins can be got again. One of them is there. */
export interface VendorNote {
  /** The vendor's name as it is shown. */
  readonly id: string;
  readonly note: string | null;
  /** An address that begins with http:// or https://. */
  readonly link: string | null;
}

/** Notes on vendors as rows. */
export const VENDOR_NOTE = rowKind<VendorNote>()({
  table: 'vendor_note',
  scope: 'studio',
  columns: {
    id: textUpTo(MAX_VENDOR_LENGTH),
    note: orNull(textUpTo(MAX_NOTE_LENGTH)),
    link: orNull(textUpTo(MAX_LINK_LENGTH)),
  },
});
