import { randomUUID } from 'node:crypto';
import { mkdir, readFile } from 'node:fs/promises';
import { hostname } from 'node:os';
import { dirname, join } from 'node:path';
import type { DataSource } from 'typeorm';
import writeFileAtomic from 'write-file-atomic';
import { thisSystem } from '@clever-drawer/scan/this-system';
import { ComputerRow } from './database/entities/computer.js';
import { isUuid } from './http/checked.js';

/** Which of the studio's computers this server runs on: only its folders can be looked at from here. */
export interface Here {
  is(computerId: string): boolean;
  /** Takes a computer for the one at hand while none is known to be. */
  settle(computerId: string): Promise<void>;
}

const FILE = 'computer-id';

/** What is known of the computer at hand, kept in a file of a folder. A file that holds no id counts as none. */
export async function openHere(folder: string): Promise<Here & { readonly id: () => string | null }> {
  const file = join(folder, FILE);
  const text = (await readFile(file, 'utf8').catch(() => '')).trim();
  let id = isUuid(text) ? text : null;
  return {
    id: () => id,
    is: (computerId) => computerId === id,
    settle: async (computerId) => {
      if (id === computerId) return;
      id = computerId;
      await mkdir(dirname(file), { recursive: true });
      // Aside and then renamed: a full disk never leaves half an id.
      await writeFileAtomic(file, `${computerId}\n`);
    },
  };
}

/**
 * Finds out which computer of the database this is, and adds it where it is missing and wanted. A private data folder belongs to the computer that was
 * made in it first; in a database elsewhere a computer of this name and system is this one, which is how earlier versions named it.
 */
export async function settleHere(
  source: DataSource,
  here: Awaited<ReturnType<typeof openHere>>,
  options: { readonly isOwnData: boolean; readonly adds: boolean },
): Promise<void> {
  const computers = source.getRepository(ComputerRow);
  const known = here.id();
  if (known !== null && (await computers.existsBy({ id: known }))) return;
  const name = hostname() || 'This computer';
  // A computer that has an id of its own is new to a database that does not know it, whatever others in it are called.
  const isNew = known !== null && !options.isOwnData;
  const [before] = isNew
    ? []
    : await computers.find({
        ...(options.isOwnData ? {} : { where: { name, system: thisSystem() } }),
        order: { createdAt: 'ASC', id: 'ASC' },
        take: 1,
      });
  if (before !== undefined) {
    await here.settle(before.id);
    return;
  }
  if (!options.adds) return;
  const id = known ?? randomUUID();
  await computers.insert({ id, name, system: thisSystem() });
  await here.settle(id);
}
