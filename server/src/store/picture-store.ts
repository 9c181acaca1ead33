import { createHash } from 'node:crypto';
import { constants } from 'node:fs';
import { open } from 'node:fs/promises';
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

/** A picture larger than this is not sent: those that plugins bring have some hundred kilobytes (common practice). */
const LARGEST = 8 * 1024 * 1024;

/**
 * A picture that a plugin brought, as it is on disk; null when that is no ordinary file, too large, or no picture by its first bytes: whatever it is called,
 * and wherever a link of its name leads. It is opened without waiting, since a named pipe would hold up all work with files.
 */
export async function readPicture(path: string): Promise<{ readonly type: string; readonly bytes: Buffer } | null> {
  const file = await open(path, constants.O_RDONLY | constants.O_NONBLOCK).catch(() => null);
  if (file === null) return null;
  try {
    const { size, isFile } = await file.stat().then((found) => ({ size: found.size, isFile: found.isFile() }));
    if (!isFile || size > LARGEST) return null;
    const bytes = Buffer.alloc(size);
    const { bytesRead } = await file.read(bytes, 0, size, 0);
    const type = pictureType(bytes.subarray(0, bytesRead));
    return type === null ? null : { type, bytes: bytes.subarray(0, bytesRead) };
  } finally {
    await file.close();
  }
}

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
