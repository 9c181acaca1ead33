import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import { API } from '@clever-drawer/contract/api';
import {
  partsOfKey,
  type AnswerOf,
  type EndpointKey,
  type PathOf,
  type QueryOf,
  type RequestOf,
} from '@clever-drawer/contract/api-of';
import { isMedia, type Endpoint } from '@clever-drawer/contract/endpoint';
import { findComputer } from '../store/computer-store.js';
import { revisionsOf } from '../store/studio-store.js';
import type { Context } from '../routes/context.js';
import { checked } from './checked.js';
import { refuseUnclean } from './clean.js';

/** One request as a handler gets it: checked, and with the window that asks as it names itself (it is not told of its own changes). */
export interface Call<Key extends EndpointKey> {
  readonly path: PathOf<Key>;
  readonly query: QueryOf<Key>;
  readonly body: RequestOf<Key>;
  readonly window: string | null;
  /** For what is no JSON, and for who goes away in the middle. */
  readonly request: Request;
  readonly response: Response;
}

/** Carries out a request; what is no JSON it writes to the response itself. */
export type Handler<Key extends EndpointKey> = (call: Call<Key>) => Promise<AnswerOf<Key>>;
/** A handler for each of some endpoints. */
export type Handlers<Keys extends EndpointKey> = { readonly [Key in Keys]: Handler<Key> };

const LARGEST_JSON = '32mb';
const LARGEST_BYTES = '8mb';
/** Goes up when an answer of the same revisions changes its form. */
const ANSWER_FORM = 2;

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
  return [
    isMedia(request)
      ? express.raw({ type: () => true, limit: LARGEST_BYTES })
      : express.json({ limit: most ?? LARGEST_JSON }),
  ];
}

function route<Key extends EndpointKey>(context: Context, key: Key, handler: Handler<Key>): RequestHandler {
  const { request: shape, query, answer, status, tagged }: Endpoint = API[key];
  return async (request, response) => {
    refuseUnclean(request.params);
    refuseUnclean(request.query);
    const body: unknown = shape === undefined || isMedia(shape) ? request.body : checked(shape, request.body);
    if (tagged === true && (await isAsItWas(context, request, response))) return;
    const answered = await handler({
      path: request.params as PathOf<Key>,
      query: (query === undefined ? undefined : checked(query, request.query)) as QueryOf<Key>,
      body: body as RequestOf<Key>,
      window: request.get('x-window') ?? null,
      request,
      response,
    });
    if (isMedia(answer)) return;
    if (answer === null) response.status(status).end();
    else response.status(status).json(answered);
  };
}

/** Puts the tag of the studio's revisions on the answer; when that is what the asker has already, says so and is done (RFC 9110, 13.1.2). */
async function isAsItWas({ source }: Context, request: Request, response: Response): Promise<boolean> {
  await findComputer(source.manager, request.params.computer);
  const { arrangementRevision, catalogueRevision } = await revisionsOf(source.manager);
  // Weak: the same content, maybe with its fields in another order. Made before the answer, so that it never promises too much.
  const tag = `"${[ANSWER_FORM, arrangementRevision, catalogueRevision].join('.')}"`;
  response.set('ETag', `W/${tag}`);
  response.set('Cache-Control', 'private, no-cache');
  const asked = request.get('if-none-match') ?? '';
  // Compared weakly, as RFC 9110 wants it here: with or without the W/ in front.
  if (!asked.split(',').some((one) => one.trim().replace(/^W\//, '') === tag)) return false;
  response.status(304).end();
  return true;
}
