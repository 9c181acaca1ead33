import { createHash } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { PictureRow } from '../database/entities/picture.js';

// The first bytes of each kind: PNG (W3C, section 5.2), JPEG (ITU-T T.81, annex B), WebP (RFC 9649).
const KINDS: readonly { readonly type: string; readonly begins: (bytes: Buffer) => boolean }[] = [
  { type: 'image/png', begins: (bytes) => bytes.subarray(0, 8).equals(Buffer.from('89504e470d0a1a0a', 'hex')) },
  { type: 'image/jpeg', begins: (bytes) => bytes.subarray(0, 3).equals(Buffer.from('ffd8ff', 'hex')) },
  {
    type: 'image/webp',
    begins: (bytes) => bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP',
  },
];

/** The kind of a picture by its first bytes; null for anything else. */
export const pictureType = (bytes: Buffer): string | null => KINDS.find((kind) => kind.begins(bytes))?.type ?? null;

/** Keeps a picture and returns its name, the SHA-256 of its bytes; the same picture is kept once. */
export async function keepPicture(db: EntityManager, type: string, bytes: Buffer): Promise<string> {
  const id = createHash('sha256').update(bytes).digest('hex');
  await db.query('INSERT INTO picture (id, type, bytes) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING', [id, type, bytes]);
  return id;
}

/** A picture that was kept; null when there is none of this name. */
export const findKeptPicture = (db: EntityManager, id: string): Promise<PictureRow | null> =>
  db.findOneBy(PictureRow, { id });

/** Whether a picture has been sent. */
export const hasPicture = (db: EntityManager, id: string): Promise<boolean> => db.existsBy(PictureRow, { id });
