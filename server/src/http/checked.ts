import { ValidationError, type InferType, type Schema } from 'yup';
import type { AnySchema } from '@clever-drawer/contract/schema';
import { HttpError } from './http-error.js';

/** A request's body as its schema types it, or a 400 that says which field should be what. */
export function checked<S extends AnySchema>(schema: S, body: unknown): InferType<S> {
  if (typeof body !== 'object' || body === null) {
    throw new HttpError('request-does-not-fit', 'Send a JSON object with Content-Type: application/json.');
  }
  try {
    return (schema as unknown as Schema<InferType<S>>).validateSync(body, { abortEarly: false });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const inner = error.inner.length > 0 ? error.inner : [error];
    const errors = inner.slice(0, 20).map((one) => ({ path: one.path ?? '', message: one.message }));
    const first = errors[0]?.message ?? 'it does not have the form expected';
    throw new HttpError('request-does-not-fit', `${first.charAt(0).toUpperCase()}${first.slice(1)}.`, errors);
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** Whether a path parameter can be an id at all; the database would refuse anything else with an error of its own. */
export const isUuid = (text: unknown): text is string => typeof text === 'string' && UUID.test(text);
