import { ValidationError, type InferType, type Schema, type SchemaObjectDescription } from 'yup';
import type { AnySchema } from '@clever-drawer/contract/schema';
import { refuseUnclean } from './clean.js';
import { sentenceOf } from './error-words.js';
import { HttpError } from './http-error.js';

/** A request's body as its schema types it, or a 400 that says which field should be what. */
export function checked<S extends AnySchema>(schema: S, body: unknown): InferType<S> {
  if (typeof body !== 'object' || body === null) {
    throw new HttpError('request-does-not-fit', 'Send a JSON object with Content-Type: application/json.');
  }
  refuseUnclean(body);
  refuseTooLong(schema, body);
  try {
    return (schema as unknown as Schema<InferType<S>>).validateSync(body, { abortEarly: true });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const inner = error.inner.length > 0 ? error.inner : [error];
    const errors = inner.slice(0, 20).map((one) => ({ path: one.path ?? '', message: sentenceOf(one) }));
    const first = errors[0]?.message ?? 'it does not have the form expected';
    throw new HttpError('request-does-not-fit', `${first.charAt(0).toUpperCase()}${first.slice(1)}.`, errors);
  }
}

const longest = new WeakMap<object, ReadonlyMap<string, number>>();

/** The most entries of each list that stands in a schema at the top, as the schema itself says. */
function longestOf(schema: AnySchema): ReadonlyMap<string, number> {
  const before = longest.get(schema);
  if (before !== undefined) return before;
  const { fields } = (schema as unknown as Schema).describe() as Partial<SchemaObjectDescription>;
  const most = new Map(
    Object.entries(fields ?? {}).flatMap(([name, field]) => {
      const own =
        field.type === 'array' && 'tests' in field ? field.tests.find((test) => test.name === 'max') : undefined;
      const max = own?.params?.max;
      return typeof max === 'number' ? [[name, max] as const] : [];
    }),
  );
  longest.set(schema, most);
  return most;
}

/** Refuses a list that is too long before its entries are looked at one by one. */
function refuseTooLong(schema: AnySchema, body: object): void {
  for (const [path, most] of longestOf(schema)) {
    const value = (body as Readonly<Record<string, unknown>>)[path];
    if (!Array.isArray(value) || value.length <= most) continue;
    const message = `${path} has ${String(value.length)} entries; ${String(most)} at most are taken at once`;
    throw new HttpError('request-does-not-fit', `${message}.`, [{ path, message }]);
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** Whether a path parameter can be an id at all; the database would refuse anything else with an error of its own. */
export const isUuid = (text: unknown): text is string => typeof text === 'string' && UUID.test(text);
