/** Short words for the schemas of answers, and what they mean as types. */
import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  type InferType,
  type AnyObject,
  type ISchema,
  type ObjectShape,
  type Schema,
} from 'yup';

/** Any schema, whatever it is for. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type AnySchema = ISchema<any>;

type Primitive = string | number | boolean | null | undefined;
type Frozen<T> = T extends Primitive
  ? T
  : T extends readonly (infer E)[]
    ? readonly Frozen<E>[]
    : { readonly [K in keyof T]: Frozen<T[K]> };

/** The values of a schema, not to be changed. */
export type Answer<S extends AnySchema> = Frozen<InferType<S>>;

// Its type is told here: the one that the package tells hangs on the order in which files are checked.
const chosen: (choose: (value: unknown) => AnySchema) => unknown = lazy;

/** A schema that a value chooses for itself. */
export const chosenBy = (choose: (value: unknown) => AnySchema): Schema<unknown> => chosen(choose) as Schema<unknown>;

/** Any text. */
export const words = () => string().defined();
/** The id of something. */
export const idOf = <Id extends string>() => string<Id>().defined();
/** A number of things. */
export const count = () => number().integer().min(0).defined();
/** Yes or no. */
export const flag = () => boolean().defined();
/** A moment, as an ISO time. */
export const moment = () =>
  string()
    .defined()
    .meta({ jsonSchema: { format: 'date-time' } });
/** One text out of some. */
export const one = <const V extends string>(values: readonly V[]) =>
  string<V>()
    .oneOf([...values])
    .defined();
/** A list of things. */
export const listOf = <T>(of: ISchema<T>) =>
  array()
    .of(of as ISchema<T, AnyObject>)
    .defined();
/** A thing with these fields and no others, under the name that it has in the document of the interface. */
export const thing = <Fields extends ObjectShape>(name: string | null, fields: Fields) =>
  object(fields)
    .noUnknown()
    .default(undefined)
    .defined()
    .meta({ jsonSchema: { additionalProperties: false, ...(name === null ? {} : { title: name }) } });
/** A value whose type is written elsewhere, with its JSON Schema. */
export const written = <T>(jsonSchema: object) => mixed<NonNullable<T>>().defined().meta({ jsonSchema });
