/** The schemas of arranged rows, made from the kinds of rows. */
import { array, boolean, number, object, string, type ObjectSchema, type Schema } from 'yup';
import { ROW_KINDS, ROWS, specOf, type RowKind, type Rows } from '@clever-drawer/core/chests/arrangement';
import type { Column } from '@clever-drawer/core/chests/rows/row-kind';
import { MAX_ID_LENGTH, MANY, rule } from './parts.js';

const textSchema = ({ values, most }: Column) =>
  values === undefined
    ? string()
        .strict()
        .max(most ?? MAX_ID_LENGTH)
    : string()
        .strict()
        .oneOf([...values]);

/** What a column holds, as a schema. A text without a limit of its own is as long as an id may be. */
function columnSchema(column: Column): Schema<unknown> {
  switch (column.type) {
    case 'text':
      return finished(textSchema(column), column);
    case 'number':
      return finished(number().strict().integer(), column);
    case 'flag':
      return finished(boolean().strict(), column);
    case 'list':
      return finished(array().of(textSchema(column).defined()).strict().max(MANY), column);
    case 'rule':
      return rule();
  }
}

const finished = (schema: Schema<unknown>, { nullable }: Column): Schema<unknown> =>
  (nullable ? (schema.nullable() as Schema<unknown>) : schema).defined() as Schema<unknown>;

const TITLES = new Map(ROW_KINDS.map((kind) => [kind, kind.charAt(0).toUpperCase() + kind.slice(1)]));

/** A whole row of a kind. */
export const rowSchema = <Kind extends RowKind>(kind: Kind): ObjectSchema<Rows[Kind]> =>
  object(Object.fromEntries(Object.entries(specOf(kind).columns).map(([name, column]) => [name, columnSchema(column)])))
    .noUnknown()
    .default(undefined)
    .defined()
    .meta({ jsonSchema: { additionalProperties: false, title: TITLES.get(kind) } }) as unknown as ObjectSchema<
    Rows[Kind]
  >;

/** The fields that an arrangement document holds of a row of a kind as they are. */
export function documentedFields(kind: RowKind): Record<string, Schema> {
  const { columns, documented } = specOf(kind);
  return Object.fromEntries(documented.map((field) => [field, columnSchema(columns[field] as Column)]));
}

/** Every kind with its scope: whether its rows belong to the studio or to each computer. */
export const SCOPES = Object.fromEntries(ROW_KINDS.map((kind) => [kind, ROWS[kind].scope]));
