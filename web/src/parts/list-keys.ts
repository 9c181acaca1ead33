/** What keys do in lists, wherever they are: in Sort, in drawers and on trays, in the chooser and in boxes. By what is typed. */
import type { Selection } from './use-selection';

/** The part of a keyboard event that is looked at. */
export interface Pressed {
  readonly key: string;
  readonly shiftKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
}

/** How a list is walked through: `page` is how many rows a page is; `ends`: whether Home and End go to its ends, which in a text field are the text's. */
export interface Walk {
  readonly at: number;
  readonly count: number;
  readonly page?: number;
  readonly ends?: boolean;
}

const PAGE = 10;

/** The row to which a key leads, within the list; null for a key that leads nowhere. -1 in an empty list. */
export function stepIn(key: string, { at, count, page = PAGE, ends = true }: Walk): number | null {
  const steps: Readonly<Record<string, number>> = {
    ArrowDown: at + 1,
    ArrowUp: at - 1,
    PageDown: at + page,
    PageUp: at - page,
    ...(ends ? { Home: 0, End: count - 1 } : {}),
  };
  const to = steps[key];
  return to === undefined ? null : Math.min(Math.max(to, 0), count - 1);
}

/** By how many places a key leads on in a grid of so many to a line; null for a key that leads nowhere. */
export function stepInGrid(key: string, perLine: number): number | null {
  const steps: Readonly<Record<string, number>> = {
    ArrowLeft: -1,
    ArrowRight: 1,
    ArrowUp: -perLine,
    ArrowDown: perLine,
  };
  return steps[key] ?? null;
}

/** With Alt, where what is selected goes in its order. */
export type LineMove = 'up' | 'down' | 'top' | 'bottom';
const MOVES: Readonly<Record<string, LineMove | undefined>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  Home: 'top',
  End: 'bottom',
};
/** Where a key with Alt moves lines; null for any other. */
export const lineMoveOf = ({ key, altKey }: Pressed): LineMove | null => (altKey ? (MOVES[key] ?? null) : null);

/** Does what a key does to the selection of a list: moves, extends, adds or takes off, selects all. Returns whether it was such a key. */
export function selectByKey<Id extends string>(
  event: Pressed,
  selection: Selection<Id>,
  walk: Omit<Walk, 'at'>,
): boolean {
  const { at } = selection;
  if (event.altKey) return false;
  const to = stepIn(event.key, { at, ...walk });
  if (to !== null) selection.moveTo(to, event.shiftKey);
  else if (event.key === ' ' && at >= 0) selection.toggle(at);
  else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) selection.all();
  else return false;
  return true;
}

/** The set with one more, or without it when it was in. */
export function ticked<T>(set: ReadonlySet<T>, one: T): ReadonlySet<T> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}

/** Where what moves comes to stand among the rest of a list, and what stands behind it then (null at the end); null when it can't go further. */
export function placeAfterMove<T>(
  list: readonly T[],
  isMoving: (one: T) => boolean,
  to: LineMove,
): { readonly before: T | null } | null {
  const rest = list.filter((one) => !isMoving(one));
  const first = list.findIndex(isMoving);
  const last = list.findLastIndex(isMoving);
  if (first < 0) return null;
  const moving = list.length - rest.length;
  const place = { up: first - 1, down: last - moving + 2, top: 0, bottom: rest.length }[to];
  return place < 0 || place > rest.length ? null : { before: rest[place] ?? null };
}
