import { randomUUID } from 'node:crypto';
import { generateNKeysBetween } from 'fractional-indexing';
import { joinRow, SINGLE } from './join-rows.js';
import {
  textOf,
  type BroughtComputer,
  type Catalogue,
  type Differing,
  type OldComputer,
  type OldRow,
  type United,
} from './old-rows.js';

/** Tables of what is made by the producer, each with the columns that name a row of another such table; outer ones first. */
const MADE: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  chest: {},
  drawer: { chestId: 'chest', parentId: 'drawer' },
  divider: { drawerId: 'drawer' },
  entry: { drawerId: 'drawer' },
  session: {},
  lane: { sessionId: 'session' },
  slot: { laneId: 'lane' },
  kept_search: {},
};
/** Those whose names and places among their like are shown side by side. */
const SIDE_BY_SIDE = new Set(['chest', 'session', 'kept_search']);
const OWN = ['preference', 'look'];
const MAX_NAME_LENGTH = 120;

/** The kinds of rows in words, in the order in which they are brought over. */
const WORDS: Readonly<Record<string, string>> = {
  chest: 'chests',
  drawer: 'drawers',
  divider: 'dividers',
  entry: 'places in drawers',
  session: 'practice sessions',
  lane: 'lanes',
  slot: 'slots',
  kept_search: 'kept searches',
  tray_entry: 'places on trays',
  tray_name: 'names of trays',
  naming: 'nicknames, notes and tags',
  choice: 'roles, types and vendors by hand',
  held_build: 'builds joined or split by hand',
  vendor_spelling: 'spellings of vendors',
  aside: 'set aside',
  face: 'pictures by hand',
};

/** What all computers arranged, made one: the first one's words stand, and what others said otherwise is listed. Nothing else is left out. */
export function unite(
  computers: readonly OldComputer[],
  catalogue: Catalogue,
  newId: () => string = randomUUID,
): { readonly united: United; readonly computers: BroughtComputer[]; readonly differing: Differing[] } {
  const union = new Union(catalogue, newId);
  const brought = computers.map((computer) => union.take(computer));
  return { united: union.united(), computers: brought.slice(1), differing: union.differing };
}

/** What is known while a computer's rows are taken: their new ids, the names that were changed, and what stood beside them before. */
interface Taking {
  readonly ids: Map<string, string>;
  readonly renamed: { was: string; is: string }[];
  readonly before: readonly OldRow[];
}

/** What happened to a row. */
type Fate = 'brought' | 'alike' | 'differing';

class Union {
  readonly differing: Differing[] = [];
  private readonly studio = new Map<string, Map<string, OldRow>>();
  private readonly own = new Map<string, (OldRow & { computerId: string })[]>();

  constructor(
    private readonly catalogue: Catalogue,
    private readonly newId: () => string,
  ) {}

  united(): United {
    return {
      studio: Object.fromEntries([...this.studio].map(([table, rows]) => [table, [...rows.values()]])),
      own: Object.fromEntries(this.own),
    };
  }

  take(computer: OldComputer): BroughtComputer {
    const renamed: { was: string; is: string }[] = [];
    const ids = new Map<string, string>();
    const fates = new Map<string, Fate[]>();
    const before = new Map([...SIDE_BY_SIDE].map((table) => [table, [...this.rowsOf(table).values()]]));
    for (const table of Object.keys(WORDS)) {
      const rows = this.ordered(table, computer.tables[table] ?? []);
      fates.set(
        table,
        rows.map((row) =>
          table in MADE
            ? this.takeMade(table, row, computer, { ids, renamed, before: before.get(table) ?? [] })
            : table === 'tray_entry'
              ? this.takeOntoTray(row)
              : this.takeSingle(table, row, computer),
        ),
      );
    }
    for (const table of OWN)
      for (const row of computer.tables[table] ?? []) this.keepWithComputer(table, { ...row, computerId: computer.id });
    for (const { id, buildId } of computer.tables.choice ?? [])
      if (typeof buildId === 'string')
        this.keepWithComputer('preferred_build', { id, buildId, computerId: computer.id });
    const rows = [...fates].filter(([, own]) => own.length > 0);
    const count = (own: readonly Fate[], fate: Fate): number => own.filter((one) => one === fate).length;
    return {
      name: computer.name,
      renamed,
      rows: rows.map(([table, own]) => ({
        what: WORDS[table] ?? table,
        rows: own.length,
        brought: count(own, 'brought'),
        alike: count(own, 'alike'),
        differing: count(own, 'differing'),
      })),
    };
  }

  private rowsOf(table: string): Map<string, OldRow> {
    const rows = this.studio.get(table) ?? new Map<string, OldRow>();
    this.studio.set(table, rows);
    return rows;
  }

  private keepWithComputer(table: string, row: OldRow & { computerId: string }): void {
    this.own.set(table, [...(this.own.get(table) ?? []), row]);
  }

  /** Outer drawers before inner ones, and everything in its order. */
  private ordered(table: string, rows: readonly OldRow[]): OldRow[] {
    const sorted = [...rows].sort((a, b) => compare(textOf(a, 'order'), textOf(b, 'order')) || compare(a.id, b.id));
    if (table !== 'drawer') return sorted;
    const result = sorted.filter((row) => row.parentId === null);
    for (let at = 0; at < result.length; at++) result.push(...sorted.filter((row) => row.parentId === result[at]?.id));
    return result;
  }

  private takeMade(table: string, row: OldRow, computer: OldComputer, { ids, renamed, before }: Taking): Fate {
    const rows = this.rowsOf(table);
    if (table === 'kept_search' && before.some((one) => one.query === row.query && one.name === row.name))
      return 'alike';
    const moved: Record<string, unknown> = { ...row };
    for (const [column, of] of Object.entries(MADE[table] ?? {}))
      if (typeof row[column] === 'string') moved[column] = ids.get(`${of}|${row[column]}`) ?? row[column];
    const id =
      table === 'entry'
        ? `${String(moved.drawerId)}/${textOf(row, 'pluginId')}`
        : rows.has(row.id)
          ? this.newId()
          : row.id;
    ids.set(`${table}|${row.id}`, id);
    if (before.length > 0) {
      const was = textOf(row, 'name');
      const is = freeName(was, computer.name, new Set(before.map((one) => textOf(one, 'name'))));
      if (is !== was) renamed.push({ was, is });
      moved.name = is;
      moved.order = keyBehind(lastOrder(rows.values()));
    }
    rows.set(id, { ...moved, id });
    return 'brought';
  }

  private takeOntoTray(row: OldRow): Fate {
    const rows = this.rowsOf('tray_entry');
    if (rows.has(row.id)) return 'alike';
    const last = lastOrder([...rows.values()].filter((one) => one.tray === row.tray));
    const isBehind = last === null || last < textOf(row, 'order');
    rows.set(row.id, isBehind ? row : { ...row, order: keyBehind(last) });
    return 'brought';
  }

  /** What there is one of: a name, a role, a picture. */
  private takeSingle(table: string, old: OldRow, computer: OldComputer): Fate {
    const row = SINGLE[table]?.of(old, this.catalogue) ?? null;
    // Nothing of it is the studio's: the preferred build alone stays with the computer.
    if (row === null) return 'alike';
    const rows = this.rowsOf(table);
    const before = rows.get(row.id);
    if (before === undefined) {
      rows.set(row.id, row);
      return 'brought';
    }
    const joined = joinRow(table, before, row, this.catalogue);
    rows.set(row.id, joined.row);
    for (const one of joined.differing) this.differing.push({ computer: computer.name, ...one });
    if (joined.differing.length > 0) return 'differing';
    return joined.row === before ? 'alike' : 'brought';
  }
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const keyBehind = (order: string | null): string => generateNKeysBetween(order, null, 1)[0] ?? '';

const lastOrder = (rows: Iterable<OldRow>): string | null =>
  [...rows]
    .map((one) => textOf(one, 'order'))
    .sort(compare)
    .at(-1) ?? null;

function freeName(name: string, computer: string, taken: ReadonlySet<string>): string {
  let free = name;
  for (let number = 1; taken.has(free); number++) {
    const behind = ` (${computer}${number === 1 ? '' : ` ${String(number)}`})`.slice(0, MAX_NAME_LENGTH / 2);
    free = name.slice(0, MAX_NAME_LENGTH - behind.length) + behind;
  }
  return free;
}
