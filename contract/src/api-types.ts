/** What each endpoint of the interface asks and answers, as types of its table. */
import type { InferType } from 'yup';
import type { AnyArrangementDocument } from '@clever-drawer/core/exchange/older-arrangements';
import type { API } from './api.js';
import type { ChangeRequest } from './intents.js';
import type { Answer, AnySchema } from './schema.js';

/** The table as a type. */
export type Api = typeof API;
/** Method and path of an endpoint: "GET /computers". */
export type EndpointKey = keyof Api;

type Names<Path extends string> = Path extends `${string}{${infer Name}}${infer Rest}` ? Name | Names<Rest> : never;
/** The values that stand in the path of an endpoint, by name. */
export type PathOf<Key extends EndpointKey> = { readonly [Name in Names<Key>]: string };

/** What an endpoint answers; undefined for nothing and for what is no JSON. */
export type AnswerOf<Key extends EndpointKey> = Api[Key]['answer'] extends AnySchema
  ? Answer<Api[Key]['answer']>
  : undefined;

type Requested<Key extends EndpointKey> = Api[Key] extends { readonly request: infer Request } ? Request : undefined;
/** What an endpoint is sent, as the server finds it checked; undefined for nothing. */
export type RequestOf<Key extends EndpointKey> = Key extends `${string}/changes`
  ? ChangeRequest
  : Key extends `${string}/import`
    ? AnyArrangementDocument
    : Requested<Key> extends AnySchema
      ? InferType<Requested<Key>>
      : undefined;

/** What is asked behind the path of an endpoint. */
export type QueryOf<Key extends EndpointKey> = Api[Key] extends { readonly query: infer Query extends AnySchema }
  ? InferType<Query>
  : undefined;

/** Method and path of a key. */
export function partsOfKey(key: EndpointKey): { readonly method: string; readonly path: string } {
  const [method = '', path = ''] = key.split(' ');
  return { method, path };
}
