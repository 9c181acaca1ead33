import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { API } from '@clever-drawer/contract/api';
import {
  partsOfKey,
  type AnswerOf,
  type EndpointKey,
  type PathOf,
  type QueryOf,
  type RequestOf,
} from '@clever-drawer/contract/api-types';
import { isMedia, type Endpoint } from '@clever-drawer/contract/endpoint';
import type { Context } from '../routes/context.js';
import { checked } from './checked.js';
import { refuseUnclean } from './clean.js';
import { isLong, jsonParts } from './packed-answers.js';
import { answerTagged } from './tagged.js';
import { ignoreClientDisconnect } from './ignore-client-disconnect.js';

/** One request as a handler gets it: checked, and with the window that asks as it names itself (it is not told of its own changes). */
export interface Call<Key extends EndpointKey> {
  readonly path: PathOf<Key>;
  readonly query: QueryOf<Key>;
  readonly body: RequestOf<Key>;
  readonly window: string | null;
  /** Aborted when nobody waits for the answer any more: a handler of long work gives up then, as far as nothing is saved. */
  readonly gone: AbortSignal;
  /** For what is no JSON. */
  readonly request: Request;
  readonly response: Response;
}

/** Carries out a request; what is no JSON it writes to the response itself. */
export type Handler<Key extends EndpointKey> = (call: Call<Key>) => Promise<AnswerOf<Key>>;
/** A handler for each of some endpoints. */
export type Handlers<Keys extends EndpointKey> = { readonly [Key in Keys]: Handler<Key> };

const MAX_WINDOW_NAME = 200;
const LARGEST_JSON = '32mb';
const LARGEST_BYTES = '8mb';
/** Bytes of a request from which on it is read and checked apart. */
const LARGE = 262_144;

/** The routes of the whole table: each checks what is sent, hands it to its handler, and answers as the table says. */
export function serve(context: Context, handlers: Handlers<EndpointKey>): Router {
  const router = Router();
  for (const key of Object.keys(API) as EndpointKey[]) {
    const { method, path } = partsOfKey(key);
    const name = method.toLowerCase() as 'get' | 'post' | 'put' | 'patch' | 'delete';
    router[name](path.replace(/\{(\w+)\}/g, ':$1'), ...readers(API[key]), route(context, key, handlers[key] as never));
  }
  return router;
}

function readers({ request, most }: Endpoint): RequestHandler[] {
  if (request === undefined) return [];
  if (isMedia(request)) return [express.raw({ type: () => true, limit: LARGEST_BYTES })];
  const limit = most ?? LARGEST_JSON;
  const large: RequestHandler = express.raw({ type: 'application/json', limit });
  const small: RequestHandler = express.json({ limit });
  return [
    (incoming, response, next) => {
      void (isLarge(incoming) ? large : small)(incoming, response, next);
    },
  ];
}

/** Checking some 100,000 values takes a second, in which nobody else would be answered. Who does not say how much comes is taken to send much. */
function isLarge(request: Request): boolean {
  const length = Number(request.headers['content-length'] ?? NaN);
  return request.headers['transfer-encoding'] !== undefined || length > LARGE;
}

/** Aborted when who asked has gone away before there was an answer. */
function goneSignal(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableEnded) gone.abort();
  });
  return gone.signal;
}

function route<Key extends EndpointKey>(context: Context, key: Key, handler: Handler<Key>): RequestHandler {
  const { request: shape, query, answer, status, tagged }: Endpoint = API[key];
  return async (request, response) => {
    refuseUnclean(request.params);
    refuseUnclean(request.query);
    const gone = goneSignal(response);
    const sent: unknown = request.body;
    const body: unknown =
      shape === undefined || isMedia(shape)
        ? sent
        : Buffer.isBuffer(sent)
          ? await context.readLarge(key, sent, gone)
          : checked(shape, sent);
    const call: Call<Key> = {
      path: request.params as PathOf<Key>,
      query: (query === undefined ? undefined : checked(query, request.query)) as QueryOf<Key>,
      body: body as RequestOf<Key>,
      window: request.get('x-window')?.slice(0, MAX_WINDOW_NAME) ?? null,
      gone,
      request,
      response,
    };
    if (tagged === true) {
      await answerTagged(context, request, response, () => handler(call) as Promise<object>);
      return;
    }
    const answered = await handler(call);
    if (isMedia(answer)) return;
    if (answer === null) response.status(status).end();
    else if (isLong(answered))
      await pipeline(Readable.from(jsonParts(answered)), response.status(status).type('json')).catch(
        ignoreClientDisconnect,
      );
    else response.status(status).json(answered);
  };
}
