import { createHash } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { FileFolderView, FoundFile, FoundFiles } from '@clever-drawer/contract/responses';
import { fileKeyOf, fileTitle, fileWords } from '@clever-drawer/core/chests/other-files';
import { ownEntryIdOf } from '@clever-drawer/core/chests/own-entries';
import type { FileFolder } from '@clever-drawer/core/chests/rows/file-folder';
import type { OwnEntry } from '@clever-drawer/core/chests/rows/own-entry';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import type { FilesRead } from '@clever-drawer/scan/read-files';

/** Derives the id of a file's entry: a UUID of version 8 (RFC 9562, 5.8) from the file's key. */
function fileIdOf(file: string): PluginId {
  const bytes = createHash('sha256').update(file).digest().subarray(0, 16);
  bytes.writeUInt8((bytes.readUInt8(6) & 0x0f) | 0x80, 6);
  bytes.writeUInt8((bytes.readUInt8(8) & 0x3f) | 0x80, 8);
  return ownEntryIdOf(bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5'));
}

/** The folders of files of a computer, in the order in which they were added, and how each was read last. */
export const listFileFolders = (db: EntityManager, computerId: ComputerId): Promise<FileFolderView[]> =>
  db.query<FileFolderView[]>(
    `SELECT f.id, f.path, f.endings, f.program, f.role, coalesce(r.files, 0) AS files, coalesce(r."leftOut", 0) AS "leftOut",
            r."readAt", r.problem
     FROM file_folder f LEFT JOIN file_folder_reading r ON r."computerId" = f."computerId" AND r."folderId" = f.id
     WHERE f."computerId" = $1 ORDER BY f."addedAt", f.path`,
    [computerId],
  );

const AT_ONCE = 5000;

/**
 * Stores the result of reading a folder and deletes the files of folders that were removed from the list. Files stay when the folder could not be read. Returns
 * whether the known files changed.
 */
export async function keepFiles(
  db: EntityManager,
  computerId: ComputerId,
  folder: Pick<FileFolder, 'id' | 'path'>,
  read: FilesRead,
): Promise<boolean> {
  const { files, leftOut, problem } = read;
  const gone = await changedBy(
    db,
    `DELETE FROM other_file WHERE "computerId" = $1
       AND "folderId" NOT IN (SELECT id FROM file_folder WHERE "computerId" = $1)`,
    [computerId],
  );
  let changed = gone;
  if (problem === null) {
    changed += await changedBy(
      db,
      `DELETE FROM other_file o WHERE "computerId" = $1 AND "folderId" = $2
         AND NOT EXISTS (SELECT 1 FROM unnest($3::text[]) AS seen (inside) WHERE seen.inside = o.inside)`,
      [computerId, folder.id, files],
    );
    const fresh = await notKnown(db, computerId, folder.id, files);
    for (let from = 0; from < fresh.length; from += AT_ONCE)
      changed += await addFiles(db, computerId, folder, fresh.slice(from, from + AT_ONCE));
  }
  await db.query(
    `INSERT INTO file_folder_reading ("computerId", "folderId", "readAt", files, "leftOut", problem)
     VALUES ($1, $2, now(), $3, $4, $5)
     ON CONFLICT ("computerId", "folderId") DO UPDATE SET "readAt" = excluded."readAt", problem = excluded.problem,
       files = CASE WHEN excluded.problem IS NULL THEN excluded.files ELSE file_folder_reading.files END,
       "leftOut" = CASE WHEN excluded.problem IS NULL THEN excluded."leftOut" ELSE file_folder_reading."leftOut" END`,
    [computerId, folder.id, files.length, leftOut, problem],
  );
  return changed > 0;
}

async function changedBy(db: EntityManager, statement: string, values: unknown[]): Promise<number> {
  const [, count] = await db.query<[unknown, number]>(statement, values);
  return count;
}

/** Filters the files of a folder down to those not stored yet. */
async function notKnown(
  db: EntityManager,
  computerId: ComputerId,
  folderId: string,
  files: readonly string[],
): Promise<string[]> {
  const rows = await db.query<{ inside: string }[]>(
    `SELECT seen.inside FROM unnest($3::text[]) AS seen (inside)
     WHERE NOT EXISTS (SELECT 1 FROM other_file o
       WHERE o."computerId" = $1 AND o."folderId" = $2 AND o.inside = seen.inside)`,
    [computerId, folderId, files],
  );
  return rows.map(({ inside }) => inside);
}

async function addFiles(
  db: EntityManager,
  computerId: ComputerId,
  folder: Pick<FileFolder, 'id' | 'path'>,
  insides: readonly string[],
): Promise<number> {
  const rows = insides.map((inside) => {
    const file = fileKeyOf(folder.path, inside);
    return { inside, file, id: fileIdOf(file), name: fileTitle(inside), words: fileWords(file) };
  });
  const added = await db.query<unknown[]>(
    `INSERT INTO other_file ("computerId", "folderId", inside, id, name, file, words)
     SELECT $1, $2, inside, id, name, file, array_to_tsvector(words)
     FROM jsonb_to_recordset($3::jsonb) AS row (inside text, id text, name text, file text, words text[])
     ON CONFLICT DO NOTHING RETURNING 1`,
    [computerId, folder.id, JSON.stringify(rows)],
  );
  return added.length;
}

const FILES = `FROM other_file o JOIN file_folder f ON f."computerId" = o."computerId" AND f.id = o."folderId"
  WHERE o."computerId" = $1`;
const FIELDS = `o.id, o.name, o.file, rtrim(f.path, '/\\') || '/' || o.inside AS path, f.program, f.role`;

/** Finds files by all typed words or word beginnings. Files whose names begin with the query come first. */
export async function findFiles(
  db: EntityManager,
  computerId: ComputerId,
  { words: typed, from, limit }: { readonly words: string; readonly from: number; readonly limit: number },
): Promise<FoundFiles> {
  const words = fileWords(typed);
  // The query consists of punctuation alone.
  if (words.length === 0 && typed.trim() !== '') return { total: 0, files: [] };
  const where = words.length === 0 ? '' : 'AND o.words @@ $2::tsquery';
  const asked = words.length === 0 ? [] : [words.map((word) => `'${word}':*`).join(' & ')];
  const [{ total }] = await db.query<[{ total: number }]>(`SELECT count(*)::int AS total ${FILES} ${where}`, [
    computerId,
    ...asked,
  ]);
  const first = `starts_with(lower(o.name), $${String(asked.length + 2)})`;
  const files = await db.query<FoundFile[]>(
    `SELECT ${FIELDS} ${FILES} ${where} ORDER BY ${first} DESC, o.file, o."folderId"
     OFFSET $${String(asked.length + 3)} LIMIT $${String(asked.length + 4)}`,
    [computerId, ...asked, typed.trim().toLowerCase(), from, limit],
  );
  return { total, files };
}

/** Looks files up by the ids of their entries. Missing files are absent; of two copies one is returned. */
export const filesWithIds = (
  db: EntityManager,
  computerId: ComputerId,
  ids: readonly string[],
): Promise<FoundFile[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : db.query<FoundFile[]>(
        `SELECT DISTINCT ON (o.id) ${FIELDS} ${FILES} AND o.id = ANY ($2::text[]) ORDER BY o.id, o."folderId"`,
        [computerId, ids],
      );

/** Returns the first entry that matches no file of this computer; undefined when all match. */
export async function notAmongFiles(
  db: EntityManager,
  computerId: ComputerId,
  entries: readonly OwnEntry[],
): Promise<OwnEntry | undefined> {
  const known = new Map(
    (
      await filesWithIds(
        db,
        computerId,
        entries.map(({ id }) => id),
      )
    ).map((one) => [one.id, one]),
  );
  return entries.find(({ id, file }) => known.get(id)?.file !== file);
}
