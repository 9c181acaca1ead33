/** What is selected of a list whose order and content change: the keyboard and the beginning of a stretch go along with what they stood on. */

/** A row that is stood on: its place, and what stood there. */
interface Stand<Id extends string> {
  readonly index: number;
  readonly id: Id | undefined;
}

/** What is selected, where the keyboard stands, and where a stretch began. */
export interface Selected<Id extends string> {
  readonly ids: ReadonlySet<Id>;
  readonly at: Stand<Id>;
  readonly from: Stand<Id>;
}

/** How a row is clicked: with Ctrl or Cmd it is added or taken off, with Shift everything from the beginning of the stretch is selected. */
export interface Click {
  readonly add: boolean;
  readonly stretch: boolean;
}

/** Nothing is selected, and the keyboard stands nowhere yet. */
export const nothing = <Id extends string>(): Selected<Id> => ({
  ids: new Set<Id>(),
  at: { index: -1, id: undefined },
  from: { index: 0, id: undefined },
});

const stand = <Id extends string>(listed: readonly Id[], index: number): Stand<Id> => ({ index, id: listed[index] });

/** Where it stands in the list as it is now; what is listed no more leaves its place to what came there. -1 in an empty list. */
export function placeIn<Id extends string>(listed: readonly Id[], { index, id }: Stand<Id>): number {
  const moved = id === undefined || listed[index] === id ? -1 : listed.indexOf(id);
  return moved >= 0 ? moved : Math.min(index, listed.length - 1);
}

/** What is selected of what is listed: what is filtered away stays selected no longer than it is listed. */
export function stillListed<Id extends string>(listed: readonly Id[], ids: ReadonlySet<Id>): ReadonlySet<Id> {
  if (ids.size === 0) return ids;
  const there = new Set(listed);
  return new Set([...ids].filter((id) => there.has(id)));
}

function switched<Id extends string>(ids: ReadonlySet<Id>, id: Id | undefined): ReadonlySet<Id> {
  const next = new Set(ids);
  if (id !== undefined && !next.delete(id)) next.add(id);
  return next;
}

/** From where the stretch began to a row, both included. */
function stretched<Id extends string>(listed: readonly Id[], { from }: Selected<Id>, index: number): Selected<Id> {
  const begin = Math.max(0, placeIn(listed, from));
  const ids = new Set(listed.slice(Math.min(begin, index), Math.max(begin, index) + 1));
  return { ids, at: stand(listed, index), from: stand(listed, begin) };
}

/** After a click on a row. */
export function clicked<Id extends string>(
  listed: readonly Id[],
  selected: Selected<Id>,
  index: number,
  { add, stretch }: Click,
): Selected<Id> {
  if (stretch) return stretched(listed, selected, index);
  if (add) return toggled(listed, selected, index);
  return { ids: new Set(listed.slice(index, index + 1)), at: stand(listed, index), from: stand(listed, index) };
}

/** After a step of the keyboard to a row, which is kept within the list. */
export function movedTo<Id extends string>(
  listed: readonly Id[],
  selected: Selected<Id>,
  index: number,
  stretch: boolean,
): Selected<Id> {
  const to = Math.max(0, Math.min(index, listed.length - 1));
  return clicked(listed, selected, to, { add: false, stretch });
}

/** With a row added, or taken off; a stretch begins there. */
export const toggled = <Id extends string>(
  listed: readonly Id[],
  { ids }: Selected<Id>,
  index: number,
): Selected<Id> => ({
  ids: switched(ids, listed[index]),
  at: stand(listed, index),
  from: stand(listed, index),
});

/** With all rows selected that were not. */
export const inverted = <Id extends string>(listed: readonly Id[], selected: Selected<Id>): Selected<Id> => ({
  ...selected,
  ids: new Set(listed.filter((id) => !selected.ids.has(id))),
});

/** After a step to a row that leaves what is selected as it is; the row is kept within the list. */
export const moveCursor = <Id extends string>(
  listed: readonly Id[],
  selected: Selected<Id>,
  index: number,
): Selected<Id> => ({ ...selected, at: stand(listed, Math.max(0, Math.min(index, listed.length - 1))) });
