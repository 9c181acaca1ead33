import { HttpError, notFound } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { findPicture } from '../store/catalogue-store.js';
import { computerIdOf } from '../store/computer-store.js';
import { findKeptPicture, keepPicture, pictureType, readPicture } from '../store/picture-store.js';
import type { Context } from './context.js';

type Keys =
  | 'GET /computers/{computer}/builds/{build}/pictures/{number}'
  | 'POST /computers/{computer}/pictures'
  | 'GET /computers/{computer}/pictures/{picture}';

/** Pictures of plugins: those found on disk, and those that the producer gave. */
export function pictureHandlers({ source }: Context): Handlers<Keys> {
  const db = source.manager;
  return {
    'GET /computers/{computer}/builds/{build}/pictures/{number}': async ({ path, response }) => {
      const { computer, build, number } = path;
      const file = await findPicture(db, await computerIdOf(db, computer), build, Number(number));
      const picture = file === null ? null : await readPicture(file);
      if (picture === null) throw notFound('picture');
      response.type(picture.type).set('Cache-Control', 'private, max-age=3600').send(picture.bytes);
    },

    'POST /computers/{computer}/pictures': async ({ path, request }) => {
      const bytes: unknown = request.body;
      const type = Buffer.isBuffer(bytes) ? pictureType(bytes) : null;
      if (!Buffer.isBuffer(bytes) || type === null)
        throw new HttpError(
          'not-a-picture',
          'This is not a PNG, JPEG or WebP picture. Save it as one of these, and try again.',
        );
      await computerIdOf(db, path.computer);
      return { picture: await keepPicture(db, type, bytes) };
    },

    'GET /computers/{computer}/pictures/{picture}': async ({ path, response }) => {
      await computerIdOf(db, path.computer);
      const kept = await findKeptPicture(db, path.picture);
      if (kept === null) throw notFound('picture');
      // Named by its content: it never changes.
      response.type(kept.type).set('Cache-Control', 'private, max-age=31536000, immutable').send(kept.bytes);
    },
  };
}
