/** The values of a filter by reason that stand for the end of what is set aside: in the next days, or in the past. */
export const ENDS_SOON = 'ends-soon';
export const HAS_ENDED = 'ended';
/** So many days are soon. */
export const SOON_DAYS = 14;
