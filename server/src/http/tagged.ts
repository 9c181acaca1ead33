/** Answers with an ETag of everything that they depend on. RFC 9110, 8.8.3 and 13.1.2. */
import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import type { Request, Response } from 'express';
import { toColumnsStepwise } from '@clever-drawer/contract/columns';
import { openApiDocument } from '@clever-drawer/contract/openapi';
import type { ComputerId } from '@clever-drawer/core/ids';
import { localDay } from '@clever-drawer/core/local-day';
import { runCooperatively } from '../run-cooperatively.js';
import type { Context } from '../routes/context.js';
import { computerIdOf } from '../store/computer-store.js';
import { lastLoad } from '../store/load-store.js';
import { revisionsOf } from '../store/studio-store.js';
import { CHUNK } from './packed-answers.js';
import { ignoreClientDisconnect } from './ignore-client-disconnect.js';

let schemaHash: string | null = null;

/** Changes with the shape of any answer: a hash of the OpenAPI document. */
const hashResponseSchemas = (): string =>
  (schemaHash ??= createHash('sha256').update(JSON.stringify(openApiDocument())).digest('base64url').slice(0, 12));

/**
 * The tag of everything that a computer's lists depend on: the shape of answers, the studio's epoch and revisions, the last load, and the local day, which
 * rules ask for. Computed before the body, so it can be older than the body but never newer.
 */
export async function tagOf({ source }: Pick<Context, 'source'>, computer: unknown): Promise<string> {
  const id = await computerIdOf(source.manager, computer);
  const today = localDay(new Date());
  const { epoch, arrangementRevision, catalogueRevision } = await revisionsOf(source.manager);
  // What is handed over to a music program is a load that changes neither of them.
  const loaded = await lastLoad(source.manager, id);
  return `"${[hashResponseSchemas(), epoch, arrangementRevision, catalogueRevision, loaded, today].join('.')}"`;
}

/** Answers under the tag of now: "as it was" when that is what the asker has already, else what `make` brings, kept in packed form. */
export async function answerTagged(
  context: Context,
  request: Request,
  response: Response,
  make: () => Promise<object>,
): Promise<void> {
  const tag = await tagOf(context, request.params.computer);
  // Weak: the same content, maybe with its fields in another order.
  response.set('ETag', `W/${tag}`);
  response.set('Cache-Control', 'private, no-cache');
  const asked = request.get('if-none-match') ?? '';
  // Compared weakly, as RFC 9110 wants it here: with or without the W/ in front.
  if (asked.split(',').some((one) => one.trim().replace(/^W\//, '') === tag)) {
    response.status(304).end();
    return;
  }
  const bytes = await context.packed.of(request.originalUrl, tag, make);
  response.vary('Accept-Encoding').type('json');
  if (request.acceptsEncodings('gzip')) response.set('Content-Encoding', 'gzip').send(bytes);
  // Unpacked part by part: to put 50,000 plugins into words at once would keep everybody waiting.
  else
    await pipeline(Readable.from([bytes]), createGunzip({ chunkSize: CHUNK }), response).catch(ignoreClientDisconnect);
}

/** Makes ahead what a page of plugins asks for first. */
export async function makeAhead(context: Context, computer: ComputerId): Promise<void> {
  const { source, catalogues, packed, arranging } = context;
  const address = `/api/computers/${computer}/catalogue/columns`;
  const make = async () => runCooperatively(toColumnsStepwise(await catalogues.of(source.manager, computer)));
  await packed.of(address, await tagOf(context, computer), make);
  await arranging.look(computer, () => Promise.resolve());
}
