/** The producer's calendar: days begin at midnight where the computer is, whatever moments are stored in (UTC). See docs/rules.md, "Days". */

/** A calendar day as YYYY-MM-DD. */
export type LocalDay = string;

const pad = (value: number, digits: number): string => String(value).padStart(digits, '0');

/** The local day of a moment (a Date, or an ISO 8601 text); empty for a text that is no moment. */
export function localDay(moment: Date | string): LocalDay {
  const at = typeof moment === 'string' ? new Date(moment) : moment;
  if (Number.isNaN(at.getTime())) return '';
  return `${pad(at.getFullYear(), 4)}-${pad(at.getMonth() + 1, 2)}-${pad(at.getDate(), 2)}`;
}

const DAY_MS = 86_400_000;
const FIRST_DAY: LocalDay = '1970-01-01';

/** The day so many days earlier, counted on the calendar, so that a change to or from daylight saving time makes no difference; never before 1970. */
export function daysBefore(day: LocalDay, days: number): LocalDay {
  const time = Date.parse(`${day}T00:00:00Z`) - days * DAY_MS;
  return time < 0 || Number.isNaN(time) ? FIRST_DAY : new Date(time).toISOString().slice(0, FIRST_DAY.length);
}

/** Whole days from one day to another, negative when the other is earlier; NaN when one of them is no day. */
export const daysBetween = (from: LocalDay, to: LocalDay): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);
