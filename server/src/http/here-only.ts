import type { EntityManager } from 'typeorm';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import type { Here } from '../here.js';
import { findComputer } from '../store/computer-store.js';
import { HttpError } from './http-error.js';

/** The computer that a path names, if this is it: the folders of another one can't be looked at from here. */
export async function computerHere(db: EntityManager, here: Here, id: unknown): Promise<ComputerId> {
  const computer = await findComputer(db, id);
  if (!here.is(computer.id))
    throw new HttpError(
      'other-computer',
      `${computer.name} is another computer, and its folders can't be read from here. Scan them there with npm run scan -- FOLDER --json report.json, and import the report.`,
    );
  return asId<ComputerId>(computer.id);
}
