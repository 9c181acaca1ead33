import { rowKind, text } from './row-kind.js';

/** The id of the only row of its kind. */
export const LAST_LOOK = 'last';

/** When the producer last looked at what had arrived; there is one row at most. */
export interface Look {
  readonly id: typeof LAST_LOOK;
  /** ISO time. */
  readonly at: string;
}

/** The last look as a row. */
export const LOOK = rowKind<Look>()({ table: 'look', scope: 'computer', columns: { id: text, at: text } });
