/** What a column holds: a text, a number, a yes or no, a list of texts, or the rule of a clever drawer. */
export type ColumnType = 'text' | 'number' | 'flag' | 'list' | 'rule';

/** A column of a kind of row; `values` are all that a text, or each text of a list, may be, `most` is how many characters it may have. */
export interface Column {
  readonly type: ColumnType;
  readonly nullable: boolean;
  readonly values?: readonly string[];
  readonly most?: number;
}

/** The most characters of a name that the producer gives. */
export const MAX_NAME_LENGTH = 120;
/** The most characters of a note, also after plugins with notes were joined. */
export const MAX_NOTE_LENGTH = 20_000;
/** The most characters of the words of a kept search. */
export const MAX_QUERY_LENGTH = 4000;

/** A text of any value. */
export const text: Column = { type: 'text', nullable: false };
/** A text of so many characters at most. */
export const textUpTo = (most: number): Column => ({ type: 'text', nullable: false, most });
/** A whole number. */
export const number: Column = { type: 'number', nullable: false };
/** Yes or no. */
export const flag: Column = { type: 'flag', nullable: false };
/** A list of texts of so many characters at most. */
export const textsUpTo = (most: number): Column => ({ type: 'list', nullable: false, most });
/** The rule of a clever drawer. */
export const rule: Column = { type: 'rule', nullable: false };
/** A text out of some. */
export const oneOf = (values: readonly string[]): Column => ({ type: 'text', nullable: false, values });
/** A list of texts out of some. */
export const someOf = (values: readonly string[]): Column => ({ type: 'list', nullable: false, values });
/** The same column, that may also be null. */
export const orNull = (column: Column): Column => ({ ...column, nullable: true });

/** To whom rows belong: to the studio, once, or to each of its computers. */
export type Scope = 'studio' | 'computer';

/** A row as some version wrote it. */
export type OldRow = Readonly<Record<string, unknown>>;

/**
 * Everything that is to be known of a kind of row; tables, the empty arrangement, documents and edits are made from it. `Row` is what the columns hold.
 */
export interface RowKindSpec<Row, Documented extends keyof Row & string = keyof Row & string> {
  readonly table: string;
  readonly scope: Scope;
  /** By the names of the fields, which are the names of the columns. */
  readonly columns: { readonly [Field in keyof Row]-?: Column };
  /** Columns that name a row of another kind, or a plugin of the catalogue, which must be there. */
  readonly refersTo: { readonly [Field in keyof Row]?: string };
  /** Whether many thousands of rows come or go at once: that what they refer to is there is then checked once for all of them. */
  readonly comesInBulk: boolean;
  /** Columns that are looked up together; `unique` when no two rows may have the same in them. */
  readonly indexes: readonly { readonly columns: readonly (keyof Row & string)[]; readonly unique: boolean }[];
  /** How rows of older forms are read: `to` is the form that the step leads to. See ROW_FORM. */
  readonly upgrades: readonly { readonly to: number; readonly upgrade: (row: OldRow) => OldRow }[];
  /** The fields that an arrangement document holds of such a row as they are. */
  readonly documented: readonly Documented[];
}

/** A kind of row, completed with what most kinds leave empty. */
export const rowKind =
  <Row extends { readonly id: string }>() =>
  <const Documented extends keyof Row & string = never>(
    spec: Pick<RowKindSpec<Row>, 'table' | 'scope' | 'columns'> & Partial<RowKindSpec<Row, Documented>>,
  ): RowKindSpec<Row, Documented> => ({
    refersTo: {},
    comesInBulk: false,
    indexes: [],
    upgrades: [],
    documented: [],
    ...spec,
  });

/**
 * The form in which rows are written now. It goes up by one when a kind of row changes in a way that older rows must be brought to; each such kind
 * then gets an upgrade to that number. Rows of before forms were counted are of form 1.
 */
export const ROW_FORM = 8;

/** The names of a kind's columns, in their order. */
export const columnNames = <Row>(kind: RowKindSpec<Row>): (keyof Row & string)[] =>
  Object.keys(kind.columns) as (keyof Row & string)[];

/** A row of an older form in the newest one; null stays null. */
export function upgradeRow<Row>(kind: RowKindSpec<Row>, row: OldRow | null, form: number): Row | null {
  if (row === null) return null;
  const newest = kind.upgrades.filter((step) => step.to > form).reduce((old, step) => step.upgrade(old), row);
  return newest as Row;
}

/** The documented fields of a row. */
export const documentedFields = <Row, Documented extends keyof Row & string>(
  kind: RowKindSpec<Row, Documented>,
  row: Row,
): Pick<Row, Documented> =>
  Object.fromEntries(kind.documented.map((field) => [field, row[field]])) as unknown as Pick<Row, Documented>;
