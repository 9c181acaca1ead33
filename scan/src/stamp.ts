import { statSync, type Stats } from 'node:fs';
import { sep } from 'node:path';

/** Raised whenever readers, identity or inference learn more, so that everything is read and grouped anew once. */
export const STAMP_VERSION = 'r7';

/**
 * The fingerprint of a place: the version of the readers, then pairs of a path inside and how it stood: kind, size, time of the last change of
 * its content and of its record. Only what a reader looked at is in it, and that includes what it looked for and did not find.
 */
export type Stamp = readonly string[];

/** In place of a fingerprint, for what the walk told of without reading it: links to what is found elsewhere, and side files. */
export const WALKED: Stamp = ['walk'];

/** How a file or folder stands; "-" when there is none. */
export const markOf = (found: Stats | undefined): string =>
  found === undefined
    ? '-'
    : `${found.isDirectory() ? 'd' : found.isFile() ? 'f' : 'o'}${String(found.size)} ${String(found.mtimeMs)} ${String(found.ctimeMs)}`;

/** The state of a path; undefined when it is not there or can't be asked. Never throws. */
export function statOf(path: string): Stats | undefined {
  try {
    return statSync(path, { throwIfNoEntry: false });
  } catch {
    return undefined;
  }
}

/** Whether everything that was looked at still stands as it did. */
export function stillStands(place: string, stamp: Stamp): boolean {
  if (stamp[0] !== STAMP_VERSION) return false;
  for (let at = 1; at < stamp.length; at += 2) {
    const inside = stamp[at] ?? '';
    if (markOf(statOf(inside === '' ? place : `${place}${sep}${inside}`)) !== stamp[at + 1]) return false;
  }
  return true;
}
