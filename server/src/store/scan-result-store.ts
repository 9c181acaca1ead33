import { randomUUID } from 'node:crypto';
import equal from 'fast-deep-equal';
import { Not, type EntityManager } from 'typeorm';
import type { KnownBuild, ScanDifference } from '@clever-drawer/core/catalogue/scan-difference';
import { scanDifference } from '@clever-drawer/core/catalogue/scan-difference';
import { scanStory, type ScanEvent } from '@clever-drawer/core/catalogue/scan-story';
import type { Fault } from '@clever-drawer/core/facts/fault';
import type { LeftOut } from '@clever-drawer/core/facts/left-out';
import type { BuildId, ComputerId, PluginId } from '@clever-drawer/core/ids';
import { appendToGroup } from '@clever-drawer/core/lists-by-key';
import { asId } from '@clever-drawer/core/ids';
import type { ScanOutcome } from '@clever-drawer/contract/responses';
import { withPresets } from '@clever-drawer/scan/attach-presets';
import type { PlaceReading } from '@clever-drawer/scan/read-place';
import type { ScanResult } from '@clever-drawer/scan/run-scan';
import { WALKED, type Stamp } from '@clever-drawer/scan/stamp';
import { BuildRow } from '../database/entities/catalogue.js';
import type { ScanWish } from '../database/entities/computer.js';
import { carryOver } from './carry-over.js';
import { lockCatalogue } from './catalogue-lock.js';
import { isBelow } from '@clever-drawer/scan/folder-sense';
import type { BuildToGroup } from './grouping-store.js';
import { standing, writeGrouped } from './grouping-store.js';
import { loadPlaces, writePlaces } from './place-store.js';
import { foldersScanned } from './scan-store.js';
import { nextCatalogue } from './studio-store.js';

/** Brings the catalogue up to a scan. The transaction makes it all or nothing; whoever arranges meanwhile hardly waits for it. */
export async function applyScan(
  db: EntityManager,
  computerId: ComputerId,
  result: ScanResult,
  wish: ScanWish,
): Promise<{ outcome: ScanOutcome; story: ScanEvent[] }> {
  await lockCatalogue(db);
  const before = await loadPlaces(db, computerId);
  // A single place that is gone is gone, and no problem; a folder that is gone may be on a disk that is not connected.
  const walkFaults = result.walkFaults.filter(
    (fault) => fault.code !== 'folder-missing' || wish.places?.includes(fault.path) !== true,
  );
  const unwalked = faultPlaces(walkFaults);
  const wasScanned = scannedBy(result, walkFaults, wish);
  const walked = result.walkLeftOut.map((one) => leftOutPlace(one));
  const newlyWalked = walked.filter((place) => !equal(before.get(place.path), place));
  const met = new Map([...result.places, ...unwalked, ...walked].map((place) => [place.path, place]));
  const gone = [...before.keys()].filter((path) => wasScanned(path) && !met.has(path));
  const stoodUnwalked = [...before.values()].some((place) => place.stamp.length === 0);
  const isAllKnown = [result.fresh, gone, unwalked, newlyWalked].every((list) => list.length === 0) && !stoodUnwalked;
  if (isAllKnown)
    return {
      outcome: { ...(await countFound(db, computerId)), ...NOTHING_NEW, unchanged: result.unchanged },
      story: [],
    };
  const rows = await db.findBy(BuildRow, { computerId });
  const after = new Map([...before, ...met]);
  for (const path of gone) after.delete(path);
  const seen = withPresets([...after.values()].map((place) => place.reading));
  const difference = scanDifference(rows.map(knownBuild), seen, wasScanned);
  const failedBefore = new Set(
    [...before.values()].flatMap((place) => place.reading.faults.map((fault) => fault.path)),
  );
  const faults = [...after.values()].flatMap((place) => place.reading.faults);
  const story = scanStory(difference, failedBefore, faults, wasScanned);
  const scanned = await foldersScanned(db, computerId);
  const { places = [] } = wish;
  const isFirstScan = (path: string): boolean =>
    !scanned.some((folder) => isBelow(path, folder)) && !places.some((place) => isBelow(path, place));
  const written = await writeBuilds(db, computerId, rows, difference, isFirstScan);
  await writePlaces(db, computerId, [...result.fresh, ...unwalked, ...newlyWalked], gone);
  // Last, because whoever arranges holds this row for a moment.
  await nextCatalogue(db);
  return { outcome: outcomeOf(written, story, result.unchanged), story };
}

/**
 * Writes the builds of a computer as they are after a difference, grouped into plugins with those of all computers. `rows` are the builds that stood
 * before; `isFirstScan` tells whether a path is being scanned for the first time.
 */
export async function writeBuilds(
  db: EntityManager,
  computerId: ComputerId,
  rows: readonly BuildRow[],
  difference: ScanDifference,
  isFirstScan: (path: string) => boolean,
): Promise<{ plugins: number; builds: number; rows: number }> {
  const own = buildsAfter(difference, computerId, isFirstScan);
  const others = await db.findBy(BuildRow, { computerId: Not(computerId) });
  const before = new Map([...rows, ...others].map((row) => [row.id, row]));
  const grouped = await writeGrouped(db, [...own, ...others.map(standing)], before);
  await carryOver(db, computerId, grouped);
  const found = own.filter((build) => build.found);
  return {
    plugins: new Set(found.map((build) => grouped.pluginOf.get(build.id))).size,
    builds: found.length,
    rows: grouped.rows,
  };
}

/** The counts of what happened. */
export function outcomeOf(
  { plugins, builds }: { readonly plugins: number; readonly builds: number },
  story: readonly ScanEvent[],
  unchanged: number,
): ScanOutcome {
  const count = (kind: ScanEvent['kind']): number => story.filter((event) => event.kind === kind).length;
  return {
    plugins,
    builds,
    arrived: count('arrived'),
    changed: count('changed'),
    vanished: count('vanished'),
    returned: count('returned'),
    failed: count('failed'),
    recovered: count('recovered'),
    unchanged,
  };
}

/** What a scan that met nothing new has to count. */
const NOTHING_NEW = { arrived: 0, changed: 0, vanished: 0, returned: 0, failed: 0, recovered: 0 };

async function countFound(db: EntityManager, computerId: ComputerId): Promise<{ plugins: number; builds: number }> {
  const [counts] = await db.query<[{ plugins: number; builds: number }]>(
    `SELECT count(DISTINCT "pluginId")::int AS plugins, count(*)::int AS builds FROM build
     WHERE "computerId" = $1 AND found`,
    [computerId],
  );
  return counts;
}

/** A build as a scan compares it. */
export const knownBuild = ({ id, pluginId, facts, found }: BuildRow): KnownBuild => ({
  id: asId<BuildId>(id),
  pluginId: asId<PluginId>(pluginId),
  facts,
  found,
});

/** Faults as places with nothing else: folders and links that could not be followed have no stamp. */
export function faultPlaces(faults: readonly Fault[], stamp: readonly string[] = []): PlaceReading[] {
  const byPath = new Map<string, Fault[]>();
  for (const fault of faults) appendToGroup(byPath, fault.path, fault);
  return [...byPath].map(([path, own]) => ({ path, stamp, reading: { builds: [], faults: own } }));
}

/** What was left out without being read, as a place of its own. */
export const leftOutPlace = ({ path, ...leftOut }: LeftOut, stamp: Stamp = WALKED): PlaceReading => ({
  path,
  stamp,
  reading: { builds: [], faults: [], leftOut },
});

/** What lies where the scan looked, to its end, and could read: only there can something vanish. After a cancel nothing does. */
function scannedBy(result: ScanResult, walkFaults: readonly Fault[], wish: ScanWish): (path: string) => boolean {
  if (result.cancelled) return () => false;
  const unread = walkFaults.map((fault) => fault.path);
  return (path) =>
    (wish.everything === true || result.folders.some((folder) => isBelow(path, folder))) &&
    !unread.some((folder) => folder !== path && isBelow(path, folder));
}

function buildsAfter(
  difference: ScanDifference,
  computerId: ComputerId,
  isFirstScan: (path: string) => boolean,
): BuildToGroup[] {
  const { arrived, changed, returned, same, vanished, untouched } = difference;
  return [
    ...arrived.map((facts) => ({
      id: randomUUID(),
      computerId,
      pluginId: undefined,
      found: true,
      facts,
      arrivedWithFolder: isFirstScan(facts.path),
    })),
    ...[...changed, ...returned, ...same].map(({ known: { id, pluginId }, facts }) => ({
      id,
      computerId,
      pluginId,
      found: true,
      facts,
    })),
    ...vanished.map((known) => ({ ...known, computerId, found: false })),
    ...untouched.map((known) => ({ ...known, computerId })),
  ];
}
