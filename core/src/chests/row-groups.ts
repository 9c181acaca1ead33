import type { Arrangement, RowKind, Rows } from './arrangement.js';
import { appendToGroup } from '../lists-by-key.js';
import { eachStepwise, type Stepwise } from '../stepwise.js';
import { itemId } from './item.js';

interface Ordered {
  readonly id: string;
  /** What has no order of its own stands in that of the ids. */
  readonly order?: string;
  /** Of a drawer: it comes before all others. */
  readonly loose?: boolean;
}

/** Ways in which rows are looked up together: of which kind, and by what. */
interface Grouping<Kind extends RowKind = RowKind> {
  readonly of: Kind;
  readonly key: (row: Rows[Kind]) => string;
}
const grouping = <Kind extends RowKind>(of: Kind, key: (row: Rows[Kind]) => string): Grouping<Kind> => ({
  of,
  key,
});

export const GROUPINGS = {
  drawersIn: grouping('drawer', (row) => `${row.chestId}|${row.parentId ?? ''}`),
  innerDrawers: grouping('drawer', (row) => row.parentId ?? ''),
  entriesIn: grouping('entry', (row) => row.drawerId),
  entriesOf: grouping('entry', itemId),
  neversIn: grouping('neverIn', (row) => row.drawerId),
  neversOf: grouping('neverIn', itemId),
  dividersIn: grouping('divider', (row) => row.drawerId),
  onTray: grouping('trayEntry', (row) => String(row.tray)),
  traysOf: grouping('trayEntry', itemId),
  lanesOf: grouping('lane', (row) => row.sessionId),
  slotsIn: grouping('slot', (row) => row.laneId),
  partsOf: grouping('chainPart', (row) => row.chainId),
} as const;
/** What names a grouping. */
export type GroupingName = keyof typeof GROUPINGS;
type RowOf<Name extends GroupingName> = Rows[(typeof GROUPINGS)[Name]['of']];

/** What is loose first, then by order key, as plain text and not by language, then by id, so that equal keys never change places. */
export function byOrder(a: Ordered, b: Ordered): number {
  if (a.loose !== b.loose && (a.loose === true || b.loose === true)) return a.loose === true ? -1 : 1;
  const [one, other] = [a.order ?? '', b.order ?? ''];
  return one < other ? -1 : one > other ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}

const NONE: readonly never[] = [];

// Maps of rows are never changed, so what was grouped once holds for as long as the map does.
const remembered = new WeakMap<object, Map<GroupingName, Map<string, readonly Ordered[]>>>();

/** The rows of a group in order; empty when there are none. */
export function group<Name extends GroupingName>(state: Arrangement, name: Name, key: string): readonly RowOf<Name>[] {
  return groupsOf(state, name).get(key) ?? NONE;
}

/** All groups of a grouping, by key. */
export function groupsOf<Name extends GroupingName>(
  state: Arrangement,
  name: Name,
): ReadonlyMap<string, readonly RowOf<Name>[]> {
  const { of, key } = GROUPINGS[name] as Grouping;
  const rows = state[of] as ReadonlyMap<string, Ordered>;
  let groups = remembered.get(rows);
  if (groups === undefined) remembered.set(rows, (groups = new Map<GroupingName, Map<string, readonly Ordered[]>>()));
  let own = groups.get(name);
  if (own === undefined) {
    const made = new Map<string, Ordered[]>();
    for (const row of rows.values()) appendToGroup(made, key(row as never), row);
    for (const list of made.values()) list.sort(byOrder);
    groups.set(name, (own = made));
  }
  return own as unknown as ReadonlyMap<string, readonly RowOf<Name>[]>;
}

/** What a change did to a row. */
interface RowEdit {
  readonly id: string;
  readonly before: object | null;
  readonly after: object | null;
}

/** Hands what was grouped on to the rows after a change, step by step: only the groups that the edits touch are made anew. */
export function* carryGroups(before: object, after: object, kind: RowKind, edits: readonly RowEdit[]): Stepwise<void> {
  const groups = remembered.get(before);
  if (groups === undefined) return;
  const carried = new Map<GroupingName, Map<string, readonly Ordered[]>>();
  // The last edit of a row is what stands.
  const last = new Map(edits.map((edit) => [edit.id, edit]));
  const standing = last.size === edits.length ? edits : [...last.values()];
  for (const [name, old] of groups) {
    const { of, key } = GROUPINGS[name] as Grouping;
    if (of !== kind) continue;
    yield;
    const next = new Map(old);
    const arriving = new Map<string, Ordered[]>();
    const leaving = new Set<string>();
    yield* eachStepwise(standing, ({ after: row }) => {
      if (row !== null) appendToGroup(arriving, key(row as never), row as Ordered);
    });
    yield* eachStepwise(edits, (edit) => {
      if (edit.before === null) return;
      const at = key(edit.before as never);
      if (!arriving.has(at)) leaving.add(at);
    });
    const make = (at: string, coming: readonly Ordered[]): void => {
      const stood = old.get(at) ?? NONE;
      const list = stood.length === 0 ? coming : [...stood.filter((row) => !last.has(row.id)), ...coming];
      if (list.length === 0) next.delete(at);
      else next.set(at, list.length === 1 ? list : [...list].sort(byOrder));
    };
    yield* eachStepwise([...arriving], ([at, coming]) => make(at, coming));
    yield* eachStepwise([...leaving], (at) => make(at, NONE));
    carried.set(name, next);
  }
  remembered.set(after, carried);
}
