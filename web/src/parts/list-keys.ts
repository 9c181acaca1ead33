/** What keys do in lists, wherever they are: in Sort, in drawers and on trays, in the chooser and in boxes. */
import type { KeyHandlers } from '../keys/use-keys';
import type { Selection } from './use-selection';

/** How long a list is, and how many rows a page of it. */
export interface Extent {
  readonly count: number;
  readonly page?: number;
}

const PAGE = 10;
const within = (to: number, count: number): number => Math.min(Math.max(to, 0), count - 1);

/** What the keys do that lead along a list, by what a step of so many rows is. */
const along = <Act>(by: (step: number) => Act, page: number) => ({
  down: by(1),
  up: by(-1),
  pageDown: by(page),
  pageUp: by(-page),
  first: by(-Infinity),
  last: by(Infinity),
});

/** What the keys do that go along a list whose place is a number, kept within it. -1 in an empty list. */
export const stepHandlers = (at: number, { count, page = PAGE }: Extent, go: (to: number) => void) =>
  along((step) => () => go(within(at + step, count)), page);

type OfLists = Extract<keyof KeyHandlers<'list'>, keyof KeyHandlers<'lines'>>;

/**
 * What the keys do that every list with a selection has: move, extend, walk, add or take off, select all. `doing` does each of them, now or when the
 * list is what it will be.
 */
export function selectionHandlers<Id extends string>(
  selection: Selection<Id>,
  { count, page = PAGE }: Extent,
  doing: (act: () => void) => void = (act) => act(),
): Pick<KeyHandlers<'list'>, Exclude<OfLists, 'about'>> {
  const place = (step: number): number => within(selection.now().at + step, count);
  const move = (stretch: boolean) => along((step) => () => doing(() => selection.moveTo(place(step), stretch)), page);
  const walk = (step: number) => () => doing(() => selection.walkTo(place(step)));
  const extend = move(true);
  return {
    ...move(false),
    extendDown: extend.down,
    extendUp: extend.up,
    extendPageDown: extend.pageDown,
    extendPageUp: extend.pageUp,
    extendFirst: extend.first,
    extendLast: extend.last,
    walkDown: walk(1),
    walkUp: walk(-1),
    tick: () => {
      if (selection.now().at < 0) return false;
      doing(() => selection.toggle(selection.now().at));
    },
    all: () => doing(() => selection.all()),
  };
}

/** Where what is selected goes in its order. */
export type LineMove = 'up' | 'down' | 'top' | 'bottom';

/** What the keys do that move what is selected in its order; null where there is no order to move it in. */
export function moveHandlers(move: ((to: LineMove) => unknown) | null): KeyHandlers<'oneTray'> {
  const to = (where: LineMove) => (move === null ? null : () => move(where));
  return { moveUp: to('up'), moveDown: to('down'), moveFirst: to('top'), moveLast: to('bottom') };
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
