import express, { Router } from 'express';
import { existsSync } from 'node:fs';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { HttpError, notFound } from '../http/http-error.js';
import { findPicture } from '../store/catalogue-store.js';
import { findComputer } from '../store/computer-store.js';
import { findKeptPicture, keepPicture, pictureType } from '../store/picture-store.js';
import type { Context } from './context.js';

const LARGEST = '8mb';

/** Pictures of plugins: those found on disk, and those that the producer gave. */
export function pictureRoutes({ source }: Context): Router {
  const routes = Router();
  const db = source.manager;
  const idOf = async (id: unknown): Promise<ComputerId> => asId<ComputerId>((await findComputer(db, id)).id);

  routes.get('/computers/:computer/builds/:build/pictures/:number', async (request, response) => {
    const { computer, build, number } = request.params;
    const path = await findPicture(db, await idOf(computer), build, Number(number));
    if (path === null || !existsSync(path)) throw notFound('picture');
    response.type('png').set('Cache-Control', 'private, max-age=3600');
    response.sendFile(path, { dotfiles: 'allow' });
  });

  routes.post(
    '/computers/:computer/pictures',
    express.raw({ type: () => true, limit: LARGEST }),
    async (request, response) => {
      const bytes: unknown = request.body;
      const type = Buffer.isBuffer(bytes) ? pictureType(bytes) : null;
      if (!Buffer.isBuffer(bytes) || type === null)
        throw new HttpError(
          415,
          'No picture',
          'This is no PNG, JPEG or WebP picture. Save it as one of these, and drop it again.',
        );
      response.status(201).json({ picture: await keepPicture(db, await idOf(request.params.computer), type, bytes) });
    },
  );

  routes.get('/computers/:computer/pictures/:picture', async (request, response) => {
    const { computer, picture } = request.params;
    const kept = await findKeptPicture(db, await idOf(computer), picture);
    if (kept === null) throw notFound('picture');
    // Named by its content: it never changes.
    response.type(kept.type).set('Cache-Control', 'private, max-age=31536000, immutable').send(kept.bytes);
  });

  return routes;
}
