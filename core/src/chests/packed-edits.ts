import { eachStepwise, type Stepwise } from '../stepwise.js';
import { specOf, type RowKind } from './arrangement.js';
import type { Edit } from './edit.js';
import { columnNames, type OldRow } from './rows/row-kind.js';

/** Rows column by column but for their ids, all columns of one length; of one value where it is the same in all rows. */
type Columns = Readonly<Record<string, readonly unknown[]>>;

/** Edits that follow each other, of rows of one kind; `before` is null where all of them are made, `after` where all are removed. */
export interface Run {
  readonly of: RowKind;
  readonly ids: readonly string[];
  readonly before: Columns | null;
  readonly after: Columns | null;
}

/** Many edits, column by column: a third as long as one by one. In their order, so that they can be taken back. */
export interface PackedEdits {
  readonly runs: readonly Run[];
}

/** Below so many edits in a run, by and large, nothing is won. */
const WORTH_IT = 20;

/** Edits column by column, step by step; null where they are too few or too mixed for that. Null fields and absent ones become the same. */
export function* packEdits(edits: readonly Edit[]): Stepwise<PackedEdits | null> {
  const runs: Edit[][] = [];
  yield* eachStepwise(edits, (edit) => {
    const last = runs.at(-1);
    if (last?.[0] !== undefined && isLike(last[0], edit)) last.push(edit);
    else runs.push([edit]);
  });
  if (runs.length * WORTH_IT > edits.length) return null;
  const packed: Run[] = [];
  for (const run of runs) {
    const [{ of, before, after } = NOTHING] = run;
    const ids = run.map((edit) => edit.id);
    yield;
    packed.push({
      of,
      ids,
      before: before === null ? null : yield* columnsOf(of, run, (edit) => edit.before),
      after: after === null ? null : yield* columnsOf(of, run, (edit) => edit.after),
    });
  }
  return { runs: packed };
}

const NOTHING = { of: 'chest', before: null, after: null } as const;

const isLike = (one: Edit, other: Edit): boolean =>
  one.of === other.of &&
  (one.before === null) === (other.before === null) &&
  (one.after === null) === (other.after === null);

function* columnsOf(of: RowKind, run: readonly Edit[], rowOf: (edit: Edit) => object | null): Stepwise<Columns> {
  const columns: Record<string, unknown[]> = {};
  for (const name of columnNames(specOf(of))) {
    if (name === 'id') continue;
    const values = run.map((edit) => (rowOf(edit) as OldRow | null)?.[name] ?? null);
    columns[name] = values.every((value) => value === values[0]) ? values.slice(0, 1) : values;
    yield;
  }
  return columns;
}

/** The edits again, one by one and step by step, as rows of the form in which they were packed. */
export function* unpackEdits({ runs }: PackedEdits): Stepwise<Edit[]> {
  const edits: Edit[] = [];
  for (const { of, ids, before, after } of runs) {
    const [rowBefore, rowAfter] = [rowsIn(before), rowsIn(after)];
    yield* eachStepwise(ids, (id, at) => {
      edits.push({ of, id, before: rowBefore(id, at), after: rowAfter(id, at) } as unknown as Edit);
    });
  }
  return edits;
}

function rowsIn(columns: Columns | null): (id: string, at: number) => OldRow | null {
  if (columns === null) return () => null;
  const all = Object.entries(columns);
  return (id, at) => {
    const row: Record<string, unknown> = { id };
    for (const [name, values] of all) row[name] = values[values.length === 1 ? 0 : at];
    return row;
  };
}
